"""Holds down: how each post is set in its ground, what that holds, and the chain from bow to soil."""

# What other rooms may use besides its decisions and findings.
OFFERS = ("judged", "takes")
