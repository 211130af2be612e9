"""Names read: every thing of the catalogue that is called so or measures so, by its true size."""

import re
from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from obtegum.core.face.tube_fields import NEAR_M
from obtegum.core.findings.kept import found
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.concrete import bags_for
from obtegum.core.values.amount import amount_text
from obtegum.core.values.catalogue import Board, Tube
from obtegum.core.values.quantity import FOOT_M, INCH_M, Units, tube_text

__all__ = ["MOST_READINGS", "Reading", "film_readings", "kind_told", "numbers_in", "read_name"]

MOST_READINGS = 12
_NUMBER = re.compile(r"(\d+)[\s-]+(\d+)/(\d+)|(\d+)/(\d+)|(\d+(?:[.,]\d+)?)")
# A pipe's bore as it is sold: ``DN 25``, ``25 nb``, ``25 mm bore``.
_DN = re.compile(r"\bdn\s*(\d+)|\b(\d+)\s*(?:mm\s*)?(?:nb\b|nominal\s+bore|bore)")
MIL_M, GAUGE_M, MICRON_M = INCH_M / 1000, 0.25e-6, 1e-6
# Bare figures of film up to this are taken for mil; above it for microns or gauge.
MOST_MIL = 40
# Bare figures of boards up to this are inches.
LARGEST_IN = 16


@dataclass(frozen=True, slots=True)
class Reading:
    """One way to read a name: what it is, what it truly measures, its size in SI, and why.

    ``section_m`` is what is seen of it from its end: outside and bore of a tube, thickness and width of a board.
    """

    what: str
    size: str
    value: float
    unit: str
    why: str
    section_m: tuple[float, float] | None = None


def numbers_in(text: str) -> list[float]:
    """The numbers of a name, fractions worked out: ``1 3/8 x 0.065`` has 1.375 and 0.065."""
    found = []
    for whole, top, bottom, only_top, only_bottom, plain in _NUMBER.findall(text):
        if plain:
            found.append(float(plain.replace(",", ".")))
        elif int(bottom or only_bottom):
            part = Fraction(int(top or only_top), int(bottom or only_bottom))
            found.append(float(part + int(whole or 0)))
    return found


def _said(text: str) -> Units | None:
    """The units that a name tells itself, if it does."""
    if re.search(r"\d\s*(?:mm|cm|m)\b|\bmetric\b|\bkg\b", text):
        return "metric"
    return "feet" if re.search(r"\d\s*(?:in\b|inch|ft\b|feet|foot|lb|[\"'″′])", text) else None


def kind_told(text: str) -> str | None:
    """The kind of thing that a name tells by itself: ``6 mil`` is film, ``60 lb`` a bag, ``2x6`` a board."""
    if any(re.search(words, text) for way, words in _FILM.items() if way != "mm"):
        return "film"
    if re.search(r"\d\s*(?:lbs?|kg)\b|\bbags?\b", text):
        return "bag"
    if re.search(r"\brolls?\b", text):
        return "roll"
    pair = re.fullmatch(r"(\d+(?:/\d+)?)\s*(?:x|×|by)\s*(\d+)(?:\s*mm)?", text)
    thick = numbers_in(pair[1]) if pair else []
    return "board" if pair and thick and int(pair[2]) >= thick[0] else None


@found
def read_name(work: Work) -> tuple[Reading, ...]:
    """Every way to read the name, and what measures as the tape says."""
    names = work.design.names
    text, taped_m = names.called.strip().lower(), names.taped_m
    numbers = numbers_in(text)
    readers = {"tube": _tubes, "board": _boards, "film": _films, "roll": _rolls, "stick": _sticks, "bag": _bags}
    found = list(readers[names.kind](work, text, numbers)) if numbers or text else []
    if taped_m is not None:
        found += [each for each in _measured(work, taped_m) if each not in found]
    return tuple(found[:MOST_READINGS])


def _both(value_m: float) -> str:
    return f"{tube_text(value_m, 'feet')}, {tube_text(value_m, 'metric')}"


def _tube(tube: Tube, why: str) -> Reading:
    size = f"{_both(tube.over_m)} outside"
    inside = "solid" if tube.form == "bar" else f"bore {_both(tube.bore_m)}"
    return Reading(tube.name, size, tube.over_m, "m", f"{why}; {inside}", (tube.od_m, tube.bore_m))


def _tubes(work: Work, text: str, numbers: list[float]) -> Iterator[Reading]:
    """Tubes that are called so, whatever they measure, and those that measure so, whatever they are called."""
    units, by_bore = _said(text), _DN.search(text)
    words = [word for word in re.findall(r"[a-z]{3,}", text) if word not in ("inch", "tube")]
    # Pipe that is sold by its bore is called by inches, whichever units it is sold in.
    tubes = [each for each in work.catalogue.tubes.values() if units in (None, each.sold_in) or each.dn]
    tubes.sort(key=lambda tube: tube.sold_in != work.tape.units)
    named = [each for each in tubes if any(word in each.name.lower() for word in words)]
    if not numbers:
        yield from (_tube(each, "called so") for each in named)
        return
    if by_bore:
        bore = next(int(each) for each in by_bore.groups() if each)
        yield from (_tube(each, f"sold by its bore, DN {bore}") for each in tubes if each.dn == bore)
        return
    size, scale = numbers[0], {"feet": INCH_M, "metric": 0.001}
    so = [each for each in tubes if abs(each.od_m - size * scale[each.sold_in]) <= NEAR_M / 2]
    called = [each for each in named or tubes if abs((numbers_in(each.name) or [0.0])[0] - size) < 1e-6]
    for each in called:
        yield _tube(each, "called so, and measures so" if each in so else "called so")
    yield from (_tube(each, "measures so") for each in so if each not in called)


