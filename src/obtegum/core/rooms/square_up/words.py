"""What Square up says of what it judges and refuses."""

from collections.abc import Iterable

__all__ = [
    "agree",
    "brought_to_level",
    "diagonals",
    "far_off",
    "folded",
    "no_distance",
    "no_line",
    "no_readings",
    "no_round",
    "not_all_right",
    "not_all_taped",
    "on_slope",
    "other_size",
    "other_width",
    "stands_twice",
    "too_coarse",
    "too_long",
    "too_many_rounds",
]


# What a base out of square costs.
COSTS = {
    "holds": "Doors, runs and film will go on straight.",
    "tight": "Plants won’t notice; film and doors will want coaxing.",
    "fails": "Runs miss their marks and film wrinkles: move the pegs.",
}


def not_all_right(number: str, limit: str, slips: Iterable[tuple[str, str, str]]) -> str:
    """Six readings that don't close, and the slips that it could be: line, slip and the reading that would fit."""
    said = (
        f"The six readings can’t all be right: they miss by {number}, and yours may be out by {limit}. "
        "Tape again before a peg is moved."
    )
    told = "; ".join(f"{line} {what}, {reads} would fit" for line, what, reads in slips)
    return f"{said} It could be: {told}." if told else said


def too_coarse(beyond: str) -> str:
    return f"Your readings tell nothing below {beyond}: tape finer before a peg is moved."


def diagonals(differ: str, corner: str, out: str, cost: str) -> str:
    return f"The diagonals differ by {differ}; {corner} is furthest out, {out}. {cost}"


def other_width(line: str, off: str, wide: bool, limit: str, tight: bool) -> str:
    cost = "film and boards show it" if tight else "bows bent for its width are forced in: move the pegs"
    how = "too wide" if wide else "too narrow"
    return f"{line} is {off} {how}, and {limit} is the most that posts may be out by: {cost}."


def far_off(reading: str) -> str:
    return f"{reading} is far from what it should read."


def on_slope(without: str) -> str:
    return (
        "A tape on sloping ground reads too long. Level the corners first, and these readings are put right; "
        f"until then {without} stand as read."
    )


def brought_to_level(line: str, off: str) -> str:
    return f"Brought to level by the corners’ heights; most on {line}, by {off}."


def folded(line: str) -> str:
    return f"So read {line} would be nothing: the base lies folded flat. Tape it again."


def too_long(line: str, others: str, over: str) -> str:
    return (
        f"{line} is longer than {others} together, by {over}: "
        "no ground has such a triangle. One of the three was misread."
    )


def not_all_taped(count: int, missing: str) -> str:
    return f"{count} of 6 lines taped, so nothing checks them; not taped counts as planned. Still to tape: {missing}."


def agree(number: str, limit: str) -> str:
    return f"The six readings agree to {number}; yours may be out by {limit}."


def other_size(larger: bool, found: str, named: str) -> str:
    return (
        f"Square, but {'larger' if larger else 'smaller'} than its name: it measures {found} and is called {named}. "
        "Which is right? Take the taped size, or tape again; no peg is moved before."
    )


def no_line(shown: str) -> str:
    return f"“{shown}” is not one of the six lines; write A-C"


def no_round(which: str) -> str:
    return f"“{which}” is not the number of a round"


def no_distance(reading: str) -> str:
    return f"{reading} is no distance between two corners"


def stands_twice(shown: str, round_: str) -> str:
    return f"{shown} stands twice in round {round_}"


def too_many_rounds(rounds: int, most: int) -> str:
    return (
        f"It has {rounds} rounds of taping; the one under way and {most} earlier ones are the most "
        "that are kept. Leave out the oldest."
    )


def no_readings() -> str:
    return "There are no readings in it."
