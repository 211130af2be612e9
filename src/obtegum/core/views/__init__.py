"""The drawings, each a display list made from the `Work`."""

from obtegum.core.views.above import above
from obtegum.core.views.across import across
from obtegum.core.views.along import along
from obtegum.core.views.post import one_post
from obtegum.core.views.yard import yard

__all__ = ["VIEWS", "yard"]

VIEWS = (across, along, above, one_post)
