"""Size: width, length, shape and height, and how a grower fits under the side."""

from obtegum.core.documents.house import HouseDesign
from obtegum.core.face.room import Room
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.rooms.size import step
from obtegum.core.rooms.size.across import across
from obtegum.core.rooms.size.along import along
from obtegum.core.rooms.size.compared import shape_rows, shapes
from obtegum.core.rooms.size.cures import CURES
from obtegum.core.rooms.size.derived import derived
from obtegum.core.rooms.size.fields import FIELDS
from obtegum.core.rooms.size.paper import PAGES
from obtegum.core.rooms.size.thumbnail import thumbnail
from obtegum.core.values.quantity import size_text

__all__ = ["ROOM"]


def _how_large(design: HouseDesign) -> str:
    return size_text(design.size.span_m, design.size.length_m, design.tape)


ROOM = Room(
    opens=True,
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("headroom", "leg-top"),
    strips=step.strips,
    strip_names=("floor",),
    shared_strips=("floor",),
    views={"across": across, "along": along, "shapes": shapes},
    rows={"shapes": shape_rows},
    thumbnail=thumbnail,
    how_large=_how_large,
    fields=FIELDS,
    requires=centre_line,
    derived=derived,
    cures=CURES,
    down=frozenset({"floor", "headroom", "upright"}),
    nearest=frozenset({"bows"}),
    pages=PAGES,
)
