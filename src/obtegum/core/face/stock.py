"""What members are cut from: how many sticks of which stock, or how much of it by the metre."""

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass

from obtegum.core.face.faces import Member
from obtegum.core.formulas.stock import sticks_cut

__all__ = ["Stock", "sticks_for", "stocks_of"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Stock:
    """Members of a kind that are cut from one stock: what they are called and are, the stock by its name in the
    catalogue and how long it is sold, m, or None where it is cut as long as wanted; how many pieces, sticks (pieces
    where it has no length) and m in all."""

    called: str
    what: str
    stock: str
    stock_m: float | None
    of: str
    pieces: int
    sticks: int
    long_m: float
    weighed: bool


def stocks_of(members: Iterable[Member], kerf_m: float) -> tuple[Stock, ...]:
    """Members by what they are and are cut from, in the order in which they come; short ones of a kind share a stick, a
    kerf, m, a cut."""
    alike = dict[tuple[str, str, float | None, int], list[Member]]()
    for member in members:
        alike.setdefault((member.what, member.stock, member.stock_m, member.abreast), []).append(member)
    return tuple(_stock(found, kerf_m) for found in alike.values())


def _stock(alike: list[Member], kerf_m: float) -> Stock:
    first, sticks = alike[0], len(alike)
    if first.stock_m is not None:
        cut = Counter((round(member.length_m, 9), "swaged" in member.cuts) for member in alike)
        sticks = -(-sticks_cut(cut, first.stock_m, kerf_m) // first.abreast)
    return Stock(
        called=first.called or first.what,
        what=first.what,
        stock=first.stock,
        stock_m=first.stock_m,
        of=first.of,
        pieces=len(alike),
        sticks=sticks,
        long_m=sum(member.length_m for member in alike),
        weighed=first.weighed,
    )


def sticks_for(members: Iterable[Member], kerf_m: float) -> int:
    """Sticks that all of some members are cut from."""
    return sum(stock.sticks for stock in stocks_of(members, kerf_m))
