"""What follows from how sprung pipe is held: where it lets go of its post."""

from collections.abc import Mapping

from obtegum.core.documents.reading import limit_of
from obtegum.core.documents.size import SprungPipe
from obtegum.core.findings.skeleton.posts import entry_of
from obtegum.core.findings.work import Work

__all__ = ["derived"]


def derived(work: Work) -> Mapping[str, float]:
    """Held plumb it is straight up to its post's top, and bends from there on; loose on a stub it bends from the
    ground, and reaches down to it."""
    shape = work.design.size.shape
    if not isinstance(shape, SprungPipe):
        return {}
    if shape.feet != "loose":
        return {"size.shape.leg_m": work.design.posts.reveal_m}
    found = {"size.shape.leg_m": 0.0}
    limit = limit_of("bows.insertion_m")
    if work.design.posts.stand == "stub" and shape.leg_m == 0.0 and limit is not None:
        found["bows.insertion_m"] = min(max(entry_of(work).post_top_s_m, limit.least), limit.most)
    return found
