"""Bows: radius, girth, tube per bow, and every mark on every stick."""

from obtegum.core.face.faces import Caution, Next, Page, Stick
from obtegum.core.face.room import Room
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import split_of
from obtegum.core.findings.skeleton.line import inner_face
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.sticks import MOST_STICKS
from obtegum.core.rooms.bows import step
from obtegum.core.rooms.bows.cures import CURES
from obtegum.core.rooms.bows.derived import derived
from obtegum.core.rooms.bows.draw import marks_across
from obtegum.core.rooms.bows.fields import FIELDS, own_tube_fields
from obtegum.core.rooms.bows.goods import goods
from obtegum.core.rooms.bows.parts import parts
from obtegum.core.rooms.bows.strips import strips
from obtegum.core.rooms.bows.tables import TABLES

__all__ = ["ROOM"]

# The sticks of a bow, by their letters.
STICKS = tuple(f"stick:{chr(ord('A') + place)}" for place in range(MOST_STICKS))


def _requires(work: Work) -> None:
    _ = bow_tube(work), split_of(work), inner_face(work)


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("crown-joint", "pieces", "short-piece", "sleeve", "told-sticks", "waste"),
    strips=strips,
    strip_names=("stick:",),
    shared_strips=STICKS,
    layers={"across": marks_across},
    fields=FIELDS,
    more_fields=own_tube_fields,
    requires=_requires,
    derived=derived,
    cures=CURES,
    sums_up=lambda work: f"{bays_of(work).bows} bows",
    down=frozenset({"left_over", "slides_into", "takes"}),
    up=frozenset({"tube"}),
    nearest=frozenset(
        {
            "radius",
            "centre",
            "half_angle",
            "corner",
            "girth",
            "sticks",
            "joints",
            "bundles",
            "uncut",
            "pieces",
            "lies_wide",
            "lies_high",
            "joint_in",
        }
    ),
    tables=TABLES,
    pages=(Page("Bows", (Caution("bows"), Stick("stick:"), Next("bows", loud=False)), first=0.35),),
    parts=parts,
    goods=goods,
)
