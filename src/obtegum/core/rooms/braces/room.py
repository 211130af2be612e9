"""Braces: how wind along the house comes to the ground; collars and trusses."""

from obtegum.core.face.faces import Answers, Caution, Next, Numbered, Page, Picture, Stick
from obtegum.core.face.fields import special
from obtegum.core.face.room import Room
from obtegum.core.face.usual_tubes import board_options, usual_or_told
from obtegum.core.findings.skeleton.braces import brace_tube, braces_of, tie_board, ties_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.braces import judged, step
from obtegum.core.rooms.braces.cures import CURES
from obtegum.core.rooms.braces.draw import braced, braces_along, tied
from obtegum.core.rooms.braces.goods import goods
from obtegum.core.rooms.braces.parts import parts
from obtegum.core.rooms.braces.tables import TABLES

__all__ = ["ROOM"]


def _requires(work: Work) -> None:
    _ = brace_tube(work), braces_of(work), ties_of(work), tie_board(work)


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=judged.verdicts,
    verdict_names=("along", "brace-head", "run-pressed", "tie-"),
    strips=step.strips,
    strip_names=("brace", "brace-", "collar", "knee", "strut"),
    views={"braced": braced, "tied": tied},
    layers={"along": braces_along},
    fields=(usual_or_told("braces.tube"), special("braces.board", options=board_options)),
    requires=_requires,
    cures=CURES,
    down=frozenset({"brace_holds"}),
    up=frozenset(
        {
            "along_ends",
            "along_steadies",
            "brace_pull",
            "brace_lift",
            "brace_twists",
            "brace_bolts",
            "truss_bolts",
            "brace_clamps",
            "collar_pull",
            "strut_pull",
            "knee_pull",
        }
    ),
    nearest=frozenset(
        {
            *("braces", "brace_cut", "brace_holes", "brace_steep", "brace_lean"),
            *("collar_cut", "collar_bevel", "strut_cut", "strut_steep", "knee_cut", "knee_steep"),
        }
    ),
    tables=TABLES,
    pages=(
        Page(
            "Braces",
            (
                Caution("braces"),
                Picture("braced", 0.3),
                Picture("tied", 0.24),
                Stick("brace"),
                Stick("brace-2"),
                Stick("collar"),
                Stick("knee"),
                Numbered("braces"),
                Answers(("braces",)),
                Next("braces", loud=False),
            ),
        ),
    ),
    parts=parts,
    goods=goods,
)
