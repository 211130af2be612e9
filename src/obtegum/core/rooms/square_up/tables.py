"""Every round of taping."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.lines import LINES

__all__ = ["TABLES"]


def _tapings(work: Work) -> Sequence[Sequence[object]]:
    """One line a reading, the round under way last; metres, to be read in again."""
    rows = (
        (number, f"{line[0].upper()}-{line[1].upper()}", f"{reading:.6f}")
        for number, taping in enumerate((*work.record.earlier, work.record.taped), start=1)
        for line in LINES
        if (reading := taping.reading_m(line)) is not None
    )
    return (("round", "line", "reading_m"), *rows)


TABLES = (Table(name="tapings", label="Tapings", about="every round of the tape, to read in again", rows=_tapings),)
