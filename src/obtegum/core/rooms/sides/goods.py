"""What joins bars, holds film on them, turns them, and keeps a curtain in."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.fixings import SHARE, Edge, fixed
from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.face.worn import bits
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import hip_board, hip_laid
from obtegum.core.rooms.sides.found import (
    bar_tube,
    bars_of,
    cord_m,
    corded,
    curtained,
    film_out_m,
    own_curtain,
    rest_m,
    track_of,
)
from obtegum.core.rooms.sides.parts import SIDES, hung_from, starts_m

__all__ = ["goods"]

Point = tuple[float, float, float]
OUTSIDE = "taped smooth before the film is rolled on"
GUIDE_OVER_M = 0.3


@found
def goods(work: Work) -> Sequence[Good]:
    """Couplers and clips of each bar, a crank or motor with its guide, cords; the track that a curtain of its own hangs
    in."""
    if not curtained(work):
        return ()
    found_ = (*_on_bars(work), *_turned(work), *_corded(work))
    held = tuple(fixed(work, "side", _tracks(work)))
    return (*(good for good in found_ if good.seats), *held, *bits("side", held))


def _on_bars(work: Work) -> Iterator[Good]:
    bars, bar = bars_of(work), bar_tube(work)
    couplers, clips = list[Seat](), list[Seat]()
    for (side, sign), (number, from_m) in _curtains(work):
        x, up_m = sign * (film_out_m(work, rest_m(work)) + bar.od_m / 2), rest_m(work)
        name, film = f"bar:{side}{number}", hung_from(work, side, number)
        for piece, at_m in enumerate(bars.joints_m, start=1):
            couplers.append(Seat((f"{name}:{piece}", f"{name}:{piece + 1}"), (from_m + at_m, x, up_m)))
        for at_m in bars.clips_m:
            piece = sum(joint <= at_m for joint in bars.joints_m) + 1
            clips.append(Seat((film, f"{name}:{piece}"), (from_m + at_m, x, up_m)))
    yield Good(
        id="side-coupler", what="coupler of a bar", many="couplers of the bars", size=work.tube(bar.od_m),
        seats=tuple(couplers), unspared=SINGLY, tool="hex bit 8 mm, tape", until=OUTSIDE,
    )  # fmt: skip
    yield Good(
        id="side-clip", what="clip on a bar", many="clips on the bars", size=f"for {work.tube(bar.od_m)}",
        seats=tuple(clips), spare=SHARE, tool="hands, mallet", until="once the edge lies square round the bar",
    )  # fmt: skip


def _curtains(work: Work) -> Iterator[tuple[tuple[str, float], tuple[int, float]]]:
    yield from ((way, each) for way in SIDES for each in enumerate(starts_m(work), start=1))


def _turned(work: Work) -> Iterator[Good]:
    """What turns each bar, and what that slides up on."""
    up_m, seats = rest_m(work), list[Seat]()
    for (side, sign), (number, from_m) in _curtains(work):
        seats.append(Seat((f"bar:{side}{number}:1",), (from_m, sign * film_out_m(work, up_m), up_m)))
    motor = work.design.sides.drive == "motor"
    yield Good(
        id="side-drive", what="motor with its switches" if motor else "crank",
        many="motors, switches with each" if motor else "", size=f"for {work.tube(bar_tube(work).od_m)}",
        seats=tuple(seats), unspared=SINGLY, tool="wrench" if not motor else "wrench; an electrician",
        until="once the curtain hangs and runs level",
    )  # fmt: skip
    long_m = work.design.boards.hip_m + GUIDE_OVER_M
    yield Good(
        id="side-guide", what="guide pipe of it", many="guide pipes of them", size=f"{work.say(long_m, 'up')} long",
        seats=tuple(seats), unspared=SINGLY, tool="level, post driver", until="plumb, before its bar is turned",
    )  # fmt: skip


def _corded(work: Work) -> Iterator[Good]:
    """A cord outside at the bows that have one, from the hip board down to the foot."""
    high_m, each_m = work.design.boards.hip_m, cord_m(work)
    seats = list[Seat]()
    for side, sign in SIDES:
        for at_m in corded(work):
            number = sum(from_m <= at_m for from_m in starts_m(work))
            board = next(name for _, to_m, name in hip_laid(work, side) if at_m <= to_m + 1e-9)
            at = (at_m, sign * film_out_m(work, high_m - hip_board(work).wide_m / 2), high_m)
            seats.append(Seat((hung_from(work, side, number), board), at, each_m))
    yield Good(
        id="side-cord", what="cord outside the curtains", many="cord outside the curtains", unit="m",
        seats=tuple(seats), unspared="none: it has a hand to tie at each end", tool="knife, knots",
        until="once the curtains hang", drawn=("cord",),
    )  # fmt: skip


def _tracks(work: Work) -> Iterator[Edge]:
    """The track on each hip board that curtains of their own hang in."""
    if not own_curtain(work):
        return
    begins_m, high_m = -bow_tube(work).od_m / 2, work.design.boards.hip_m - hip_board(work).wide_m / 2
    laid = track_of(work)
    for side, sign in SIDES:
        boards, x = hip_laid(work, side), sign * film_out_m(work, high_m)

        def on(at_m: float, boards: list[tuple[float, float, str]] = boards) -> str:
            return next((name for _, to_m, name in boards if begins_m + at_m <= to_m), boards[-1][2])

        def at(at_m: float, x: float = x) -> Point:
            return (begins_m + at_m, x, high_m)

        first = hung_from(work, side, 1)
        yield Edge("track", laid, first, at, on)
