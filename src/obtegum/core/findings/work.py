"""One house on the bench, and how its numbers are said: by its own tape, in its own units."""

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.drawing.strip import MarkKind, MarkState, StripMark
from obtegum.core.findings.kept import Bench
from obtegum.core.values.catalogue import Catalogue, Rules
from obtegum.core.values.quantity import Rounding, Tape, length_text, tube_text

__all__ = ["Work"]

# Lengths that are kept as they were printed.
MOST_SAID = 20_000


class Work(Bench):
    """One house on the bench: what the rooms find of it is asked for through it."""

    def __init__(
        self,
        design: HouseDesign,
        record: SiteRecord,
        catalogue: Catalogue,
        before: Bench | None = None,
    ) -> None:
        super().__init__(design, record, catalogue, before)
        # What was said by the same tape is said again.
        said = before._said if isinstance(before, Work) and before._tape == self._tape else {}
        self._said: dict[tuple[float, Rounding], str] = said if len(said) < MOST_SAID else {}

    @property
    def rules(self) -> Rules:
        return self.catalogue.rules

    def about(self, value_m: float) -> str:
        """A round length for a sentence: to the inch or centimetre."""
        coarse = Tape(units=self.tape.units, inch_parts=2, mm_step=10)
        step_m = coarse.stride_m("small")
        return f"about {length_text(round(value_m / step_m) * step_m, coarse)}"

    def say(self, value_m: float, rounding: Rounding = "nearest") -> str:
        """A length as the house's tape shows it; kept, as drawing, tape and table say the same ones."""
        # The tape is asked for each time, as what is said hangs on it.
        tape, key = self.tape, (value_m, rounding)
        if key not in self._said:
            self._said[key] = length_text(value_m, tape, rounding)
        return self._said[key]

    def tube(self, value_m: float, rounding: Rounding = "nearest") -> str:
        """A tube's diameter or wall as the trade says it."""
        return tube_text(value_m, self.tape.units, rounding)

    def mark(
        self,
        at_m: float,
        what: str,
        kind: MarkKind,
        part: str,
        strip: str,
        tick: str | None = None,
        state: MarkState = "open",
        note: str = "",
        says: str = "",
        from_m: float = 0.0,
    ) -> StripMark:
        """A mark of a strip, its reading printed from its exact place and what the tape reads at its start."""
        return StripMark(
            id=f"{strip}/{part}",
            part=part,
            at_m=at_m,
            reading=self.say(at_m + from_m),
            what=what,
            kind=kind,
            state=state,
            tick=tick,
            note=note,
            says=says,
        )
