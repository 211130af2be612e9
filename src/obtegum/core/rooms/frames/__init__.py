"""Frames: every frame that there could be, what each part of this one buys, and frames that others offer."""

# What other rooms may use besides its decisions and findings.
OFFERS = ()
