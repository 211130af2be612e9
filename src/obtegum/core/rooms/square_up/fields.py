"""The six lines: what each should read, under its field."""

from obtegum.core.catalogue import Catalogue
from obtegum.core.fields import Hint, special
from obtegum.core.job import Job
from obtegum.core.rooms.set_out.tools import strung_size, tapes_in
from obtegum.core.setout.checkin import planned_lines
from obtegum.core.setout.lines import LINES, Line
from obtegum.core.setout.squaring import should_read

__all__ = ["FIELDS"]


def _planned(line: Line) -> Hint:
    def hint(job: Job, catalogue: Catalogue) -> str:
        planned = planned_lines(*strung_size(job.design, catalogue))
        return should_read(planned[line], tapes_in(job.design), job.design.tape)

    return hint


FIELDS = tuple(special(f"record.taped.{line}_m", hint=_planned(line)) for line in LINES)
