"""Pegs read in: the peg list with its column ``set_at`` filled in."""

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.faces import Intake
from obtegum.core.face.intake import MOST_M, Rows, RowTrouble, counted, peg_named, refusal, wanted
from obtegum.core.findings.skeleton.ticks import design_bays
from obtegum.core.formulas.setout.base import peg_words
from obtegum.core.rooms.set_out import words

__all__ = ["INTAKES"]


def _pegs(rows: Rows, job: Job) -> tuple[SiteRecord, str]:
    bows = design_bays(job.design).bows
    if "set_at" not in rows.columns:
        raise refusal(words.no_column())
    set_at = dict(job.record.set_at_m)
    seen: dict[str, int] = {}

    def take(number: int, cells: dict[str, str]) -> None:
        side, bow = wanted(cells, "side", "bow")
        name = peg_named(f"{bow} {side}", bows)
        if name in seen:
            raise RowTrouble(words.stands_already(peg_words(name), seen[name]))
        seen[name] = number
        if "set_at" in cells:
            value = rows.length("set_at", cells["set_at"], number)
            if value > MOST_M:
                raise RowTrouble(words.too_long(cells["set_at"]))
            set_at[f"peg:{name}"] = value
        else:
            set_at.pop(f"peg:{name}", None)

    rows.each(take)
    count = sum(tick.startswith("peg:") for tick in set_at)
    return job.record.model_copy(update={"set_at_m": set_at}), f"Peg list read in: {counted(count, 'peg')} set"


INTAKES = (Intake(columns=frozenset({"side", "bow"}), also=frozenset({"set_at", "reading"}), read=_pegs),)
