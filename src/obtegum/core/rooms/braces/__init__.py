"""Braces: how wind along the house comes to the ground, and collars and trusses across the bows."""

# What other rooms may use besides its decisions and findings.
OFFERS = ("judged", "tied")
