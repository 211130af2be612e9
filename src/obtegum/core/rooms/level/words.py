"""What Level says of what it judges and refuses."""

from collections.abc import Iterable

from obtegum.core.drawing.verdict import Level

__all__ = [
    "closes",
    "least_in_ground",
    "least_so_far",
    "level_moved",
    "off_the_line",
    "past_rod",
    "read_already",
    "read_once_more",
    "sight_below",
    "slipped",
    "too_far",
    "too_many_spots",
]


def closes(where: str, number: str) -> str:
    return f"{where} reads within {number} of the first time."


def level_moved(where: str, number: str, limit: str) -> str:
    return f"{where} now reads {number} off the first time, and may by {limit}: the level moved. Read all again."


def slipped(peg: str, off: str, higher: bool, what: str) -> str:
    """Every reading from a peg on is off, by ``what`` a rod slips by where that is known."""
    like = f"That is {what}: a rod joint not pushed home?" if what else "A knocked level or a slipped rod?"
    how = "higher" if higher else "lower"
    return f"From {peg} on, every reading is about {off} {how} than the ground before it would give. {like}"


def off_the_line(told: Iterable[tuple[str, str, str]], more: int) -> str:
    """Places off their neighbours' line, each with how far and what that looks like, and how many ``more``."""
    each = ", ".join(f"{place} by {off}{f' ({what}?)' if what else ''}" for place, off, what in told)
    others = f", and {more} more" if more > 0 else ""
    return f"Off the line of their neighbours: {each}{others}. Read again."


def least_so_far(missing: int, pegs: int, where: str, padded: bool, has: str) -> str:
    return f"{missing} of {pegs} pegs not read yet. So far {where} has the least {_inside(padded)}, {has}."


def least_in_ground(where: str, padded: bool, has: str, fill: str, least: str, level: Level) -> str:
    """The post that has the least of itself in the ground. That is no strength: that is judged by soil, load and
    test, and said so."""
    wants = {
        "holds": f"you want {least}",
        "tight": f"just what you want, {least}",
        "fails": f"you want {least} below the fill" if fill else f"you want {least}: the ground falls away there",
    }[level]
    filled = f", and {fill} in fill" if fill else ""
    counted = ", the fill not counted" if fill and level != "fails" else ""
    return (
        f"{where} has the least {_inside(padded)}, {has}{filled}; {wants}{counted}. "
        "Not a strength: soil, load and a pull test decide that."
    )


def _inside(padded: bool) -> str:
    return "in natural ground" if padded else "in the ground"


def read_once_more(where: str) -> str:
    return f"Read {where} once more: without it nobody knows whether the level was knocked, or two pegs swapped."


def sight_below(over: str, many: str, one: str) -> str:
    return (
        f"The line of sight passes {over} below the tops of the {many}, so no rod can be read on them. Set the level "
        f"{over} higher and read again, or measure down each {one}: the reveal is on the tape below."
    )


def past_rod(shown: str, rod: str) -> str:
    return f"{shown} is past the end of the {rod} rod"


def read_already(peg: str, line: int) -> str:
    return f"{peg} was already read on line {line}"


def too_far() -> str:
    return "that place is too far from the house"


def too_many_spots(spots: int, most: int) -> str:
    return f"That would make {spots:,} spots; {most:,} are the most for one house."
