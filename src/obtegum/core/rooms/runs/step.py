"""Runs: where each lies, what it is laid of, how bows and runs are marked for each other, and in what order."""

import math
from collections.abc import Iterator
from typing import Literal

from obtegum.core.drawing.step import Answer, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Strip, StripMark
from obtegum.core.drawing.verdict import Verdict, judge, verdict_on
from obtegum.core.face.answers import count_answer, length_answer, settled
from obtegum.core.face.goods import by_piece
from obtegum.core.face.stock import sticks_for
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import tube_m
from obtegum.core.findings.skeleton.runs import (
    Piece,
    Run,
    deep_m,
    held_m,
    holds_m,
    piece_m,
    pieces_of,
    ripped,
    run_long_m,
    run_tube,
    runs_of,
    section_of,
)
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.frame.section import round_section
from obtegum.core.rooms.runs import words
from obtegum.core.rooms.runs.goods import goods
from obtegum.core.rooms.runs.parts import parts
from obtegum.core.values.trouble import begun

__all__ = ["REACH_M", "plan", "stands", "strips", "verdicts"]

CAUTION = (
    "Nobody climbs on the bows. Ladder on firm ground, a bucket for tools; goggles: drill chips fall into the eyes."
)
# AISC 360-16 E2, user note: what is pressed along is no more slender than this.
SLENDER = 200.0
# What a hand reaches from the ground, m (this bench).
REACH_M = 2.1


def verdicts(work: Work) -> list[Verdict]:
    """Whether a run is stout enough to hold a bow beside itself."""
    if work.design.runs.of == "laths":
        sentence = words.laths()
        return [verdict_on("runs", "run-slender", "Runs", "unknown", sentence, "not known", "", None, "run")]
    tube = run_tube(work)
    section = round_section(tube.od_m, tube.wall_m, tube.yield_pa, tube.elastic_pa)
    slender = bays_of(work).bay_m / section.gyration_m
    number = f"{math.ceil(slender - 1e-9)}"
    sentence = words.slender(number, f"{SLENDER:.0f}")
    ratio = slender / SLENDER
    level = judge(ratio, work.rules.holds_to)
    return [verdict_on("runs", "run-slender", "Runs", level, sentence, number, f"{SLENDER:.0f}", ratio, "run")]


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(id="runs", title="Runs", group="Frame", state=settled(found))


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    runs = work.design.runs
    long_ = runs.of == "long"
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=(
            *(("runs.heights_m",) if runs.spread == "heights" else ("strength.runs",)),
            "runs.spread",
            "runs.lie",
            "runs.of",
            *(("runs.board", "runs.strip_m") if runs.of == "laths" else ("runs.tube",)),
            "runs.stick_m",
            *(("runs.joint",) if long_ else ("runs.take_m",)),
            *(("runs.joint_m",) if long_ and runs.joint != "coupler" else ()),
            "runs.mark",
            "runs.first",
            "runs.screws",
            "runs.spare",
        ),
        aside=("runs.mark", "runs.first", "runs.screws", "runs.spare"),
        answers=tuple(_answers(work)),
        leads=("run_sticks", "run_long", "run_clamps"),
        views=("runs", "across", "along"),
        strips=("run:bow", *(("run:odd", "run:even") if len(runs_of(work)) > 1 else ("run:odd",)), *_gauged(work)),
        grips=(),
        focus=("run", "splice", "bow", "bay"),
        how=tuple(Told(words=said) for said in _order(work)),
        how_title="In this order",
    )


def _gauged(work: Work) -> tuple[str, ...]:
    return ("run:gauge",) if work.design.runs.mark == "gauge" else ()


def _next(work: Work) -> str:
    places = ", ".join(work.say(run.at_m) for run in runs_of(work)[:3])
    more = "" if len(runs_of(work)) <= 3 else " and on"
    return f"Mark every bow’s tube from its left end, while it lies: {places}{more}."


def _order(work: Work) -> Iterator[str]:
    """Marking and putting up, by the way that was chosen."""
    runs, bay = work.design.runs, work.say(bays_of(work).bay_m)
    yield "Every bow is marked for every run from its left end before it stands: nobody measures up there."
    if runs.mark == "posts":
        yield "Each run is laid along its row of posts and marked at every post: so runs carry the posts as they stand."
    elif runs.mark == "stacked":
        yield f"All runs side by side, front ends level, marked across together by the tape below: a bow each {bay}."
    else:
        yield f"A stick cut to {work.say(_gap(work))} between bows; over the whole the tape is right."
    lowest = "the lowest at both sides, which steadies the feet of the bows" if runs.first == "sides" else "the ridge"
    yield f"First {lowest}; clamps finger-tight until the house is plumb."
    if runs.lie == "through":
        free = work.say(_slides(work), "up")
        yield f"Runs are slid in from an end, before it closes: {free} of free ground is wanted there."
    if runs.lie == "over":
        step = work.say(bow_tube(work).od_m + deep_m(work))
        yield f"At the two end bows it passes under, {step} lower: another clamp there, so that no end stands proud."
    yield "Ends flush with the end bows and under the film; cut edges smoothed and taped."


def _gap(work: Work) -> float:
    """A gauge stick's length, m: the bay less the bow."""
    return bays_of(work).bay_m - bow_tube(work).od_m


def _slides(work: Work) -> float:
    """Free length that a run wants before the end, m: its longest piece, joined as it goes in."""
    return max(piece.length_m for piece in pieces_of(work))


