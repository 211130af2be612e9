"""What film pulls at an end: the end bow inward between its runs, the runs, a strut to the next foot, a stake."""

import math
from dataclasses import dataclass
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from obtegum.core.documents.ends import EndWall, Side
from obtegum.core.drawing.verdict import NEVER
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import girth_at
from obtegum.core.findings.skeleton.braces import brace_tube
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.outline import end_of
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.film import film_pull_n_m
from obtegum.core.formulas.frame.steel import column_n
from obtegum.core.rooms.braces.found import run_column_n, run_takes
from obtegum.core.rooms.ends.blown import bow_pushed
from obtegum.core.rooms.strength.found import END_WALL_N_M, counted, joint_share, judged_on, why_unknown
from obtegum.core.rooms.strength.loads import end_weathered
from obtegum.core.rooms.strength.model import model_of, sections_of
from obtegum.core.rooms.weather.found import method_of
from obtegum.core.values.catalogue import Film
from obtegum.core.values.trouble import listed

__all__ = ["Pulled", "Strut", "film_of", "pulled_by", "tension_at", "tension_n_m"]

Array = NDArray[np.float64]
# Film of polyethylene, secant, Pa; woven cloth of no told stiffness, N/m (rule B1).
FILM_PA, CLOTH_N_M = 200e6, 100e3
# Wind at the ends and eaves against that on the whole bow (stand-in, rule B8).
LOCAL = 1.5
USUAL = {"feet": "6 mil", "metric": "200 micron"}


@dataclass(frozen=True, slots=True)
class Strut:
    """A strut of each side, from the end bow down to the next bow's foot: how long, m, what presses it and what it
    takes, N; nothing where its tube is none that a code covers."""

    long_m: float
    pressed_n: float
    takes_n: float | None


@dataclass(frozen=True, slots=True)
class Pulled:
    """What film pulls at an end: for each metre of girth, N/m, and of that inward at the most; the share of its
    strength that the end bow uses, None where its own weather isn't known, and how much of that is film's; the run that
    is pressed most, N, and what it takes; the strut; what a stake is pulled by, N."""

    tension_n_m: float
    inward_n_m: float
    share: float | None
    aside: float
    run_n: float
    run_takes_n: float | None
    strut: Strut | None
    stake_n: float | None


@found
def film_of(work: Work) -> Film:
    """The film that is taken. Raises: DesignError when there is none of that name."""
    name = work.design.ends.film or USUAL[work.tape.units]
    return listed(next((each for each in work.catalogue.films if each.name == name), None), "film", name, "ends.film")


@found
def tension_n_m(work: Work) -> float | None:
    """What the cover pulls at an end, N for each metre of girth, in the wind that counts; None while that isn't known.

    Pressure as on the bow that it hits hardest, half as much again at the ends; a second layer pulls as it was fitted.
    """
    return tension_at(work, 1.0)


def tension_at(work: Work, times: float) -> float | None:
    """The same with the pressure of that wind taken so many times."""
    weather = end_weathered(work)
    if weather is None:
        return None
    ends, film = work.design.ends, work.design.weather
    blows = [float(np.hypot(*case.per_area.T).max()) for case in weather.cases if case.kind == "wind"]
    pressure = times * LOCAL * method_of(work).factors.wind * max(blows, default=0.0)
    stiff = CLOTH_N_M if film.cover == "cloth" else FILM_PA * film_of(work).thick_m
    pull = film_pull_n_m(stiff, pressure, bays_of(work).bay_m, ends.tight_n_m)
    return pull + (ends.tight_n_m if film.cover == "film" and film.layers == "two" else 0.0)


def _inward(work: Work, end: EndWall) -> tuple[Array, Array]:
    """(n,): what share of the film's pull draws each element of the end bow inward; (n, 2): and across and up in its
    plane, where film runs on from it to a stake."""
    nodes = model_of(work).frame.nodes
    middles = (nodes[1:] + nodes[:-1]) / 2
    if end.film != "stake":
        return np.ones(len(middles)), np.zeros((len(middles), 2))
    out = np.column_stack([-middles[:, 0], -middles[:, 1], np.full(len(middles), -end.stake_m)])
    way = out / np.linalg.norm(out, axis=1)[:, None]
    return 1 + way[:, 2], way[:, :2]


