"""Runs and their pieces, a line each."""

from collections.abc import Sequence

from obtegum.core.faces import Table
from obtegum.core.rooms.runs.found import pieces_of, place_of, runs_of
from obtegum.core.work import Work

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


TABLES = (Table(name="runs", label="Runs", about="where each lies, and every piece", rows=_runs),)
