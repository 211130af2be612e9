"""What Row says of what it judges and refuses."""

from collections.abc import Iterable

__all__ = [
    "all_go_in",
    "all_in_place",
    "beyond_hands",
    "bring_across",
    "bring_along",
    "drive_on",
    "forced_in",
    "mending",
    "no_blows",
    "not_read",
    "nothing_told",
    "put_right",
    "read_again",
    "read_already",
    "shim",
    "stand_plumb",
    "stands_wide",
]


def all_in_place(measured: int, many: str, worst: str, number: str) -> str:
    return f"{measured} {many} measured, all where they should be; {worst} is furthest off, {number}."


def put_right(told: Iterable[str], more: int, costs: str) -> str:
    others = f"; and {more} more" if more > 0 else ""
    return f"Put right, or leave: {'; '.join(told)}{others}. {costs}"


def read_again(post: str, off: str) -> str:
    return f"{post}: read its top again, {off} can’t be"


def drive_on(post: str, off: str) -> str:
    return f"{post}: drive it on by {off}"


def shim(post: str, off: str) -> str:
    return f"{post}: shim under its bow by {off}"


def bring_across(post: str, inward: bool, off: str) -> str:
    return f"{post}: bring it {'in' if inward else 'out'} by {off}, or slot the board there"


def bring_along(post: str, back: bool, off: str) -> str:
    return f"{post}: bring it {'back' if back else 'on'} by {off}, or mark the runs to it"


def stand_plumb(post: str) -> str:
    return f"{post}: stand it plumb"


def mending(hours: float, dug_out: bool, later: Iterable[str]) -> str:
    """What mending costs now, and what leaving it costs later."""
    left = ", ".join(later)
    now = f"Mending takes about {hours:.1f} h of one{', dug out of concrete' if dug_out else ''}"
    return f"{now}; left so, {left}." if left else f"{now}."


def all_go_in(bows: int, many: str, over: bool) -> str:
    return f"All {bows} bows whose {many} were measured go {'on' if over else 'in'}."


def stands_wide(bow: int, wide: str, high: str) -> str:
    return f"bow {bow} stands {wide} wide{f' and {high} high' if high else ''}"


def beyond_hands(wide: str, one: str, over: bool) -> str:
    return f"More than hands force in: {wide}. Move a {one}{'' if over else ', or ream its hole'}."


def forced_in(wide: str, one: str) -> str:
    return f"Forced in by hand, and that stays in it: {wide}. Move a {one} where it is easy."


def read_already(name: str, line: int) -> str:
    return f"post {name} was already read on line {line}"


def nothing_told(name: str) -> str:
    return f"nothing is told of post {name}"


def not_read(value: str, what: str) -> str:
    return f"{value} can’t be what was read for “{what}”"


def no_blows(cell: str) -> str:
    return f"“{cell}” is no number of blows"
