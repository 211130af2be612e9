"""Braces: where each goes, what is cut, what wind along asks of them, and what holds the frame until they are in."""

import math
from collections.abc import Iterator
from typing import Literal

from obtegum.core.drawing.step import Answer, Standing, StepPlan, StepState, Told
from obtegum.core.drawing.strip import Strip, StripMark
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.answers import amount_answer, angle_answer, count_answer, length_answer, settled
from obtegum.core.face.goods import by_piece
from obtegum.core.findings.skeleton.braces import (
    brace_tube,
    braces_of,
    head_m,
    tie_edge_m,
    tie_seen,
    tied_bows,
    ties_of,
)
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.braces.draw import slope
from obtegum.core.rooms.braces.found import alike_of, along_of, cut_m, holding, pulling, tie_cut_m, twists
from obtegum.core.rooms.braces.goods import goods
from obtegum.core.rooms.braces.tied import ties_asked
from obtegum.core.values.amount import amount_text
from obtegum.core.values.trouble import begun

__all__ = ["plan", "stands", "strips"]

CAUTION = "Nobody climbs a frame that isn’t braced. Stays hold it until then; two people to a bow that is being raised."


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    unknown = any(each.level == "unknown" for each in found)
    done = work.record.braced.are == "tight" and all(each.level == "holds" for each in found)
    state: StepState = "open" if unknown else "done" if done else settled(found)
    return Standing(id="braces", title="Braces", group="Frame", state=state)


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    braces = work.design.braces
    flat = braces.end == "flat"
    more = ("braces.tube", "braces.end", *(("braces.edge_m", "braces.bolt_m") if flat else ("braces.clamp_n",)))
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=(
            "braces.bays",
            *(("braces.cross", "braces.spans", "braces.head_m", "braces.foot_m") if braces.bays else ()),
            "braces.ties",
            *(("braces.tie_m", "braces.every", "braces.of") if braces.ties != "none" else ()),
            *(("braces.board",) if braces.ties != "none" and braces.of == "board" else ()),
            *(("braces.gap_m",) if braces.ties in ("collar", "truss") else ()),
            *(("braces.low_m",) if braces.ties == "knee" else ()),
            *(more if braces.bays or braces.ties != "none" else ()),
            *(("record.braced.are",) if braces.bays else ()),
        ),
        aside=more,
        answers=tuple(_answers(work)),
        leads=("brace_cut", "braces", "brace_pull", "collar_cut"),
        views=("braced", *(("tied",) if braces.ties != "none" else ()), "along"),
        strips=(
            *((each.id for each in strips(work) if each.id.startswith("brace")) if braces.bays else ("run:bow",)),
            *((ties_of(work)[0].what,) if braces.ties != "none" else ()),
        ),
        grips=("braces.head_m", "braces.foot_m", "braces.tie_m"),
        focus=("brace", "collar", "strut", "run"),
        how=tuple(Told(words=words) for words in _until(work)),
        how_title="What holds it, and until when",
    )


def _next(work: Work) -> str:
    if work.design.braces.bays is None:
        return "How many bays of each side are braced?"
    if not work.design.braces.bays:
        return "Brace a bay at both ends of each side."
    are, braces = work.record.braced.are, braces_of(work)
    if are == "loose":
        return "No stay leaves yet: pull the frame plumb, then tighten every brace."
    if are == "tight":
        return "Stays may leave, one by one, from the braced bays on."
    cut = [(each.count, work.say(cut_m(work, each.brace.long_m))) for each in alike_of(work)]
    if len(cut) == 1:
        return f"Cut {len(braces)} braces, {cut[0][1]} each, before the first bow stands."
    told = " and ".join(f"{count} of {long}" for count, long in cut)
    return f"Cut {len(braces)} braces, {told}, before the first bow stands."


def _until(work: Work) -> Iterator[str]:
    """Temporary works: when each goes in, and the earliest that it may leave."""
    yield "The first two bows and the run between them stand on stays to both sides and both ways along: four at least."
    yield "Each third bow after it has a stay until runs tie it to a braced bay; none leaves before that bay is bolted."
    yield "Bows stand under props at the crown only while collars or struts are still to come."
    yield "Braces in loosely, the frame pulled plumb, then their bolts tight: now the stays may leave, one by one."
    if work.design.braces.ties in ("collar", "truss"):
        height = work.say(work.design.braces.tie_m)
        yield f"Collars to a level string at {height} from end bow to end bow: pulled in by hand, not by the bolt."
    yield "Wind over a stiff breeze, or work left overnight: stays stay, whatever else stands."


def _twisted(work: Work, pull_n: float) -> Iterator[Answer]:
    """What a brace's pull at one face of the bow twists it by, and who takes that."""
    if work.design.braces.end != "flat" or bow_tube(work).material != "steel":
        return
    twisted, units = twists(work), work.tape.units
    takes = amount_text(twisted.takes_n * twisted.arm_m, "torque", units, "down")
    note = "the run beside its head takes it" if twisted.run else f"no run is near: the bow takes {takes}"
    yield amount_answer(work, "brace_twists", "Twists the bow at its bolt", pull_n * twisted.arm_m, "torque", note)


