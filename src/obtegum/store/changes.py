"""Differences between two states of a house, path by path, and putting them back."""

from collections.abc import Iterable, Iterator, Mapping
from typing import Any

from obtegum.core.design import HouseDesign, read_design
from obtegum.core.record import SiteRecord

__all__ = ["ABSENT", "Patch", "State", "apply_patch", "combine", "difference", "invert"]

State = tuple[HouseDesign, SiteRecord]
ABSENT = "\x00absent"
Patch = dict[str, tuple[Any, Any]]


def _leaves(value: Any, path: str) -> Iterator[tuple[str, Any]]:
    if isinstance(value, Mapping):
        for name, inner in value.items():
            yield from _leaves(inner, f"{path}.{name}" if path else name)
    else:
        yield path, value


def _flat(state: State) -> dict[str, Any]:
    design, record = state
    return dict(_leaves({**design.model_dump(), "record": record.model_dump()}, ""))


def difference(before: State, after: State) -> Patch:
    """Every path whose value differs, with both values; ABSENT where a path doesn't exist."""
    old, new = _flat(before), _flat(after)
    return {
        path: (old.get(path, ABSENT), new.get(path, ABSENT))
        for path in old.keys() | new.keys()
        if old.get(path, ABSENT) != new.get(path, ABSENT)
    }


def combine(patches: Iterable[Patch]) -> Patch:
    """Several differences in order as one: the first old value and the last new one of each path."""
    total: Patch = {}
    for patch in patches:
        for path, (old, new) in patch.items():
            total[path] = (total[path][0] if path in total else old, new)
    return {path: pair for path, pair in total.items() if pair[0] != pair[1]}


def invert(patch: Patch) -> Patch:
    """The difference the other way."""
    return {path: (new, old) for path, (old, new) in patch.items()}


def apply_patch(state: State, patch: Patch) -> tuple[State, list[str]]:
    """The state with the patch's new values, and the paths where it no longer has the old ones.

    Raises: DesignError when the result isn't a house.
    """
    design, record = state
    document: dict[str, Any] = {**design.model_dump(), "record": record.model_dump()}
    now = _flat(state)
    moved = [path for path, (old, _) in patch.items() if now.get(path, ABSENT) != old]
    for path, (_, new) in patch.items():
        *parents, leaf = path.split(".")
        place = document
        for name in parents:
            place = place.setdefault(name, {})
        if new == ABSENT:
            place.pop(leaf, None)
        else:
            place[leaf] = new
    kept = SiteRecord.model_validate(document.pop("record"))
    return (read_design(document), kept), moved
