"""Frames: every frame that there could be, what each part of this one buys, and frames that others offer."""
