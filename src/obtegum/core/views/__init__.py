"""The drawings, each a display list made from the `Work`.

Those from above are made with x along the house from A and y across to its right, and turned as they
are seen.
"""

from collections.abc import Callable

from obtegum.core.drawing import Drawing, seen_from_above
from obtegum.core.views.above import above
from obtegum.core.views.across import across
from obtegum.core.views.along import along
from obtegum.core.views.bow_set import bow_set
from obtegum.core.views.ground import drain_run, earth, falls, profile
from obtegum.core.views.how import squaring
from obtegum.core.views.made import made, pull_drawings
from obtegum.core.views.offsets import offsets
from obtegum.core.views.post import one_post
from obtegum.core.views.shapes import shapes
from obtegum.core.views.taped import taped
from obtegum.core.views.yard import yard
from obtegum.core.work import Work

__all__ = ["VIEWS", "how_drawings", "pull_drawings", "yard"]

View = Callable[[Work], Drawing]


def _over(view: View) -> View:
    return lambda work: seen_from_above(view(work))


def how_drawings(work: Work) -> list[Drawing]:
    """One drawing for each step of squaring the base, in order."""
    return [seen_from_above(each) for each in squaring(work)]


# Every view by its name, in the order that a plan has them.
VIEWS: dict[str, View] = {
    "across": across,
    "along": along,
    "above": _over(above),
    "post": one_post,
    "taped": _over(taped),
    "offsets": _over(offsets),
    "falls": _over(falls),
    "profile": profile,
    "earth": _over(earth),
    "drain": _over(drain_run),
    "shapes": shapes,
    "made": made,
    "set": bow_set,
}
