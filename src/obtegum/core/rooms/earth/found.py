"""How large the pad is, and how much stone lies on it."""

from obtegum.core.findings.skeleton.bays import strung
from obtegum.core.findings.work import Work
from obtegum.core.formulas.ground.earthwork import stone_kg

__all__ = ["pad_m", "stone_of_kg"]


def pad_m(work: Work) -> tuple[float, float]:
    """The pad, along and across, m: the base and its margin all round."""
    (length_m, width_m), margin_m = strung(work), work.design.pad.margin_m
    return length_m + 2 * margin_m, width_m + 2 * margin_m


def stone_of_kg(work: Work) -> float:
    """Stone over the pad, kg; nothing where none is told."""
    pad, (length_m, width_m) = work.design.pad, pad_m(work)
    return stone_kg(length_m * width_m, pad.stone_m, pad.stone_kg_m3) if pad.stone_m > 0 else 0.0
