"""Bows: radius, girth, tube per bow, and every mark on every stick."""

__all__ = ["OFFERS"]

# What other rooms may use besides its decisions and findings.
OFFERS = ("tube_field", "tubes")
