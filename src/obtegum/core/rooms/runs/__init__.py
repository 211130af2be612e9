"""Runs: what ties the bows along the house, where each lies, of what sticks, and every mark on run and bow."""

# What other rooms may use of this one.
OFFERS = ("tube",)
