"""Each post as it was built, to take away and to read in again."""

from collections.abc import Sequence

from obtegum.core.faces import Table
from obtegum.core.rooms.row.decisions import CHECKS, field_of
from obtegum.core.rooms.row.found import built_row
from obtegum.core.work import Work

__all__ = ["TABLES"]


def _number(value: float | None) -> str:
    return "" if value is None else f"{value:.6f}"


def _row(work: Work) -> Sequence[Sequence[object]]:
    """A line a post: what was read at it, m, as it is read in again."""
    head = ("post", *map(field_of, CHECKS))
    told = work.record.row.items()
    return (head, *((name, *(_number(each.told(one)) for one in CHECKS)) for name, each in told))


def _off(work: Work) -> Sequence[Sequence[object]]:
    """A line a post: how far it stands off, m; its lean as a share."""
    head = ("post", "station_m", "further_along_m", "outside_m", "too_high_m", "lean")
    return (
        head,
        *(
            (each.name, f"{each.station_m:.4f}", *map(_number, (each.along_m, each.out_m, each.up_m, each.lean)))
            for each in built_row(work)
        ),
    )


TABLES = (
    Table(name="row", label="Posts as built", about="every reading, to read in again", rows=_row),
    Table(name="row-off", label="Posts off their places", about="how far each stands off", rows=_off),
)
