"""Lengths, angles and areas as people write them and as a tape shows them.

Inside the program a length is a float in metres. This room turns what was typed into metres, and
metres into what is read off a tape: once, at the very end, so that no rounding is ever added up.
Source: the international foot of 0.3048 m exactly.
"""

import math
import re
from typing import Literal

from obtegum.core.values.base import Part

__all__ = [
    "FOOT_M",
    "INCH_M",
    "LONGEST_M",
    "Bare",
    "LengthError",
    "Rounding",
    "Stride",
    "Tape",
    "Units",
    "angle_text",
    "area_text",
    "bare_m",
    "length_text",
    "other_readings",
    "parse_length",
    "parse_place",
    "percent_text",
    "size_text",
    "tube_step_m",
    "tube_text",
]

FOOT_M = 0.3048
INCH_M = 0.0254
LONGEST_M = 100_000.0

Units = Literal["feet", "metric"]
Rounding = Literal["nearest", "down", "up"]
Stride = Literal["fraction", "small", "large"]
# What a number without a unit means: feet or metres along a house, inches or centimetres of beds and
# trenches, inches or millimetres of what is held in the hand, tubes above all.
Bare = Literal["long", "floor", "fine", "tube"]


class LengthError(ValueError):
    """A length that can't be read; the message is a sentence for the person who typed it.

    ``offer`` is what may have been meant, to be typed in its place.
    """

    def __init__(self, sentence: str, offer: str = "") -> None:
        super().__init__(sentence)
        self.offer = offer


class Tape(Part):
    """The tape a house is measured with: its units and the finest step that is read off it.

    Both steps are kept, so that a house can change units and back without losing either.
    """

    units: Units = "feet"
    inch_parts: Literal[2, 4, 8, 16, 32, 64] = 16
    mm_step: Literal[1, 2, 5, 10] = 1

    @property
    def step_m(self) -> float:
        """Finest step read off this tape, m."""
        return INCH_M / self.inch_parts if self.units == "feet" else self.mm_step / 1000

    @property
    def coarser_m(self) -> float:
        """The coarser of its two steps, m: the same whichever units are read."""
        return max(INCH_M / self.inch_parts, self.mm_step / 1000)

    def stride_m(self, stride: Stride) -> float:
        """Length of one key press, m: a tape fraction, an inch or centimetre, a foot or 10 cm."""
        if stride == "fraction":
            return self.step_m
        if self.units == "feet":
            return INCH_M if stride == "small" else FOOT_M
        return 0.01 if stride == "small" else 0.1


_UNIT_M = {
    "'": FOOT_M,
    "ft": FOOT_M,
    "foot": FOOT_M,
    "feet": FOOT_M,
    '"': INCH_M,
    "in": INCH_M,
    "inch": INCH_M,
    "inches": INCH_M,
    "m": 1.0,
    "metre": 1.0,
    "metres": 1.0,
    "meter": 1.0,
    "meters": 1.0,
    "cm": 0.01,
    "mm": 0.001,
}
# Size of a number without a unit, and what else it may have meant, m.
_BARE_M: dict[Units, dict[Bare, tuple[float, ...]]] = {
    "feet": {
        "long": (FOOT_M, INCH_M, 1.0),
        "floor": (INCH_M, FOOT_M, 0.01),
        "fine": (INCH_M, FOOT_M, 0.001),
        "tube": (INCH_M, 0.001),
    },
    "metric": {
        "long": (1.0, 0.01, 0.001),
        "floor": (0.01, 1.0, 0.001),
        "fine": (0.001, 0.01, 1.0),
        "tube": (0.001, 0.01, 1.0, INCH_M),
    },
}


def bare_m(units: Units, bare: Bare) -> float:
    """What one of a number without a unit is, m."""
    return _BARE_M[units][bare][0]


_VULGAR = {
    "½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8",
    "⅓": "1/3", "⅔": "2/3",
}  # fmt: skip
_ALIKE = str.maketrans(
    {
        "′": "'", "’": "'", "‘": "'", "´": "'", "`": "'", "″": '"', "”": '"', "“": '"',
        "⁄": "/", "−": "-", "–": "-", "‐": "-", "\u00a0": " ", "\u2009": " ", "\u202f": " ",
    }
)  # fmt: skip
_NUMBER = r"(?:[0-9]+(?:\.[0-9]+)?|\.[0-9]+)(?![0-9.])"
_GROUP = re.compile(
    rf"(?:(?P<whole>[0-9]+)[\s-]+(?P<num>[0-9]+)/(?P<den>[0-9]+)|(?P<n>[0-9]+)/(?P<d>[0-9]+)|(?P<dec>{_NUMBER}))"
    r"\s*(?P<unit>'|\"|[a-z]+\.?)?"
    r"(?P<sep>\s*-\s*|\s*,?\s*and\s+|\s*)"
)
_EXAMPLES = {"feet": "7' 4 1/2, 7-4.5, 88 in or 2.25 m", "metric": "2.25, 2,25 m, 225 cm or 7' 4\""}


