"""Runs and their pieces, a line each."""

import math
from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.runs import pieces_of, place_of, runs_of
from obtegum.core.findings.work import Work
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
    """Screws, clamps and splices by joint: how many, of what, how many of them over reach, tight when; spares apart."""
    runs, bows = work.design.runs, bays_of(work).bows
    rows: list[tuple[object, ...]] = [("joint", "count", "what", "bit", "spares", "over_reach", "from", "tight")]
    high = [run for run in runs_of(work) if place_of(work, run)[1] > REACH_M]
    late = "when the house is plumb"

    def add(joint: str, each: int, runs_high: int, what: str, bit: str) -> None:
        count, over = each * len(runs_of(work)), each * runs_high
        spares = math.ceil(count * runs.spare - 1e-9)
        rows.append((joint, count, what, bit, spares, over, "ladder or trestle" if over else "ground", late))

    if runs.of == "long":
        add("run on bow", bows, len(high), "clamp" if runs.lie != "through" else "bracket", "")
        add("run on bow, screws", bows * runs.screws, len(high), "screw, 5.5 × 25 mm", "hex 8 mm")
        splices = max(len(pieces_of(work)) // len(runs_of(work)) - 1, 0)
        if runs.joint != "lap":
            add("splice, screws", 2 * splices, len(high), "screw, 5.5 × 25 mm", "hex 8 mm")
    else:
        add("piece on bow", 2 * bays_of(work).count, len(high), "fitting or two nails", "")
    return rows


TABLES = (
    Table(
        name="fixings",
        label="Fixings of the runs",
        about="clamps and screws by joint, over reach or not",
        rows=_fixings,
    ),
    Table(name="runs", label="Runs", about="where each lies, and every piece", rows=_runs),
)
