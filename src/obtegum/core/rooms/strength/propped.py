"""Props under the crowns while snow lies: pressed they hold, where wind lifts the bow they hold nothing."""

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from obtegum.core.found import found
from obtegum.core.rooms.set_out.found import bays_of
from obtegum.core.rooms.strength.found import Judged, bow_found, end_alone, grown, judged_on
from obtegum.core.rooms.strength.loads import Weathered, short_weathered, tied_weathered, weathered
from obtegum.core.rooms.strength.model import Model, model_of, prop_board, propped_model, short_model, tied_model
from obtegum.core.rooms.weather.found import method_of
from obtegum.core.timber import column_n
from obtegum.core.work import Work

__all__ = ["Propped", "propped_found"]

PARTIAL = 1.5


@dataclass(frozen=True, slots=True)
class Propped:
    """A bow with its prop: the bow judged in the weather that uses most, whether that lifts it off; what presses the
    prop, N, and what it takes, N, allowable."""

    judged: Judged
    lifted: bool
    pressed_n: float
    takes_n: float


@found
def propped_found(work: Work) -> Propped | None:
    """Bows as they stand with a prop each; None where none is told, or something isn't known.

    A prop only presses: each weather that would pull at it is looked at without. The end bows have none.
    """
    if work.design.strength.prop == "none" or bow_found(work) is None:
        return None
    looked = [
        (model_of(work), weathered(work)),
        (short_model(work), short_weathered(work)),
        (tied_model(work), tied_weathered(work)),
    ]
    found_ = [each for model, weather in looked if model and weather for each in _both(work, model, weather)]
    end = end_alone(work)
    if end is not None and end.found is not None:
        found_.append((end, True, 0.0))
    found_ = [each for each in found_ if each[0].found is not None]
    if not found_:
        return None
    judged, lifted, _ = max(found_, key=lambda each: each[0].ratio)
    board = prop_board(work)
    long_m = float(model_of(work).frame.nodes[:, 1].max() - model_of(work).frame.nodes[0, 1])
    pressed = max(each[2] for each in found_) / (PARTIAL if method_of(work) == "eu" else 1.0)
    return Propped(judged, lifted, pressed, column_n(board.thick_m, board.wide_m, long_m))


def _both(work: Work, model: Model, weather: Weathered) -> list[tuple[Judged, bool, float]]:
    """The weather that presses the prop, with it, and the rest without: each judged, and what presses it most, N."""
    with_prop, bay_m = propped_model(work, model), bays_of(work).bay_m
    first = judged_on(work, with_prop, weather, bay_m, floor=np.inf)
    if first is None or first.found is None:
        return []
    pulls = first.found.pulls[:, -1] * grown(work, first.found)
    pressed: NDArray[np.bool_] = pulls < 0
    found_ = list[tuple[Judged, bool, float]]()
    for mask, frame, lifted in ((pressed, with_prop, False), (~pressed, model, True)):
        combos = tuple(combo for combo, mine in zip(weather.combos, mask, strict=True) if mine)
        if combos:
            judged = judged_on(work, frame, replace(weather, combos=combos), bay_m)
            if judged is not None:
                found_.append((judged, lifted, max(float(-pulls.min()), 0.0)))
    return found_