def parse_length(text: str, units: Units, bare: Bare = "long") -> float:
    """Read a typed length.

    Takes feet, inches and fractions, metres, centimetres and millimetres, in the usual ways of
    writing them; a bare number is feet or metres by ``units``, or the smaller unit of its kind. A comma
    is a decimal sign in a metric house only. Feet and inches of twelve and more are asked about.

    Returns: the length in m, not rounded, never below zero.
    Raises: LengthError with a sentence that says what to type instead.
    """
    shown = text.strip()
    return _sum_groups(_read(shown, units), shown, units, _BARE_M[units][bare][0])


def other_readings(text: str, units: Units, bare: Bare = "long") -> list[float]:
    """What else a number without a unit may have meant, m, likeliest first; nothing else has another reading."""
    try:
        groups = _read(text.strip(), units)
    except LengthError:
        return []
    if len(groups) != 1 or groups[0][1] is not None:
        return []
    return [groups[0][0] * size_m for size_m in _BARE_M[units][bare][1:] if groups[0][0] * size_m <= LONGEST_M]


def _read(shown: str, units: Units) -> list[tuple[float, str | None]]:
    """The numbers of a typed length, each with its unit or None. Raises: LengthError."""
    tidy = shown.lower().translate(_ALIKE).replace("''", '"')
    for sign, plain in _VULGAR.items():
        tidy = tidy.replace(sign, f" {plain}")
    tidy = tidy.strip()
    if not tidy:
        raise LengthError("Type a length.")
    if len(tidy) > 60:
        raise LengthError("That is too long to be a length.")
    if tidy.startswith("-"):
        raise LengthError("A length can't be below zero.")
    if re.search(r"[0-9],[0-9]", tidy):
        if units == "feet":
            raise LengthError("Leave out the comma: write 7.5 for seven and a half feet.")
        if tidy.count(",") > 1 or "." in tidy:
            raise LengthError("One decimal sign is enough: write 2,25 or 2.25.")
        tidy = tidy.replace(",", ".")
    return _groups(tidy, shown, units)


def parse_place(text: str, units: Units) -> float:
    """Read a typed distance to one side of a line: a length, below zero with a minus before it.

    Returns: m, not rounded. Raises: LengthError.
    """
    tidy = text.strip()
    return -parse_length(tidy[1:], units) if tidy.startswith(("-", "−")) else parse_length(tidy, units)


def _unreadable(shown: str, units: Units) -> LengthError:
    return LengthError(f"Can't read “{shown}” as a length. Write it like {_EXAMPLES[units]}.")


def _groups(tidy: str, shown: str, units: Units) -> list[tuple[float, str | None]]:
    found: list[tuple[float, str | None]] = []
    place = 0
    while place < len(tidy):
        group = _GROUP.match(tidy, place)
        if group is None:
            raise _unreadable(shown, units)
        unit = group["unit"].rstrip(".") if group["unit"] else None
        if unit is not None and unit not in _UNIT_M:
            raise _unreadable(shown, units)
        if group["dec"]:
            value = float(group["dec"])
        else:
            over, under = int(group["num"] or group["n"]), int(group["den"] or group["d"])
            if under == 0:
                raise LengthError("A fraction can't be over zero.")
            value = int(group["whole"] or 0) + over / under
        found.append((value, unit))
        place = group.end()
        if place == len(tidy) and group["sep"].strip():
            raise _unreadable(shown, units)
    return found


