"""Posts as built, read in by their names."""

from pydantic import ValidationError

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.row import CHECKS, PostBuilt, field_of
from obtegum.core.face.faces import Intake
from obtegum.core.face.intake import Rows, RowTrouble, counted, peg_named, wanted
from obtegum.core.findings.skeleton.ticks import design_bays
from obtegum.core.rooms.row import words

__all__ = ["INTAKES"]


def _row(rows: Rows, job: Job) -> tuple[SiteRecord, str]:
    bows, read = design_bays(job.design).bows, dict[str, PostBuilt]()
    lines = dict[str, int]()

    def take(number: int, cells: dict[str, str]) -> None:
        (shown,) = wanted(cells, "post")
        name = peg_named(shown.lower().replace("post", "peg"), bows)
        if name in lines:
            raise RowTrouble(words.read_already(name, lines[name]))
        told = {field_of(check): _read(rows, check, cells[check], number) for check in CHECKS if check in cells}
        if not told:
            raise RowTrouble(words.nothing_told(name))
        before = job.record.row.get(name, PostBuilt()).model_dump()
        try:
            read[name] = PostBuilt.model_validate({**before, **told})
        except ValidationError as error:
            what = str(error.errors()[0]["loc"][0]).removesuffix("_m")
            raise RowTrouble(words.not_read(cells[what], what)) from None
        lines[name] = number

    rows.each(take)
    merged = {**job.record.row, **read}
    return job.record.model_copy(update={"row": merged}), f"Posts as built read in: {counted(len(read), 'post')}"


def _read(rows: Rows, check: str, cell: str, number: int) -> float:
    if check != "blows":
        return rows.length(check, cell, number)
    try:
        return round(float(cell))
    except ValueError:
        raise RowTrouble(words.no_blows(cell[:20])) from None


INTAKES = (Intake(columns=frozenset({"post"}), also=frozenset(CHECKS), read=_row),)
