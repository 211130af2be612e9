"""By its name: what a thing that is sold by a name truly measures, in every way that the name can be read."""

from typing import Literal, cast

from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.strip import Strip
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.findings.work import Work
from obtegum.core.rooms.names.found import read_name

__all__ = ["plan", "stands", "strips", "verdicts"]

ASKS = {
    "tube": "like 3/4, 1 3/8 rail, 42.4",
    "board": "like 2x6, 47x150",
    "film": "like 6 mil, 200 micron, 720 gauge",
    "roll": "like 24 ft, 8.5 m",
    "stick": "like 21 ft, 6 m",
    "bag": "like 60 lb, 25 kg",
}


def verdicts(work: Work) -> list[Verdict]:
    """A name is nothing to judge."""
    return []


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    names = work.design.names
    return Standing(
        id="names",
        title="By its name",
        group="Place",
        state="open" if not (names.called or names.taped_m) else "checked",
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The name, and every way to read it."""
    readings, names = read_name(work), work.design.names
    answers = tuple(
        Answer(
            id=f"named_{place}",
            label=f"{place}. {each.what}" if each.section_m else each.what,
            reading=each.size,
            value=each.value,
            unit=cast(Literal["m", "m3"], each.unit),
            note=each.why,
        )
        for place, each in enumerate(readings, start=1)
    )
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution="",
        measures=(
            "names.kind",
            "names.called",
            *(("names.taped_m",) if names.kind in ("tube", "board") else ()),
        ),
        answers=answers,
        leads=("named",),
        views=("named",),
        strips=("named",),
        grips=(),
        focus=("named", "bore"),
    )


def _next(work: Work) -> str:
    names, readings = work.design.names, read_name(work)
    if not names.called and names.taped_m is None:
        return f"Write what it is sold as, {ASKS[names.kind]}: names are not sizes."
    if not readings:
        return f"Nothing here is called so. Write it {ASKS[names.kind]}, or tape it."
    if len(readings) == 1:
        return "One thing here is called so. Tape it before you buy many."
    return f"{len(readings)} things go by that: tape the one that you mean to buy."


# The tape with nothing to lie beside yet, m.
BARE_M = 0.1


def strips(work: Work) -> list[Strip]:
    """What the tape says of each: outsides, widths, lengths. Films and bags have nothing for a tape."""
    kind = work.design.names.kind
    readings = read_name(work) if kind in ("tube", "board", "roll", "stick") else ()
    marks = [
        work.mark(each.value, f"{place}", "cut", f"named:{place}", "named")
        for place, each in enumerate(readings, start=1)
    ]
    longest = max((each.value for each in readings), default=BARE_M)
    return [
        Strip(
            id="named",
            title="What the tape says",
            about="over ribs and all, each by its number" if kind == "tube" else "each by its number",
            material="board" if kind == "board" else "floor" if kind == "roll" else "post",
            length_m=longest,
            marks=tuple(sorted(marks, key=lambda each: each.at_m))
            or (work.mark(0.0, "end", "cut", "named:0", "named"),),
        )
    ]
