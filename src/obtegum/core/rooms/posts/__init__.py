"""Posts: how a bow stands, of what, how long, how deep, and whether it enters."""

__all__ = ["OFFERS"]

# What other rooms may use besides its decisions and findings.
OFFERS = ("foot", "ways")
