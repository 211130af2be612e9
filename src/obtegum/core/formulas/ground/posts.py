"""Sleeve posts stand plumb; the bow's tube goes in from above and must be straight and plumb there.

Source: geometry of a tube in its sleeve.
"""

import math

from obtegum.core.formulas.profile import Chain
from obtegum.core.values.base import Part

__all__ = ["Entry", "Play", "bow_entry", "socket_play"]

AT = 1e-7


class Entry(Part):
    """How the bow meets the top of its post.

    ``offset_m`` is how far the bow's centre stands inside (> 0) or outside the post's centre, and
    ``lean_rad`` how far it leans from plumb there, the worst side of a kink counting.
    """

    post_top_s_m: float
    offset_m: float
    lean_rad: float


class Play(Part):
    """What a loose socket forgives: each way sideways, m, and by leaning, rad."""

    gap_m: float
    offset_m: float
    lean_rad: float

    def beyond(self, offset_m: float, lean_rad: float) -> tuple[float, float]:
        """How far a bow stands and leans beyond what the socket forgives, m and rad; nothing where it just goes in."""
        return max(abs(offset_m) - self.offset_m, 0.0), max(lean_rad - self.lean_rad, 0.0)


def bow_entry(bow: Chain, span_m: float, reveal_m: float) -> Entry:
    """Place and direction of the bow at the post top, left side.

    Raises: ValueError when the bow never reaches the post top.
    """
    crossings = bow.at_y(reveal_m)
    if not crossings:
        raise ValueError("the bow is lower than its post tops")
    s_m = crossings[0]
    x, _ = bow.point(s_m)
    leans = [bow.heading(s_m) - math.pi / 2]
    leans += [kink.turn_rad for kink in bow.kinks if abs(kink.s_m - s_m) < AT]
    return Entry(
        post_top_s_m=s_m,
        offset_m=x + span_m / 2,
        lean_rad=max(abs(lean) for lean in leans),
    )


def socket_play(bore_m: float, od_m: float, insertion_m: float) -> Play | None:
    """Play of a tube of ``od_m`` in a bore over the insertion, or None when it doesn't go in."""
    gap = bore_m - od_m
    if gap <= 0:
        return None
    return Play(gap_m=gap, offset_m=gap / 2, lean_rad=math.atan2(gap, insertion_m))
