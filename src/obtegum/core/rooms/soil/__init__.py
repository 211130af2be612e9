"""Soil: what the ground is, as a test hole told it, and what it bears."""
