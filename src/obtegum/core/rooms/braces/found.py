"""Where braces, collars and struts begin and end, and what wind along the house asks of them."""

import math
from dataclasses import dataclass

import numpy as np

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import girth_at
from obtegum.core.findings.skeleton.braces import Brace, brace_tube, braces_of, head_m, tie_board, tie_edge_m
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.runs import run_tube, runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.links import HOLE_WIDER_M, bolt_shear, bolt_wall, tube_twists
from obtegum.core.formulas.frame.steel import OMEGA, column_n, ultimate_pa
from obtegum.core.formulas.timber import bolt_lateral_n, pulled_n
from obtegum.core.formulas.weather.ends import Shell
from obtegum.core.formulas.weather.pressure import Worked
from obtegum.core.rooms.strength.found import bow_found, counted
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.weather.found import method_of

__all__ = [
    "Alike",
    "Along",
    "Holding",
    "alike_of",
    "along_of",
    "brace_lift_n",
    "cut_m",
    "eccentricity_m",
    "end_m2",
    "holding",
    "pulling",
    "run_column_n",
    "run_takes",
    "tie_cut_m",
    "tie_holding",
    "twists",
]

# Braces whose lengths are nearer than this are cut alike, m.
SAME_M = 0.0002
# A head or foot so near to a run, m of the bow, doesn't bend it (this bench).
NEAR_RUN_M = 0.1
# Share of what presses a bow that steadies it at each point held (AISC 360-16 App. 6 and EN 1993-1-1 5.3.3, as 2 %).
STEADIES = 0.02
# Rupture, AISC 360-16 D2.
OMEGA_RUPTURE = 2.0


@dataclass(frozen=True, slots=True)
class Along:
    """Wind along the house as the braces take it, N, allowable: on both ends, what steadies the bows of one side, what
    one brace is pulled by, and what it lifts its foot by; the working."""

    ends_n: float
    steadies_n: float
    brace_n: float
    lift_n: float
    sheet: tuple[Worked, ...]


@dataclass(frozen=True, slots=True)
class Holding:
    """What a brace can be pulled by, N, and which of its parts gives first; None where nobody knows."""

    holds_n: float | None
    what: str
    source: str


@dataclass(frozen=True, slots=True)
class Alike:
    """Braces of one length, the first of them, and how many there are."""

    brace: Brace
    count: int


def alike_of(work: Work) -> tuple[Alike, ...]:
    """Braces by their length, the most first: an odd bay has its own."""
    by_length = dict[int, list[Brace]]()
    for brace in braces_of(work):
        by_length.setdefault(round(brace.long_m / SAME_M), []).append(brace)
    return tuple(Alike(each[0], len(each)) for each in sorted(by_length.values(), key=lambda each: -len(each)))


def pulling(work: Work) -> tuple[int, int]:
    """Braces of one side that pull when wind blows at the front, and at the back."""
    left = [brace for brace in braces_of(work) if brace.side == "L"]
    # The frame is pushed from its front: what leans toward the front at its head is pressed, the others pull.
    return sum(not brace.front for brace in left), sum(brace.front for brace in left)


def end_m2(work: Work) -> float:
    """The area of an end wall to the outside of its bow, m²."""
    bow = centre_line(work)
    return bow.under_m2 + bow.girth_m * bow_tube(work).od_m / 2


@found
def along_of(work: Work) -> Along | None:
    """Wind along the house; None while the weather isn't known, or an engineer's pressures say nothing of the ends."""
    weather, size = weathered(work), work.design.size
    if weather is None or weather.q_pa is None:
        return None
    wide_m = size.span_m + bow_tube(work).od_m
    shell = Shell(end_m2(work), size.length_m, wide_m, size.height_m, centre_line(work).girth_m)
    ends_n, sheet = method_of(work).code.ends(weather.q_pa, shell)
    steadies, pulls = _steadies(work), min(pulling(work))
    share = min((brace.along for brace in braces_of(work)), default=0.0)
    brace_n = (ends_n / 2 + steadies) / (pulls * share) if pulls and share else math.inf
    up = max((brace.up for brace in braces_of(work)), default=0.0)
    more = [
        Worked("Ps", "steadies the bows of one side, 2 % of what presses them", "AISC 360-16 App. 6", steadies),
        Worked("n", "braces of a side that pull", "tension alone", pulls),
    ]
    return Along(ends_n, steadies, brace_n, brace_n * up if pulls else 0.0, (*sheet, *more))


def _steadies(work: Work) -> float:
    """What the bows of one side press their runs by toward its braced bays, N: each held point gathers from its bows.

    P = 0.02·ΣN·√(½·(1 + 1/m)) of the m bows that one braced bay steadies.
    """
    judged = bow_found(work)
    if judged is None or judged.found is None or not work.design.braces.bays:
        return 0.0
    # A bow is pressed most by what its feet give back, in any weather.
    feet = judged.found.ground
    most_n = float(np.hypot(feet[:, :, 0], feet[:, :, 1])[feet[:, :, 1] > 0].max(initial=0.0))
    pressed_n = most_n / method_of(work).factors.partial
    bows = bays_of(work).bows
    held = (len(runs_of(work)) + 1) / 2
    return STEADIES * pressed_n * bows * math.sqrt(0.5 * (1 + 1 / bows)) * held


