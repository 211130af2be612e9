"""What ties each bow by a kind, as edits: for ways out, maps and offers alike."""

from obtegum.core.face.edit import Edits, chosen, lengthened, up
from obtegum.core.findings.work import Work

__all__ = ["tie_edits"]

# Where a collar goes, of the crown's height; over a head, m; and no higher than this of the crown.
TIED_AT, OVER_HEAD_M, HIGHEST = 0.66, 0.1, 0.92


def tie_edits(work: Work, kind: str) -> Edits | None:
    """What ties every bow by a kind, two thirds up, over the grower's head; where it is tied so already, as it is; None
    where there is no room for it."""
    size, braces = work.design.size, work.design.braces
    if kind == "none":
        return () if braces.ties == "none" else (chosen("braces.ties", "none"),)
    every: Edits = (chosen("braces.every", "1"),) if braces.every != 1 else ()
    if kind == braces.ties:
        return every
    high_m = up(work, max(TIED_AT * size.height_m, size.figure.height_m + OVER_HEAD_M))
    if high_m >= HIGHEST * size.height_m:
        return None
    return (chosen("braces.ties", kind), lengthened("braces.tie_m", high_m), *every)
