"""A drawing for each step of squaring the base: its strings, its tapes, what it sets."""

from obtegum.core.drawing.above import seen_from_above
from obtegum.core.drawing.items import Drawing, Item, Mark, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import line
from obtegum.core.findings.skeleton.bays import squaring_steps
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.how import HowStep
from obtegum.core.rooms.set_out.base import BESIDE_M, corners, floor, strings

__all__ = ["how_drawings"]

# The corners that each side of the base lies between, in the order that the strings are drawn.
ENDS = ({"A", "B"}, {"D", "C"}, {"A", "D"}, {"B", "C"})


def how_drawings(work: Work) -> list[Drawing]:
    """One drawing a step, in order, as seen from above."""
    return [seen_from_above(_drawing(work, step, place)) for place, step in enumerate(squaring_steps(work), start=1)]


def _drawing(work: Work, step: HowStep, place: int) -> Drawing:
    known = {name for before in squaring_steps(work)[: place - 1] for name, _ in before.sets}
    strung = {name for before in squaring_steps(work)[:place] for name, _ in before.sets}
    items: list[Item] = [floor(work), *(each for each, ends in zip(strings(work), ENDS, strict=True) if ends <= strung)]
    rows = []
    for number, each in enumerate(step.lines, start=1):
        part = f"{each.kind}:{number}"
        path = line(*each.start, *each.end)
        items.append(Outline(part=part, layer="string", material="string", path=path, label=each.text or each.kind))
        if each.text:
            # Two tapes that cross are lettered nearer to where they start, so that the words stay apart.
            share = 0.5 if len(step.lines) == 1 else 0.38
            x = each.start[0] + (each.end[0] - each.start[0]) * share
            y = each.start[1] + (each.end[1] - each.start[1]) * share
            items.append(Note(part=part, x=x, y=y, text=each.text))
            rows.append(Row(what=f"{each.kind.capitalize()} {number}", reading=each.text))
    for number, (x, y) in enumerate(step.restarts, start=1):
        items.append(Mark(part=f"peg:R{number}", symbol="centre", x=x, y=y, label=f"restart {number}"))
        items.append(Note(part=f"peg:R{number}", x=x, y=y, text=f"R{number}"))
    sets = dict(step.sets)
    for name, (x, y) in sets.items():
        items.append(Mark(part=f"set:{name}", symbol="peg", x=x, y=y, label=f"set {name}"))
    known -= sets.keys()
    for name in sorted(known):
        for before in squaring_steps(work):
            at = dict(before.sets).get(name)
            if at is not None:
                items.append(Mark(part=f"known:{name}", symbol="peg", state="set", x=at[0], y=at[1], label=name))
                break
    items += corners(work)
    return drawn(
        view=f"how:{place}",
        title=f"Step {place}",
        summary=step.words,
        items=items,
        beside_m=BESIDE_M,
        table=tuple(rows),
    )
