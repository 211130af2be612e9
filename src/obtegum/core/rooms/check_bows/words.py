"""What Check bows says of what it judges and refuses."""

from collections.abc import Iterable

__all__ = [
    "alike",
    "put_right",
]


def alike(measured: int, bows: int, limit: str, worst: int, number: str) -> str:
    return f"{measured} of {bows} measured, all within {limit}; bow {worst} is furthest off, {number}."


def put_right(told: Iterable[str], more: int, limit: str) -> str:
    others = f"; and {more} more" if more > 0 else ""
    return f"Put right: {'; '.join(told)}{others}. Within {limit} a bow goes in without force."
