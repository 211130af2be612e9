"""Spots between and beyond the pegs where the rod was read: as typed, as said, and as kept."""

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.level import MOST_SPOTS, SPOT_FROM_M, SPOT_TO_M, Spot
from obtegum.core.findings.skeleton.ticks import design_bays
from obtegum.core.values.quantity import LengthError, Tape, length_text, parse_length, parse_place
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["peg_place", "read_place", "read_rod", "spot_place", "spot_words", "too_far", "with_spot", "without_spot"]


def too_far(x_m: float, y_m: float) -> bool:
    """Whether a place is too far from A to have to do with the house."""
    return not (SPOT_FROM_M <= x_m <= SPOT_TO_M and SPOT_FROM_M <= y_m <= SPOT_TO_M)


def peg_place(design: HouseDesign, name: str) -> tuple[float, float]:
    """Where a peg stands, from A along the house and from the line A to B across it, m. Raises: DesignError."""
    stations = design_bays(design).stations_m
    place = int(name[1:]) - 1
    if place >= len(stations):
        raise DesignError([Trouble(path="peg", sentence=f"There is no peg {name} in this house.")])
    return stations[place], 0.0 if name[0] == "L" else design.size.span_m


def read_place(along: str, across: str, tape: Tape) -> tuple[float, float]:
    """A spot's place as typed, from A along the house and from the line A to B across it, m.

    Raises: DesignError that says for each of ``spot.along`` and ``spot.across`` what is wrong.
    """
    found, wrong = list[float](), list[Trouble]()
    for path, text in (("spot.along", along), ("spot.across", across)):
        try:
            found.append(parse_place(text, tape.units))
            if too_far(found[-1], 0.0):
                wrong.append(Trouble(path=path, sentence="That place is too far from the house."))
        except LengthError as error:
            wrong.append(Trouble(path=path, sentence=str(error)))
    if wrong:
        raise DesignError(wrong)
    return found[0], found[1]


def read_rod(text: str, design: HouseDesign) -> float:
    """A rod reading as typed, m. Raises: DesignError at ``spot.reading``."""
    tape, rod_m = design.tape, design.level.rod_m
    try:
        reading_m = parse_length(text, tape.units)
    except LengthError as error:
        raise DesignError([Trouble(path="spot.reading", sentence=str(error))]) from None
    if reading_m > rod_m + 1e-9:
        most = length_text(rod_m, tape)
        sentence = f"That is past the end of the {most} rod."
        raise DesignError([Trouble(path="spot.reading", sentence=sentence, nearest_m=rod_m, nearest=most)])
    return reading_m


def with_spot(record: SiteRecord, spot: Spot) -> SiteRecord:
    """A record with one spot more, or one read anew. Raises: DesignError when there are too many."""
    levels = record.levels.with_spots([spot])
    if len(levels.spots) > MOST_SPOTS:
        sentence = f"{MOST_SPOTS:,} spots are the most for one house. Take some out first."
        raise DesignError([Trouble(path="spot.along", sentence=sentence)])
    return record.model_copy(update={"levels": levels})


def without_spot(record: SiteRecord, spot_id: str) -> tuple[SiteRecord, Spot]:
    """A record without a spot, and the spot. Raises: DesignError when there is none of that id."""
    levels = record.levels
    if spot_id not in levels.spots:
        raise DesignError([Trouble(path="spot", sentence="That spot is taken out already.")])
    return record.model_copy(update={"levels": levels.without_spot(spot_id)}), levels.spots[spot_id]


def spot_place(spot: Spot, tape: Tape) -> str:
    """Where a spot lies: ``4.500 m along, 2.000 m across``."""
    return f"{length_text(spot.x_m, tape)} along, {length_text(spot.y_m, tape)} across"


def spot_words(spot: Spot, tape: Tape) -> str:
    """A spot and its reading for the history."""
    return f"Spot {spot_place(spot, tape)}: rod {length_text(spot.reading_m, tape)}"
