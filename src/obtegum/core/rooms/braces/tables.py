"""Braces, collars and struts, and the working of the wind along."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.work import Work
from obtegum.core.rooms.braces.found import along_of
from obtegum.core.rooms.braces.parts import parts

__all__ = ["TABLES"]


def _cuts(work: Work) -> Sequence[Sequence[object]]:
    """Every brace and tie, m: cut, and both its holes along, across and up."""
    rows = [("part", "what", "cut_m", "x0_m", "y0_m", "z0_m", "x1_m", "y1_m", "z1_m")]
    for member in parts(work):
        ends = tuple(f"{value:.4f}" for end in member.ends for value in end)
        rows.append((member.part, member.what, f"{member.length_m:.4f}", *ends))  # type: ignore[arg-type]
    return rows


def _along(work: Work) -> Sequence[Sequence[object]]:
    """The push along the house, step by step."""
    along = along_of(work)
    rows: list[tuple[object, ...]] = [("symbol", "what", "clause", "value_si")]
    if along is not None:
        rows += [(each.symbol, each.what, each.clause, f"{each.value:.4g}") for each in along.sheet]
        rows.append(("N", "pulls each brace", "(F/2 + Ps)/(n·cos θ)", f"{along.brace_n:.4g}"))
    return rows


TABLES = (
    Table(name="braces", label="Braces and collars", about="every one with its cut and holes", rows=_cuts),
    Table(name="wind-along", label="Wind along", about="the push on the ends, step by step", rows=_along),
)
