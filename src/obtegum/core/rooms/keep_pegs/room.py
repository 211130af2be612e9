"""Keep pegs: offset pegs or gauge boards outside the digging, and the readings that find each peg again."""

from obtegum.core.drawing.above import over
from obtegum.core.face.room import Room
from obtegum.core.rooms.keep_pegs import step
from obtegum.core.rooms.keep_pegs.cures import CURES
from obtegum.core.rooms.keep_pegs.draw import offsets
from obtegum.core.rooms.keep_pegs.goods import goods
from obtegum.core.rooms.keep_pegs.on_site import on_site
from obtegum.core.rooms.keep_pegs.paper import PAGES
from obtegum.core.rooms.keep_pegs.parts import parts

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    goods=goods,
    parts=parts,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("offset-clear",),
    strips=step.strips,
    strip_names=("board", "kept:"),
    views={"offsets": over(offsets)},
    cures=CURES,
    nearest=frozenset({"kept_long", "kept_short", "board"}),
    pages=PAGES,
    on_site=on_site,
)
