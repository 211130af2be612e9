"""Set out: base rectangle, diagonal, bays, and a peg for every post."""

__all__ = ["OFFERS"]

# What other rooms may use besides its decisions and findings.
OFFERS = ("base", "pegs")
