"""What a house is made of, told from its members and goods alone: costs of remedies, a step's list, the whole table,
and a part that is pressed."""

import math
import re
from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import cache

from obtegum.core.face.faces import Member, Need
from obtegum.core.face.goods import SINGLY, Good
from obtegum.core.face.room import Room
from obtegum.core.face.stock import Stock, stocks_of
from obtegum.core.findings.kept import Finding
from obtegum.core.findings.skeleton.tubes import find_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms import rooms
from obtegum.core.values.amount import amount_text, liquid_text
from obtegum.core.values.base import Part
from obtegum.core.values.physics import DENSITY_KG_M3, TIMBER_KG_M3
from obtegum.core.values.trouble import begun

__all__ = ["Piece", "Takes", "Taking", "mass_kg", "needs", "piece_of", "rows_of", "takes_of"]

# What no remedy's cost tells: pegs are there already, film and sheets are told with their steps.
UNCOSTED = ("peg", "film", "sheet")
# Lengths of alike members that are told one by one.
MOST_LENGTHS = 3
# Members under one name that are told of.
MOST_UNDER, MOST_MARKS = 12, 6


class Taking(Part):
    """A line of what a step takes: what it is, how much of it, what is told besides, and the members that it is or
    joins, by their names."""

    what: str
    amount: str
    note: str
    parts: tuple[str, ...]


class Takes(Part):
    """What a step takes: its members, and its goods."""

    members: tuple[Taking, ...]
    goods: tuple[Taking, ...]


class Piece(Part):
    """A part that was pressed: what it is, what it is of, and lines of what else is known of it."""

    what: str
    of: str
    lines: tuple[str, ...]


def needs(work: Work) -> tuple[Need, ...]:
    """What a house takes, as the cost of a remedy is told."""
    told = [_costed(room)(work) for room in rooms()]
    stocks = (stock for costed in told for stock in costed.stocks)
    goods, others = ([need for costed in told for need in getattr(costed, name)] for name in ("goods", "others"))
    return (*_of_stocks(stocks), *goods, *others)


@dataclass(frozen=True, slots=True)
class Costed:
    """What a step brings to a remedy's cost: what its members are cut from, goods, and what else it needs."""

    stocks: tuple[Stock, ...]
    goods: tuple[Need, ...]
    others: tuple[Need, ...]


@cache
def _costed(room: Room) -> Finding[Costed]:
    """That of one step, kept while what it is of stays."""

    def found(work: Work) -> Costed:
        members = [member for member in room.parts(work) if member.of not in UNCOSTED]
        goods = (good for good in room.goods(work) if good.costly) if room.costly else ()
        return Costed(
            stocks=stocks_of(members, work.rules.kerf_m),
            goods=tuple(map(_of_good, goods)),
            others=tuple(room.needs(work)),
        )

    return Finding(found)


def _of_stocks(stocks: Iterable[Stock]) -> Iterator[Need]:
    """Sticks and pieces by what they are called, and tube that is cut as long as wanted."""
    called = dict[str, list[Stock]]()
    for stock in stocks:
        called.setdefault(stock.called, []).append(stock)
    for name, found in called.items():
        tube_m = sum(each.long_m for each in found if each.stock_m is None and each.of != "board")
        if name.endswith("pipe"):
            yield Need(what=name, amount=tube_m, is_length=True)
            continue
        amount = sum(each.sticks for each in found)
        yield Need(what=name, many=_many(name), amount=amount, weighed=found[0].weighed)
        if tube_m:
            yield Need(what=f"{name} tube", amount=tube_m, is_length=True)


def _many(name: str) -> str:
    """What several are called: ``sticks for posts``, ``rails of a leaf``."""
    at = min((name.index(word) for word in (" for ", " along ", " to ", " of ") if word in name), default=len(name))
    return f"{name[:at]}s{name[at:]}"


def _of_good(good: Good) -> Need:
    return Need(what=good.what, many=good.named(2), amount=good.bought, weighed=good.weighed)


def takes_of(work: Work, room: Room) -> Takes:
    """What a step takes, a line for members that are alike and for each good."""
    return Takes(members=tuple(_members(work, room)), goods=tuple(_taken(work, good) for good in room.goods(work)))


