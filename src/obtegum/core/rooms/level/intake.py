"""Levels read in: rod readings at pegs by their names, and at places."""

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.level import MOST_SPOTS, Spot
from obtegum.core.face.faces import Intake
from obtegum.core.face.intake import Rows, RowTrouble, counted, peg_named, refusal, wanted
from obtegum.core.findings.skeleton.spots import too_far
from obtegum.core.findings.skeleton.ticks import design_bays
from obtegum.core.formulas.setout.base import peg_words
from obtegum.core.rooms.level import words
from obtegum.core.values.quantity import length_text

__all__ = ["INTAKES"]

MOST_NAMED = 6


def _levels(rows: Rows, job: Job) -> tuple[SiteRecord, str]:
    bows, rod_m = design_bays(job.design).bows, job.design.level.rod_m
    pegs: dict[str, float] = {}
    spots: list[Spot] = []
    lines: dict[str, int] = {}

    def take(number: int, cells: dict[str, str]) -> None:
        (shown,) = wanted(cells, "reading")
        reading = rows.length("reading", shown, number)
        if reading > rod_m + 1e-9:
            raise RowTrouble(words.past_rod(shown, length_text(rod_m, job.design.tape)))
        if "point" in cells:
            name = peg_named(cells["point"], bows)
            if name in pegs:
                raise RowTrouble(words.read_already(peg_words(name), lines[name]))
            pegs[name], lines[name] = reading, number
            return
        along, across = wanted(cells, "along", "across")
        x, y = rows.length("along", along, number), rows.length("across", across, number)
        if too_far(x, y):
            raise RowTrouble(words.too_far())
        spots.append(Spot(x_m=x, y_m=y, reading_m=reading))

    rows.each(take)
    levels = job.record.levels
    merged = {**levels.pegs, **pegs}
    changed = levels.model_copy(update={"pegs": merged}).with_spots(spots)
    if len(changed.spots) > MOST_SPOTS:
        raise refusal(words.too_many_spots(len(changed.spots), MOST_SPOTS))
    missing = [name for side in "LR" for bow in range(1, bows + 1) if (name := f"{side}{bow}") not in merged]
    done = f"Levels read in: {counted(len(pegs), 'peg')}, {counted(len(spots), 'spot')}"
    if pegs and missing:
        done += f"; still to read: {', '.join(missing[:MOST_NAMED])}{'…' if len(missing) > MOST_NAMED else ''}"
    return job.record.model_copy(update={"levels": changed}), done


INTAKES = (
    Intake(
        columns=frozenset({"reading"}),
        also=frozenset({"point", "along", "across"}),
        bare={2: ("point", "reading"), 3: ("along", "across", "reading")},
        read=_levels,
    ),
)
