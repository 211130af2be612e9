"""The sheet over the house, as members of it: one piece a layer, or two that lap at the ridge."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.faces import Member
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import split_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.cover.found import edge_up_m, layers_of, reach_of, sheet_m2
from obtegum.core.rooms.ends.pulled import film_of

__all__ = ["over", "parts"]

Point = tuple[float, float, float]
# Places over the roof by which a sheet is drawn, of each piece; how far over the ground it hangs where it rolls up, m.
PLACES, HANGS_TO_M = 24, 0.05


@found
def parts(work: Work) -> Sequence[Member]:
    """Every piece of each layer, over the bows; none where rigid sheets are the roof."""
    return () if work.design.sheets.over_roof else tuple(_pieces(work))


def over(work: Work) -> list[tuple[float, float]]:
    """The sheet cut across, from its left edge over the house to its right one, across and up, m."""
    outer, up_m = centre_line(work).offset(bow_tube(work).od_m / 2), edge_up_m(work)
    start = outer.at_y(up_m)[0] if up_m > 0 else 0.0
    places = [outer.point(start + (outer.girth_m - 2 * start) * at / PLACES) for at in range(PLACES + 1)]
    hip = work.design.cover.edge == "hip" and work.design.boards.hip == "board"
    if hip and work.design.cover.below == "tail":
        (x0, _), (x1, _) = places[0], places[-1]
        places = [(x0, HANGS_TO_M), *places, (x1, HANGS_TO_M)]
    return places


def _pieces(work: Work) -> Iterator[Member]:
    reach, cover, stations = reach_of(work), work.design.cover, bays_of(work).stations_m
    count, half_m = 2 if cover.pieces == "two" else 1, bow_tube(work).od_m / 2
    cloth, wide_m = work.design.weather.cover == "cloth", reach.roll_wide_m or reach.piece_m
    places, sticks = over(work), [piece.name for piece in split_of(work).pieces]
    middle = len(places) // 2
    for number in range(1, count * layers_of(work) + 1):
        half = places if count == 1 else places[: middle + 1] if number % 2 else places[middle:]
        first, last = (
            tuple((at_m, *place) for place in half) for at_m in (stations[0] - half_m, stations[-1] + half_m)
        )
        long_m, made = reach.long_m / count, cover.bought == "made"
        yield Member(
            part=f"film:{number}",
            what="sheet of cloth" if cloth else "sheet of film",
            stock="made to measure" if made else f"{'cloth' if cloth else film_of(work).name}, {work.say(wide_m)} wide",
            of="film",
            length_m=long_m,
            stock_m=None if made or (reach.roll_long_m or 0.0) < reach.long_m else reach.roll_long_m,
            section=(0.0 if cloth else film_of(work).thick_m, wide_m),
            path=first,
            edge=last,
            ends=(first[0], last[0]),
            kg=sheet_m2(work)[1] / count,
            strip="cover:across",
            rests_on=tuple(f"bow:{bow}:{stick}" for bow in range(1, len(stations) + 1) for stick in sticks),
            turned="ridge along its middle, inside face as its print says" if count == 1 else "",
        )
