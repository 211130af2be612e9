"""Weather: snow and wind at this place, as the grower's own figures say, and what stands beside them."""

import math

from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather.pressure import Worked
from obtegum.core.rooms.strength.loads import sheet_of
from obtegum.core.rooms.weather.found import OWN, asks_of, method_of, missing, overridden, stood_in
from obtegum.core.values.amount import amount_text

__all__ = ["plan", "printed", "stands", "verdicts"]

CAUTION = "Planning aid: local code and a licensed engineer decide. Never stand under a roof that creaks with snow."


def verdicts(work: Work) -> list[Verdict]:
    """The weather is told or not; what it does to the house is judged where the house stands up to it."""
    return []


def _asked(work: Work) -> tuple[str, ...]:
    """The figures that the method asks for."""
    return tuple(f"weather.{name}" for name in asks_of(work))


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    open_, asked = missing(work), _asked(work)
    return Standing(
        id="weather",
        title="Weather",
        group="Place",
        state="checked" if not open_ else "open" if len(open_) > len(asked) // 2 else "going",
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The figures, where they are from, and every value that follows from them."""
    method, asked, lines = method_of(work), _asked(work), sheet_of(work)
    own = _own(work) if method.of_site else ()
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=(
            "weather.method",
            *asked,
            *(("weather.altitude_m", *_cover(work)) if method.of_site else ()),
            *(("weather.doors",) if method.knows_habits else ()),
            "weather.stand_in",
            *own,
        ),
        aside=(
            "weather.method",
            "weather.snow_edition",
            "weather.doors",
            "weather.altitude_m",
            "weather.snow_from",
            "weather.wind_from",
            *own,
        ),
        answers=tuple(_answer(work, place, each) for place, each in enumerate(lines, start=1)),
        leads=tuple(f"worked_{place}" for place, each in enumerate(lines, start=1) if each.symbol in SHOWN),
        views=("across", "along"),
        strips=("floor",),
        grips=(),
        focus=("bow", "ground", "span", "height"),
    )


def _cover(work: Work) -> tuple[str, ...]:
    """What is asked of the cover."""
    cloth = work.design.weather.cover == "cloth"
    asked = ("weather.open_share", "weather.open_from", "weather.cloth") if cloth else ("weather.layers",)
    return ("weather.cover", *asked)


def _own(work: Work) -> tuple[str, ...]:
    """Fields of the user's own coefficients, each that is told with its reason."""
    told = overridden(work)
    return tuple(f"weather.own.{name}{tail}" for name in OWN for tail in ("", "_why") if not tail or name in told)


# What is carried away of all the values: the pressures.
SHOWN = ("pf", "q", "s", "qp")


def printed(work: Work, each: Worked) -> str:
    """A value of the sheet as it is read."""
    units = work.tape.units
    if each.unit == "length":
        return work.say(each.value)
    if each.unit == "degrees":
        return f"{each.value:.1f}°"
    if each.unit == "number":
        return f"{each.value:.3f}".rstrip("0").rstrip(".")
    return amount_text(each.value, "pressure" if each.unit == "pressure" else "speed", units, "nearest")


SI = {"length": "m", "degrees": "rad", "number": "share", "pressure": "Pa", "speed": "m/s"}


def _answer(work: Work, place: int, each: Worked) -> Answer:
    value = math.radians(each.value) if each.unit == "degrees" else each.value
    return Answer.model_validate(
        {
            "id": f"worked_{place}",
            "label": f"{each.symbol}, {each.what}",
            "reading": printed(work, each),
            "value": value,
            "unit": SI[each.unit],
            "note": each.clause,
        }
    )


def _next(work: Work) -> str:
    open_, made_up = missing(work), stood_in(work)
    if made_up:
        return "Made-up weather, not for building: put your own figures in its place."
    if open_:
        left = f" {len(open_)} questions are open." if len(open_) > 1 else ""
        return f"{open_[0].words}{left}"
    return "All is told. What it does to the bow stands under Strength."
