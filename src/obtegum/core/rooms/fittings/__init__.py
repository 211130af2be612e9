"""Fittings: pipe glued into tees and crosses: what each takes up, every cut, which way it faces, in which order."""

__all__ = ["OFFERS"]

# What other rooms may use besides its decisions and findings.
OFFERS = ("takes",)
