"""What warms and moves air: a heater, fans, what blows layers apart."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.findings.work import Work
from obtegum.core.rooms.air.found import between_layers, fans_of, heat_of
from obtegum.core.values.amount import amount_text

__all__ = ["goods"]

WIRED = "an electrician"


def goods(work: Work) -> Sequence[Good]:
    """Each where it is told of: a heater for its night, fans of their size, a blower for two layers."""
    return tuple(_goods(work))


def _goods(work: Work) -> Iterator[Good]:
    size, units = work.design.size, work.tape.units
    end, crown = (size.length_m, 0.0, size.height_m / 2), (size.length_m / 2, 0.0, size.height_m)
    bow = ("bow:1",)
    heat, fans = heat_of(work), fans_of(work)
    if heat is not None:
        power = amount_text(heat.all_w, "power", units, "up")
        yield Good(
            id="air-heater", what="heater with flue and thermostat", many="heaters", size=power,
            seats=(Seat(bow, end),), unspared="none; a small second one for when it fails", tool=WIRED,
            until="alarm and outside air with it",
        )  # fmt: skip
    if work.design.air.vent == "fans" and fans.count is not None and work.design.air.fan_m3_s is not None:
        moves = amount_text(work.design.air.fan_m3_s, "air", units, "down")
        yield Good(
            id="air-fan", what="fan", size=moves, seats=(Seat(bow, end, fans.count),), unspared=SINGLY, tool=WIRED,
            until="guard on, louvre before it",
        )  # fmt: skip
    if between_layers(work) is not None:
        yield Good(
            id="air-blower", what="blower between the layers", many="blowers", seats=(Seat(("film:1",), crown),),
            unspared=SINGLY, tool=WIRED, until="blowing before the first wind",
        )  # fmt: skip
