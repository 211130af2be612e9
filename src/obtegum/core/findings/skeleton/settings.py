"""Ways to set a post in the ground: why people choose each, what it takes to undo, what it asks for."""

from dataclasses import dataclass
from typing import Literal

from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.braces import braced_feet
from obtegum.core.findings.work import Work

__all__ = [
    "CORNERS",
    "SETTINGS",
    "Kind",
    "Setting",
    "kind_of",
    "set_of",
    "setting_of",
]


@dataclass(frozen=True, slots=True)
class Setting:
    """One way to set a post. ``do`` is what is done with it until, or so that, so much of it stands out; ``reckoned``
    whether a sourced formula says what it holds against lift."""

    name: str
    short: str
    why: str
    undo: str
    tools: str
    holed: bool
    concreted: bool
    reckoned: bool
    caution: str
    do: str = "Stand it in its hole so that"


HANDS = "Nobody holds a post while it is driven; ears and eyes covered."
DUG = "Buried lines are marked before any hole. Holes are covered until they are filled."
SETTINGS: dict[str, Setting] = {
    "driven": Setting(
        name="driven, ground left whole",
        short="driven",
        why="it is quick, drains, and comes out again; not in stones",
        undo="pulled with a jack in minutes",
        tools="driving cap, sledge or driver",
        holed=False,
        concreted=False,
        reckoned=True,
        caution=HANDS,
        do="Drive it until",
    ),
    "concrete": Setting(
        name="in a hole of concrete",
        short="concrete",
        why="lift is large and the house stays; for good, and with its carbon",
        undo="dug out with a machine",
        tools="auger or bar, barrow, mixer",
        holed=True,
        concreted=True,
        reckoned=True,
        caution=f"Wet cement burns skin and eyes: gloves, boots, water at hand. Two to a heavy bag. {DUG}",
    ),
    "plate": Setting(
        name="on a buried plate",
        short="plate",
        why="lift is large and no concrete is wanted; the soil over it is the weight",
        undo="dug out by hand",
        tools="spade or auger, tamper",
        holed=True,
        concreted=False,
        reckoned=True,
        caution=DUG,
    ),
    "tamped": Setting(
        name="in a hole, soil tamped back",
        short="tamped",
        why="the ground is too hard to drive and nothing else is at hand",
        undo="dug out by hand",
        tools="spade or auger, tamper",
        holed=True,
        concreted=False,
        reckoned=False,
        caution=DUG,
    ),
    "gravel": Setting(
        name="in a hole, gravel packed in",
        short="gravel",
        why="it drains, heaves little and comes out again",
        undo="pulled, gravel left",
        tools="auger, tamper, barrow",
        holed=True,
        concreted=False,
        reckoned=False,
        caution=DUG,
    ),
    "screw": Setting(
        name="on a ground screw",
        short="screw",
        why="it holds at once and turns out again; its maker rates it, or a pull test",
        undo="turned out",
        tools="bar or driver to turn it",
        holed=False,
        concreted=False,
        reckoned=False,
        caution="A bar that turns a screw swings back: stand outside its circle. Buried lines are marked first.",
        do="Turn it in until",
    ),
    "trench": Setting(
        name="in a trench, filled back",
        short="trench",
        why="boulders stop an auger, or a machine is there anyway",
        undo="dug out with a machine",
        tools="digger, tamper",
        holed=True,
        concreted=False,
        reckoned=False,
        caution="Buried lines are marked first. From 1.2 m (4 ft) its sides are shored before anyone goes in.",
        do="Stand it in the trench so that",
    ),
    "pier": Setting(
        name="in a concrete column that stands out",
        short="pier",
        why="the ground is wet or falls away, and feet are to stand dry; for good, and with its carbon",
        undo="broken out with a machine",
        tools="auger or bar, forms, barrow, mixer",
        holed=True,
        concreted=True,
        reckoned=True,
        caution=f"Wet cement burns skin and eyes: gloves, boots, water at hand. A full form topples: brace it. {DUG}",
    ),
    "rail": Setting(
        name="through a base rail, as pins",
        short="rail",
        why="the house is to be moved or squared as one frame; the rail is what it is set out by",
        undo="pins drawn, rail lifted",
        tools="sledge, driving cap, square",
        holed=False,
        concreted=False,
        reckoned=False,
        caution=f"A rail is lifted by two, backs straight. {HANDS}",
        do="Drive it through the rail until",
    ),
    "knee": Setting(
        name="bolted to a knee wall",
        short="knee wall",
        why="low sides are to be gained, or a wall stands there already",
        undo="unbolted; the wall stays or is taken down",
        tools="saw, level, drill, wrench",
        holed=False,
        concreted=False,
        reckoned=False,
        caution="A wall falls over until it is braced from the inside. Treated timber: mask while sawing.",
        do="Bolt it to the wall so that",
    ),
}


Kind = Literal["row", "corner", "brace"]


CORNERS = 4


def set_of(work: Work, kind: Kind) -> str:
    """How a kind of post is set."""
    hold = work.design.hold
    own = {"row": "same", "corner": hold.corner_set, "brace": hold.brace_set}[kind]
    return hold.set if own == "same" else own


def setting_of(work: Work, side: str, bow: int) -> Setting:
    """The way in which a bow's post is set."""
    return SETTINGS[set_of(work, kind_of(work, side, bow))]


def kind_of(work: Work, side: str, bow: int) -> Kind:
    """Which kind a post is, by its side and bow."""
    if bow in (1, bays_of(work).bows):
        return "corner"
    return "brace" if f"{side}{bow}" in braced_feet(work) else "row"
