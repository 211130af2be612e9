"""Findings: what is found of a house, kept with what it read, and found again only when that has changed.

While a finding runs, its bench notes every part of the design and the record that it reads, and every other
finding. On the bench of the changed house it is kept if all that it read is the same; one that comes out equal
keeps whatever was found from it. A finding reads nothing but through its bench.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any, Generic, TypeVar, cast

from obtegum.core.catalogue import Catalogue
from obtegum.core.part import Part
from obtegum.core.rooms import HouseDesign, SiteRecord

__all__ = ["Bench", "Finding", "found"]

T = TypeVar("T")
B = TypeVar("B", bound="Bench")
Path = tuple[str, ...]
Reads = dict["Path | Finding[Any]", Any]


class Finding(Generic[T]):
    """Something to be found of a house: called with the bench that it lies on.

    One that is not ``compared`` is taken for changed whenever it had to be found again: what nothing else is
    found from, such as a drawing, is not worth comparing.
    """

    def __init__(self, function: Callable[[Any], T], compared: bool = True) -> None:
        self.function, self.compared = function, compared
        self.__doc__ = function.__doc__

    def __call__(self, bench: "Bench") -> T:
        return bench.find(self)


def found(function: Callable[[Any], T]) -> Finding[T]:
    """A function of a bench whose result is kept with what it read."""
    return Finding(function)


@dataclass(frozen=True, slots=True)
class _Kept:
    value: Any
    reads: Reads


class _Noted:
    """A part of a document that notes which of its fields are read; what is called on it reads all of it."""

    __slots__ = ("_bench", "_part", "_path")

    def __init__(self, bench: "Bench", path: Path, part: Part) -> None:
        self._bench, self._path, self._part = bench, path, part

    def __getattr__(self, name: str) -> Any:
        value = getattr(self._part, name)
        if callable(value):
            self._bench.note(self._path, self._part)
        else:
            self._bench.note((*self._path, name), value)
        return value


class _Document:
    """A design or a record whose parts note what is read of them."""

    __slots__ = ("_bench", "_document", "_parts", "_path")

    def __init__(self, bench: "Bench", name: str, document: Part) -> None:
        self._bench, self._path, self._document = bench, (name,), document
        self._parts: dict[str, _Noted] = {}

    def __getattr__(self, name: str) -> Any:
        part = self._parts.get(name)
        if part is not None:
            return part
        value = getattr(self._document, name)
        # Small values and the tape are read whole.
        if isinstance(value, Part) and name != "tape":
            part = self._parts[name] = _Noted(self._bench, (*self._path, name), value)
            return part
        self._bench.note((*self._path, name), value)
        return value


def _same(one: Any, other: Any) -> bool:
    return one is other or bool(one == other)


class Bench:
    """One house to find things of. Asked in one thread; another bench may begin from what it found."""

    def __init__(
        self,
        design: HouseDesign,
        record: SiteRecord,
        catalogue: Catalogue,
        before: "Mapping[Finding[Any], _Kept] | None" = None,
    ) -> None:
        self.catalogue = catalogue
        self._documents = {"design": design, "record": record}
        self._design = cast(HouseDesign, _Document(self, "design", design))
        self._record = cast(SiteRecord, _Document(self, "record", record))
        self._before = before or {}
        self._kept: dict[Finding[Any], _Kept] = {}
        self._frames: list[Reads] = []

    @property
    def design(self) -> HouseDesign:
        """What is decided; whatever is read of it is noted."""
        return self._design

    @property
    def record(self) -> SiteRecord:
        """What was done and found on site; whatever is read of it is noted."""
        return self._record

    def changed(self: B, design: HouseDesign, record: SiteRecord) -> B:
        """The bench of the house as changed: what was found here is kept there as far as it still holds."""
        before = {**self._before, **self._kept}
        return type(self)(design, record, self.catalogue, before)

    def note(self, path: Path, value: Any) -> None:
        """Note that the finding under way reads a part of the design or the record."""
        if self._frames:
            self._frames[-1].setdefault(path, value)

    def find(self, finding: Finding[T]) -> T:
        """What a finding comes to. Raises whatever it raises; that is not kept."""
        kept = self._kept.get(finding)
        if kept is None:
            kept = self._kept[finding] = self._found(finding)
        if self._frames:
            self._frames[-1].setdefault(finding, kept.value)
        value: T = kept.value
        return value

    def _found(self, finding: Finding[Any]) -> _Kept:
        before = self._before.get(finding)
        if before is not None and self._holds(before):
            return before
        self._frames.append({})
        try:
            value = finding.function(self)
        finally:
            reads = self._frames.pop()
        if before is not None and finding.compared and _same(before.value, value):
            value = before.value
        return _Kept(value, reads)

    def _holds(self, before: _Kept) -> bool:
        """Whether all that was read is the same, asked in the order in which it was read."""
        frames, self._frames = self._frames, []
        try:
            return all(
                _same(self.find(read) if isinstance(read, Finding) else self._at(read), value)
                for read, value in before.reads.items()
            )
        except Exception:
            # What can't be found any more is told by whoever asks for it.
            return False
        finally:
            self._frames = frames

    def _at(self, path: Path) -> Any:
        value: Any = self._documents[path[0]]
        for name in path[1:]:
            value = getattr(value, name)
        return value
