"""Bow centre lines: one file a shape, all of them chains of segments."""

from obtegum.core.profile.chain import Arc, Chain, Kink, Line, Point, Segment
from obtegum.core.profile.round import round_bow

__all__ = ["Arc", "Chain", "Kink", "Line", "Point", "Segment", "round_bow"]
