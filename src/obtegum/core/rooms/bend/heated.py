"""Plastic pipe that is bent hot over a form: sand, oven loads, batches, and the time that they take.

Filled with hot dry sand, or heated full of sand, so that it keeps its round; it takes the form's radius and nothing
springs back (engineering practice; the figures are this bench's until the first batch is timed).
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import partial

from obtegum.core.drawing.step import Answer
from obtegum.core.drawing.strip import Band, Strip
from obtegum.core.drawing.verdict import Verdict, judge, verdict_on
from obtegum.core.face.answers import amount_answer, count_answer, length_answer
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bending import bend_kinds, bends_of
from obtegum.core.findings.skeleton.bows import along_tube, split_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.bend import words
from obtegum.core.values.amount import amount_text

__all__ = ["CAUTION", "Batches", "answers", "batches_of", "is_heated", "is_plastic", "next_words", "strips", "verdicts"]

_verdict = partial(verdict_on, "bend", part="bow")

CAUTION = (
    "Hot sand and pipe burn, and hot plastic fumes: long sleeves, dry gloves, open air; dry sand, plugs that let air "
    "out, never a closed vessel."
)
# Dry sand, loose, kg/m³, and the tightest that hot pipe full of it is bent, in its own diameters (this bench).
SAND_KG_M3, LEAST_DIAMETERS = 1600.0, 4.0
SAME = 1e-6


@dataclass(frozen=True, slots=True)
class Batches:
    """The pieces that are heated for all bows, in how many batches, what the slowest of oven and forms takes for each,
    and all of it, s."""

    pieces: int
    batches: int
    each_s: float
    all_s: float


def is_plastic(work: Work) -> bool:
    return bow_tube(work).material == "plastic"


def is_heated(work: Work) -> bool:
    """Whether the bows are plastic pipe that is bent hot."""
    shape, strength = work.design.size.shape, work.design.strength
    return is_plastic(work) and shape.kind != "sprung" and strength.plastic == "heated" and bool(bends_of(work))


def _bent(work: Work) -> list[tuple[str, float, float]]:
    """What of each piece is bent: its name, from where to where, m from its end nearer the left foot."""
    edges = [(along_tube(work, bend.start_m), along_tube(work, bend.end_m)) for bend in bends_of(work)]
    found_ = []
    for piece in split_of(work).pieces:
        low = min((max(fro, piece.from_m) for fro, to in edges if to > piece.from_m and fro < piece.to_m), default=None)
        high = max((min(to, piece.to_m) for fro, to in edges if to > piece.from_m and fro < piece.to_m), default=None)
        if low is not None and high is not None and high - low > SAME:
            found_.append((piece.name, low - piece.from_m, high - piece.from_m))
    return found_


@found
def batches_of(work: Work) -> Batches:
    """How the pieces go through the oven and over the forms.

    The oven heats the next batch while this one is formed, so that each takes what the slower of the two takes.
    """
    bending = work.design.bending
    pieces = len(_bent(work)) * bays_of(work).bows
    batches = -(-pieces // bending.oven_sticks)
    formed_s = -(-min(bending.oven_sticks, pieces) // bending.forms) * bending.cool_s
    each_s = max(bending.oven_s, formed_s)
    last_s = -(-(pieces - (batches - 1) * bending.oven_sticks) // bending.forms) * bending.cool_s
    return Batches(pieces, batches, each_s, bending.oven_s + (batches - 1) * each_s + last_s)


def verdicts(work: Work) -> list[Verdict]:
    """Whether hot pipe bends so tightly; and that cold pipe keeps no bend."""
    if not is_heated(work):
        return _cold(work)
    tightest = min(arc.radius_m for arc in bend_kinds(work))
    least_m = LEAST_DIAMETERS * bow_tube(work).od_m
    ratio = least_m / tightest
    level = judge(ratio, work.rules.holds_to)
    tight, least = work.say(tightest, "down"), work.say(least_m, "up")
    sentence = words.keeps_round(tight, least) if level == "holds" else words.creases(tight, least)
    return [_verdict("heat-tight", "Form", level, sentence, tight, least, ratio, rank="stands")]


def _cold(work: Work) -> list[Verdict]:
    """Cold pipe that is drawn as if it kept a bend."""
    if not is_plastic(work) or work.design.size.shape.kind == "sprung" or not bends_of(work):
        return []
    sentence = words.cold()
    return [_verdict("cold-bend", "Cold pipe", "tight", sentence, "cold", "sprung or hot", None, rank="stands")]


def _sand(work: Work, length_m: float) -> tuple[float, float]:
    """Sand that fills a length of pipe: m³, kg."""
    volume_m3 = math.pi / 4 * bow_tube(work).bore_m ** 2 * length_m
    return volume_m3, volume_m3 * SAND_KG_M3


def answers(work: Work) -> Iterator[Answer]:
    """The form, what is bent and what stays straight, sand, batches and hours."""
    bending, od_m, units = work.design.bending, bow_tube(work).od_m, work.tape.units
    kinds = bend_kinds(work)
    names = [""] if len(kinds) == 1 else [", shoulder", ", crown"]
    for number, (arc, name) in enumerate(zip(kinds, names, strict=False), start=1):
        note = f"{work.say(arc.radius_m)} to the tube’s centre; nothing springs back"
        yield length_answer(work, f"form_{number}", f"Form’s radius{name}, its face", arc.radius_m - od_m / 2, note)
    bent = _bent(work)
    longest = max(high - low for _, low, high in bent)
    yield length_answer(work, "heated", "Heat at the most, of a piece", longest, "its ends stay cool and straight")
    straight = min(min(low, _length_m(work, name) - high) for name, low, high in bent)
    yield length_answer(work, "cool_end", "Straight end, at the least", straight)
    longest_piece = max(piece.length_m for piece in split_of(work).pieces)
    volume_m3, kg = _sand(work, longest_piece)
    _, at_once = _sand(work, longest_piece * bending.oven_sticks)
    note = f"{amount_text(kg, 'hung', units, 'up')}; {amount_text(at_once, 'hung', units, 'up')} in the oven at once"
    yield amount_answer(work, "sand", "Dry sand for a piece", volume_m3, "load", note)
    if bending.by == "halves":
        yield count_answer("joiners", "Joiners at the crown", bays_of(work).bows, "one a bow")
    batches = batches_of(work)
    pieces = f"{batches.pieces} pieces, {bending.oven_sticks} at once"
    yield count_answer("batches", "Oven loads", batches.batches, pieces)
    keep_up = math.ceil(min(bending.oven_sticks, batches.pieces) * bending.cool_s / bending.oven_s - SAME)
    slow = "the oven holds it up"
    if batches.each_s > bending.oven_s:
        slow = f"the form holds it up: {keep_up} forms keep up with the oven"
    each = amount_text(batches.each_s, "minutes", units, "up")
    yield amount_answer(work, "hot_hours", "All of it takes", batches.all_s, "hours", f"{each} a load; {slow}")


def _length_m(work: Work, name: str) -> float:
    """Length of a piece by its name, m."""
    return next(piece.length_m for piece in split_of(work).pieces if piece.name == name)


def next_words(work: Work) -> str:
    """What to do first."""
    if not is_heated(work):
        return "Choose how it comes to its shape: sprung cold, or bent hot over a form."
    where = "nailed to a floor" if work.design.bending.form == "floor" else "blocked out on a wall"
    return f"Draw the form from its centre and radius, {where}; bend one piece, let it cool in it, and check its ends."


def strips(work: Work) -> list[Strip]:
    """Each piece laid straight: from where to where it is heated."""
    if not is_heated(work):
        return []
    found_ = []
    for name, low, high in _bent(work):
        where, length_m = f"heat:{name}", _length_m(work, name)
        marks = [
            work.mark(low, "hot from here", "bend", f"hot:{name}1", where),
            work.mark((low + high) / 2, "middle, over the form’s middle", "crown", f"hot:{name}2", where),
            work.mark(high, "hot to here", "bend", f"hot:{name}3", where),
            work.mark(length_m, "cut", "cut", f"cut:{name}", where),
        ]
        if length_m - high < SAME:
            marks.pop(2)
        found_.append(
            Strip(
                id=where,
                title=f"Heat, piece {name}" if len(split_of(work).pieces) > 1 else "Heat",
                about=f"tape from the plain end · {bays_of(work).bows} alike",
                material="plastic",
                length_m=length_m,
                marks=tuple(marks),
                bands=(Band(from_m=low, to_m=high, what="hot", kind="bent"),),
            )
        )
    return found_
