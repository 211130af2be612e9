"""Strength: one bow under all the weather of its place, and how close to its limit it comes."""

__all__ = ["OFFERS"]

# What other rooms may use besides its decisions and findings.
OFFERS = ("asks", "forced", "judged", "loads", "model", "plastic", "propped", "site", "words")
