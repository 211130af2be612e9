"""Fittings that meet before their piece is home, and cement that is too cold."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen
from obtegum.core.findings.work import Work
from obtegum.core.rooms.fittings.found import COLDEST_C
from obtegum.core.values.amount import amount_text

__all__ = ["CURES"]


def _short(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Fewer runs."""
    runs = work.design.strength.runs
    yield from ((chosen("strength.runs", str(fewer)),) for fewer in range(runs - 1, max(runs - 5, 0), -1))


def _cold(work: Work, verdict: Verdict) -> Iterator[Edits]:
    yield (chosen("fittings.glue_c", amount_text(COLDEST_C + 6, "temperature", work.tape.units, "up")),)


CURES: dict[str, Cure] = {"fittings-short": _short, "fittings-cold": _cold}
