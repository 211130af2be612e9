"""What Set out says of what it judges and refuses."""

from obtegum.core.drawing.verdict import Level

__all__ = [
    "as_counted",
    "in_parts",
    "no_column",
    "not_across",
    "odd_bay",
    "other_count",
    "stands_already",
    "tape_reaches",
    "tape_short",
    "this_way_reads",
    "too_long",
]


def this_way_reads(tape: str, across: str, needs: str, parts: str) -> str:
    """A tape that is too short for the diagonal, squared another way; how, where that is by ``parts``."""
    said = f"Your {tape} tape is shorter than the {across} diagonal, and this way reads no more than {needs}."
    return f"{said} {parts}" if parts else said


def tape_short(tape: str, across: str, parts: str) -> str:
    return f"Your {tape} tape is shorter than the {across} diagonal. {parts}"


def tape_reaches(tape: str, across: str) -> str:
    return f"Your {tape} tape reaches the {across} diagonal."


def not_across() -> str:
    return "It doesn’t even reach across: borrow a longer one."


def in_parts(parts: int, long: str, across: str) -> str:
    return f"Square it in {parts} equal parts: each is {long} long, with a diagonal of {across}."


def odd_bay(odd: str, bay: str, level: Level) -> str:
    why = {
        "holds": "in proportion to the others",
        "tight": "short beside the others",
        "fails": "out of proportion: film wrinkles there and run marks no longer repeat",
    }[level]
    return f"The odd last bay is {odd} against {bay}, {why}."


def other_count(length: str, spacing: str, wanted: int, counted: int, apart: str, reach: str, as_bays: bool) -> str:
    """A number of bows that length and spacing don't make; a slip where it is the number of bays."""
    off = abs(wanted - counted)
    missing = f"{off} {'bow is' if off == 1 else 'bows are'} {'short' if wanted > counted else 'left over'}"
    slip = " Bows are one more than bays." if as_bays else ""
    return (
        f"{length} at {spacing} wants {wanted} bows, and you count {counted}: {missing}.{slip} {counted} bows stand "
        f"{apart} apart, or reach {reach}."
    )


def as_counted(count: int, length: str, spacing: str) -> str:
    return f"{count} bows make {length} at {spacing}, as counted."


def no_column() -> str:
    return "It has no column named set_at, so it says of no peg where it was set."


def stands_already(peg: str, line: int) -> str:
    return f"{peg} stands on line {line} already"


def too_long(set_at: str) -> str:
    return f"{set_at} is longer than any house"
