"""Start: what is known first, and the house that it makes."""

__all__ = ["OFFERS"]

# What other rooms may use besides its decisions and findings.
OFFERS = ("known",)