def _answers(work: Work) -> Iterator[Answer]:
    runs, pieces = work.design.runs, pieces_of(work)
    yield count_answer("runs", "Runs", len(runs_of(work)), "the ridge among them" if len(runs_of(work)) % 2 else "")
    yield length_answer(work, "run_long", "Each, flush with both ends", run_long_m(work))
    laid = {"pieces": f"{len(pieces)} pieces", "laths": f"{len(pieces)} laths, {ripped(work)} to a board’s width"}
    of = laid[runs.of] if runs.of != "long" else f"{len(pieces) - len(runs_of(work))} splices"
    label = "Boards to buy" if runs.of == "laths" else "Sticks to buy"
    yield count_answer(
        "run_sticks", label, sticks_for(parts(work), work.rules.kerf_m), f"of {work.say(runs.stick_m)}, {of}"
    )
    if runs.of != "long":
        bay, odd_m = piece_m(work, bays_of(work).bay_m), bays_of(work).odd_m
        yield length_answer(work, "run_piece", "Piece in a bay", bay)
        if odd_m is not None:
            yield length_answer(work, "run_odd", "Piece in the odd bay", piece_m(work, odd_m))
    else:
        shortest = min(pieces, key=lambda piece: piece.length_m)
        yield length_answer(work, "run_cut", "Shortest cut", shortest.length_m, f"piece {shortest.number}")
    yield from _fastened(work)
    free = (
        "no bay is braced, so nothing does" if work.design.braces.bays == 0 else "between runs, or a run and the post"
    )
    yield length_answer(work, "run_held", "Bow held beside itself each", held_m(work), free)
    if runs.lie == "through":
        yield length_answer(work, "run_slides", "Free ground to slide it in", _slides(work))


# Which answer tells a good.
TELLS = {
    "run-fitting": "run_clamps",
    "run-clamp": "run_clamps",
    "run-bracket": "run_clamps",
    "run-clamp-under": "run_under",
    "run-coupler": "run_couplers",
    "run-screw": "run_screws",
}


def _fastened(work: Work) -> Iterator[Answer]:
    """Clamps or fittings, couplers and screws, spares with them; those of a glued grid are told there."""
    for good in (good for good in goods(work) if good.id in TELLS):
        note = f"{good.amount:g} put in, the others spare"
        yield count_answer(TELLS[good.id], begun(good.named(2)), by_piece(good), note)


def strips(work: Work) -> list[Strip]:
    """A bow's tube with its runs, both kinds of run with their bows, splices and cuts, and the gauge stick."""
    found, runs = [_on_bow(work)], runs_of(work)
    found += [
        _on_run(work, name, runs[place::2], place) for place, name in enumerate(("odd", "even")) if len(runs) > place
    ]
    gap = _gap(work)
    gauge = work.mark(gap, "cut", "cut", "gauge", "run:gauge")
    if gap > 0:
        found.append(
            Strip(
                id="run:gauge",
                title="Gauge stick",
                about="goes between two bows, faces touching",
                material="board",
                length_m=gap,
                marks=(gauge,),
            )
        )
    return found


def _on_bow(work: Work) -> Strip:
    marks = tuple(work.mark(run.at_m, run.words, "peg", f"run:{run.name}", "run:bow") for run in runs_of(work))
    return Strip(
        id="run:bow",
        title="On each bow",
        about=f"tape from the bow’s left end · {bays_of(work).bows} alike",
        material="plastic" if bow_tube(work).material == "plastic" else "steel",
        length_m=tube_m(work),
        marks=marks,
    )


def _on_run(work: Work, name: str, runs: tuple[Run, ...], place: int) -> Strip:
    """Where the bows are along a run, and where its pieces are cut and joined."""
    strip, long_m = f"run:{name}", run_long_m(work)
    planned, half_m = bays_of(work).stations_m, bow_tube(work).od_m / 2
    marks = [
        _bow_mark(work, strip, number, at, at - planned[number - 1] - half_m)
        for number, at in enumerate(holds_m(work), start=1)
    ]
    pieces: list[Piece] = [piece for piece in pieces_of(work) if piece.run == runs[0].name]
    if work.design.runs.of == "long":
        marks += [
            work.mark(piece.to_m, f"piece {piece.number} ends", "joint", f"splice:{piece.run}:{piece.number}", strip)
            for piece in pieces[:-1]
        ]
    marks.append(work.mark(long_m, "cut, flush with the last bow", "cut", f"run:{runs[0].name}:{len(pieces)}", strip))
    said = ", ".join(run.words for run in runs)
    return Strip(
        id=strip,
        title="Along the run" if place == 0 else "Its neighbours",
        about=f"tape from the front face · {said if len(said) < 60 else f'{len(runs)} runs'}",
        material=strip_material(work),
        length_m=long_m,
        marks=tuple(sorted(marks, key=lambda each: each.at_m)),
    )


def strip_material(work: Work) -> Literal["board", "plastic", "steel"]:
    """What a run is laid straight as."""
    material = section_of(work)[0]
    return "board" if material == "board" else "plastic" if material == "plastic" else "steel"


def _bow_mark(work: Work, strip: str, bow: int, at_m: float, off_m: float) -> StripMark:
    """A bow on a run, and by how much it is moved to where its posts stand."""
    if abs(off_m) < work.tape.step_m / 2:
        return work.mark(at_m, f"bow {bow}", "peg", f"bow:{bow}", strip)
    note = f"{work.say(abs(off_m))} {'on' if off_m > 0 else 'back'}, as its posts stand"
    return work.mark(at_m, f"bow {bow}", "peg", f"bow:{bow}", strip, state="moved", note=note)
