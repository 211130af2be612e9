"""What follows from sticks that are used whole: the height."""

import math
from collections.abc import Mapping
from typing import Any

from obtegum.core.documents.size import FLATTEST, TALLEST, Size
from obtegum.core.findings.skeleton.bows import (
    girth_of,
    pieces_alike,
    pieces_height_m,
    pieces_tube_m,
    run_ends,
    runs_words,
    split_of,
    tube_m,
    whole_height_m,
    whole_tube_m,
)
from obtegum.core.findings.skeleton.shapes import height_for_girth, shape_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.sticks import MOST_STICKS
from obtegum.core.rooms.bows import words
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["derived"]

# How much tube half a step of height takes up at the most, of a step.
NEAR = 2.5
# By how much legs are tried shorter at a time, m.
LEG_STEP_M = {"feet": 0.0254, "metric": 0.02}


def derived(work: Work) -> Mapping[str, Any]:
    """The height (the legs of half a circle) that takes up the sticks, exact; of sticks that are cut that, too, where
    the height that was written reads the same. A number of sticks that half a circle can't take up makes one flatter
    arc; legs that leave too little for it are shorter.

    Raises: DesignError where no height does, with the nearest number of sticks that one does take up.
    """
    bows, size = work.design.bows, work.design.size
    if bows.cut == "own":
        return _by_pieces(work) if bows.own_pieces_m else {}
    if bows.cut == "cut":
        return _as_written(work)
    # Whoever begins with sticks has no height yet: the fewest that make a house are meant, not those of some height.
    wanted = 1 if work.design.start.known == "sticks" else len(split_of(work).pieces)
    sticks = bows.sticks or wanted
    # A number that nobody gave is the nearest that makes a house.
    nearest = _nearest(work, sticks)
    height_m = whole_height_m(work, sticks if bows.sticks or nearest is None else nearest)
    if height_m is None:
        # Nothing gives way to a number that nobody gave.
        other = _otherwise(work, sticks) if bows.sticks else None
        if other is None:
            raise DesignError([_trouble(work, sticks, nearest)])
        return other
    return _tall(size, height_m)


def _otherwise(work: Work, sticks: int) -> Mapping[str, Any] | None:
    """What else of the shape gives way to a number of sticks: half a circle is one flatter arc, legs are shorter."""
    size = work.design.size
    if size.shape.kind in ("sprung", "kneed") or sticks % (len(run_ends(work)) + 1):
        return None
    shape = size.shape
    if shape.kind == "round_on_legs":
        # The shorter its legs, the less of a corner at their heads: no longer than its posts stand out.
        shape = shape_of("round", size).model_copy(update={"leg_m": work.design.posts.reveal_m})
    least_m, girth_m = work.design.posts.reveal_m, girth_of(work, whole_tube_m(work, sticks))
    if shape.leg_m < least_m - 1e-9:
        return None
    step_m = LEG_STEP_M[work.tape.units]
    for place in range(max(math.ceil((shape.leg_m - least_m) / step_m), 0) + 1):
        leg_m = max(shape.leg_m - place * step_m, least_m)
        held = shape.model_copy(update={"leg_m": leg_m})
        height_m = height_for_girth(held, size.span_m, girth_m)
        if height_m is not None and FLATTEST <= (height_m - leg_m) / size.span_m <= TALLEST:
            return {"size.shape": held.model_copy(update={"height_m": height_m}).model_dump()}
    return None


def _as_written(work: Work) -> Mapping[str, float | int]:
    """A height, or a pipe, that stands on a mark of the tape within half a step of what whole sticks make: it is meant.

    Once it is theirs it stands on no mark, and isn't moved again as they change.
    """
    size, step_m = work.design.size, work.tape.step_m
    written_m = (size.height_m, getattr(size.shape, "pipe_m", size.height_m), size.leg_m)
    if not any(_on_mark(each, step_m) for each in written_m):
        return {}
    # A hair over so many sticks is one more.
    counts = (len(split_of(work).pieces) - part for part in range(len(run_ends(work)) + 2))
    # Only a bow that takes up all but what a step of its height is of them can be theirs.
    near = (each for each in counts if each > 0 and abs(whole_tube_m(work, each) - tube_m(work)) < NEAR * step_m)
    for height_m in (whole_height_m(work, count) for count in near):
        if height_m is None:
            continue
        for path, value in _tall(size, height_m).items():
            written = (size.height_m, height_m), (getattr(size.shape, path.rpartition(".")[2]), value)
            if any(_on_mark(now_m, step_m) and abs(now_m - whole_m) < step_m / 2 for now_m, whole_m in written):
                return {path: value}
    return {}


def _on_mark(value_m: float, step_m: float) -> bool:
    return abs(value_m - round(value_m / step_m) * step_m) < 1e-7


def _tall(size: Size, height_m: float) -> Mapping[str, float | int]:
    return {f"size.shape.{name}": value for name, value in size.shape.as_high(size.span_m, height_m).items()}


def _by_pieces(work: Work) -> Mapping[str, float | int]:
    """The height that the pieces of a bow that was bought bent make at this width."""
    height_m, size = pieces_height_m(work), work.design.size
    if height_m is not None:
        return _tall(size, height_m)
    if not pieces_alike(work):
        sentence = runs_words(work)
    else:
        joined, width = work.say(pieces_tube_m(work)), work.say(size.span_m)
        flat_m = height_for_girth(shape_of("round", size), size.span_m, girth_of(work, pieces_tube_m(work)))
        flat = work.say(flat_m) if size.shape.kind != "round" and flat_m is not None else ""
        sentence = words.no_house(joined, width, flat, size.leg_m > 0)
    raise DesignError([Trouble(path="bows.own_pieces_m", sentence=sentence)])


def _nearest(work: Work, sticks: int) -> int | None:
    """The number of whole sticks nearest to one that makes a house."""
    others = sorted(range(1, MOST_STICKS + 1), key=lambda count: abs(count - sticks))
    return next((count for count in others if whole_height_m(work, count) is not None), None)


def _trouble(work: Work, sticks: int, nearest: int | None) -> Trouble:
    stick, width = work.say(work.design.bows.stick_m), work.say(work.design.size.span_m)
    if nearest is None:
        return Trouble(path="bows.sticks", sentence=words.cut_them(sticks, stick, width))
    return Trouble(
        path="bows.sticks",
        sentence=words.nearest_sticks(sticks, stick, width, nearest),
        reason=words.no_sticks(sticks, stick, width),
        nearest_m=nearest,
        nearest=str(nearest),
    )
