"""The six lines: what each should read, under its field."""

from functools import partial
from typing import Any

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Document, Hint, put, special
from obtegum.core.findings.skeleton.tapes import strung_size, tapes_in
from obtegum.core.formulas.setout.checkin import planned_lines
from obtegum.core.formulas.setout.lines import LINES, Line
from obtegum.core.formulas.setout.squaring import should_read
from obtegum.core.rooms.square_up import words
from obtegum.core.values.catalogue import Catalogue, default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M, Units, length_text
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["FIELDS"]

# What a bare number may have been meant in, of what it is read in; how far off it has to be, and how near then, of what
# it should read.
SMALLER: dict[Units, tuple[float, ...]] = {"feet": (INCH_M / FOOT_M,), "metric": (0.01, 0.001)}
FAR, NEAR = 3.0, 0.2


def _planned(line: Line) -> Hint:
    def hint(job: Job, catalogue: Catalogue) -> str:
        planned = planned_lines(*strung_size(job.design, catalogue))
        return should_read(planned[line], tapes_in(job.design), job.design.tape)

    return hint


def _write(line: Line, document: Document, job: Job, reading_m: Any) -> None:
    """A reading of a line. Raises: DesignError for a bare number that was meant in another unit: as far off as that,
    and nearly right in the other one."""
    path = f"record.taped.{line}_m"
    if reading_m is not None:
        planned_m = planned_lines(*strung_size(job.design, default_catalogue()))[line]
        for size in SMALLER[job.design.tape.units]:
            meant_m = reading_m * size
            if reading_m > FAR * planned_m and abs(meant_m / planned_m - 1) < NEAR:
                tape = job.design.tape
                sentence = words.far_off(length_text(reading_m, tape))
                raise DesignError([Trouble(path=path, sentence=sentence, reason=sentence)])
    put(document, path, reading_m)


FIELDS = tuple(special(f"record.taped.{line}_m", hint=_planned(line), write=partial(_write, line)) for line in LINES)
