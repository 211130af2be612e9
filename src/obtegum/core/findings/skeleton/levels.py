"""The posts on the ground as it was read, and readings that don’t fit those around them."""

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import pegs_of, strung
from obtegum.core.findings.skeleton.ground import Lie, Stand, lie_under, stand_on
from obtegum.core.findings.skeleton.spots import spot_place
from obtegum.core.findings.skeleton.stands import plumb_m
from obtegum.core.findings.work import Work
from obtegum.core.formulas.ground.suspects import Suspect, odd_spots, suspects
from obtegum.core.formulas.setout.base import peg_words

__all__ = ["lie_of", "odd_readings", "place_words", "stand_of"]


@found
def lie_of(work: Work) -> Lie | None:
    """The ground as levelled and as made, or None while too few pegs have been read."""
    return lie_under(work.design, work.record.levels, pegs_of(work), strung(work)[1])


@found
def stand_of(work: Work) -> Stand | None:
    """The posts on the ground as levelled, or None while too few pegs have been read."""
    lie = lie_of(work)
    return stand_on(lie, work.design.posts.reveal_m, plumb_m(work)) if lie is not None else None


@found
def odd_readings(work: Work) -> tuple[list[Suspect], Suspect | None]:
    """Rod readings that don't fit those around them, worst first; and a rod that slipped part of the way."""
    lie, levels, error_m = lie_of(work), work.record.levels, work.design.level.reading_error_m
    if lie is None:
        return [], None
    read = tuple((name, *lie.places[name], levels.pegs[name]) for name in levels.pegs if name in lie.places)
    found, slipped = suspects(read, error_m)
    if slipped is not None:
        return [], slipped
    spots = tuple((spot.x_m, spot.y_m, spot.reading_m) for spot in levels.spots.values())
    wrong = {each.name for each in found}
    pegs = tuple((along, across, reading) for name, along, across, reading in read if name not in wrong)
    return sorted([*found, *odd_spots(spots, pegs, error_m)], key=lambda each: -abs(each.off_m)), None


def place_words(work: Work, name: str) -> str:
    """A peg or a spot in words: ``peg 3 left``, ``the spot 4.5 m along, 2 m across``."""
    if not name.startswith("spot:"):
        return peg_words(name)
    return f"the spot {spot_place(tuple(work.record.levels.spots.values())[int(name[5:]) - 1], work.tape)}"
