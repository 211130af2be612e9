"""Runs and their pieces, a line each."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.skeleton.runs import pieces_of, place_of, runs_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.runs.goods import goods
from obtegum.core.rooms.runs.step import REACH_M

__all__ = ["TABLES"]


def _runs(work: Work) -> Sequence[Sequence[object]]:
    """Where each run lies and what it is cut of, m."""
    rows = [("run", "along_bow_m", "across_m", "up_m", "piece", "from_m", "to_m", "length_m")]
    runs = {run.name: run for run in runs_of(work)}
    for piece in pieces_of(work):
        run = runs[piece.run]
        x, y = place_of(work, run)
        at = (f"{run.at_m:.4f}", f"{x:.4f}", f"{y:.4f}")
        rows.append(
            (run.name, *at, str(piece.number), f"{piece.from_m:.4f}", f"{piece.to_m:.4f}", f"{piece.length_m:.4f}")
        )
    return rows


def _fixings(work: Work) -> Sequence[Sequence[object]]:
    """Clamps, couplers and screws: how many, which, how many of them over reach, tight when; spares apart."""
    rows: list[tuple[object, ...]] = [("what", "size", "count", "spares", "over_reach", "from", "tool", "tight")]
    for good in goods(work):
        over = sum(seat.amount for seat in good.seats if seat.at[2] > REACH_M)
        where = "ladder or trestle" if over else "ground"
        rows.append(
            (good.what, good.size, f"{good.amount:g}", f"{good.spares:g}", f"{over:g}", where, good.tool, good.until)
        )
    return rows


TABLES = (
    Table(
        name="fixings",
        label="Fixings of the runs",
        about="clamps, couplers and screws, over reach or not",
        rows=_fixings,
    ),
    Table(name="runs", label="Runs", about="where each lies, and every piece", rows=_runs),
)