def run_takes(work: Work) -> tuple[float, float] | None:
    """What presses a run with wind along the house, and what it takes, N, allowable (or both by EN's partial factor);
    None while it isn't known.

    Braces that pull stand at the far end of the house: all of a side's push goes there through its runs.
    """
    along, takes = along_of(work), run_column_n(work)
    if along is None or takes is None or not min(pulling(work)):
        return None
    pressed = (along.ends_n / 2 + along.steadies_n) / (len(runs_of(work)) / 2) * method_of(work).factors.partial
    return pressed, takes


def run_column_n(work: Work) -> float | None:
    """What a run takes pressed between two bows, N, allowable or EN's design value; None for laths, or what no code
    covers."""
    tube = run_tube(work)
    if work.design.runs.of == "laths" or tube.material != "steel":
        return None
    section = counted(work, tube)
    try:
        strength = method_of(work).strength(section)
    except ValueError:
        return None
    return column_n(strength, section, bays_of(work).bay_m)


def _near_wall(work: Work) -> float:
    """What the bow's wall takes at a bolt that is pulled from one side, N: the far one sees nothing of it."""
    section = counted(work, bow_tube(work))
    return bolt_wall(work.design.braces.bolt_m, section.wall_m, section.yield_pa)


@dataclass(frozen=True, slots=True)
class Twists:
    """The couple that a pull at one face leaves about the bow's axis: its arm, m, and the pull at which the bow would
    be twisted as far as allowed, N; ``run`` where one is near enough to take it."""

    arm_m: float
    takes_n: float
    run: bool


def twists(work: Work) -> Twists:
    """What a brace's pull at one face of the bow twists it by."""
    section = counted(work, bow_tube(work))
    arm_m = section.od_m / 2
    return Twists(arm_m, tube_twists(section.od_m, section.wall_m, section.yield_pa) / arm_m, not eccentricity_m(work))


def holding(work: Work) -> Holding:
    """What one brace holds: its tube, its flattened ends net of the hole, its bolts and the bow's near
    wall, the bow twisted where no run is near; or a clamp."""
    braces, tube, bow = work.design.braces, brace_tube(work), bow_tube(work)
    if tube.material != "steel" or bow.material != "steel":
        return Holding(None, "plastic pipe", "no value for plastic: test it")
    section = counted(work, tube)
    links = [(tube.yield_pa * section.area_m2 / OMEGA, "the tube itself", "AISC 360-16 D2, yield")]
    if braces.end == "clamp":
        if braces.clamp_n is None:
            return Holding(None, "its clamps", "no rating told: test it")
        links.append((braces.clamp_n, "its clamps", "as rated"))
    else:
        ultimate = ultimate_pa(tube.yield_pa)
        thick, hole_m = 2 * section.wall_m, braces.bolt_m + HOLE_WIDER_M
        # Flattened, the tube is as wide as half of its wall's length round.
        wide_m = math.pi * (tube.od_m - tube.wall_m) / 2
        clear_m = max(braces.edge_m - hole_m / 2, 0.0)
        bears = min(1.2 * clear_m, 2.4 * braces.bolt_m) * thick * ultimate / OMEGA_RUPTURE
        links += [
            (thick * max(wide_m - hole_m, 0.0) * ultimate / OMEGA_RUPTURE, "its flattened end", "AISC 360-16 D2, net"),
            (bears, "the bolt’s hole in its flattened end", "AISC 360-16 J3.10"),
            (bolt_shear(braces.bolt_m) / 2, "its bolt", "AISC 360-16 J3.6, A307, one plane"),
            (_near_wall(work), "the bow’s wall at its bolt", "AISC 360-16 J7, the near one alone"),
        ]
        if eccentricity_m(work):
            links.append((twists(work).takes_n, "the bow, twisted", "AISC 360-16 H3.1"))
    return Holding(*min(links))


def tie_holding(work: Work) -> Holding:
    """What one tie holds: as a brace does; a board by its net section, its bolt in it and in the bow's wall."""
    board, braces, bow = tie_board(work), work.design.braces, bow_tube(work)
    if board is None:
        return holding(work)
    if bow.material != "steel":
        return Holding(None, "plastic pipe", "no value for plastic: test it")
    net_m2 = board.thick_m * (board.wide_m - braces.bolt_m - HOLE_WIDER_M)
    return Holding(
        *min(
            (pulled_n(net_m2), "the board, net of its hole", "NDS 2018 3.8"),
            (bolt_lateral_n(braces.bolt_m, board.thick_m, counted(work, bow).wall_m), "its bolt", "NDS 2018 12.3.1"),
            (_near_wall(work), "the bow’s wall at its bolt", "AISC 360-16 J7, the near one alone"),
        )
    )


def brace_lift_n(work: Work) -> float:
    """What wind along the house lifts a brace's foot by, N; 0 while it isn't known, or no brace pulls."""
    along = along_of(work)
    return along.lift_n if along is not None else 0.0


def eccentricity_m(work: Work) -> float:
    """How far a brace's head is from the nearest run, m of the bow; 0 where it bends no bow."""
    bow = centre_line(work)
    s_m = min(bow.at_y(head_m(work)), default=0.0)
    near_m = min((abs(girth_at(work, run.at_m) - s_m) for run in runs_of(work)), default=math.inf)
    return near_m if near_m > NEAR_RUN_M else 0.0


def tie_cut_m(work: Work, hole_to_hole_m: float) -> float:
    """What is cut for a tie of a length from hole to hole, m."""
    return hole_to_hole_m + 2 * tie_edge_m(work)


def cut_m(work: Work, hole_to_hole_m: float) -> float:
    """What is cut for a brace of a length from hole to hole, m."""
    braces = work.design.braces
    return hole_to_hole_m + (2 * braces.edge_m if braces.end == "flat" else 0.0)
