"""Small things that several steps say the same way."""

from typing import Literal

from obtegum.core.drawing.step import Answer, StepState
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.work import Work
from obtegum.core.values.amount import AmountKind, amount_text
from obtegum.core.values.quantity import angle_text

__all__ = ["amount_answer", "angle_answer", "count_answer", "length_answer", "settled", "ticked_off"]


def length_answer(work: Work, name: str, label: str, value_m: float, note: str = "") -> Answer:
    """An answer that is a length, read off the house's tape."""
    return Answer(id=name, label=label, reading=work.say(value_m, rounded(name)), value=value_m, unit="m", note=note)


# The unit of each kind of amount that answers are told in.
SI: dict[AmountKind, Literal["m3", "m3/s", "kg", "s", "share", "Pa", "N", "N/m", "m/s", "N·m", "W", "J"]] = {
    "volume": "m3",
    "load": "m3",
    "flow": "m3/s",
    "air": "m3/s",
    "mass": "kg",
    "hung": "kg",
    "hours": "s",
    "share": "share",
    "pressure": "Pa",
    "force": "N",
    "speed": "m/s",
    "pull": "N/m",
    "torque": "N·m",
    "power": "W",
    "energy": "J",
}


def amount_answer(work: Work, name: str, label: str, value: float, kind: AmountKind, note: str = "") -> Answer:
    """An answer that is an amount, in the house's unit."""
    reading = amount_text(value, kind, work.tape.units, rounded(name))
    return Answer(id=name, label=label, reading=reading, value=value, unit=SI[kind], note=note)


def angle_answer(name: str, label: str, value_rad: float) -> Answer:
    """An answer that is an angle."""
    return Answer(id=name, label=label, reading=angle_text(value_rad, rounded(name)), value=value_rad, unit="rad")


def count_answer(name: str, label: str, count: int, note: str = "") -> Answer:
    """An answer that is a number of things."""
    return Answer(id=name, label=label, reading=f"{count:,}", value=count, unit="count", note=note)


def settled(verdicts: list[Verdict]) -> StepState:
    """Checked when every verdict of the step holds, else it needs a look."""
    return "checked" if all(verdict.level == "holds" for verdict in verdicts) else "look"


def ticked_off(verdicts: list[Verdict], done: int, of: int) -> StepState:
    """State of a step whose parts are done one by one: look while something ails."""
    if any(verdict.level in ("tight", "fails") for verdict in verdicts):
        return "look"
    if done == of:
        return "done" if all(verdict.level == "holds" for verdict in verdicts) else "look"
    return "going" if done else "open"
