"""Set out: base rectangle, diagonal, bays, and a peg for every post."""

from obtegum.core.drawing.above import over
from obtegum.core.face.faces import Beside, File
from obtegum.core.face.room import Room
from obtegum.core.rooms.set_out import step
from obtegum.core.rooms.set_out.cures import CURES
from obtegum.core.rooms.set_out.draw import above
from obtegum.core.rooms.set_out.draw_how import how_drawings
from obtegum.core.rooms.set_out.fields import FIELDS
from obtegum.core.rooms.set_out.goods import goods
from obtegum.core.rooms.set_out.if_left import if_left
from obtegum.core.rooms.set_out.intake import INTAKES
from obtegum.core.rooms.set_out.on_site import on_site
from obtegum.core.rooms.set_out.paper import PAGES
from obtegum.core.rooms.set_out.parts import parts
from obtegum.core.rooms.set_out.tables import TABLES

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    goods=goods,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("bow-count", "odd-bay", "tape"),
    strips=step.strips,
    strip_names=("peg:",),
    shared_strips=("peg:L", "peg:R"),
    views={"above": over(above)},
    work_drawings=how_drawings,
    drawing_names=("how:",),
    fields=FIELDS,
    beside=(Beside(title="Corner A on the map", measures=("site.latitude", "site.longitude", "site.bearing")),),
    cures=CURES,
    up=frozenset({"skew", "tape_differ", "restart"}),
    nearest=frozenset({"base", "ends", "diagonal", "people", "equal", "fixed", "counted"}),
    tables=TABLES,
    files=(
        File(
            name="setting-out.dxf",
            label="Setting-out for CAD",
            about="DXF in metres, a layer for each kind",
            long=True,
        ),
        File(
            name="setting-out.geojson",
            label="Setting-out for a map",
            about="GeoJSON, placed from corner A if it is known below",
        ),
    ),
    pages=PAGES,
    on_site=on_site,
    intakes=INTAKES,
    parts=parts,
    if_left=if_left,
)
