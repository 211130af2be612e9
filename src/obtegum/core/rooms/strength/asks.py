"""What the weather asks of the ground at each foot, as it is set against allowable values."""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.braces import corner_lifted
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.uplift import DEAD
from obtegum.core.rooms.braces.found import brace_lift_n
from obtegum.core.rooms.strength.found import Judged, bow_found, end_found, grown, service_factors, short_found
from obtegum.core.rooms.strength.site import place_of
from obtegum.core.rooms.weather.found import method_of

__all__ = ["Ask", "Asks", "all_asks", "brace_asks", "corner_asks", "parting_gust", "real_gust", "row_asks", "side_gust"]

Array = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class Ask:
    """The largest force of a kind at a foot, N, and the weather that asks for it."""

    force_n: float
    words: str


@dataclass(frozen=True, slots=True)
class Asks:
    """What is asked at one foot: lift and down, sideways by wind alone, and by what lies or heaps."""

    lift: Ask
    down: Ask
    wind: Ask
    still: Ask


def _largest(values: Array, words: list[str]) -> Ask:
    row = int(values.argmax()) if len(values) else 0
    return Ask(max(float(values[row]), 0.0), words[row]) if len(values) else Ask(0.0, "no weather")


def _service(work: Work, judged: Judged) -> Array:
    """(c, 2, 2) N: what the ground gives each foot in every combination, without factors of their own."""
    assert judged.found is not None
    feet = np.tensordot(service_factors(work, judged.weathered), judged.found.each, axes=1)
    # What presses or lifts is what lies or pulls on the bow, however it moves; its thrust grows as it moves.
    feet[:, :, 0] *= grown(work, judged.found)[:, None]
    return np.asarray(feet)


def _asks(work: Work, judged: Judged, lifts_n: float = 0.0, presses_n: float = 0.0) -> Asks:
    """What each foot is asked for; with wind along the house a brace lifts one that it rises from, N, and presses the
    other."""
    feet = _service(work, judged)
    combos = judged.weathered.combos
    words = [combo.words for combo in combos]
    kinds = [{judged.weathered.cases[place].kind for place, _ in combo.parts} for combo in combos]
    windy = np.array([kind == {"wind"} for kind in kinds])
    across = np.abs(feet[:, :, 0]).max(axis=1)
    lift, down = -feet[:, :, 1].min(axis=1), feet[:, :, 1].max(axis=1)
    found_ = judged.found
    if found_ is not None and method_of(work).factors.in_service:
        # What was solved to the end says how much more a foot carries as the bow leans over it.
        rows, moved = found_.rows[found_.stands], found_.feet[found_.stands][:, :, 1]
        lift[rows], down[rows] = np.maximum(lift[rows], -moved.min(axis=1)), np.maximum(down[rows], moved.max(axis=1))
    cases = judged.weathered.cases
    along = np.array([any(cases[place].name.startswith("along") for place, _ in combo.parts) for combo in combos])
    lift, down = lift + lifts_n * along, down + presses_n * along
    return Asks(
        lift=_largest(lift, words),
        down=_largest(down, words),
        wind=_largest(across[windy], [word for word, blows in zip(words, windy, strict=True) if blows]),
        still=_largest(across[~windy], [word for word, blows in zip(words, windy, strict=True) if not blows]),
    )


def _worse(many: Iterable[Asks]) -> Asks | None:
    found_ = list(many)
    if not found_:
        return None
    names = ("lift", "down", "wind", "still")
    return Asks(*(max((getattr(each, name) for each in found_), key=lambda ask: ask.force_n) for name in names))


@found
def row_asks(work: Work) -> Asks | None:
    """What is asked at a foot of an ordinary bow; None while the weather isn't known."""
    return _worse(_asks(work, each) for each in _ordinary(work))


@found
def brace_asks(work: Work) -> Asks | None:
    """The same where a brace rises from the post: wind along the house lifts it there, or presses it."""
    pulls_n = brace_lift_n(work)
    return _worse(_asks(work, each, pulls_n, pulls_n) for each in _ordinary(work))


def _ordinary(work: Work) -> list[Judged]:
    return [each for each in (bow_found(work), short_found(work)) if each and each.found]


@found
def corner_asks(work: Work) -> Asks | None:
    """What is asked at a foot of an end bow; None while the weather isn't known.

    A brace presses the end bow that it meets at its head, and lifts one whose foot it rises from.
    """
    pulls_n, lifted = brace_lift_n(work), corner_lifted(work)
    ends = (each for each in (end_found(work),) if each and each.found)
    return _worse(_asks(work, each, pulls_n if lifted else 0.0, pulls_n) for each in ends)


@found
def all_asks(work: Work) -> Asks | None:
    """What is asked at any foot that no brace rises from; None while the weather isn't known."""
    return _worse(each for each in (row_asks(work), corner_asks(work)) if each is not None)


def parting_gust(work: Work, holds_n: float, corner: bool = False, braced: bool = False) -> float | None:
    """The gust at 10 m in the open, m/s, at which a foot is lifted by what holds it; None where none does, or where
    pressures are given and no speed belongs to them.

    A gust that is felt: weight as it counts where it holds down, and wind's whole pressure without its direction factor
    (US), or by its partial factor (EN).
    """
    factors = method_of(work).factors
    judged = end_found(work) if corner else bow_found(work)
    if judged is None or judged.found is None or real_gust(work, 1.0) is None:
        return None
    each = judged.found.each
    # Own weight and covers come before the cases of the weather.
    own = each[0, :, 1]
    # The least wind of a code is no gust.
    blows = (case.kind == "wind" and not case.name.startswith("least") for case in judged.weathered.cases)
    wind = np.array([each[2 + place, :, 1] for place, blown in enumerate(blows) if blown])
    lifts = -wind[wind < 0]
    if braced:
        # What its brace lifts it by with the code's wind, of which the US method asks 0.6; in any wind, to be safe.
        lifts = lifts + brace_lift_n(work) / factors.service_wind
    held = holds_n + factors.favourable * np.broadcast_to(own, wind.shape)[wind < 0]
    if not len(lifts):
        return None
    return real_gust(work, float((held / lifts).min()) / factors.partial)


def side_gust(work: Work, holds_n: float) -> float | None:
    """The gust at which wind pushes a foot sideways by what its ground holds, N, in whatever case does first; None as
    `parting_gust`."""
    gusts = list[float]()
    for judged in _ordinary(work):
        assert judged.found is not None
        each = judged.found.each[:, :, 0]
        blows = [
            2 + place
            for place, case in enumerate(judged.weathered.cases)
            if case.kind == "wind" and not case.name.startswith("least")
        ]
        # Weight by itself, less where it holds down; and with covers.
        for still in (DEAD * each[0], each[0] + each[1]):
            for wind in each[blows]:
                for at_rest, pushed in zip(still, wind, strict=True):
                    room = (np.sign(pushed) * holds_n - at_rest) / pushed if abs(pushed) > 1e-9 else np.inf
                    gust = real_gust(work, max(float(room), 0.0) / method_of(work).factors.partial)
                    if gust is not None:
                        gusts.append(gust)
    return min(gusts, default=None)


def real_gust(work: Work, share: float) -> float | None:
    """The gust at 10 m in the open, m/s, that is felt while pressures are a share of what the code has of the site's
    wind; None while that isn't told, or where pressures are given and no speed belongs to them (rule B7)."""
    place = place_of(work)
    return None if place is None else method_of(work).code.gust_mps(place, share)