def _board(board: Board, why: str) -> Reading:
    size, how = f"{_both(board.thick_m)} by {_both(board.wide_m)}", "dressed" if board.dressed else "sawn"
    return Reading(board.name, size, board.wide_m, "m", f"{why}; {how}", (board.thick_m, board.wide_m))


def _boards(work: Work, text: str, numbers: list[float]) -> Iterator[Reading]:
    """Boards of that name; and what the name would be if it were true, as rough timber is."""
    units, pair = _said(text), numbers[:2]
    for each in work.catalogue.boards.values():
        if units in (None, each.sold_in) and numbers_in(each.name)[:2] == pair != []:
            yield _board(each, "called so")
    if len(pair) == 2 and units != "metric" and max(pair) <= LARGEST_IN:
        thick, wide = pair[0] * INCH_M, pair[1] * INCH_M
        size = f"{_both(thick)} by {_both(wide)}"
        yield Reading("Rough, as its name says", size, wide, "m", "if it was never dressed", (thick, wide))


def film_readings(text: str) -> list[tuple[str, float]]:
    """A film's thickness by its name, m: in the unit that it tells, else in each that it can mean."""
    numbers = numbers_in(text)
    if not numbers:
        return []
    ways = {"mil": MIL_M, "micron": MICRON_M, "gauge": GAUGE_M, "mm": 0.001}
    told = next((way for way, words in _FILM.items() if re.search(words, text)), None)
    if told is not None:
        return [(told, numbers[0] * ways[told])]
    likely = ("mil", "mm") if numbers[0] < 1 else ("mil",) if numbers[0] <= MOST_MIL else ("micron", "gauge")
    return [(way, numbers[0] * ways[way]) for way in likely]


_FILM = {"mil": r"\bmils?\b|\dmils?\b", "micron": r"mic|µ|μ|\bum\b|\dum\b", "gauge": r"gau|\dg\b|\bg\b", "mm": r"mm"}


def _films(work: Work, text: str, numbers: list[float]) -> Iterator[Reading]:
    for way, thick_m in film_readings(text):
        size = f"{thick_m / MICRON_M:.0f} µm, {thick_m / MIL_M:.1f} mil, {thick_m / GAUGE_M:.0f} gauge"
        yield Reading(f"Read as {way}", size, thick_m, "m", "25.4 µm to the mil, 4 gauge to the micron")


def _rolls(work: Work, text: str, numbers: list[float]) -> Iterator[Reading]:
    """Rolls at least as wide as the name, the narrowest first."""
    units = _said(text) or work.tape.units
    scale = FOOT_M if units == "feet" else 1.0
    rolls = [each for each in work.catalogue.rolls if each.sold_in == units]
    wide_m = numbers[0] * scale if numbers else 0.0
    for each in sorted((roll for roll in rolls if roll.wide_m >= wide_m - 1e-6), key=lambda roll: roll.wide_m):
        long = " or ".join(f"{length / scale:g}" for length in each.long_m)
        unit = "ft" if units == "feet" else "m"
        size = f"{work.say(each.wide_m)} wide"
        yield Reading(f"{each.wide_m / scale:g} {unit} roll", size, each.wide_m, "m", f"{long} {unit} long")


def _sticks(work: Work, text: str, numbers: list[float]) -> Iterator[Reading]:
    """A stick with a narrowed end is as long as its name, and reaches less far in a run."""
    if not numbers:
        return
    length_m = numbers[0] * (FOOT_M if (_said(text) or work.tape.units) == "feet" else 1.0)
    joint_m = work.design.bows.joint_m
    reach_m, into = length_m - joint_m, f"{work.say(joint_m)} goes into the next"
    yield Reading("Plain ends", work.say(length_m), length_m, "m", "as long as its name, if the tape agrees")
    yield Reading("One end narrowed, in a run", work.say(reach_m, "down"), reach_m, "m", into)


def _bags(work: Work, text: str, numbers: list[float]) -> Iterator[Reading]:
    """What a bag makes, and how many make a cubic yard or metre."""
    units = _said(text)
    for each in work.catalogue.bags.values():
        if units in (None, each.sold_in) and (not numbers or numbers_in(each.name)[0] == numbers[0]):
            whole = (3 * FOOT_M) ** 3 if each.sold_in == "feet" else 1.0
            count = bags_for(whole, each.yield_m3)
            unit = "cu yd" if each.sold_in == "feet" else "m³"
            makes = amount_text(each.yield_m3, "load", each.sold_in, "down")
            yield Reading(each.name, f"{makes} of concrete", each.yield_m3, "m3", f"{count} bags to the {unit}")


def _measured(work: Work, taped_m: float) -> Iterator[Reading]:
    """What measures as the tape says."""
    kind = work.design.names.kind
    if kind == "tube":
        near = [each for each in work.catalogue.tubes.values() if abs(each.od_m - taped_m) <= NEAR_M]
        yield from (_tube(each, "measures so") for each in sorted(near, key=lambda tube: abs(tube.od_m - taped_m)))
    if kind == "board":
        boards = [each for each in work.catalogue.boards.values() if abs(each.wide_m - taped_m) <= 3 * NEAR_M]
        yield from (_board(each, "measures so") for each in boards)
