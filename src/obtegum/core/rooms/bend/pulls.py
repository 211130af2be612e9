"""The pulls of a stick in few words, and the lever that they want."""

from obtegum.core.drawing.step import Told
from obtegum.core.findings.skeleton.bending import (
    bend_kinds,
    former_wanted,
    formers_m,
    pulls_of,
)
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.bending import (
    lever,
)
from obtegum.core.formulas.bows.sticks import Piece

__all__ = ["lever_m", "tightest_former", "told_pulls"]

# Pulls that are drawn, of the first stick.
MOST_DRAWN = 12


def told_pulls(work: Work, piece: Piece) -> list[Told]:
    """The pulls of a stick in few words: the first of each bend, those like it, and where a lever is wanted."""
    told, number, arm_m, levered = list[Told](), 0, lever_m(work), False
    for start_m, pulls, _ in pulls_of(work, piece):
        first, last = number + 1, number + pulls.count
        on = work.say(pulls.advance_m)
        words = f"Pull {first}: {work.say(start_m)} at the former’s start, bend {on} round it."
        told.append(Told(words=words, view=_drawn(first)))
        if pulls.count > 1:
            which = f"Pull {last}" if pulls.count == 2 else f"Pulls {first + 1} to {last}"
            told.append(Told(words=f"{which}: move on {on} each time, to its mark on the tape.", view=_drawn(last)))
        for pull in range(pulls.count):
            left_m = piece.length_m - start_m - (pull + 1) * pulls.advance_m
            if left_m < arm_m and not levered:
                levered = True
                at = first + pull
                which = f"From pull {at} on" if at < last else f"At pull {at}"
                told.append(Told(words=f"{which}, slide a pipe over the end for a lever.", view=_drawn(at)))
        number = last
    return told


def _drawn(number: int) -> str | None:
    return f"pull:{number}" if number <= MOST_DRAWN else None


def lever_m(work: Work) -> float:
    """Lever that one person wants past the former, m."""
    return lever(bow_tube(work), tightest_former(work), work.rules.one_person_pull_n)


def tightest_former(work: Work) -> float:
    """The former that is hardest to bend round: the ones at hand, or those wanted, to the tube's centre, m."""
    ways = zip(bend_kinds(work), formers_m(work), strict=True)
    return min(former_wanted(work, arc) if former_m is None else former_m for arc, former_m in ways)
