"""Level: what the rod reads at every peg, the fall, the datum, and the reading on every finished post top."""

__all__ = ["OFFERS"]

# What other rooms may use besides its decisions and findings.
OFFERS = ("answers", "ground")
