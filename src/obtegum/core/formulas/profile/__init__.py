"""Bow centre lines: one file a shape, all of them chains of segments."""

from obtegum.core.formulas.profile.chain import Arc, Chain, Kink, Line, Point, Segment
from obtegum.core.formulas.profile.common import ProfileError
from obtegum.core.formulas.profile.gothic import gothic_bow
from obtegum.core.formulas.profile.kneed import kneed_bow
from obtegum.core.formulas.profile.peaked import peaked_bow
from obtegum.core.formulas.profile.round import round_bow
from obtegum.core.formulas.profile.sprung import Sprung, pipe_for_rise, span_for_rise, sprung_pipe
from obtegum.core.formulas.profile.three_centred import three_centred_bow

__all__ = [
    "Arc",
    "Chain",
    "Kink",
    "Line",
    "Point",
    "ProfileError",
    "Segment",
    "Sprung",
    "gothic_bow",
    "kneed_bow",
    "peaked_bow",
    "pipe_for_rise",
    "round_bow",
    "span_for_rise",
    "sprung_pipe",
    "three_centred_bow",
]
