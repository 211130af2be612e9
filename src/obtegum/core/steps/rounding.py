"""Which way each answer is rounded as it is printed, in one place.

What one has (room, what is in the ground, play, what is left) goes down; what one needs (tube, earth, water,
force) and what something may be out by goes up; what is measured or marked goes to the nearest step.
Nothing is ever shown as safer than it was computed.
"""

import re

from obtegum.core.quantity import Rounding

__all__ = ["rounded"]

HAVE = frozenset(
    {
        *("floor", "headroom", "upright", "path", "bed_length", "bed_share"),
        *("embedment", "embedment_least", "slides_into", "takes", "left_over"),
    }
)
NEED = frozenset(
    {
        *("skew", "differ", "restart", "slip_side", "slip_end", "slip_diagonal", "taping"),
        *("fall", "turned", "cut", "fill", "net", "banks", "loose", "hours", "stone"),
        *("drain_length", "drain_flow", "drain_dig", "posts_tube", "tube", "film", "lever", "spread"),
    }
)
MARK = frozenset(
    {
        *("base", "ends", "diagonal", "kept_long", "kept_short", "board", "top_reading", "datum_fall", "slope"),
        *("reveal_least", "reveal_most", "drain_start", "drain_end", "post_length", "girth", "uncut"),
        *("radius", "centre", "half_angle", "corner", "former", "came_out", "trial", "springback"),
        *("made_span", "made_height", "wanted_width", "wanted_height", "wanted_quarter", "move"),
        *(
            "equal",
            "fixed",
            "bows",
            "beds",
            "people",
            "posts",
            "sticks",
            "joints",
            "bundles",
            "pulls",
            "loads",
            "order",
        ),
    }
)
_NUMBERED = re.compile(r"_(\d+|[A-D])$")


def rounded(name: str) -> Rounding:
    """Which way an answer of this name is rounded; numbered ones alike. Raises: LookupError for one that isn't here."""
    plain = _NUMBERED.sub("", name)
    if plain in HAVE:
        return "down"
    if plain in NEED:
        return "up"
    if plain in MARK:
        return "nearest"
    raise LookupError(f"nobody has said how “{name}” is rounded")
