"""Braces: how wind along the house comes to the ground, and collars and trusses across the bows."""
