"""Both rows as they were built, drawn against their strings, what is off enlarged."""

from typing import Literal

from obtegum.core.drawing.items import Drawing, Item, Mark, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import line
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.findings.skeleton.row import Deviation, built_row, off_share
from obtegum.core.findings.skeleton.stands import foot_name, foot_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.row.step import most_off

__all__ = ["row"]

# How far apart the two strings are drawn, and how far the worst post is drawn off its own, as shares of the length.
APART, SHARE = 0.16, 0.03
TIMES = (1, 2, 5, 10, 20, 50, 100)
DOT, TOLD, BETWEEN = 0.004, 6, 0.2
State = Literal["open", "set", "moved"]
STRING = {"L": 1.0, "R": -1.0}


def row(work: Work) -> Drawing:
    """The posts from above, each where it stands beside its string; seen with the left row above."""
    built = {each.name: each for each in built_row(work) if each.measured}
    long_m = work.design.size.length_m
    most_m = max((abs(each.out_m) for each in built.values() if each.out_m is not None), default=0.0)
    times = max((each for each in TIMES if each * most_m <= SHARE * long_m), default=1)
    items: list[Item] = [
        Outline(
            part=f"string:{side}",
            layer="construction",
            material="ink",
            path=line(0.0, sign * APART / 2 * long_m, long_m, sign * APART / 2 * long_m),
            label=f"{'left' if side == 'L' else 'right'} string",
        )
        for side, sign in STRING.items()
    ]
    half, rows, (one, many) = DOT * long_m, list[Row](), foot_of(work)
    worst = _told(work, list(built.values()))
    for peg in pegs_of(work):
        name, sign = f"{peg.side}{peg.bow}", STRING[peg.side]
        told = built.get(name)
        off_m = told.out_m if told and told.out_m is not None else 0.0
        along_m = told.along_m if told and told.along_m is not None else 0.0
        x, y = peg.station_m + along_m * times, sign * (APART / 2 * long_m + off_m * times)
        state: State = "open" if told is None else "moved" if off_share(work, told) > 1 else "set"
        label = foot_name(work, name)
        items.append(Mark(part=f"post:{name}", symbol="peg", state=state, x=x, y=y, label=label))
        if told is not None:
            off = off_share(work, told) > 1
            rows.append(Row(what=label, reading=most_off(work, told)))
            if off and told in worst:
                items.append(
                    Note(part=f"post:{name}", x=x, y=y + sign * 2.5 * half, text=most_off(work, told), above=sign > 0)
                )
    if not built:
        items.append(Note(part="string", x=long_m / 2, y=0.0, text=f"no {one} measured yet", above=False))
    return drawn(
        view="row",
        title="The rows" if times == 1 or not built else f"The rows, off × {times}",
        summary=f"{len(built)} of {len(pegs_of(work))} {many} measured, each drawn beside its string.",
        items=items,
        beside_m=(0.04 * long_m, 0.05 * long_m, 0.04 * long_m, 0.05 * long_m),
        table=tuple(rows) or (Row(what=many.capitalize(), reading="none measured yet"),),
    )


def _told(work: Work, built: list[Deviation]) -> list[Deviation]:
    """The worst posts, as far apart in their row as their words need."""
    found = list[Deviation]()
    for post in sorted(built, key=lambda each: -off_share(work, each)):
        beside = (each for each in found if each.side == post.side)
        if all(abs(each.station_m - post.station_m) >= BETWEEN * work.design.size.length_m for each in beside):
            found.append(post)
    return found[:TOLD]
