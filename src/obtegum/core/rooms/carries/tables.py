"""What it carries, as a table."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.work import Work
from obtegum.core.rooms.carries.found import depths, not_known
from obtegum.core.rooms.carries.gust import bow_opened, bow_shut, others_give

__all__ = ["TABLES"]


def _carried(work: Work) -> Sequence[Sequence[object]]:
    """Each kind of snow, m on the roof, rounded down to the millimetre; each gust, m/s; and what isn't known."""
    rows: list[tuple[object, ...]] = [("what", "even_m", "one_half_m", "propped_even_m", "propped_half_m", "gust_mps")]
    for each in depths(work):
        values = (each.even_m, each.half_m, each.propped_even_m, each.propped_half_m)
        rows.append((each.words, *("" if value is None else f"{int(value * 1000) / 1000:.3f}" for value in values), ""))
    for gives in (bow_shut(work), bow_opened(work), *others_give(work)):
        if gives is not None:
            words = gives.what if gives.doors == "either" else f"{gives.what}, {gives.doors}"
            rows.append((words, "", "", "", "", f"{int(gives.gust_mps * 10) / 10:.1f}"))
    rows += [(f"{each.what}: not known", "", "", "", "", "") for each in not_known(work)]
    return rows


TABLES = (Table(name="carries", label="What it carries", about="snow by kind and gusts", rows=_carried),)