@found
def _front(work: Work) -> Pulled | None:
    return _pulled(work, "front")


@found
def _back(work: Work) -> Pulled | None:
    return _pulled(work, "back")


def pulled_by(work: Work, side: Side) -> Pulled | None:
    """What film asks of an end; None while nobody told how it is fixed there, or the weather isn't known."""
    return _front(work) if side == "front" else _back(work)


def _pulled(work: Work, side: Side) -> Pulled | None:
    end, tension = end_of(work, side), tension_n_m(work)
    if end.film == "ask" or tension is None:
        return None
    shares, in_plane = _inward(work, end)
    inward, method, frame = tension * float(shares.max()), method_of(work), model_of(work).frame
    gaps = _gaps_m(work, end)
    section = sections_of(work)[0]
    try:
        bears = method.strength(section).moment_nm * joint_share(work)
    except ValueError:
        bears = 0.0
    # M = q·a²/8: a beam over two spans, which is no less than over more.
    aside = inward * max(gaps) ** 2 / 8 / bears if bears > 0 else NEVER
    runs_hold = _runs_hold(work)
    beside = [(one + other) / 2 for one, other in pairwise(gaps)]
    more = run_takes(work)
    struts = _strut(work, end, tension, shares) if end.strut == "sides" else None
    return Pulled(
        tension_n_m=tension,
        inward_n_m=inward,
        # Film's pull is a design value, and goes in with what covers, which combinations take by weight's factor.
        share=_whole(work, side, in_plane * tension / method.factors.dead, aside),
        aside=aside,
        run_n=(inward * max(beside, default=0.0) + (more[0] if more else 0.0)) if runs_hold else 0.0,
        run_takes_n=run_column_n(work) if runs_hold else None,
        strut=struts,
        stake_n=tension * float(frame.lengths.sum()) if end.film == "stake" else None,
    )


def _runs_hold(work: Work) -> bool:
    """Whether runs bear what film presses them by, from the one end to the other."""
    return run_column_n(work) is not None


def _gaps_m(work: Work, end: EndWall) -> list[float]:
    """Lengths of the end bow between what holds it from being drawn in, m of girth: feet, runs, struts."""
    bow = centre_line(work)
    held = {0.0, bow.girth_m}
    if _runs_hold(work):
        held |= {min(max(girth_at(work, run.at_m), 0.0), bow.girth_m) for run in runs_of(work)}
    if end.strut == "sides":
        held |= set(bow.at_y(end.strut_m))
    return [high - low for low, high in pairwise(sorted(held)) if high > low]


def _whole(work: Work, side: Side, in_plane: Array, aside: float) -> float | None:
    """What the end bow uses with its weather, the studs that push it, and the film."""
    judged = judged_on(work, model_of(work), end_weathered(work), bays_of(work).bay_m / 2, END_WALL_N_M, more=in_plane)
    if judged is None or judged.found is None or why_unknown(work):
        return None
    pushed = bow_pushed(work, side)
    return min(judged.ratio + aside + (pushed[1] if pushed else 0.0), NEVER)


def _strut(work: Work, end: EndWall, tension: float, shares: Array) -> Strut:
    """A side's half of the end bow hinged at its foot: what film draws it in by, about there, is what the strut holds.

    N = ∫T·y ds/y_s · √(b² + y_s²)/b (statics).
    """
    frame, bay, up = model_of(work).frame, bays_of(work).bay_m, end.strut_m
    ground = float(frame.nodes[0, 1])
    heights = (frame.nodes[1:, 1] + frame.nodes[:-1, 1]) / 2 - ground
    about = float((tension * shares * heights * frame.lengths).sum()) / 2
    long_m = math.hypot(bay, up - ground)
    pressed = about / (up - ground) * long_m / bay
    section = counted(work, brace_tube(work))
    try:
        strength = method_of(work).strength(section)
    except ValueError:
        return Strut(long_m, pressed, None)
    takes = column_n(strength, section, long_m) if brace_tube(work).material == "steel" else None
    return Strut(long_m, pressed, takes)
