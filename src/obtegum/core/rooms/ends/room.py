"""Ends: both end walls, each its own, and their doors."""

from functools import partial

from obtegum.core.faces import Answers, Caution, Need, Next, Numbered, Page, Picture, Stick
from obtegum.core.fields import Measure, special
from obtegum.core.job import Job
from obtegum.core.room import Room
from obtegum.core.rooms.ends import step
from obtegum.core.rooms.ends.cures import CURES
from obtegum.core.rooms.ends.decisions import SIDES, EndWall, Side
from obtegum.core.rooms.ends.draw import back, front
from obtegum.core.rooms.ends.found import all_walls, leaves_of, stud_board
from obtegum.core.rooms.ends.parts import parts
from obtegum.core.rooms.ends.tables import TABLES
from obtegum.core.rooms.runs.tube import board_options
from obtegum.core.work import Work

__all__ = ["ROOM"]


def _must(work: Work) -> None:
    _ = all_walls(work), [(stud_board(work, side), leaves_of(work, side)) for side in SIDES]


def _middle(side: Side, job: Job) -> float:
    """Where a doorway in the middle begins, m from the left post."""
    end = job.design.ends.front if side == "front" else job.design.ends.back
    return (job.design.size.span_m - end.wide_m) / 2


def _fields(side: Side) -> list[Measure]:
    """The fields of one end, called by it."""
    found = list[Measure]()
    for name in EndWall.model_fields:
        path = f"ends.{side}.{name}"
        label = special(path).label
        words = f"{side.capitalize()}: {label[:1].lower()}{label[1:]}"
        own: dict[str, object] = {"options": board_options} if name == "stud" else {}
        if name == "left_m":
            own = {"blank": partial(_middle, side)}
        found.append(special(path, label=words, **own))
    return found


def _needs(work: Work) -> tuple[Need, ...]:
    return (Need(what="stick of the ends", many="sticks of the ends", amount=len(parts(work))),)


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    views={"front": front, "back": back},
    fields=(*_fields("front"), *_fields("back")),
    must=_must,
    cures=CURES,
    needs=_needs,
    down=frozenset({"leaf_wide", "leaf_high"}),
    up=frozenset({"end_timber", "end_wind", "stick"}),
    nearest=frozenset({"end_sticks", "leaf_square", "leaf_brace"}),
    tables=TABLES,
    pages=(
        Page(
            "Ends",
            (
                Caution("ends"),
                Picture("front", 0.4),
                Picture("back", 0.4),
                Stick("end:front"),
                Stick("end:back"),
                Numbered("ends"),
                Answers(("ends",)),
                Next("ends", loud=False),
            ),
        ),
    ),
    parts=parts,
)
