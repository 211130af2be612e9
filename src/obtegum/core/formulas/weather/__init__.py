"""Snow and wind on one bow: pressures as functions of slope and place, a function a clause.

Pure functions of frozen values. A pressure is N for each square metre: of plan for snow, of surface for wind.
"""
