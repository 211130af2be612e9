"""The peg list."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.skeleton.bays import pegs_of, reads
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import SIDES

__all__ = ["TABLES"]

HEADER = ("side", "bow", "corner", "reading", "station_m", "from_middle_m", "to_far_corner_m", "set_at_m")


def _pegs(work: Work) -> Sequence[Sequence[object]]:
    """One line a peg: running reading from A or D, places in metres, and where it was set.

    Filled in by hand or by another program, the last column is read in again.
    """
    set_at = work.record.set_at_m
    rows = (
        (
            SIDES[peg.side],
            peg.bow,
            peg.corner or "",
            reads(work, peg.reading_m),
            f"{peg.station_m:.6f}",
            f"{peg.x_m:.6f}",
            f"{peg.to_far_corner_m:.6f}",
            "" if peg.part not in set_at else f"{set_at[peg.part]:.6f}",
        )
        for peg in pegs_of(work)
    )
    return (HEADER, *rows)


TABLES = (Table(name="pegs", label="Peg list", about="every peg with its running reading", rows=_pegs),)
