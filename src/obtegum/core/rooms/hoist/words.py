"""What Hoist says of what it judges and refuses."""

from collections.abc import Iterable

__all__ = [
    "all_before",
    "dry",
    "fitted_at",
    "gusts",
    "hands",
    "not_yet",
    "strip",
    "wet",
]


def hands(crew: int, least: int) -> str:
    more = " Ask more people, or cover it in two pieces." if crew < least else ""
    return f"{crew} come; the sheet wants {least} to carry and to hold it in gusts that its day may have.{more}"


def gusts(asked: str, crew: int | None, most: str, over: str, fails: bool) -> str:
    who = "the least crew holds" if crew is None else f"{crew} hold"
    wait = " Wait for another morning." if fails else ""
    return f"Gusts of {asked} are told; {who} it in {most}, and over {over} is nobody’s day.{wait}"


def fitted_at(air: str, longer: str, shorter: str, fails: bool) -> str:
    other = " Too cold, it hangs and cracks; too hot, it tears in frost: another day." if fails else ""
    return (
        f"Fitted at {air}: on a hot day it is {longer} longer over the house, in a cold night it wants to be "
        f"{shorter} shorter.{other}"
    )


def dry() -> str:
    return "Dry film slides and tape sticks."


def wet() -> str:
    return "Wet film is heavy and slippery, tape doesn’t stick: let it dry."


def strip(wide: str, long: str, has: str, fails: bool) -> str:
    other = " Along the ridge from one end it takes another strip, off the end." if fails else ""
    return f"To unroll, fold and walk, a strip {wide} wide and {long} long; there is {has}.{other}"


def all_before() -> str:
    return "What has to be done before is done."


def not_yet(tasks: Iterable[str]) -> str:
    """What of ``tasks`` is open; where none is known, it was said that something is."""
    why = "; ".join(tasks) or "you say that not all of it is done"
    return f"Not yet: {why}. A frame that isn’t finished stands up to no sheet in wind."
