"""How what is written on a card is read where no bench is near: the unit of a bare number, the range, what is said."""

from dataclasses import asdict, dataclass
from typing import Literal

from obtegum.core.documents.reading import limit_of, range_said
from obtegum.core.house.measures import find_measure
from obtegum.core.values.quantity import Tape, bare_m

__all__ = ["Rule", "Rules", "rule_of"]


@dataclass(frozen=True, slots=True)
class Rule:
    """How a card is read: a length, m, with what a bare number is, m, a count, or words, which the bench alone judges.

    ``least`` and ``most`` are the range, with what is said of less, of nothing and below, and of more; ``optional``:
    blank takes back what was written.
    """

    kind: Literal["length", "count", "text"]
    bare_m: float = 1.0
    least: float = 0.0
    most: float = 0.0
    under: str = ""
    nothing: str = ""
    over: str = ""
    optional: bool = True


def rule_of(measure: str, tape: Tape) -> Rule:
    """The rule of what is written on a card, by the measure's name."""
    number, found = limit_of(measure), find_measure(measure)
    if found is None or number is None or number.kind not in ("length", "count"):
        return Rule("text")
    said = range_said(number, tape)
    kind: Literal["length", "count"] = "count" if number.kind == "count" else "length"
    bare = bare_m(tape.units, number.bare)
    return Rule(kind, bare, number.least, number.most, said.under, said.nothing, said.over, found.optional)


class Rules:
    """The rules of a pack's cards, each told once: a thousand posts are read by one."""

    def __init__(self, tape: Tape) -> None:
        self._tape = tape
        self._places: dict[Rule, int] = {}

    def named(self, measure: str) -> dict[str, int]:
        """Which rule a card goes by; nothing where nothing is written on it."""
        if not measure:
            return {}
        return {"rule": self._places.setdefault(rule_of(measure, self._tape), len(self._places))}

    @property
    def all(self) -> list[dict[str, object]]:
        """Every rule so far, in the order in which they are named."""
        return [asdict(rule) for rule in self._places]
