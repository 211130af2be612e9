"""The registry of the rooms, in working order: each step of the work is a folder here with what `face.room` names."""

from collections.abc import Callable, Iterable, Mapping
from functools import cache
from importlib import import_module

from obtegum.core.drawing.items import Drawing, Row, with_layers
from obtegum.core.face.names import declared, unique
from obtegum.core.face.room import Room
from obtegum.core.findings.kept import Finding
from obtegum.core.findings.work import Work

__all__ = ["ROOMS", "begins_at", "distinct", "opens_at", "rooms", "tables", "views"]

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
    """Every room, in working order. Raises: ValueError where two bring something of one name."""
    found = {name: import_module(f"obtegum.core.rooms.{name}.room").ROOM for name in ROOMS}
    distinct(found)
    return tuple(found.values())


def begins_at() -> str:
    """The step at which a new house is begun."""
    return _step(ROOMS[0])


def opens_at() -> str:
    """The step at which a house that stands is opened."""
    return next(_step(name) for name, room in zip(ROOMS, rooms(), strict=True) if room.opens)


def _step(name: str) -> str:
    return name.replace("_", "-")


def distinct(found: Mapping[str, Room]) -> None:
    """Rooms by their names. Raises: ValueError where two bring a drawing, table, strip, verdict, answer or file of one
    name, or one speaks of another's as its own."""
    for kind, names in KINDS.items():
        unique(kind, {step: list(names(room)) for step, room in found.items()})
    drawn = tuple(view for room in found.values() for view in room.views)
    judged = tuple(name for room in found.values() for name in room.verdict_names)
    for step, room in found.items():
        try:
            declared(room.shared_strips, room.strip_names, "strip")
            declared(room.fails_early, room.verdict_names, "verdict")
            # What mends a verdict can be another step's to change.
            declared(room.cures, judged, "verdict")
            declared(room.rows, tuple(room.views), "drawing")
            declared(room.layers, drawn, "drawing")
        except LookupError as error:
            raise ValueError(f"{step}: {error}") from None


# What a room brings by name, of each kind.
KINDS: dict[str, Callable[[Room], Iterable[str]]] = {
    "drawing": lambda room: (*room.views, *room.drawing_names),
    "strip": lambda room: room.strip_names,
    "verdict": lambda room: room.verdict_names,
    "answer": lambda room: (*room.down, *room.up, *room.nearest),
    "table": lambda room: (table.name for table in room.tables),
    "file": lambda room: (file.name for file in room.files),
}


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
