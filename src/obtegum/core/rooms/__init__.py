"""The registry of the rooms, in working order: each step of the work is a folder here with what `face.room` names."""

from collections.abc import Callable
from functools import cache
from importlib import import_module

from obtegum.core.drawing.items import Drawing, Row, with_layers
from obtegum.core.face.room import Room
from obtegum.core.findings.kept import Finding
from obtegum.core.findings.work import Work

__all__ = ["ROOMS", "rooms", "tables", "views"]

ROOMS = (
    "start",
    "size",
    "inside",
    "set_out",
    "square_up",
    "keep_pegs",
    "level",
    "earth",
    "drain",
    "soil",
    "weather",
    "names",
    "posts",
    "bows",
    "strength",
    "frames",
    "hold",
    "row",
    "bend",
    "check_bows",
    "runs",
    "fittings",
    "braces",
    "boards",
    "plumb",
    "ends",
    "cover",
    "sheets",
    "sides",
    "hoist",
    "air",
    "carries",
)


@cache
def rooms() -> tuple[Room, ...]:
    """Every room, in working order."""
    found = (import_module(f"obtegum.core.rooms.{name}.room") for name in ROOMS)
    return tuple(module.ROOM for module in found)


@cache
def views() -> dict[str, Finding[Drawing]]:
    """Every view by its name, with the layers that other rooms add to it."""
    return {
        name: Finding(_layered(name, view), compared=False) for room in rooms() for name, view in room.views.items()
    }


@cache
def tables() -> dict[str, Finding[tuple[Row, ...]]]:
    """The tables that are made when they are asked for, by the names of their views."""
    return {name: Finding(rows, compared=False) for room in rooms() for name, rows in room.rows.items()}


def _layered(name: str, view: Callable[[Work], Drawing]) -> Callable[[Work], Drawing]:
    layers = [Finding(room.layers[name], compared=False) for room in rooms() if name in room.layers]
    if not layers:
        return view
    # Each is drawn again by itself when what it shows has changed.
    under = Finding(view, compared=False)
    return lambda work: with_layers(under(work), [layer(work) for layer in layers])
