"""The width that beds take, the length that sticks reach, the size of a bow that stands."""

import math
from collections.abc import Mapping
from typing import Any

from obtegum.core.documents.reading import limit_of
from obtegum.core.documents.size import SprungPipe
from obtegum.core.findings.skeleton.bows import split_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile import ProfileError
from obtegum.core.rooms.start import words
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["derived"]

SPAN, LENGTH = "size.span_m", "size.length_m"
LEG, HEIGHT, PIPE = "size.shape.leg_m", "size.shape.height_m", "size.shape.pipe_m"


def derived(work: Work) -> Mapping[str, Any]:
    """What is known first makes of the size, by its paths. Raises: DesignError where it makes no house."""
    known = work.design.start.known
    if known == "beds":
        return _by_beds(work)
    if known == "sticks":
        return _by_sticks(work)
    return _by_bow(work) if known == "bow" else {}


def _by_beds(work: Work) -> Mapping[str, Any]:
    """Beds, the paths between them (those not given are as wide as the least), what is kept clear, and the posts."""
    inside = work.design.inside
    beds = inside.own_beds_m
    if not beds:
        return {}
    gaps = len(beds) - 1
    given = inside.own_paths_m[:gaps]
    floor_m = sum(beds) + sum(given) + (gaps - len(given)) * inside.path_m + 2 * inside.wall_m
    span_m = floor_m - bow_tube(work).od_m if inside.to == "skin" else floor_m + post_tube(work).od_m
    return {"inside.along_walls": "own", SPAN: _in_range(work, SPAN, span_m, "inside.own_beds_m", "These beds")}


def _by_sticks(work: Work) -> Mapping[str, Any]:
    """As many bows as the sticks make, at their spacing."""
    start, bows = work.design.start, work.design.bows
    if start.have is None:
        return {}
    # Cut for a height of one's own, a bow takes what it takes, whatever number was told.
    needed = len(split_of(work).pieces)
    each = (bows.sticks if bows.cut == "whole" else None) or needed
    count = start.have // each
    if count < 2:
        sentence = words.too_few_sticks(start.have, each, 2 * each)
        raise DesignError([Trouble(path="start.have", sentence=sentence, nearest_m=2 * each, nearest=str(2 * each))])
    length_m = (count - 1) * bows.max_spacing_m
    return {LENGTH: _in_range(work, LENGTH, length_m, "start.have", "So many sticks"), "bows.count": count}


def _by_bow(work: Work) -> Mapping[str, Any]:
    """Centre to centre of what was taped to a side of the tube."""
    start, od_m, size = work.design.start, bow_tube(work).od_m, work.design.size
    found: dict[str, Any] = {}
    span_m = size.span_m
    if start.wide_m is not None:
        span_m = start.wide_m + {"inside": od_m, "centres": 0.0, "outside": -od_m}[start.wide_to]
        found[SPAN] = span_m = _in_range(work, SPAN, span_m, "start.wide_m", "That")
    if start.high_m is not None:
        height_m = start.high_m + (od_m / 2 if start.high_to == "underside" else -od_m / 2)
        if size.shape.kind == "round_on_legs":
            leg_m = height_m - span_m / 2
            if leg_m < 0:
                least = work.say(start.high_m - leg_m, "up")
                sentence = words.half_circle_higher(least)
                raise DesignError([Trouble(path="start.high_m", sentence=sentence, nearest=least)])
            found[LEG] = _in_range(work, LEG, leg_m, "start.high_m", "That")
        elif isinstance(size.shape, SprungPipe):
            found[PIPE] = _in_range(work, PIPE, _pipe_m(size.shape, span_m, height_m), "start.high_m", "That")
        else:
            found[HEIGHT] = _in_range(work, HEIGHT, height_m, "start.high_m", "That")
    return found


def _pipe_m(shape: SprungPipe, span_m: float, height_m: float) -> float:
    try:
        return shape.as_high(span_m, height_m)["pipe_m"]
    except ProfileError as error:
        raise DesignError([Trouble(path="start.high_m", sentence=error.sentence)]) from None


def _in_range(work: Work, path: str, value_m: float, told: str, what: str) -> float:
    limit = limit_of(path)
    assert limit is not None
    if math.isfinite(value_m) and limit.least <= value_m <= limit.most:
        return value_m
    reach = f"{limit.label.lower()} of {work.say(value_m)}"
    between = f"{limit.text(limit.least, work.tape, 'up')} to {limit.text(limit.most, work.tape, 'down')}"
    raise DesignError([Trouble(path=told, sentence=words.not_planned(what, reach, between))])
