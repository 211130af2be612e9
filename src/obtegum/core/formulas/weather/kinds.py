"""Kinds of snow by what they weigh."""

from typing import Literal

__all__ = ["KINDS", "SETTLED_KG", "Kind"]

Kind = Literal["fresh", "settled", "old", "wet", "packed"]
# Kinds of snow, what a cubic metre of each weighs at the most, kg (usual ranges; the heavy end, so that depths are
# told no deeper than they may be).
SETTLED_KG = 200.0
KINDS: tuple[tuple[Kind, str, float], ...] = (
    ("fresh", "fresh snow", 100.0),
    ("settled", "settled snow", SETTLED_KG),
    ("old", "old snow", 350.0),
    ("wet", "wet snow", 400.0),
    ("packed", "wind-packed snow", 400.0),
)
