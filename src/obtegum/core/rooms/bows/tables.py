"""The marks of every stick."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.work import Work
from obtegum.core.rooms.bows.strips import strips

__all__ = ["TABLES"]


def _marks(work: Work) -> Sequence[Sequence[object]]:
    """One line a mark: reading from the plain end, and the place in metres."""
    rows = (
        (strip.title, mark.what, mark.reading, f"{mark.at_m:.6f}") for strip in strips(work) for mark in strip.marks
    )
    return (("stick", "mark", "reading", "from_plain_end_m"), *rows)


TABLES = (Table(name="sticks", label="Stick marks", about="every mark of every stick", rows=_marks),)
