"""Every rod reading."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.work import Work

__all__ = ["TABLES"]


def _levels(work: Work) -> Sequence[Sequence[object]]:
    """A peg by its name, a spot by its place; metres, to be read in again."""
    levels = work.record.levels
    pegs = ((name, "", "", f"{reading:.6f}") for name, reading in levels.pegs.items())
    spots = (("", f"{spot.x_m:.6f}", f"{spot.y_m:.6f}", f"{spot.reading_m:.6f}") for spot in levels.spots.values())
    return (("point", "along_m", "across_m", "reading_m"), *pegs, *spots)


TABLES = (Table(name="levels", label="Levels", about="every rod reading, to read in again", rows=_levels),)
