"""What holds film along its edges, as goods: track and wire, battens, screws, clamps, eyelets, staples."""

import math
from collections import Counter
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass

from obtegum.core.face.goods import SINGLY, WHOLE, Good, Seat
from obtegum.core.findings.skeleton.fixings import DOUBLED, Held, fixing_of
from obtegum.core.findings.work import Work

__all__ = ["SHARE", "Edge", "fixed", "singly_bought", "with_spares"]

Point = tuple[float, float, float]
# Screws of a track, into steel or wood, and of a batten, through it and film into wood (this bench).
TRACK_SCREW, BATTEN_SCREW = "5.5 × 25 mm, flat head with its washer", "4.5 × 50 mm"
# What is bought besides of what drops and springs away (this bench).
SHARE = 0.05
LATE, WITH_FILM = "before the film goes on", "as the film is pulled"
# What is put in singly, by the way that it is of: its name, what one is called, what several are.
SINGLE = {
    "track": ("track-screw", "screw of a track", "screws of the tracks"),
    "batten": ("batten-screw", "screw of a batten", "screws of the battens"),
    "rolled": ("batten-screw", "screw of a batten", "screws of the battens"),
    "clamps": ("clip", "snap clamp", ""),
    "eyelets": ("eyelet", "eyelet with its tie", "eyelets, a tie each"),
    "staples": ("staple", "staple", ""),
}
SIZES = {"track-screw": TRACK_SCREW, "batten-screw": BATTEN_SCREW, "clip": "for the pipe", "staple": "14 mm"}


@dataclass(frozen=True, slots=True)
class Edge:
    """An edge that is held: by which way, laid how; the member of film; where a place of it is, m along, across and up,
    and the name of what it is held to there; how many layers have a wire each."""

    way: str
    laid: Held
    film: str
    at: Callable[[float], Point]
    on: Callable[[float], str]
    layers: int = 1


def fixed(work: Work, step: str, edges: Iterable[Edge], drawn: tuple[str, ...] = ()) -> Iterator[Good]:
    """What some edges take, their names beginning with the step's; ``drawn`` is what drawings show it by."""
    seats, tools = dict[str, list[Seat]](), dict[str, str]()
    for edge in edges:
        for name, seat in _of_edge(edge):
            seats.setdefault(name, []).append(seat)
            tools.setdefault(name, fixing_of(work, edge.way).tools)
    for name, found in seats.items():
        yield _good(work, step, name, tuple(found), tools[name], drawn)


def with_spares(count: int) -> int:
    """Pieces that are bought where so many are put in that drop and spring away."""
    return math.ceil(count * (1 + SHARE) - WHOLE)


def singly_bought(edges: Iterable[tuple[str, int]]) -> int:
    """Pieces that are put in one by one and bought, spares with them, by the way of each edge and how many it takes:
    what the goods of such edges come to."""
    counts = Counter[str]()
    for way, count in edges:
        if way in SINGLE:
            counts[SINGLE[way][0]] += count
    return sum(count if name == "eyelet" else with_spares(count) for name, count in counts.items())


def _of_edge(edge: Edge) -> Iterator[tuple[str, Seat]]:
    for low, high in edge.laid.sticks:
        under = dict.fromkeys(edge.on(at) for at in edge.laid.places if low <= at <= high)
        joins, middle = (edge.film, *under), edge.at((low + high) / 2)
        if edge.way == "track":
            yield "track", Seat(joins, middle)
            yield "wire", Seat(joins, middle, edge.layers)
        else:
            yield "batten", Seat(joins, middle, 2 if edge.way == DOUBLED else 1)
    for at in edge.laid.places:
        yield SINGLE[edge.way][0], Seat((edge.film, edge.on(at)), edge.at(at))


def _good(work: Work, step: str, name: str, seats: tuple[Seat, ...], tool: str, drawn: tuple[str, ...]) -> Good:
    if name in ("track", "wire", "batten"):
        long_m = fixing_of(work, "track" if name == "wire" else name).stick_m[work.tape.units]
        what = {"track": "stick of track", "wire": "spring wire", "batten": "batten"}[name]
        return Good(
            id=f"{step}-{name}", what=what, many={"track": "sticks of track"}.get(name, ""), size=work.say(long_m),
            seats=seats, unspared=SINGLY, tool=tool, until=LATE if name == "track" else WITH_FILM, drawn=drawn,
        )  # fmt: skip
    what, many = next((what, many) for single, what, many in SINGLE.values() if single == name)
    return Good(
        id=f"{step}-{name}", what=what, many=many, size=SIZES.get(name, ""), seats=seats,
        spare=0.0 if name == "eyelet" else SHARE, unspared=SINGLY if name == "eyelet" else "", tool=tool,
        until=LATE if name == "track-screw" else WITH_FILM, drawn=drawn,
    )  # fmt: skip