def _stock_name(work: Work, stock: str) -> str:
    tube, catalogue = find_tube(work.design, work.catalogue, stock), work.catalogue
    if tube is not None:
        return tube.name
    board, pipe = catalogue.boards.get(stock), catalogue.pipes.get(stock)
    return board.name if board is not None else pipe.name if pipe is not None else stock


def mass_kg(work: Work, member: Member) -> float:
    """What a member weighs, kg, by its stock's wall or its board's section; 0 where nobody says what it is made of."""
    if member.kg is not None:
        return member.kg
    tube = find_tube(work.design, work.catalogue, member.stock)
    if tube is not None:
        area_m2 = math.pi / 4 * (tube.od_m**2 - tube.bore_m**2)
        return area_m2 * member.length_m * DENSITY_KG_M3[tube.material]
    if member.of == "board":
        return math.prod(member.section) * member.length_m * TIMBER_KG_M3
    return 0.0


def _members(work: Work, room: Room) -> Iterator[Taking]:
    alike = dict[tuple[str, str], list[Member]]()
    for member in room.parts(work):
        alike.setdefault((member.what, member.stock), []).append(member)
    for (what, stock), found in alike.items():
        lengths = Counter(work.say(member.length_m) for member in found).most_common()
        told = [f"{count} of {long}" for long, count in lengths[:MOST_LENGTHS]]
        told += [f"{len(lengths) - MOST_LENGTHS} other lengths"] if len(lengths) > MOST_LENGTHS else []
        bought = [each for each in stocks_of(found, work.rules.kerf_m) if each.stock_m is not None]
        sticks = [f"from {each.sticks} of {work.say(each.stock_m or 0.0)}" for each in bought]
        mass = sum(mass_kg(work, member) for member in found)
        weighs = [amount_text(mass, "hung", work.tape.units, "up")] if mass else []
        cuts = sorted({cut for member in found for cut in member.cuts if cut != "square"})
        cuts = cuts if len(cuts) <= MOST_LENGTHS else ["each end as its own list has it"]
        note = "; ".join((_stock_name(work, stock), ", ".join(told), *sticks, *weighs, *cuts))
        name = what if len(found) == 1 else _many(what)
        parts = tuple(member.part for member in found)
        yield Taking(what=begun(name), amount=f"{len(found):,}", note=note, parts=parts)


def _taken(work: Work, good: Good) -> Taking:
    spares = "" if good.unspared == SINGLY else good.unspared
    if good.spare:
        spares = f"{_amount(work, good, good.amount)} put in, {_amount(work, good, good.spares)} to spare"
    note = "; ".join(each for each in (good.size, spares, good.tool, good.until) if each)
    joined = dict.fromkeys(name for seat in good.seats for name in seat.joins)
    parts = (*good.drawn, *joined)
    return Taking(what=begun(good.named(good.bought)), amount=_amount(work, good, good.bought), note=note, parts=parts)


def _amount(work: Work, good: Good, amount: float) -> str:
    """So much of a good, as printed: what is bought is never rounded down."""
    if good.unit == "m":
        return work.say(amount, "up")
    if good.unit == "l":
        return liquid_text(amount, work.tape.units)
    if good.unit == "m3":
        return amount_text(amount, "load", work.tape.units, "up")
    if good.unit == "kg":
        return amount_text(amount, "mass", work.tape.units, "up")
    return f"{amount:,.0f}"


def rows_of(work: Work) -> Sequence[Sequence[object]]:
    """Every member and every good of the house, a line each, SI."""
    head = ("step", "kind", "name", "what", "of", "size", "amount", "unit", "spares", "length_m", "stock_m", "mass_kg",
            "ends", "on_or_at", "tool", "until")  # fmt: skip
    rows = list[tuple[object, ...]]()
    for room in rooms():
        step = room.standing(work)["id"]
        for member in room.parts(work):
            size = " × ".join(f"{each:.4f}" for each in member.section)
            stock_m = "" if member.stock_m is None else f"{member.stock_m:.4f}"
            rows.append((
                step, "member", member.part, member.what, member.stock, size, 1, "piece", 0, f"{member.length_m:.4f}",
                stock_m, f"{mass_kg(work, member):.2f}", ", ".join(member.cuts), " ".join(member.rests_on), "",
                member.turned,
            ))  # fmt: skip
        for good in room.goods(work):
            joined = " ".join(dict.fromkeys("+".join(seat.joins) for seat in good.seats))
            rows.append((
                step, "good", good.id, good.what, "", good.size, f"{good.amount:.9g}", good.unit,
                f"{good.spares:.9g}", "", "", "", "", joined, good.tool, good.until,
            ))  # fmt: skip
    return (head, *rows)


