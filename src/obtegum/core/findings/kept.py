"""Findings: what is found of a house, kept with what it read, and found again only when that has changed.

While a finding runs, its bench notes every part of the design and the record that it reads, and every other
finding. On the bench of the changed house it is kept if all that it read is the same; one that comes out equal
keeps whatever was found from it. A finding reads nothing but through its bench.

Each place in the documents has a bit of its own, and what is found carries those of all that it hangs on, through other
findings too: where none of them is among the bits of what was changed, it is kept without a look at what it read.
"""

from collections.abc import Callable
from dataclasses import dataclass
from functools import cache
from itertools import count
from typing import Any, Generic, TypeVar, cast

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.values.base import Part
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.quantity import Tape

__all__ = ["Bench", "Finding", "found"]

T = TypeVar("T")
B = TypeVar("B", bound="Bench")
Path = tuple[str, ...]
_Documents = dict[str, Part]


class _Place:
    """A place in the documents, of which there is one each, with a bit of its own."""

    __slots__ = ("bit", "path")

    def __init__(self, path: Path) -> None:
        self.path, self.bit = path, 1 << next(_counted)

    def now(self, bench: "Bench") -> Any:
        """What stands there."""
        value: Any = bench._documents[self.path[0]]
        for name in self.path[1:]:
            value = getattr(value, name)
        return value


_counted = count()
_PLACES: dict[Path, _Place] = {}


def _place(path: Path) -> _Place:
    # Two threads that ask for a new one at once get the same: whichever came first.
    return _PLACES.get(path) or _PLACES.setdefault(path, _Place(path))


TAPE = _place(("design", "tape"))
Reads = dict["_Place | Finding[Any]", Any]


class Finding(Generic[T]):
    """Something to be found of a house: called with the bench that it lies on.

    One that is not ``compared`` is taken for changed whenever it had to be found again: what nothing else is
    found from, such as a drawing, is not worth comparing.
    """

    def __init__(self, function: Callable[[Any], T], compared: bool = True) -> None:
        self.function, self.compared = function, compared
        self.__doc__ = function.__doc__

    def __call__(self, bench: "Bench") -> T:
        """What it comes to. Raises whatever it raises; that is not kept."""
        kept = bench._kept.get(self)
        if kept is None:
            kept = bench._kept[self] = bench._found(self)
        if bench._frames:
            bench._frames[-1][self] = kept.value
        value: T = kept.value
        return value

    now = __call__


def found(function: Callable[[Any], T]) -> Finding[T]:
    """A function of a bench whose result is kept with what it read."""
    return Finding(function)


@dataclass(frozen=True, slots=True)
class _Kept:
    """What a finding came to, what it read, and the bits of all that it hangs on."""

    value: Any
    reads: Reads
    hangs: int


class _Noted:
    """A part of a document that notes which of its fields are read; what is called on it reads all of it.

    Its fields are properties of a kind of its own (`_noted_kind`): they are read thousands of times in a plan.
    """

    __slots__ = ("_frames", "_part", "_place")

    def __init__(self, frames: list[Reads], place: _Place, part: Part) -> None:
        self._frames, self._place, self._part = frames, place, part

    def __getattr__(self, name: str) -> Any:
        if self._frames:
            self._frames[-1][self._place] = self._part
        return getattr(self._part, name)


@cache
def _noted_kind(kind: Any, path: Path) -> type[_Noted]:
    """What stands for parts of a kind at a path."""
    return type(f"Noted{kind.__name__}", (_Noted,), {name: _field((*path, name)) for name in kind.model_fields})


def _field(path: Path) -> property:
    name, place = path[-1], _place(path)

    def read(noted: _Noted) -> Any:
        value = noted._part.__dict__[name]
        frames = noted._frames
        if frames:
            frames[-1][place] = value
        return value

    return property(read)


@cache
def _places_of(kind: Any, name: str) -> dict[str, _Place]:
    """The places of a document's fields."""
    return {field: _place((name, field)) for field in kind.model_fields}


class _Document:
    """A design or a record whose parts note what is read of them."""

    def __init__(self, frames: list[Reads], name: str, document: Part) -> None:
        self._frames, self._whole, self._document = frames, _place((name,)), document
        self._places = _places_of(type(document), name)
        for field, place in self._places.items():
            value = getattr(document, field)
            # Small values and the tape are read whole.
            if isinstance(value, Part) and field != "tape":
                self.__dict__[field] = _noted_kind(type(value), place.path)(frames, place, value)

    def __getattr__(self, name: str) -> Any:
        value = getattr(self._document, name)
        if self._frames:
            place = self._places.get(name)
            if place is None:
                # What isn't a field may be told by any of them.
                self._frames[-1][self._whole] = self._document
            else:
                self._frames[-1][place] = value
        return value


