"""Props under the crowns while snow lies: pressed they hold, where wind lifts the bow they hold nothing.

Where not each bow has one, the ridge run bears the crowns between on to the next props, as a beam from prop to prop.
"""

import math
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from obtegum.core.drawing.verdict import NEVER
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.runs import run_tube, runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.frame.section import Section
from obtegum.core.formulas.timber import column_n
from obtegum.core.rooms.soil.found import ground_of
from obtegum.core.rooms.strength.found import END_WALL_N_M, FAR, Judged, bow_found, counted, grown, judged_on
from obtegum.core.rooms.strength.loads import Weathered, end_weathered, short_weathered, tied_weathered, weathered
from obtegum.core.rooms.strength.model import Model, model_of, prop_board, propped_model, short_model, tied_model
from obtegum.core.rooms.weather.found import method_of

__all__ = ["Propped", "Ridge", "bears_between", "carried_n_m", "propped_bows", "propped_found", "shown_found"]

# A beam on two props with equal weights at each bow between them, by how many bays it spans: its stiffness at each
# weight, of E·I/L³, and its largest moment, of a weight times L (statics).
BETWEEN = {2: (48.0, 1 / 4), 3: (162.0 / 5.0, 1 / 3)}


@dataclass(frozen=True, slots=True)
class Ridge:
    """The ridge run between props: what bends it, N·m, and what it takes; nothing of it where no run of tube lies at
    the ridge, or its wall isn't covered by a code."""

    bent_nm: float
    takes_nm: float


@dataclass(frozen=True, slots=True)
class Propped:
    """A bow with its prop: the bow judged in the weather that uses most, whether that lifts it off, and whether it is
    one between props; what presses a prop, N, and what it takes, N, allowable; the ridge run, where it bears bows; the
    side of a prop's plate, m, None where the ground isn't known."""

    judged: Judged
    lifted: bool
    between: bool
    pressed_n: float
    takes_n: float
    ridge: Ridge | None
    plate_m: float | None


@dataclass(frozen=True, eq=False)
class _Looked:
    judged: Judged
    lifted: bool
    between: bool
    pressed_n: float


def propped_bows(work: Work) -> tuple[int, ...]:
    """Which bows stand on props, by their numbers: from the second on, and the last but one; the ends have none."""
    strength, bows = work.design.strength, bays_of(work).bows
    if strength.prop == "none" or bows < 3:
        return ()
    return tuple(sorted({*range(2, bows, strength.prop_every), bows - 1}))


@found
def propped_found(work: Work) -> Propped | None:
    """Bows as they stand in a storm; None where no props are told, or something isn't known.

    A prop only presses: each weather that would pull at it is looked at without. The end bows have none.
    """
    if work.design.strength.prop == "none" or bow_found(work) is None:
        return None
    every = work.design.strength.prop_every
    looked = [
        (model_of(work), weathered(work)),
        (short_model(work), short_weathered(work)),
        (tied_model(work), tied_weathered(work)),
    ]
    ways = [(None, False)] if every == 1 else [(None, False), (carried_n_m(work), True)]
    found_, far = list[_Looked](), False
    for model, weather in looked:
        for stiff, between in ways if model and weather else ():
            assert model is not None and weather is not None
            # Where one bow is far too weak, of the others only what presses their props is asked.
            found_ += _both(work, model, weather, stiff, between, pressed_alone=far)
            far = far or any(each.judged.found is not None and each.judged.ratio >= FAR for each in found_)
    # The end bows have no prop: they are judged however weak the others would be without theirs.
    wide_m = bays_of(work).bay_m / 2
    end = None if far else judged_on(work, model_of(work), end_weathered(work), wide_m, END_WALL_N_M)
    if end is not None:
        found_.append(_Looked(end, True, False, 0.0))
    # Nothing is said of props where one of the bows couldn't be judged.
    if not found_ or any(each.judged.found is None for each in found_):
        return None
    worst = max(found_, key=lambda each: each.judged.ratio)
    board, service = prop_board(work), method_of(work).factors.partial
    long_m = float(model_of(work).frame.nodes[:, 1].max() - model_of(work).frame.nodes[0, 1])
    own, borne = (
        max((each.pressed_n for each in found_ if each.between is between), default=0.0) for between in (False, True)
    )
    # Of the bows between two props each of these gets half, from both sides.
    pressed = (own + (every - 1) * borne) / service
    return Propped(
        judged=worst.judged,
        lifted=worst.lifted,
        between=worst.between,
        pressed_n=pressed,
        takes_n=column_n(board.thick_m, board.wide_m, long_m),
        ridge=None if every == 1 else _ridge(work, borne),
        plate_m=math.sqrt(pressed / ground.bearing_pa) if (ground := ground_of(work)) is not None else None,
    )


