"""Differences between two states of a house, path by path, and putting them back."""

from collections.abc import Iterable, Iterator, Mapping
from typing import Any

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.reading import read_design, read_record

__all__ = ["ABSENT", "Patch", "State", "apply_patch", "blocked", "combine", "difference", "invert"]

State = tuple[HouseDesign, SiteRecord]
ABSENT = "\x00absent"
Patch = dict[str, tuple[Any, Any]]


def _leaves(value: Any, path: str) -> Iterator[tuple[str, Any]]:
    if isinstance(value, Mapping):
        for name, inner in value.items():
            yield from _leaves(inner, f"{path}.{name}" if path else name)
    else:
        yield path, value


def _document(state: State) -> dict[str, Any]:
    design, record = state
    return {**design.model_dump(), "record": record.model_dump()}


def _differences(old: Any, new: Any, path: str) -> Iterator[tuple[str, tuple[Any, Any]]]:
    """Paths below one path whose values differ. Most of a house is the same: that is not walked through."""
    if old == new:
        return
    if isinstance(old, Mapping) and isinstance(new, Mapping):
        for name in dict.fromkeys((*old, *new)):
            yield from _differences(old.get(name, ABSENT), new.get(name, ABSENT), f"{path}.{name}" if path else name)
        return
    before, after = dict(_leaves(old, path)), dict(_leaves(new, path))
    for place in dict.fromkeys((*before, *after)):
        pair = before.get(place, ABSENT), after.get(place, ABSENT)
        if pair[0] != pair[1]:
            yield place, pair


def difference(before: State, after: State) -> Patch:
    """Every path whose value differs, with both values; ABSENT where a path doesn't exist."""
    return dict(_differences(_document(before), _document(after), ""))


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


def blocked(state: State, patch: Patch) -> list[str]:
    """The paths where a state no longer has the patch's old values."""
    document = _document(state)
    return [path for path, (old, _) in patch.items() if _at(document, path) != old]


def _at(document: dict[str, Any], path: str) -> Any:
    """The value at a path; ABSENT where there is none, or no single one."""
    value: Any = document
    for name in path.split("."):
        value = value.get(name, ABSENT) if isinstance(value, Mapping) else ABSENT
    return ABSENT if isinstance(value, Mapping) else value


def apply_patch(state: State, patch: Patch) -> State:
    """The state with the patch's new values; what that leaves empty goes too.

    Raises: DesignError when the result isn't a house.
    """
    document = _document(state)
    for path, (_, new) in patch.items():
        *parents, leaf = path.split(".")
        chain = [document]
        for name in parents:
            chain.append(chain[-1].setdefault(name, {}))
        if new != ABSENT:
            chain[-1][leaf] = new
            continue
        chain[-1].pop(leaf, None)
        # A bow that was never measured is not a bow of which nothing was measured.
        for holder, name in reversed(list(zip(chain, parents, strict=False))):
            if holder[name] == {}:
                del holder[name]
    kept = read_record(document.pop("record", {}), state[0].tape)
    return read_design(document), kept
