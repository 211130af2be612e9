"""What the post with the least of it in the ground has there: told at several steps."""

from obtegum.core.drawing.step import Answer
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.skeleton.posts import least_embedment_m
from obtegum.core.findings.work import Work

__all__ = ["least_in_ground"]


def least_in_ground(work: Work, note: str = "") -> Answer:
    """What the post with the least of it in the ground has there, rounded down; none where it hangs over it."""
    least_m = least_embedment_m(work)
    return Answer(
        id="embedment_least",
        label="In the ground, least",
        reading=work.say(least_m, rounded("embedment_least")) if least_m > 0 else "none",
        value=least_m,
        unit="m",
        note=note,
    )
