"""Findings: what is found of a house, kept with what it read, and found again only when that has changed.

While a finding runs, its bench notes every part of the design and the record that it reads, and every other
finding. On the bench of the changed house it is kept if all that it read is the same; one that comes out equal
keeps whatever was found from it. A finding reads nothing but through its bench.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import cache
from typing import Any, Generic, TypeVar, cast

from obtegum.core.catalogue import Catalogue
from obtegum.core.part import Part
from obtegum.core.quantity import Tape
from obtegum.core.rooms import HouseDesign, SiteRecord

__all__ = ["Bench", "Finding", "found"]

T = TypeVar("T")
B = TypeVar("B", bound="Bench")
Path = tuple[str, ...]
TAPE: Path = ("design", "tape")
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
    """A part of a document that notes which of its fields are read; what is called on it reads all of it.

    Its fields are properties of a kind of its own (`_noted_kind`): they are read thousands of times in a plan.
    """

    __slots__ = ("_frames", "_part", "_path")

    def __init__(self, frames: list[Reads], path: Path, part: Part) -> None:
        self._frames, self._path, self._part = frames, path, part

    def __getattr__(self, name: str) -> Any:
        if self._frames:
            self._frames[-1].setdefault(self._path, self._part)
        return getattr(self._part, name)


@cache
def _noted_kind(kind: Any, path: Path) -> type[_Noted]:
    """What stands for parts of a kind at a path."""
    return type(f"Noted{kind.__name__}", (_Noted,), {name: _field((*path, name)) for name in kind.model_fields})


def _field(path: Path) -> property:
    name = path[-1]

    def read(noted: _Noted) -> Any:
        value = noted._part.__dict__[name]
        frames = noted._frames
        if frames:
            frames[-1].setdefault(path, value)
        return value

    return property(read)


class _Document:
    """A design or a record whose parts note what is read of them."""

    def __init__(self, frames: list[Reads], name: str, document: Part) -> None:
        self._frames, self._path, self._document = frames, (name,), document
        for field in type(document).model_fields:
            value = getattr(document, field)
            # Small values and the tape are read whole.
            if isinstance(value, Part) and field != "tape":
                path = (*self._path, field)
                self.__dict__[field] = _noted_kind(type(value), path)(frames, path, value)

    def __getattr__(self, name: str) -> Any:
        value = getattr(self._document, name)
        if self._frames:
            self._frames[-1].setdefault((*self._path, name), value)
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
        self._tape = design.tape
        # What the findings under way have read. The documents hold on to these only: a bench in no circle of
        # references is gone when it is let go.
        self._frames: list[Reads] = []
        self._design = cast(HouseDesign, _Document(self._frames, "design", design))
        self._record = cast(SiteRecord, _Document(self._frames, "record", record))
        self._before = before or {}
        self._kept: dict[Finding[Any], _Kept] = {}

    @property
    def design(self) -> HouseDesign:
        """What is decided; whatever is read of it is noted."""
        return self._design

    @property
    def tape(self) -> Tape:
        """The tape that everything is read off."""
        if self._frames:
            self._frames[-1].setdefault(TAPE, self._tape)
        return self._tape

    @property
    def record(self) -> SiteRecord:
        """What was done and found on site; whatever is read of it is noted."""
        return self._record

    def changed(self: B, design: HouseDesign, record: SiteRecord) -> B:
        """The bench of the house as changed: what was found here is kept there as far as it still holds."""
        before = {**self._before, **self._kept}
        return type(self)(design, record, self.catalogue, before)

    def find(self, finding: Finding[T]) -> T:
        """What a finding comes to. Raises whatever it raises; that is not kept."""
        kept = self._kept.get(finding)
        if kept is None:
            kept = self._kept[finding] = self._found(finding)
        value: T = kept.value
        if self._frames:
            self._frames[-1].setdefault(finding, value)
        return value

    def hangs_on(self, finding: Finding[Any]) -> frozenset[tuple[str, str]]:
        """Which parts of the documents a finding was found from, itself or through others: document and field."""
        self.find(finding)
        fields, seen, open_ = set[tuple[str, str]](), {finding}, [finding]
        while open_:
            for read in self._kept[open_.pop()].reads:
                if isinstance(read, tuple):
                    fields.add((read[0], read[1]))
                elif read not in seen:
                    seen.add(read)
                    open_.append(read)
        return frozenset(fields)

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
        # What is asked for here is not read by the finding under way.
        self._frames.append({})
        try:
            return all(
                _same(self.find(read) if isinstance(read, Finding) else self._at(read), value)
                for read, value in before.reads.items()
            )
        except Exception:
            # What can't be found any more is told by whoever asks for it.
            return False
        finally:
            self._frames.pop()

    def _at(self, path: Path) -> Any:
        value: Any = self._documents[path[0]]
        for name in path[1:]:
            value = getattr(value, name)
        return value
