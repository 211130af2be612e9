"""Drain: the uphill side, the run-off in the design rain, and the pipe that carries it."""

from obtegum.core.drawing.above import over
from obtegum.core.face.room import Room
from obtegum.core.rooms.drain import step
from obtegum.core.rooms.drain.cures import CURES
from obtegum.core.rooms.drain.draw import drain_run
from obtegum.core.rooms.drain.fields import FIELDS
from obtegum.core.rooms.drain.found import pipe_of
from obtegum.core.rooms.drain.goods import goods
from obtegum.core.rooms.drain.paper import PAGES
from obtegum.core.rooms.drain.parts import parts

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    goods=goods,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("drain-carries", "trench"),
    strips=step.strips,
    strip_names=("drain",),
    views={"drain": over(drain_run)},
    fields=FIELDS,
    requires=pipe_of,
    cures=CURES,
    up=frozenset({"drain_length", "drain_flow", "drain_dig"}),
    nearest=frozenset({"drain_start", "drain_end"}),
    pages=PAGES,
    parts=parts,
)
