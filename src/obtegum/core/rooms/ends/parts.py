"""The sticks of both end walls, their boards, leaves and film, as members of the house."""

from collections.abc import Iterator, Sequence
from typing import Literal

from obtegum.core.documents.ends import SIDES, Side
from obtegum.core.face.faces import Member
from obtegum.core.face.goods import GROUND
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import split_of
from obtegum.core.findings.skeleton.braces import brace_tube
from obtegum.core.findings.skeleton.fixings import fixing_of
from obtegum.core.findings.skeleton.outline import end_bow, end_of, filmed, stud_board, stud_tube
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.hung import leaf_members, station_m
from obtegum.core.rooms.ends.props import props_of, struts_of
from obtegum.core.rooms.ends.pulled import film_of
from obtegum.core.rooms.ends.rests import prop_rests, rests, strut_rests
from obtegum.core.rooms.ends.wall import SQUARE_RAD, Stick, all_walls, end_boards, stakes_m
from obtegum.core.values.physics import CLOTH_KG_M2, FILM_KG_M3
from obtegum.core.values.quantity import angle_text

__all__ = ["parts"]

# A stake behind an end board: how far it stands out of the ground and goes into it, and how thick it is, m.
STAKE_UP_M, STAKE_DOWN_M, STAKE_M = 0.1, 0.4, 0.038
# Places of the rim by which film is drawn.
PLACES = 24


@found
def parts(work: Work) -> Sequence[Member]:
    """Every stick in the plane of its end bow, what braces it from inside, end boards on their stakes, leaves; and at
    last film that is the end's own."""
    films = (_film(work, side) for side in SIDES if filmed(work, side))
    return (*_members(work), *films)


def _members(work: Work) -> Iterator[Member]:
    along = bays_of(work).stations_m
    stations = {"front": along[0], "back": along[-1]}
    for wall in all_walls(work):
        board, round_ = stud_board(work, wall.side), stud_tube(work, wall.side)
        stock = round_.id if round_ else board.id
        section = (round_.od_m,) if round_ else (board.thick_m, board.wide_m)
        of: Literal["steel", "board"] = "steel" if round_ else "board"
        edge = end_of(work, wall.side).stand == "edge"
        for stick in wall.sticks:
            low, high = ((stations[wall.side], *end) for end in stick.ends)
            part = f"{wall.side}:{stick.letter}"
            wide = (1.0, 0.0, 0.0) if edge else (0.0, 1.0, 0.0) if stick.plumb else (0.0, 0.0, 1.0)
            yield Member(
                part=part, what=stick.what, called="end stick", stock=stock,
                length_m=stick.long_m, ends=(low, high), of=of, cuts=_cuts(stick),
                section=section, wide=wide, stage=f"The {wall.side}", rests_on=rests(work, wall, stick),
            )  # fmt: skip
        tube = brace_tube(work)
        for strut in struts_of(work, wall.side):
            yield Member(
                part=f"{wall.side}:strut:{strut.letter}", what="strut to the second foot",
                called="end stick", stock=tube.id,
                length_m=strut.long_m, ends=strut.ends, of="steel", section=(tube.od_m,), wide=(0.0, 1.0, 0.0),
                stage=f"The {wall.side}", rests_on=strut_rests(work, wall.side, strut),
            )  # fmt: skip
        for prop in props_of(work, wall.side):
            yield Member(
                part=f"{wall.side}:prop:{prop.letter}", what="prop to the second bow", called="end stick", stock=stock,
                length_m=prop.long_m, ends=prop.ends, of=of, section=section, wide=(0.0, 1.0, 0.0),
                stage=f"The {wall.side}", rests_on=prop_rests(work, wall.side, prop),
            )  # fmt: skip
        yield from _boards(work, wall.side)
        yield from leaf_members(work, wall.side)


def _cuts(stick: Stick) -> tuple[str, str]:
    """How a stick's ends are sawn: a plumb one's foot and head, a level one's left and right end."""
    first, last = (f"bevelled {angle_text(each)}" if each > SQUARE_RAD else "square" for each in stick.bevels_rad)
    if not stick.plumb:
        return first, last
    notched = ", notched" if stick.head is not None and stick.head.notch else ""
    return "square", f"{last}{notched}{', holed' if stick.head is not None else ''}"


def _boards(work: Work, side: Side) -> Iterator[Member]:
    """End boards at the ground's line, and the stakes behind them."""
    board, at_m = stud_board(work, side), station_m(work, side)
    out_m = board.thick_m if side == "front" else -board.thick_m
    stakes = {f"{side}:stake:{number}": x for number, x in enumerate(stakes_m(work, side), start=1)}
    for number, (low, high) in enumerate(end_boards(work, side), start=1):
        yield Member(
            part=f"{side}:board:{number}", what="end board", called="end stick", stock=board.id, of="board",
            length_m=high - low, ends=((at_m - out_m, low, board.wide_m / 2), (at_m - out_m, high, board.wide_m / 2)),
            section=(board.thick_m, board.wide_m), stage=f"The {side}",
            rests_on=tuple(name for name, x in stakes.items() if low <= x <= high),
        )  # fmt: skip
    for name, x in stakes.items():
        yield Member(
            part=name, what="stake of an end board", stock="stake", of="board", length_m=STAKE_UP_M + STAKE_DOWN_M,
            ends=((at_m, x, -STAKE_DOWN_M), (at_m, x, STAKE_UP_M)), section=(STAKE_M, STAKE_M),
            stage=f"The {side}", rests_on=(GROUND,),
        )  # fmt: skip


def _film(work: Work, side: Side) -> Member:
    """An end's own film, over the whole of it, cut as wide and high as its fixing and pulling take."""
    film, cloth, cover = film_of(work), work.design.weather.cover == "cloth", work.design.cover
    at_m, outer = station_m(work, side), end_bow(work, side).offset(bow_tube(work).od_m / 2)
    rim = [outer.point(outer.girth_m * at / PLACES) for at in range(PLACES + 1)]
    wide_m, high_m = max(x for x, _ in rim) - min(x for x, _ in rim), max(y for _, y in rim)
    round_m = 2 * (fixing_of(work, cover.ends).eats_m + cover.tail_m)
    bow = 1 if side == "front" else bays_of(work).bows
    return Member(
        part=f"{side}:film", what="cloth of an end" if cloth else "film of an end",
        stock="cloth" if cloth else film.name, of="film", length_m=wide_m + round_m,
        section=(0.0 if cloth else film.thick_m, high_m + round_m),
        path=tuple((at_m, x, y) for x, y in rim), edge=tuple((at_m, x, 0.0) for x, _ in rim),
        ends=((at_m, rim[0][0], 0.0), (at_m, rim[-1][0], 0.0)),
        kg=(wide_m + round_m) * (high_m + round_m) * (CLOTH_KG_M2 if cloth else film.thick_m * FILM_KG_M3),
        cuts=("square", "to the bow"), stage="Cover",
        rests_on=tuple(f"bow:{bow}:{piece.name}" for piece in split_of(work).pieces),
    )  # fmt: skip
