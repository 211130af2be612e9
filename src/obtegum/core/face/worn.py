"""What is used up by the work itself: bits that screws wear, and what sawn ends of timber drink."""

from collections.abc import Iterable, Iterator

from obtegum.core.face.goods import SINGLY, Good, Seat

__all__ = ["bits", "treated"]

Point = tuple[float, float, float]
# Screws that a bit drives before it slips, and what a coat on end grain takes, l/m², and how many coats (this bench).
SCREWS_A_BIT, COAT_L_M2, COATS = 150, 0.3, 2


def bits(step: str, goods: Iterable[Good]) -> Iterator[Good]:
    """Bits that the screws among some goods wear out: a whole one at the least."""
    screws = [good for good in goods if good.what.startswith("screw") and good.seats]
    if screws:
        seats = tuple(Seat((), good.seats[0].at, good.amount / SCREWS_A_BIT) for good in screws)
        yield Good(
            id=f"{step}-bit", what="bit, used up", many="bits, used up", seats=seats,
            size=f"one in {SCREWS_A_BIT} screws", unspared=SINGLY, tool="driver", until="changed when it slips",
        )  # fmt: skip


def treated(step: str, ends: Iterable[tuple[str, Point, float]]) -> Iterator[Good]:
    """What sawn ends of boards are painted with: each by its member, where it is, and how large its section is, m²."""
    seats = tuple(Seat((name,), at, area_m2 * COATS * COAT_L_M2) for name, at, area_m2 in ends)
    if seats:
        yield Good(
            id=f"{step}-treated", what="preservative on sawn ends", many="preservative on sawn ends", unit="l",
            seats=seats, unspared="none: the least tin is more", tool="brush, gloves", until="dry, before it is put up",
        )  # fmt: skip
