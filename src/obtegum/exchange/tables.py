"""Peg list and stick marks as CSV: the reading as printed, and the exact place in metres."""

import csv
import io

from obtegum.core.plan import HousePlan
from obtegum.core.record import SiteRecord

__all__ = ["pegs_csv", "stick_marks_csv"]


def _text(header: list[str], rows: list[list[object]]) -> str:
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(header)
    writer.writerows(rows)
    return out.getvalue()


def pegs_csv(plan: HousePlan, record: SiteRecord) -> str:
    """One line a peg: side, bow, corner, running reading from A or D, places in metres, and where it was set.

    Filled in by hand or by another program, the last column is read in again.
    """
    readings = {mark.tick: mark.reading for strip in plan.strips for mark in strip.marks if mark.tick}
    rows: list[list[object]] = [
        [
            "left" if peg.side == "L" else "right",
            peg.bow,
            peg.corner or "",
            readings[peg.part],
            f"{peg.station_m:.6f}",
            f"{peg.x_m:.6f}",
            f"{peg.to_far_corner_m:.6f}",
            "" if peg.part not in record.set_at_m else f"{record.set_at_m[peg.part]:.6f}",
        ]
        for peg in plan.pegs
    ]
    header = ["side", "bow", "corner", "reading", "station_m", "from_middle_m", "to_far_corner_m", "set_at_m"]
    return _text(header, rows)


def stick_marks_csv(plan: HousePlan) -> str:
    """One line a mark: stick, what, reading from the plain end, place in metres."""
    rows: list[list[object]] = [
        [strip.title, mark.what, mark.reading, f"{mark.at_m:.6f}"]
        for strip in plan.strips
        if strip.id.startswith("stick:")
        for mark in strip.marks
    ]
    return _text(["stick", "mark", "reading", "from_plain_end_m"], rows)