def piece_of(work: Work, name: str) -> Piece:
    """What a part of a drawing is: a member by its name, or those whose names begin with it, or goods that are drawn.

    Raises: LookupError where the house has neither.
    """
    found = [member for room in rooms() for member in room.parts(work) if _under(member.part, name)]
    if not found:
        return _drawn(work, name)
    first, parts = found[0], {member.part for member in found}
    lines = [f"{each.what}, {work.say(each.length_m)}" for each in found[:MOST_UNDER]] if len(found) > 1 else []
    held_by = dict.fromkeys(other for member in found for other in member.rests_on if other not in parts)
    holds = [
        member.part
        for room in rooms()
        for member in room.parts(work)
        if member.part not in parts and parts.intersection(member.rests_on)
    ]
    cuts = [cut for cut in first.cuts if cut != "square"] if len(found) == 1 else []
    joined = list(_joined(work, parts))
    lines += [
        *([f"Ends {' and '.join(cuts)}."] if cuts else []),
        *([f"{begun(first.turned)}."] if first.turned and len(found) == 1 else []),
        *([f"On {_named(held_by)}."] if held_by else []),
        *([f"Holds {_named(holds)}."] if holds else []),
        *([f"Joined by {', '.join(joined)}."] if joined else []),
        *_marks(work, parts | {name}, first.strip if len(found) == 1 else ""),
    ]
    what = first.what if len(found) == 1 else f"{name.replace(':', ' ')}, {len(found)} pieces"
    of = _stock_name(work, first.stock)
    long = f"{work.say(first.length_m)}, " if len(found) == 1 else ""
    return Piece(what=begun(what), of=f"{long}{of}", lines=tuple(lines))


def _drawn(work: Work, name: str) -> Piece:
    """Goods that drawings show by a name. Raises: LookupError where there are none."""
    taken = [_taken(work, good) for room in rooms() for good in room.goods(work) if _shows(good.drawn, name)]
    if not taken:
        raise LookupError(name)
    first, others = taken[0], taken[1:]
    lines = tuple(f"{each.what}: {each.amount}." for each in others)
    return Piece(what=first.what, of=f"{first.amount}; {first.note}", lines=lines)


def _shows(drawn: Iterable[str], name: str) -> bool:
    return any(name == each or name.startswith(f"{each}:") for each in drawn)


# A side's members beside each other, as one drawing of a section shows them: their names with their numbers off.
OF_SIDE = re.compile(r"(?<=:[LR])\d+$")


def _under(part: str, name: str) -> bool:
    return part == name or part.startswith(f"{name}:") or OF_SIDE.sub("", part) == name


def _named(names: Iterable[str]) -> str:
    """Members by their names, the first few."""
    told = [name.replace(":", " ") for name in names]
    more = f" and {len(told) - MOST_LENGTHS} more" if len(told) > MOST_LENGTHS else ""
    return f"{', '.join(told[:MOST_LENGTHS])}{more}"


def _joined(work: Work, parts: set[str]) -> Iterator[str]:
    """What joins members, or lies on them, and how much of it."""
    for room in rooms():
        for good in room.goods(work):
            amount = sum(seat.amount for seat in good.seats if parts.intersection(seat.joins))
            if amount:
                yield f"{_amount(work, good, amount)} {good.named(amount)}"


def _marks(work: Work, names: set[str], own: str) -> Iterator[str]:
    """The marks of the tape that lays it straight, and where other tapes have marks of it."""
    for room in rooms():
        for strip in room.strips_laid(work):
            marks = [mark for mark in strip.marks if strip.id == own or mark.part in names]
            if marks:
                whose = "Its tape" if strip.id == own else "On the tape"
                told = ", ".join(f"{mark.what} at {mark.reading}" for mark in marks[:MOST_MARKS])
                more = f" and {len(marks) - MOST_MARKS} more" if len(marks) > MOST_MARKS else ""
                yield f"{whose} “{strip.title}”: {told}{more}."
