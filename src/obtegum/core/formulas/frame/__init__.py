"""One bow as a plane frame: its model, first and second order, buckling, and the checks of its steel.

Pure functions of frozen values, in N, m and Pa; nothing here knows a house or a screen.
"""
