"""Rigid sheets: how many, cut how long, from which corner, with what laps, holes, screws and trims."""
