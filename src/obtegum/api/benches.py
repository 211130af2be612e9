"""Benches kept between requests: a help to find less again, never a state that matters.

A plan begins from the bench of the same house as it was a moment ago, if it is still kept; what it comes to is
the same without one.
"""

from collections import deque
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from threading import Condition, Lock
from time import monotonic

from fastapi import Request

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.findings.work import Work
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import laid_edits
from obtegum.core.values.catalogue import default_catalogue

__all__ = ["Benches", "benches_of"]

# Benches that are kept: a house in each of a few windows.
MOST = 8
# How long work that can wait gives way at a time, s.
PATIENCE_S = 2.0
# A hand that let go so short a time ago is still pulling, s.
QUIET_S = 0.25


class Benches:
    """The last benches, the latest first; safe between threads."""

    def __init__(self, most: int = MOST) -> None:
        self._lock = Lock()
        self._kept: deque[tuple[HouseDesign, SiteRecord, Work]] = deque(maxlen=most)
        self._idle = Condition(self._lock)
        self._hands, self._let_go = 0, -QUIET_S

    def likest(self, design: HouseDesign, record: SiteRecord) -> Work | None:
        """The kept bench that is likest a house's."""
        with self._lock:
            likest = max(self._kept, key=lambda kept: _like(kept, design, record), default=None)
        return likest[2] if likest else None

    def begin(self, design: HouseDesign, record: SiteRecord) -> Work:
        """A bench for a house, beginning from the kept one that is likest it. Raises: DesignError."""
        return begin(design, record, default_catalogue(), self.likest(design, record))

    def edited(self, design: HouseDesign, record: SiteRecord, edits: Sequence[Edit]) -> tuple[Job, Work]:
        """A house with changes made, and the bench that it lies on then. Raises: DesignError."""
        return laid_edits(Job(design, record), edits, default_catalogue(), self.likest(design, record))

    def keep(self, design: HouseDesign, record: SiteRecord, work: Work) -> None:
        """Keep a bench in place of the one of the same house."""
        with self._lock:
            others = [kept for kept in self._kept if kept[0].name != design.name]
            self._kept = deque([(design, record, work), *others], self._kept.maxlen)

    @contextmanager
    def hand(self) -> Iterator[None]:
        """While a hand holds something: what can wait gives way to it."""
        with self._lock:
            self._hands += 1
        try:
            yield
        finally:
            with self._idle:
                self._hands -= 1
                self._let_go = monotonic()
                self._idle.notify_all()

    def give_way(self) -> None:
        """Wait until no hand holds anything, or did a moment ago; not for long, as what waits is wanted too."""
        until = monotonic() + PATIENCE_S
        with self._idle:
            while (self._hands or monotonic() - self._let_go < QUIET_S) and monotonic() < until:
                self._idle.wait(QUIET_S)

    def __len__(self) -> int:
        return len(self._kept)


def _like(kept: tuple[HouseDesign, SiteRecord, Work], design: HouseDesign, record: SiteRecord) -> int:
    return 2 * (kept[0].name == design.name) + (kept[1] is record)


def benches_of(request: Request) -> Benches:
    """The benches that the application keeps."""
    benches: Benches = request.app.state.benches
    return benches
