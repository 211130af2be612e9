"""Runs: what ties the bows along the house, where each lies, of what sticks, and every mark on run and bow."""
