"""Strength: one bow under all the weather of its place, and how close to its limit it comes."""

from obtegum.core.face.faces import Answers, Caution, Next, Page, Picture, Tabled, Words
from obtegum.core.face.fields import special
from obtegum.core.face.room import Room
from obtegum.core.face.usual_tubes import board_options
from obtegum.core.rooms.strength import judged, step
from obtegum.core.rooms.strength.cures import CURES
from obtegum.core.rooms.strength.diagrams import bending, pressing
from obtegum.core.rooms.strength.draw import load_drawings, use
from obtegum.core.rooms.strength.engineer import combination_lines, section_lines
from obtegum.core.rooms.strength.goods import goods
from obtegum.core.rooms.strength.model import prop_board
from obtegum.core.rooms.strength.parts import parts
from obtegum.core.rooms.strength.propped import fails_anyway
from obtegum.core.rooms.strength.tables import TABLES
from obtegum.core.rooms.strength.words import AID

__all__ = ["ROOM"]


FIRST = (
    "N pulls, − presses. At so many times its load a bow buckles, in the first order; N, M and V are of the second, at "
    "the place that uses most, V the mean over a piece. Loads and their clauses stand with Weather, pressures piece by "
    "piece in the table of that name."
)


ROOM = Room(
    carded=False,
    stands=step.stands,
    plan=step.plan,
    verdicts=judged.verdicts,
    verdict_names=("frame", "prop", "prop-ridge"),
    strips=step.strips,
    strip_names=("use",),
    shared_strips=("use",),
    views={"use": use, "bending": bending, "pressing": pressing},
    work_drawings=load_drawings,
    drawing_names=("load:",),
    fields=(special("strength.prop_board", options=board_options),),
    requires=prop_board,
    cures=CURES,
    fails_early={"frame": fails_anyway},
    down=frozenset({"rated", "reserve", "bends_at", "film_holds", "bracket"}),
    up=frozenset(
        {
            "use",
            "otherwise",
            "yields",
            "sprung",
            "post_use",
            "forced",
            "met",
            "met_pull",
            "hung",
            "lift",
            "down",
            "push",
            "bent",
            "pressed",
            "drop",
            "sway",
            "prop_pressed",
            "prop_plate",
        }
    ),
    nearest=frozenset({"stands_out", "weathers", "props"}),
    tables=TABLES,
    pages=(
        Page(
            "Strength",
            (Caution("strength"), Picture("use", 0.4), Answers(("strength",)), Next("strength", loud=False)),
        ),
        Page(
            "For an engineer",
            (
                Tabled("Sections as they count", section_lines, (0.38, 0.08, 0.2, 0.34)),
                Tabled(
                    "An ordinary bow, every combination",
                    combination_lines,
                    (0.26, 0.06, 0.08, 0.09, 0.07, 0.13, 0.13, 0.06, 0.06, 0.06),
                ),
                Words(f"{AID} {FIRST}"),
            ),
            alone="engineer",
            step="strength",
            apart=True,
        ),
    ),
    parts=parts,
    goods=goods,
    costly=True,
)
