"""Tapings read in: rounds of the six lines, the last of them under way."""

import re

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.square_up import MOST_ROUNDS, Taping
from obtegum.core.face.faces import Intake
from obtegum.core.face.intake import MOST_M, Rows, RowTrouble, counted, refusal, wanted
from obtegum.core.formulas.setout.lines import LINES, Line
from obtegum.core.rooms.square_up import words

__all__ = ["INTAKES"]


def _tapings(rows: Rows, job: Job) -> tuple[SiteRecord, str]:
    rounds: dict[int, dict[Line, float]] = {}

    def take(number: int, cells: dict[str, str]) -> None:
        shown, reading = wanted(cells, "line", "reading")
        name = "".join(sorted(re.sub(r"[^a-d]", "", shown.lower())))
        line = next((each for each in LINES if "".join(sorted(each)) == name), None)
        if line is None:
            raise RowTrouble(words.no_line(shown[:30]))
        which = cells.get("round", "1")
        if not re.fullmatch(r"[1-9]\d?", which):
            raise RowTrouble(words.no_round(which[:20]))
        value = rows.length("reading", reading, number)
        if not 0 < value <= MOST_M:
            raise RowTrouble(words.no_distance(reading))
        if line in rounds.setdefault(int(which), {}):
            raise RowTrouble(words.stands_twice(shown, which))
        rounds[int(which)][line] = value

    rows.each(take)
    if len(rounds) > MOST_ROUNDS + 1:
        raise refusal(words.too_many_rounds(len(rounds), MOST_ROUNDS))
    tapings = [
        Taping.model_validate({f"{line}_m": value for line, value in readings.items()})
        for _, readings in sorted(rounds.items())
    ]
    if not tapings:
        raise refusal(words.no_readings())
    record = job.record.model_copy(update={"earlier": tuple(tapings[:-1]), "taped": tapings[-1]})
    return record, f"Tapings read in: {counted(len(tapings), 'round')}"


INTAKES = (Intake(columns=frozenset({"line"}), also=frozenset({"reading"}), read=_tapings),)
