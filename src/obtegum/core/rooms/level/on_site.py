"""The ground as it was read: spots, and contour lines at their heights."""

from collections.abc import Iterator

from obtegum.core.drawing.items import Segments
from obtegum.core.face.faces import SiteLine, SitePoint
from obtegum.core.findings.work import Work
from obtegum.core.rooms.level.ground import contours

__all__ = ["on_site"]


def on_site(work: Work) -> Iterator[SitePoint | SiteLine]:
    """Spots with what the rod read, then the contour lines piece by piece."""
    for spot in work.record.levels.spots.values():
        told = {"rod_m": spot.reading_m}
        yield SitePoint(kind="spot", at=(spot.x_m, spot.y_m), height_m=-spot.reading_m, told=told)
    for item in contours(work):
        if isinstance(item, Segments):
            for x0, y0, x1, y1 in item.ends:
                yield SiteLine(kind="contour", path=((x0, y0), (x1, y1)), height_m=item.height_m)