def _answers(work: Work) -> Iterator[Answer]:
    braces, found = work.design.braces, braces_of(work)
    if found:
        alike, bow = alike_of(work), centre_line(work)
        yield count_answer(
            "braces", "Braces", len(found), f"{len(found) // 2} a side, {min(pulling(work))} pull at once"
        )
        ends = "with both flat ends" if braces.end == "flat" else "from clamp to clamp"
        for place, same in enumerate(alike):
            tail, many = f"_{place + 1}" if place else "", "each" if len(alike) == 1 else f"{same.count} of them"
            odd = ", in the odd bay" if place else ""
            yield length_answer(work, f"brace_cut{tail}", f"Cut {many}{odd}", cut_m(work, same.brace.long_m), ends)
            yield length_answer(work, f"brace_holes{tail}", f"Hole to hole{odd}", same.brace.long_m)
            yield angle_answer(f"brace_steep{tail}", f"To the ground{odd}", math.asin(same.brace.up))
        lean = bow.heading(min(bow.at_y(head_m(work)), default=0.0))
        yield angle_answer("brace_lean", "Bow leans at its head", math.pi / 2 - lean)
    along = along_of(work)
    if along is not None and found:
        yield amount_answer(work, "along_ends", "Wind along, both ends", along.ends_n, "force", along.sheet[-3].clause)
        yield amount_answer(
            work, "along_steadies", "Steadying the bows, a side", along.steadies_n, "force", "2 % of what presses them"
        )
        if math.isfinite(along.brace_n):
            yield amount_answer(work, "brace_pull", "Pulls each brace", along.brace_n, "force")
            yield from _twisted(work, along.brace_n)
            yield amount_answer(
                work, "brace_lift", "Lifts its foot", along.lift_n, "force", "counted in what the posts must hold"
            )
    holds = holding(work)
    if holds.holds_n is not None and found:
        yield amount_answer(
            work, "brace_holds", f"A brace holds, by {holds.what}", holds.holds_n, "force", holds.source
        )
    yield from _ties(work)
    for each in ties_asked(work):
        note = f"{each.pulled_in}; pressed by {amount_text(each.pressed_n, 'force', work.tape.units, 'up')}"
        yield amount_answer(work, f"{each.what}_pull", f"Pulls a {each.what}", each.pulled_n, "force", note)
    yield from _fastened(work)


def _fastened(work: Work) -> Iterator[Answer]:
    """Bolts through flattened ends and boards, or clamps with theirs."""
    for good in goods(work):
        name = {"brace-bolt": "brace_bolts", "brace-clamp": "brace_clamps", "truss-bolt": "truss_bolts"}[good.id]
        yield count_answer(name, begun(good.named(2)), by_piece(good), f"{good.size}; without spares")


def _ties(work: Work) -> Iterator[Answer]:
    """Collars and struts, what is cut for each."""
    bows = len(tied_bows(work))
    ties = ties_of(work)
    for tie in ties[:1] if work.design.braces.ties == "knee" else ties[:2]:
        many = bows * (1 if tie.what == "collar" else 2)
        yield length_answer(
            work, f"{tie.what}_cut", f"{tie.what.capitalize()}, cut", tie_cut_m(work, tie.long_m), f"{many} of them"
        )
        if tie.what != "collar":
            yield angle_answer(f"{tie.what}_steep", f"{tie.what.capitalize()} to the level", slope(tie))
        else:
            bow = centre_line(work)
            yield angle_answer("collar_bevel", "Bow to the collar", bow.heading(bow.at_y(work.design.braces.tie_m)[0]))


def strips(work: Work) -> list[Strip]:
    """A brace and a collar laid straight: flattened ends, holes, cut."""
    found = list[Strip]()
    for place, each in enumerate(alike_of(work)):
        found.append(
            _laid(
                work,
                f"brace-{place + 1}" if place else "brace",
                f"brace:{each.brace.name}",
                each.brace.long_m,
                f"{each.count} alike" + (", in the odd bay" if place else ""),
                work.design.braces.edge_m if work.design.braces.end == "flat" else 0.0,
                "plastic" if brace_tube(work).material == "plastic" else "steel",
            )
        )
    if ties_of(work):
        tie, count = ties_of(work)[0], len(tied_bows(work)) * (2 if work.design.braces.ties == "knee" else 1)
        found.append(_laid(work, tie.what, tie.part, tie.long_m, f"{count} alike", tie_edge_m(work), tie_seen(work)[0]))
    return found


def _laid(
    work: Work,
    name: str,
    part: str,
    holes_m: float,
    about: str,
    edge_m: float,
    material: Literal["steel", "plastic", "board"],
) -> Strip:
    long_m = holes_m + 2 * edge_m
    marks: list[StripMark] = []
    if edge_m:
        for number, at in enumerate((edge_m, edge_m + holes_m), start=1):
            marks.append(work.mark(at, "hole", "socket", f"hole:{name}:{number}", name))
    marks.append(work.mark(long_m, "cut", "cut", part, name))
    return Strip(
        id=name,
        title=name.partition("-")[0].capitalize(),
        about=f"tape from its end · {about}",
        material=material,
        length_m=long_m,
        marks=tuple(marks),
    )