def _sum_groups(groups: list[tuple[float, str | None]], shown: str, units: Units, bare_m: float) -> float:
    """Add up the parts of one length; each is in a smaller unit than the one before, only the last broken."""
    total, last = 0.0, math.inf
    for place, (value, unit) in enumerate(groups):
        if unit is not None:
            size = _UNIT_M[unit]
        elif place == 0:
            if units == "metric" and len(groups) > 1:
                raise _unreadable(shown, units)
            size = bare_m if len(groups) == 1 else FOOT_M
        elif last == FOOT_M:
            size = INCH_M
        elif last == 1.0 and place == len(groups) - 1:
            size = 0.01
        else:
            raise _unreadable(shown, units)
        if size >= last or (value % 1 and place < len(groups) - 1):
            raise _unreadable(shown, units)
        total += value * size
        if last == FOOT_M and size == INCH_M and value >= 12:
            meant = length_text(total, Tape(units="feet", inch_parts=64))
            raise LengthError(f"{value:g} inches after the feet? That is {meant} in all; write it so.", meant)
        last = size
    if not total <= LONGEST_M:
        raise LengthError("That is longer than any house.")
    return total


def _steps(value_m: float, step_m: float, rounding: Rounding) -> int:
    ratio = value_m / step_m
    if rounding == "down":
        return math.floor(ratio + 1e-6)
    if rounding == "up":
        return math.ceil(ratio - 1e-6)
    return math.floor(ratio + 0.5)


def length_text(value_m: float, tape: Tape, rounding: Rounding = "nearest") -> str:
    """Print a length as it is read off the tape.

    Feet houses: ``60' 8 15/16"``; metric houses: ``18.516 m``, or ``559 mm`` below a metre.
    ``rounding`` is ``down`` for clearances and capacities, ``up`` for demands and purchases.
    Raises: ValueError if the value isn't finite.
    """
    if not math.isfinite(value_m):
        raise ValueError("only a finite length can be printed")
    count = _steps(value_m, tape.step_m, rounding)
    sign = "−" if count < 0 else ""
    count = abs(count)
    if tape.units == "metric":
        millimetres = count * tape.mm_step
        if millimetres < 1000:
            return f"{sign}{millimetres} mm"
        return f"{sign}{millimetres / 1000:.3f} m"
    inches, parts = divmod(count, tape.inch_parts)
    feet, inches = divmod(inches, 12)
    fraction = ""
    if parts:
        common = math.gcd(parts, tape.inch_parts)
        fraction = f"{parts // common}/{tape.inch_parts // common}"
    within = " ".join(piece for piece in (str(inches) if inches or not fraction else "", fraction) if piece)
    if feet:
        within = within if inches else f"0 {fraction}".strip()
        return f"{sign}{feet}' {within}\""
    return f'{sign}{within}"'


# What is told apart of a tube: a thousandth of an inch, a tenth of a millimetre.
_TUBE_STEP_M: dict[Units, float] = {"feet": INCH_M / 1000, "metric": 1e-4}


def tube_step_m(units: Units) -> float:
    """Finest step of a tube's diameter or wall as the trade says it, m."""
    return _TUBE_STEP_M[units]


def tube_text(value_m: float, units: Units, rounding: Rounding = "nearest") -> str:
    """Print a tube's diameter or wall as the trade says it: ``1.660"``, or ``42.4 mm``."""
    count = _steps(value_m, _TUBE_STEP_M[units], rounding)
    return f'{count / 1000:.3f}"' if units == "feet" else f"{count / 10:.1f} mm"


def size_text(span_m: float, length_m: float, tape: Tape) -> str:
    """Print width by length, short: ``21' × 57'`` or ``7.300 × 26.400 m``."""
    if tape.units == "metric":
        return f"{span_m:.3f} × {length_m:.3f} m"
    return " × ".join(length_text(each, tape).replace(' 0"', "") for each in (span_m, length_m))


def angle_text(angle_rad: float, rounding: Rounding = "nearest") -> str:
    """Print an angle in degrees to a tenth."""
    return f"{_steps(math.degrees(angle_rad), 0.1, rounding) / 10:.1f}°"


def area_text(area_m2: float, tape: Tape, rounding: Rounding = "down") -> str:
    """Print an area in square feet or square metres: floor that one has down, film that one needs up."""
    if tape.units == "feet":
        return f"{_steps(area_m2, FOOT_M**2, rounding):,} sq ft"
    return f"{_steps(area_m2, 0.1, rounding) / 10:,.1f} m²"


def percent_text(ratio: float, decimals: int = 0, rounding: Rounding = "up") -> str:
    """Print a share as per cent; a share of a limit is rounded up, never shown safer than it is."""
    scale = 10**decimals
    return f"{_steps(ratio, 0.01 / scale, rounding) / scale:.{decimals}f} %"
