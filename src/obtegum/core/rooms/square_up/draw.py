"""The base as taped, its errors drawn many times too large, and how each peg moves."""

from obtegum.core.drawing.items import Arrow, Drawing, Item, Mark, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import line
from obtegum.core.findings.skeleton.bays import reads, strung
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.checkin import CheckIn, Move, planned_lines
from obtegum.core.formulas.setout.how import corner_places
from obtegum.core.formulas.setout.lines import LINES
from obtegum.core.rooms.set_out.base import BESIDE_M, corners, floor
from obtegum.core.rooms.square_up.found import (
    base_check,
    earlier_checks,
    line_title,
    move_words,
    size_off,
    square_enough,
)

__all__ = ["taped"]

TIMES = (1, 2, 5, 10, 20, 50, 100, 200)
# The largest error is drawn as about this share of the width.
SHARE = 0.14


def taped(work: Work) -> Drawing:
    """Planned strings, and the shape as it stands; A is held and A to B gives the direction."""
    length_m, width_m = strung(work)
    planned = corner_places(length_m, width_m)
    found = base_check(work)
    check = found if isinstance(found, CheckIn) else None
    items: list[Item] = [floor(work)]
    for name in LINES:
        (x0, y0), (x1, y1) = (planned[letter.upper()] for letter in name)
        path = line(x0, y0, x1, y1)
        items.append(
            Outline(part=f"taped:{name}", layer="string", material="string", path=path, label=line_title(name))
        )
    if check is None:
        return _drawing(work, [*items, *corners(work)], "The base as planned. Type what the tape reads.")
    earlier = earlier_checks(work)[-1:]
    off = max(_off(each, planned) for each in (check, *earlier))
    times = max((each for each in TIMES if each * off <= SHARE * width_m), default=1)
    for before in earlier:
        items.append(_shape(before, planned, times, "earlier", "construction"))
    items.append(_shape(check, planned, times, "shape", "hidden"))
    for move in check.moves:
        (px, py), (x, y) = planned[move.corner], _enlarged(check, planned, times)[move.corner]
        items.append(Mark(part=f"stands:{move.corner}", symbol="peg", x=x, y=y, label=f"{move.corner} as it stands"))
        moving = check.closes is not False and size_off(work) is None and not square_enough(work)
        if moving and move.size_m >= work.tape.step_m / 2:
            items.append(Arrow(part=f"move:{move.corner}", x0=x, y0=y, x1=px, y1=py))
            items += _words(work, move, planned[move.corner])
    told = "" if times == 1 else f" Errors are drawn {times} times as large."
    beside_m = 0.3 + times * off
    return _drawing(work, [*items, *corners(work, beside_m)], f"The base as it stands.{told}", times)


def _words(work: Work, move: Move, at: tuple[float, float]) -> list[Item]:
    """The move in words, outside its corner: above the far side, below the near one."""
    lines = move_words(work, move)
    high = move.corner in "CD"
    first = -len(lines) + 0.3 if high else 1.6
    return [
        Note(
            part=f"move:{move.corner}",
            x=at[0],
            y=at[1],
            text=words,
            anchor="end" if move.corner in "BC" else "start",
            above=False,
            row=round(first) + place,
        )
        for place, words in enumerate(lines)
    ]


def _off(check: CheckIn, planned: dict[str, tuple[float, float]]) -> float:
    return max(
        max(abs(check.corners[name][0] - x), abs(check.corners[name][1] - y)) for name, (x, y) in planned.items()
    )


def _enlarged(check: CheckIn, planned: dict[str, tuple[float, float]], times: int) -> dict[str, tuple[float, float]]:
    return {
        name: (x + (check.corners[name][0] - x) * times, y + (check.corners[name][1] - y) * times)
        for name, (x, y) in planned.items()
    }


def _shape(check: CheckIn, planned: dict[str, tuple[float, float]], times: int, part: str, layer: str) -> Outline:
    at = _enlarged(check, planned, times)
    path = tuple(Vertex(x=at[name][0], y=at[name][1]) for name in ("A", "B", "C", "D", "A"))
    return Outline(part=part, layer=layer, material="ink", path=path, label=part)  # type: ignore[arg-type]


def _drawing(work: Work, items: list[Item], summary: str, times: int = 1) -> Drawing:
    length_m, width_m = strung(work)
    planned = planned_lines(length_m, width_m)
    rows = []
    for name in LINES:
        reading = work.record.taped.reading_m(name)
        told = "not taped" if reading is None else work.say(reading)
        rows.append(Row(what=f"{line_title(name)}, should read {reads(work, planned[name])}", reading=told))
    return drawn(
        view="taped",
        title="As it stands" if times == 1 else f"As it stands, errors × {times}",
        summary=summary,
        items=items,
        beside_m=BESIDE_M + (SHARE * strung(work)[1] / 2 if times > 1 else 0.0),
        table=tuple(rows),
    )