@found
def shown_found(work: Work) -> Judged | None:
    """The bow that the verdict is on: with its props where some are told, else as it is."""
    propped = propped_found(work)
    return bow_found(work) if propped is None else propped.judged


def _run(work: Work) -> Section | None:
    """The run at the ridge, where it is steel tube in long sticks."""
    tube = run_tube(work)
    carries = work.design.runs.of == "long" and tube.material == "steel"
    return counted(work, tube) if carries and any(run.name == "ridge" for run in runs_of(work)) else None


def carried_n_m(work: Work) -> float:
    """How stiffly the ridge run bears a crown between two props, N/m; nothing where there is none."""
    run, every = _run(work), work.design.strength.prop_every
    long_m = every * bays_of(work).bay_m
    return 0.0 if run is None else BETWEEN[every][0] * run.elastic_pa * run.inertia_m4 / long_m**3


def bears_between(work: Work, borne_n: float) -> float:
    """Share of its strength that the ridge run uses between props, which bears so much at each bow there, N."""
    ridge = _ridge(work, borne_n)
    return ridge.bent_nm / ridge.takes_nm if ridge.takes_nm > 0 else 0.0 if borne_n <= 0 else NEVER


def _ridge(work: Work, borne_n: float) -> Ridge:
    run, every = _run(work), work.design.strength.prop_every
    takes = 0.0
    if run is not None:
        try:
            strength = method_of(work).strength(run)
            takes = strength.moment_nm * work.design.strength.joint_share
        except ValueError:
            takes = 0.0
    return Ridge(BETWEEN[every][1] * borne_n * every * bays_of(work).bay_m, takes)


@found
def fails_anyway(work: Work) -> bool:
    """Whether an ordinary bow, on its prop if it has one, fails in the first weather that is looked at: told before all
    of it is. Plastic pipe is never told so."""
    model, weather = model_of(work), weathered(work)
    if weather is None or bow_tube(work).material == "plastic":
        return False
    if work.design.strength.prop != "none":
        looked = [each.judged for each in _both(work, model, weather, None, False, enough=1.0)]
    else:
        judged = judged_on(work, model, weather, bays_of(work).bay_m, enough=1.0)
        looked = [] if judged is None else [judged]
    return any(each.found is not None and each.ratio > 1 for each in looked)


def _both(
    work: Work,
    model: Model,
    weather: Weathered,
    stiff_n_m: float | None,
    between: bool,
    enough: float = FAR,
    pressed_alone: bool = False,
) -> list[_Looked]:
    """The weather that presses the prop, with it, and the rest without: each judged, and what presses it most, N; or
    that alone."""
    with_prop, bay_m = propped_model(work, model, stiff_n_m), bays_of(work).bay_m
    first = judged_on(work, with_prop, weather, bay_m, floor=np.inf)
    if first is None or first.found is None:
        return [] if first is None else [_Looked(first, False, between, 0.0)]
    pulls = first.found.pulls[:, -1] * grown(work, first.found)
    pressed: NDArray[np.bool_] = pulls < 0
    if pressed_alone:
        return [_Looked(first, False, between, max(float(-pulls.min()), 0.0))]
    found_ = list[_Looked]()
    for mask, frame, lifted in ((pressed, with_prop, False), (~pressed, model, True)):
        combos = tuple(combo for combo, mine in zip(weather.combos, mask, strict=True) if mine)
        if combos:
            judged = judged_on(work, frame, replace(weather, combos=combos), bay_m, enough=enough)
            if judged is not None:
                found_.append(_Looked(judged, lifted, between, max(float(-pulls.min()), 0.0)))
    return found_
