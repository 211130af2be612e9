"""Ropes, balls and ties of film day: they come off again."""

from collections.abc import Sequence

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.findings.work import Work
from obtegum.core.rooms.hoist.found import comes, sheet_of

__all__ = ["goods"]

AGAIN = "off again, and kept for the next cover"


def goods(work: Work) -> Sequence[Good]:
    """What each piece of the sheet is brought over with; nothing where there is none."""
    if not comes(work):
        return ()
    sheet, seat = sheet_of(work), ("film:1",)
    at = (work.design.size.length_m / 2, work.design.size.span_m / 2, 0.0)
    lines = (
        ("rope", "rope", f"{work.say(sheet.rope_m, 'up')} each", sheet.ropes, "knots"),
        ("ball", "soft ball under a rope’s knot", "", sheet.ropes, "hands"),
        ("tie", "tie round the bundle", "", sheet.ties, "slip knots"),
    )
    many = {"ball": "soft balls under the ropes’ knots", "tie": "ties round the bundle"}
    return tuple(
        Good(
            id=f"day-{name}", what=what, many=many.get(name, ""), size=size, seats=(Seat(seat, at, count),),
            unspared=SINGLY, tool=tool, until=AGAIN, drawn=(name,),
        )
        for name, what, size, count, tool in lines
    )  # fmt: skip
