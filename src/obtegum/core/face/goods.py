"""What a house takes besides its members: what is bought by the piece, the length or the bag, and where it goes."""

import math
from dataclasses import dataclass
from typing import Literal

__all__ = ["GROUND", "SINGLY", "WHOLE", "Good", "Seat", "Unit", "by_piece"]

# What members rest on that rest on no other.
GROUND = "ground"
# Why there are no spares of what is counted at each joint.
SINGLY = "none: counted one by one, and sold singly"
Unit = Literal["piece", "m", "m2", "m3", "kg", "l"]
Point = tuple[float, float, float]
# A share of a whole piece below which none more is bought.
WHOLE = 1e-9


@dataclass(frozen=True, slots=True)
class Seat:
    """Where some of a good goes: the members that it joins or lies on, by their names; where that is, m along the house
    from A, across from its middle and up from the datum; and how much of it, in the good's unit."""

    joins: tuple[str, ...]
    at: Point
    amount: float = 1.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Good:
    """Something that a house takes, wherever it goes.

    ``id`` is its name in the house, its step's first; ``what`` one of it, ``many`` several where that isn't the word
    with an s, and ``size`` which, as printed. ``spare`` is the share of it that is bought besides, ``unspared`` why
    nothing is. ``tool`` is what it is put in with, ``until`` when it is made tight, or how long it stays dry or loose.
    ``drawn`` are the names under which drawings show it, beside the members that it joins.
    Those that are ``weighed`` rank remedies, the fewest first; those that are ``costly`` are told in what one costs.
    """

    id: str
    what: str
    seats: tuple[Seat, ...]
    many: str = ""
    size: str = ""
    unit: Unit = "piece"
    spare: float = 0.0
    unspared: str = ""
    tool: str = ""
    until: str = ""
    drawn: tuple[str, ...] = ()
    weighed: bool = False
    costly: bool = False

    @property
    def amount(self) -> float:
        """All of it that is put in, in its unit."""
        return sum(seat.amount for seat in self.seats)

    @property
    def bought(self) -> float:
        """What is bought, spares with it: whole pieces."""
        wanted = self.amount * (1 + self.spare)
        return math.ceil(wanted - WHOLE) if self.unit == "piece" else wanted

    @property
    def spares(self) -> float:
        """What is bought beyond what is put in."""
        return self.bought - self.amount

    def named(self, count: float) -> str:
        """What so many are called."""
        return self.what if count == 1 else self.many or f"{self.what}s"


def by_piece(good: Good) -> int:
    """Pieces of a good that are bought, spares with them."""
    return round(good.bought)
