"""Each post as it was built, to take away and to read in again."""

from collections.abc import Sequence

from obtegum.core.documents.row import CHECKS, field_of
from obtegum.core.face.faces import Table
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.findings.skeleton.levels import stand_of
from obtegum.core.findings.skeleton.posts import embedment_m
from obtegum.core.findings.skeleton.row import built_row
from obtegum.core.findings.skeleton.settings import kind_of, set_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.hold.takes import bows_from
from obtegum.core.rooms.set_out.pegs import tick_state

__all__ = ["TABLES"]


def _number(value: float | None) -> str:
    return "" if value is None else f"{value:.6f}"


def _row(work: Work) -> Sequence[Sequence[object]]:
    """A line a post: what was read at it, m, as it is read in again."""
    head = ("post", *map(field_of, CHECKS))
    told = work.record.row.items()
    return (head, *((name, *(_number(each.told(one)) for one in CHECKS)) for name, each in told))


def _posts(work: Work) -> Sequence[Sequence[object]]:
    """A line a post: how it is set, where it belongs, what its top should read, whether it is in, how far it is off."""
    head = ("post", "set_as", "station_m", "rod_on_top_m", "stands_out_m", "in_ground_m", "is_set", "bow_from")
    off = ("further_along_m", "outside_m", "too_high_m", "lean")
    built, stand = {each.name: each for each in built_row(work)}, stand_of(work)
    rows = list[Sequence[object]]()
    for peg in pegs_of(work):
        name = f"{peg.side}{peg.bow}"
        foot, told = stand.feet.get(name) if stand else None, built.get(name)
        kind = set_of(work, kind_of(work, peg.side, peg.bow))
        out_m = foot.reveal_m if foot else work.design.posts.reveal_m
        deep_m = foot.embedment_m if foot else embedment_m(work)
        is_set = "yes" if tick_state(work, f"post:{name}", peg.station_m) == "set" else ""
        numbers = (peg.station_m, foot.top_reading_m if foot else None, out_m, deep_m)
        strays = (told.along_m, told.out_m, told.up_m, told.lean) if told else (None,) * len(off)
        rows.append((name, kind, *map(_number, numbers), is_set, bows_from(work, kind), *map(_number, strays)))
    return ((*head, *off), *rows)


TABLES = (
    Table(name="row", label="Posts as built", about="every reading, to read in again", rows=_row),
    Table(name="posts", label="Posts, one by one", about="how set, where, how deep, how far off", rows=_posts),
)
