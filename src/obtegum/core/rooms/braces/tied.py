"""What the weather asks of collars, struts and knees, and what they bear: pulled by their ends, pressed as columns."""

from dataclasses import dataclass

import numpy as np

from obtegum.core.drawing.verdict import NEVER
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.braces import brace_tube, tie_board
from obtegum.core.findings.work import Work
from obtegum.core.formulas.frame.section import Section
from obtegum.core.formulas.frame.steel import Strength, column_n
from obtegum.core.formulas.timber import column_n as timber_n
from obtegum.core.rooms.braces.found import Holding, tie_holding
from obtegum.core.rooms.strength.forced import met_collar
from obtegum.core.rooms.strength.found import Judged, bow_found, counted, grown, tied_found
from obtegum.core.rooms.strength.model import every_tied
from obtegum.core.rooms.weather.found import method_of

__all__ = ["Asked", "asked_in", "ties_asked"]


@dataclass(frozen=True, slots=True)
class Asked:
    """A kind of tie: what pulls and presses it at the most, N, and in which weather; what it takes pressed, N, None
    where no code says; what its ends hold."""

    what: str
    pulled_n: float
    pulled_in: str
    pressed_n: float
    pressed_in: str
    takes_n: float | None
    holding: Holding

    @property
    def share(self) -> float | None:
        """The larger of both shares; None where something of it isn't known."""
        holds = self.holding.holds_n
        if self.takes_n is None or holds is None or holds <= 0:
            return None
        # What presses it goes through its ends too; a board too slender to count takes nothing.
        slender = self.pressed_n / self.takes_n if self.takes_n > 0 else NEVER if self.pressed_n > 0 else 0.0
        return max(self.pulled_n / holds, slender, self.pressed_n / holds)


def _pressed_n(work: Work, long_m: float, steel: tuple[Strength, Section] | None) -> float | None:
    """What a tie takes pressed, N, allowable: a board by its thin side; None where no code says."""
    board = tie_board(work)
    if board is not None:
        return timber_n(board.thick_m, board.wide_m, long_m)
    return None if steel is None else column_n(*steel, long_m) / method_of(work).factors.partial


@found
def ties_asked(work: Work) -> tuple[Asked, ...]:
    """Each kind of tie by what all weathers ask of it, its second order estimated; nothing where none is counted."""
    judged = bow_found(work) if every_tied(work) else tied_found(work)
    return () if judged is None else asked_in(work, judged)


def asked_in(work: Work, judged: Judged) -> tuple[Asked, ...]:
    """The same of a bow in other weather; props aren't ties."""
    if judged.found is None or not judged.model.ties:
        return ()
    method = method_of(work)
    # Beside allowable values of bolts and ends forces stand without partial factors.
    pulls = judged.found.pulls * grown(work, judged.found)[:, None] / method.factors.partial
    met = met_collar(work)
    words, kinds = (
        [combo.words for combo in judged.weathered.combos],
        [name for name in dict(judged.model.ties) if name != "prop"],
    )
    tube, holds = brace_tube(work), tie_holding(work)
    section = counted(work, tube)
    try:
        strength = method.strength(section) if tube.material == "steel" else None
    except ValueError:
        strength = None
    found_ = list[Asked]()
    for kind in kinds:
        which = [place for place, (name, _) in enumerate(judged.model.ties) if name == kind]
        # A collar in two halves has nothing beside it in its middle: it buckles as long as it is.
        long_m = max(judged.model.ties[place][1] for place in which) * (len(which) if kind == "collar" else 1)
        takes = _pressed_n(work, long_m, None if strength is None else (strength, section))
        most, least = pulls[:, which].max(axis=1), pulls[:, which].min(axis=1)
        if kind == "collar" and met is not None:
            most = most + met.pull_n
        high, low = int(np.argmax(most)), int(np.argmin(least))
        found_.append(
            Asked(
                what=kind,
                pulled_n=max(float(most[high]), 0.0),
                pulled_in=words[high],
                pressed_n=max(float(-least[low]), 0.0),
                pressed_in=words[low],
                takes_n=takes,
                holding=holds,
            )
        )
    return tuple(found_)
