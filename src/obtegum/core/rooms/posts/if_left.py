"""What a post that is left where it strays does to the boards along the feet, and to what lies on them."""

from collections.abc import Iterator

from obtegum.core.findings.skeleton.row import Deviation
from obtegum.core.findings.skeleton.stands import boarded
from obtegum.core.findings.work import Work

__all__ = ["if_left"]


def if_left(work: Work, stray: Deviation) -> Iterator[str]:
    """A board that bends round it, or film that follows it."""
    if stray.out_m is None or abs(stray.out_m) <= work.rules.post_line_m:
        return
    if boarded(work):
        yield "its board is slotted or bends"
    yield "boards and film follow it"
