"""Height to the inner face of the bow, over a spot or over a person's width. Source: geometry of the offset curve."""

from obtegum.core.formulas.profile import Chain

__all__ = ["clear_from", "headroom", "headroom_over"]

NUDGE_M = 1e-6


def headroom(inner: Chain, x: float) -> float:
    """Lowest height of the inner face over x, m; 0 where x is not under the bow."""
    heights = [inner.point(s)[1] for s in inner.at_x(x)]
    return max(min(heights), 0.0) if heights else 0.0


def headroom_over(inner: Chain, x: float, width_m: float) -> float:
    """Least height of the inner face over a width centred on x, m.

    A bow's inner face is lowest over one edge of the width or at a corner of the chain within it.
    """
    left, right = x - width_m / 2, x + width_m / 2
    heights = [headroom(inner, left), headroom(inner, right), headroom(inner, x)]
    heights += [y for corner_x, y in inner.ends if left < corner_x < right]
    return max(min(heights), 0.0)


def clear_from(inner: Chain, span_m: float, height_m: float, width_m: float) -> float | None:
    """Nearest place to the left posts' line at which ``height_m`` clears, m from that line.

    That is where one edge of the width comes out under the level ``height_m`` of the inner face, or
    past a corner or foot of it. None when even the middle is too low.
    """
    edges = [*(end_x for end_x, _ in inner.ends), *(inner.point(s)[0] for s in inner.at_y(height_m))]
    for x in sorted(edge + width_m / 2 + NUDGE_M for edge in edges if edge + width_m / 2 <= 0):
        if headroom_over(inner, x, width_m) >= height_m:
            return x + span_m / 2
    return 0.5 * span_m if headroom_over(inner, 0.0, width_m) >= height_m else None
