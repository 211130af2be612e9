"""Size: width, length, shape and height, and how a grower fits under the side."""

__all__ = ["OFFERS"]

# What other rooms may use besides its decisions and findings.
OFFERS = ("across",)
