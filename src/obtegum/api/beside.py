"""Long work beside the bench: one thing at a time, with word of how far it has come, and a way to stop it."""

from collections import OrderedDict
from collections.abc import Callable
from functools import partial
from typing import TypeVar

import anyio
import anyio.to_thread

from obtegum.api.models import WorkOut
from obtegum.core.values.base import Part
from obtegum.store.backup import Tell

__all__ = ["Beside", "Stopped"]

MOST_TOLD = 400
Made = TypeVar("Made")


class Stopped(Exception):
    """The work was stopped by whoever asked for it."""


class _Note(Part):
    state: WorkOut
    stopped: bool = False


class Beside:
    """The lane for sheets, drawings and backups: the bench's own answers never queue behind them."""

    def __init__(self) -> None:
        self._lane = anyio.CapacityLimiter(1)
        self._notes: OrderedDict[str, _Note] = OrderedDict()
        self._waiting = 0

    def look(self, key: str) -> WorkOut:
        """How far the work of a name has come; nothing is known of one that was never asked for."""
        note = self._notes.get(key)
        return note.state if note else WorkOut(state="unknown")

    def stop(self, key: str) -> None:
        """Stop the work of a name at the next moment that it can be."""
        note = self._notes.get(key)
        if note is not None:
            self._notes[key] = note.model_copy(update={"stopped": True})

    def _note(self, key: str, state: WorkOut) -> None:
        if not key:
            return
        before = self._notes.pop(key, None)
        self._notes[key] = _Note(state=state, stopped=before.stopped if before else False)
        while len(self._notes) > MOST_TOLD:
            self._notes.popitem(last=False)

    async def run(self, key: str, make: Callable[[Tell], Made]) -> Made:
        """Make something in the lane, once it is free. Raises: Stopped; whatever ``make`` raises."""
        self._note(key, WorkOut(state="waiting", waiting=self._waiting))
        self._waiting += 1
        try:
            async with self._lane:
                self._tell(key, 0, 0)
                made = await anyio.to_thread.run_sync(make, partial(self._tell, key), limiter=_threads())
        finally:
            self._waiting -= 1
            self._note(key, WorkOut(state="done"))
        return made

    def _tell(self, key: str, done: int, of: int) -> None:
        note = self._notes.get(key)
        if note is not None and note.stopped:
            raise Stopped
        self._note(key, WorkOut(state="going", done=done, of=of))


def _threads() -> anyio.CapacityLimiter:
    """A thread of its own, whatever the bench's other threads wait for."""
    return anyio.CapacityLimiter(1)