def _same(one: Any, other: Any) -> bool:
    return one is other or bool(one == other)


def _differs(before: _Documents, now: _Documents) -> int:
    """The bits of whatever is not the same in two houses."""
    bits = 0
    for name, one in before.items():
        other = now[name]
        if one is other:
            continue
        for field in type(one).model_fields:
            bits |= _part_differs((name, field), getattr(one, field), getattr(other, field))
        if bits:
            bits |= _place((name,)).bit
    return bits


def _part_differs(path: Path, one: Any, other: Any) -> int:
    if _same(one, other):
        return 0
    bits, kinds = _place(path).bit, {type(one), type(other)}
    for kind in kinds:
        for name in getattr(kind, "model_fields", ()):
            if len(kinds) > 1 or not _same(getattr(one, name), getattr(other, name)):
                bits |= _place((*path, name)).bit
    return bits


class Bench:
    """One house to find things of. Asked in one thread; another bench may begin from what it found."""

    def __init__(
        self, design: HouseDesign, record: SiteRecord, catalogue: Catalogue, before: "Bench | None" = None
    ) -> None:
        self.catalogue = catalogue
        self._documents: _Documents = {"design": design, "record": record}
        self._tape = design.tape
        # What the findings under way have read. The documents hold on to these only: a bench in no circle of
        # references is gone when it is let go.
        self._frames: list[Reads] = []
        self._design = cast(HouseDesign, _Document(self._frames, "design", design))
        self._record = cast(SiteRecord, _Document(self._frames, "record", record))
        self._kept: dict[Finding[Any], _Kept] = {}
        # What was found of the house before, and of those before that: each with the bits of what changed since.
        self._last: dict[Finding[Any], _Kept] = {}
        self._earlier: dict[Finding[Any], _Kept] = {}
        self._changed = self._changed_since = 0
        if before is not None:
            self._last, self._earlier = {**before._kept}, {**before._earlier, **before._last}
            self._changed = _differs(before._documents, self._documents)
            self._changed_since = before._changed | before._changed_since | self._changed

    @property
    def design(self) -> HouseDesign:
        """What is decided; whatever is read of it is noted."""
        return self._design

    @property
    def tape(self) -> Tape:
        """The tape that everything is read off."""
        if self._frames:
            self._frames[-1][TAPE] = self._tape
        return self._tape

    @property
    def record(self) -> SiteRecord:
        """What was done and found on site; whatever is read of it is noted."""
        return self._record

    def changed(self: B, design: HouseDesign, record: SiteRecord) -> B:
        """The bench of the house as changed: what was found here is kept there as far as it still holds."""
        return type(self)(design, record, self.catalogue, self)

    def hangs_on(self, finding: Finding[Any]) -> frozenset[tuple[str, str]]:
        """Which parts of the documents a finding was found from, itself or through others: document and field."""
        finding(self)
        hangs, fields = self._kept[finding].hangs, set[tuple[str, str]]()
        for document, *names in [place.path for place in list(_PLACES.values()) if hangs & place.bit]:
            fields.update((document, name) for name in names[:1] or type(self._documents[document]).model_fields)
        return frozenset(fields)

    def _found(self, finding: Finding[Any]) -> _Kept:
        before, changed = self._last.get(finding), self._changed
        if before is None:
            before, changed = self._earlier.get(finding), self._changed_since
        if before is not None:
            if not before.hangs & changed:
                return before
            if self._holds(before):
                return _Kept(before.value, before.reads, self._hangs(before.reads))
        self._frames.append({})
        try:
            value = finding.function(self)
        except BaseException:
            # Whoever goes on without it hangs on what it read.
            for read, what in self._frames.pop().items():
                if self._frames:
                    self._frames[-1][read] = what
            raise
        reads = self._frames.pop()
        if before is not None and finding.compared and _same(before.value, value):
            value = before.value
        return _Kept(value, reads, self._hangs(reads))

    def _hangs(self, reads: Reads) -> int:
        bits, kept = 0, self._kept
        for read in reads:
            bits |= read.bit if type(read) is _Place else kept[read].hangs  # type: ignore[index]
        return bits

    def _holds(self, before: _Kept) -> bool:
        """Whether all that was read is the same, asked in the order in which it was read."""
        # What is asked for here is not read by the finding under way.
        self._frames.append({})
        try:
            return all(_same(read.now(self), value) for read, value in before.reads.items())
        except Exception:
            # What can't be found any more is told by whoever asks for it.
            return False
        finally:
            self._frames.pop()
