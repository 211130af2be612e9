"""The drawings, each a display list made from the `Work`."""

from obtegum.core.views.above import above
from obtegum.core.views.across import across
from obtegum.core.views.along import along
from obtegum.core.views.bow_set import bow_set
from obtegum.core.views.ground import drain_run, earth, falls, profile
from obtegum.core.views.how import how_drawings
from obtegum.core.views.made import made, pull_drawings
from obtegum.core.views.offsets import offsets
from obtegum.core.views.post import one_post
from obtegum.core.views.shapes import shapes
from obtegum.core.views.taped import taped
from obtegum.core.views.yard import yard

__all__ = ["VIEWS", "how_drawings", "pull_drawings", "yard"]

# Every view by its name, in the order that a plan has them.
VIEWS = {
    "across": across,
    "along": along,
    "above": above,
    "post": one_post,
    "taped": taped,
    "offsets": offsets,
    "falls": falls,
    "profile": profile,
    "earth": earth,
    "drain": drain_run,
    "shapes": shapes,
    "made": made,
    "set": bow_set,
}
