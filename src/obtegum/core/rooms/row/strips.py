"""What is read at each post, what it should read, and the strings along both rows where it is typed."""

from collections.abc import Mapping
from functools import cache, cached_property

from obtegum.core.documents.row import field_of
from obtegum.core.drawing.strip import Entered, Strip, StripMark
from obtegum.core.findings.kept import Finding
from obtegum.core.findings.skeleton.bays import bays_of, pegs_of, reads, starts_m
from obtegum.core.findings.skeleton.levels import stand_of
from obtegum.core.findings.skeleton.row import checks_of
from obtegum.core.findings.skeleton.stands import foot_name, foot_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.ground.levels import Foot
from obtegum.core.formulas.setout.base import Peg

__all__ = ["Readings", "strips"]

TITLES = {
    "gap": "to the string",
    "rod": "rod on tops",
    "out": "stands out",
    "along": "tape along",
    "lean": "plumb",
    "blows": "blows",
}


class Readings:
    """What was read at the posts of a house and what should be, looked up once for all of them."""

    def __init__(self, work: Work) -> None:
        self.work, self.told, self._alike = work, dict(work.record.row), dict[str, str]()

    @cached_property
    def _along(self) -> dict[float, str]:
        return {station_m: reads(self.work, station_m) for station_m in bays_of(self.work).stations_m}

    @cached_property
    def _feet(self) -> Mapping[str, Foot]:
        stand = stand_of(self.work)
        return stand.feet if stand else {}

    def value(self, peg: Peg, check: str) -> float | None:
        """What was read at a post; None while nothing was."""
        told = self.told.get(f"{peg.side}{peg.bow}")
        return told.told(check) if told else None

    def reading(self, value: float, check: str) -> str:
        """A value as it is read."""
        return f"{value:.0f}" if check == "blows" else self.work.say(value)

    def wanted(self, peg: Peg, check: str) -> str:
        """What should be read at a post."""
        if check == "along":
            return self._along[peg.station_m]
        if check == "rod":
            foot = self._feet.get(f"{peg.side}{peg.bow}")
            return self.work.say(foot.top_reading_m) if foot else "–"
        if check not in self._alike:
            self._alike[check] = self._wanted_everywhere(check)
        return self._alike[check]

    def _wanted_everywhere(self, check: str) -> str:
        if check == "gap":
            return self.work.say(self.work.design.row.block_m)
        if check == "out":
            return self.work.say(self.work.design.posts.reveal_m)
        return "0" if check == "lean" else "–"

    def says(self, peg: Peg, check: str) -> str:
        """What to read at a post, or what was read there."""
        value = self.value(peg, check)
        return _says(
            self.work, peg, check, "" if value is None else self.reading(value, check), self.wanted(peg, check)
        )


def _says(work: Work, peg: Peg, check: str, told: str, wanted: str) -> str:
    where = foot_name(work, f"{peg.side}{peg.bow}")
    if told:
        return f"{where.capitalize()}, {TITLES[check]}, was measured: {told}. Type to measure it again."
    if check == "blows":
        return f"Next: {where}; count the blows that it takes."
    # What the plan has no figure for yet is read all the same.
    return f"Next: {where}, {TITLES[check]}{'' if wanted == '–' else f'; it should read {wanted}'}."


def strips(work: Work) -> list[Strip]:
    """Each row with a place to type what each of its posts measures."""
    both = [_both(check)(work) for check in checks_of(work)]
    return [*(left for left, _ in both), *(right for _, right in both)]


@cache
def _both(check: str) -> Finding[tuple[Strip, Strip]]:
    """Both rows with what one check asks for."""

    def rows(work: Work) -> tuple[Strip, Strip]:
        read = Readings(work)
        return _strip(work, read, "L", check), _strip(work, read, "R", check)

    return Finding(rows, compared=False)


def _strip(work: Work, read: Readings, side: str, check: str) -> Strip:
    where, marks, title, field = f"row:{side}:{check}", list[StripMark](), TITLES[check], field_of(check)
    for peg in pegs_of(work):
        if peg.side != side:
            continue
        value = read.value(peg, check)
        told = "" if value is None else read.reading(value, check)
        post, wanted = f"{side}{peg.bow}", read.wanted(peg, check)
        label = f"{foot_name(work, post).capitalize()}, {title}"
        marks.append(
            StripMark(
                id=f"{where}/{peg.bow}",
                part=f"post:{post}",
                at_m=peg.station_m,
                reading=told or wanted,
                what=f"{foot_of(work)[0]} {peg.bow}",
                kind="peg",
                state="open" if value is None else "set",
                entry=Entered(measure=f"record.row.{post}.{field}", label=label, reading=told),
                says=_says(work, peg, check, told, wanted),
            )
        )
    return Strip(
        id=where,
        title=f"{'Left' if side == 'L' else 'Right'}, {title}",
        about="what it should read, until it is measured",
        material="string",
        length_m=bays_of(work).stations_m[-1],
        starts_m=starts_m(work),
        marks=tuple(marks),
    )
