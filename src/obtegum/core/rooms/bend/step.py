"""Bend: the former, what springs back, the pulls and their marks, the trial bend, and the house that it makes."""

import math
from functools import partial

from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.strip import Band, Strip
from obtegum.core.drawing.verdict import NEVER, Verdict, judge, verdict_on
from obtegum.core.face.answers import count_answer, length_answer, settled
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.skeleton.bending import (
    bend_kinds,
    bends_of,
    bent_stretches,
    came_out_m,
    came_out_of_each_m,
    first_former_m,
    former_wanted,
    formers_m,
    is_formed,
    made_bow,
    make_up,
    pulls_of,
    tails,
    trial_of,
    tried_this_tube,
)
from obtegum.core.findings.skeleton.bows import along_tube, split_of
from obtegum.core.findings.skeleton.line import headroom_m
from obtegum.core.findings.skeleton.posts import hands_force, play_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.bending import bending_moment, former_limit
from obtegum.core.formulas.bows.sticks import Piece
from obtegum.core.rooms.bend import heated, sprung, words
from obtegum.core.rooms.bend.feet import feet_verdicts
from obtegum.core.rooms.bend.heated import is_heated, is_plastic
from obtegum.core.rooms.bend.pulls import lever_m, tightest_former, told_pulls
from obtegum.core.rooms.bend.sprung import spring_of
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import angle_text, percent_text

__all__ = ["plan", "stands", "strips", "verdicts"]

_verdict = partial(verdict_on, "bend", part="bow")

SAME = 1e-6
HOT = ("bending.by", "bending.oven_sticks", "bending.oven_s", "bending.cool_s", "bending.forms", "bending.form")
FORM = ("form", "chord", "ordinate", "centre")
PRICES = ("bending.stick_price", "bending.hour_price")
JOINED = "A joined bow is long and springs: two people carry it, and nobody stands under it."
CAUTION = "Levers slip and tube whips back: stand beside it, never in line; eyes and gloves; two people on a bow."


def _on_former(work: Work) -> bool:
    return is_formed(work) and bool(bends_of(work))


def verdicts(work: Work) -> list[Verdict]:
    """Whether the former makes this bow, whether the tube stands it, and what the tails do to the house."""
    if is_plastic(work) or spring_of(work) is not None:
        return [*sprung.verdicts(work), *feet_verdicts(work), *heated.verdicts(work)]
    if not _on_former(work):
        return []
    return [*_kink_verdicts(work), *_tail_verdicts(work), *_former_verdicts(work), _made_verdict(work)]


def _kink_verdicts(work: Work) -> list[Verdict]:
    """Tube bent too tightly flattens or kinks."""
    tightest = min(arc.radius_m for arc in bend_kinds(work))
    least = work.rules.bend_least_diameters * bow_tube(work).od_m
    ratio = least / tightest
    level = judge(ratio, work.rules.holds_to)
    if level == "holds":
        return []
    shown, limit = work.say(tightest, "down"), work.say(least, "up")
    sentence = words.kinks(shown, limit)
    return [_verdict("bend-tight", "Tight bend", level, sentence, shown, limit, ratio, rank="stands")]


def _tail_verdicts(work: Work) -> list[Verdict]:
    """A bend that lies wholly within the tails of its stick can't be made."""
    for piece in split_of(work).pieces:
        straight_m = sum(tails(work, piece))
        made = sum(high - low for low, high, _ in bent_stretches(work, piece))
        edges = [(along_tube(work, bend.start_m), along_tube(work, bend.end_m)) for bend in bends_of(work)]
        wanted = sum(max(min(to, piece.to_m) - max(fro, piece.from_m), 0.0) for fro, to in edges)
        if wanted > SAME and made <= SAME:
            tail, bend = work.say(straight_m, "up"), work.say(wanted, "down")
            sentence = words.all_tail(piece.name, tail, bend)
            # A bend at one end may be shorter than what stays straight there, and longer than the other.
            share = straight_m / wanted if straight_m > wanted else None
            return [_verdict("tails-long", "Tails", "fails", sentence, tail, bend, share)]
    return []


def _former_verdicts(work: Work) -> list[Verdict]:
    """A former so wide that the tube springs back straight."""
    limit_m = former_limit(bow_tube(work))
    former_m = max((each for each in formers_m(work) if each is not None), default=None)
    if former_m is None or trial_of(work) is not None or former_m < limit_m:
        return []
    shown, limit = work.say(former_m), work.say(limit_m, "down")
    sentence = words.never_set(shown, limit)
    return [_verdict("no-set", "Former", "fails", sentence, shown, limit, former_m / limit_m)]


def _made_verdict(work: Work) -> Verdict:
    """The house that former and tails make, against the one that is wanted."""
    size, made = work.design.size, made_bow(work)
    off_span, off_height = made.span_m - size.span_m, made.height_m - size.height_m
    off_m = max(abs(off_span), abs(off_height))
    limit_m = work.rules.as_bent_off_share * size.span_m
    ratio = min(off_m / limit_m, NEVER)
    level = judge(ratio, work.rules.holds_to)
    number, limit = work.say(off_m, "up"), work.say(limit_m, "down")
    wide = f"{work.say(abs(off_span))} {'wider' if off_span >= 0 else 'narrower'}"
    high = f"{work.say(abs(off_height))} {'higher' if off_height >= 0 else 'lower'}"
    lean = abs(made.lean_rad)
    why = _why(work)
    leans = angle_text(lean, "up") if lean > math.radians(0.1) else ""
    own = ""
    for arc, former_m in zip(bend_kinds(work), formers_m(work), strict=True):
        if former_m is not None and former_m > arc.radius_m:
            own = work.say(arc.radius_m)
    spoilt = _spoilt(work, off_span, off_height, lean)
    share = _forced_share(work, off_span, lean)
    told: float | None = ratio
    if level == "holds" and spoilt:
        # Small beside the house, and still not what the sockets or a head take without a word.
        level, told = "tight", None
    if share > 1:
        level, told = "fails", max(ratio, share)
    sentence = words.comes_out(why, wide, high, leans, own, spoilt, level == "fails")
    return _verdict("as-bent", "As it comes out", level, sentence, number, limit, told)


def _forced_share(work: Work, off_span: float, lean: float) -> float:
    """The share of what hands force that it takes to bring both ends into their posts; 0 where they go in."""
    forced = hands_force(work, off_span / 2, lean) if play_of(work) is not None else None
    return 0.0 if forced is None else forced[2]


def _spoilt(work: Work, off_span: float, off_height: float, lean: float) -> list[str]:
    """What a bow that comes out otherwise spoils: the play of its sockets, and the room to stand."""
    found = list[str]()
    each_m = abs(off_span) / 2
    forced = hands_force(work, each_m, lean) if play_of(work) is not None else None
    if forced is not None:
        off_beyond_m, lean_beyond, share = forced
        off, beyond = work.say(each_m, "up"), (work.say(off_beyond_m, "up"), angle_text(lean_beyond, "up"))
        found.append(words.off_its_post(off, angle_text(lean, "up"), *beyond, share <= 1))
    room_m = headroom_m(work) - work.design.size.figure.height_m
    if 0 <= room_m < -off_height:
        found.append(words.stoops(work.say(room_m, "down")))
    return found


def _why(work: Work) -> str:
    left = [out_m for out_m in came_out_of_each_m(work) if out_m is not None]
    tailed = make_up(work) < 1 - SAME
    straight = any(math.isinf(out_m) for out_m in left)
    told = [] if straight else [work.say(out_m) for out_m in left]
    return words.made_with(told, tailed, trial_of(work) is not None, straight)


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    springs = spring_of(work) is not None
    return Standing(
        id="bend",
        title="Bend",
        group="Frame",
        state=settled(found) if springs or is_plastic(work) or _on_former(work) else "open",
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    if spring_of(work) is not None:
        return _sprung(work, found)
    if is_plastic(work):
        return _heated(work, found)
    on_former = _on_former(work)
    pieces = [piece for piece in split_of(work).pieces if bent_stretches(work, piece)] if on_former else []
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION if work.design.bows.making != "parts" else JOINED,
        measures=(
            "bows.making",
            *(
                (
                    "bending.former_m",
                    *(("bending.crown_former_m",) if len(bend_kinds(work)) > 1 else ()),
                    *(("bending.former_to",) if any(each is not None for each in formers_m(work)) else ()),
                    "bending.reach_m",
                    "bending.tail_m",
                )
                if on_former
                else ()
            ),
            *(("record.trial.chord_m", "record.trial.height_m", "record.trial.face") if on_former else ()),
        ),
        answers=tuple(_answers(work)) if on_former else (),
        leads=("former", "came_out", "made", "pulls", "lever"),
        views=("made", "form", "across"),
        strips=tuple(f"pulls:{piece.name}" for piece in pieces)
        or tuple(f"stick:{piece.name}" for piece in split_of(work).pieces),
        grips=(),
        focus=("bow", "made", "pull", "radius", "former", "tube", "height", "span", "leg", *FORM),
        how=tuple(told_pulls(work, pieces[0])) if pieces else (),
        how_title="The pulls of the first stick",
    )


def _sprung(work: Work, found: list[Verdict]) -> StepPlan:
    """The step of pipe that is sprung."""
    return StepPlan(
        **stands(work, found),
        next=sprung.next_words(work),
        caution=sprung.CAUTION,
        measures=("size.shape.pipe_m", "size.shape.feet", "strength.plastic", "bows.tube", *PRICES),
        aside=PRICES,
        answers=tuple(sprung.answers(work)),
        leads=("pipe", "tightest", "strain", "used", "thrust", "held_out"),
        views=("made", "shaping", "form"),
        strips=("spring:pipe",),
        grips=("size.span_m", "size.shape.height_m", "size.shape.pipe_m"),
        focus=("bow", "strain", "fence", "push", "arc", "span", "height", "socket", "crown", *FORM, "way"),
    )


def _heated(work: Work, found: list[Verdict]) -> StepPlan:
    """The step of plastic pipe that is bent hot, or should be."""
    hot, pieces = is_heated(work), split_of(work).pieces
    return StepPlan(
        **stands(work, found),
        next=heated.next_words(work),
        caution=heated.CAUTION if hot else sprung.CAUTION,
        measures=("strength.plastic", *(HOT if hot else ()), "size.shape", "bows.tube", *PRICES),
        aside=("size.shape", "bows.tube", "bending.form", *PRICES),
        answers=tuple(heated.answers(work)) if hot else (),
        leads=("form", "heated", "sand", "batches", "hot_hours"),
        views=("form", "shaping", "made") if hot else ("made", "shaping"),
        strips=tuple(each.id for each in heated.strips(work)) or tuple(f"stick:{piece.name}" for piece in pieces),
        grips=(),
        focus=("bow", "made", *FORM, "way"),
    )


def _next(work: Work) -> str:
    making = work.design.bows.making
    if not bends_of(work):
        return "Nothing is bent: the pieces are straight."
    if making == "rolls":
        radii = " and ".join(work.say(arc.radius_m) for arc in bend_kinds(work))
        return f"Roll to {radii}, to the tube’s centre, checking against a floor line."
    if making in ("parts", "elbows"):
        return "Bought bent: check the first one on the floor against the drawing."
    if trial_of(work) is None:
        if not tried_this_tube(work):
            return "The trial was of another tube: bend one stick of this one, and type its two numbers anew."
        return (
            "Bend one stick, lay it down, tape end to end of its arc and the middle’s distance off that, and type both."
        )
    kept = made_bow(work)
    size = work.design.size
    return (
        f"The trial makes a house {work.say(kept.span_m)} wide and {work.say(kept.height_m)} high; "
        f"{work.say(size.span_m)} and {work.say(size.height_m)} were wanted."
    )


def _answers(work: Work) -> list[Answer]:
    found: list[Answer] = []
    names = [""] if len(bend_kinds(work)) == 1 else [", shoulder", ", crown"]
    to_face = bow_tube(work).od_m / 2
    tails = ", tighter by what the straight ends don’t turn" if make_up(work) < 1 - SAME else ""
    for number, (arc, name) in enumerate(zip(bend_kinds(work), names, strict=False), start=1):
        wanted_m = former_wanted(work, arc)
        found.append(
            length_answer(
                work, f"former_{number}", f"Former wanted{name}, its face", wanted_m - to_face,
                f"{work.say(wanted_m)} to the tube’s centre, for {work.say(arc.radius_m * make_up(work))} free{tails}",
            )
        )  # fmt: skip
    for number, (out_m, name) in enumerate(zip(came_out_of_each_m(work), names, strict=True), start=1):
        if out_m is not None and not math.isinf(out_m):
            label = f"Your former leaves{name}"
            place = "came_out" if number == 1 else f"came_out_{number}"
            found.append(length_answer(work, place, label, out_m, "to the tube’s centre"))
    trial, own_m, out_m = trial_of(work), first_former_m(work), came_out_m(work)
    if trial is not None:
        on = f"on a former of {work.say(trial.former_m)} to the centre"
        found.append(length_answer(work, "trial", "The trial came out", trial.radius_m, on))
    if own_m is not None:
        kept = own_m / out_m if out_m else 0.0
        reading = percent_text(1 - kept, 1, rounded("springback"))
        note = "as tried" if trial is not None else "by yield and stiffness, until one is tried"
        found.append(
            Answer(id="springback", label="Springs back", reading=reading, value=1 - kept, unit="share", note=note)
        )
    made = made_bow(work)
    found += [
        length_answer(work, "made_span", "Bow comes out wide", made.span_m),
        length_answer(work, "made_height", "And high", made.height_m),
    ]
    counts = [sum(pulls.count for _, pulls, _ in pulls_of(work, piece)) for piece in split_of(work).pieces]
    told = ", ".join(
        f"{count} on stick {piece.name}" for piece, count in zip(split_of(work).pieces, counts, strict=True)
    )
    found.append(count_answer("pulls", "Pulls a bow", sum(counts), told))
    moment, arm_m = bending_moment(bow_tube(work), tightest_former(work)), lever_m(work)
    reach = "slide a pipe over the end" if arm_m > work.design.bending.tail_m else "the end is enough"
    found.append(
        length_answer(
            work, "lever", "Lever past the former, one person", arm_m,
            f"{reach}; {amount_text(moment, 'torque', work.tape.units, 'up')}",
        )
    )  # fmt: skip
    return found


def strips(work: Work) -> list[Strip]:
    """Each stick with a mark for each pull, from its plain end."""
    if is_plastic(work) or spring_of(work) is not None:
        return [*sprung.strips(work), *heated.strips(work)]
    if not _on_former(work):
        return []
    return [_strip(work, piece) for piece in split_of(work).pieces if bent_stretches(work, piece)]


def _strip(work: Work, piece: Piece) -> Strip:
    where, number, marks = f"pulls:{piece.name}", 0, []
    bands: list[Band] = []
    for start_m, pulls, _ in pulls_of(work, piece):
        for pull in range(pulls.count):
            number += 1
            at = start_m + pull * pulls.advance_m
            marks.append(work.mark(at, f"pull {number}", "bend", f"pull:{piece.name}{number}", where))
        end_m = start_m + pulls.count * pulls.advance_m
        marks.append(work.mark(end_m, "bend ends", "bend", f"pulled:{piece.name}{number}", where))
        bands.append(Band(from_m=start_m, to_m=end_m, what="bent", kind="bent"))
    advance = next((pulls.advance_m for _, pulls, _ in pulls_of(work, piece)), 0.0)
    return Strip(
        id=where,
        title=f"Pulls, stick {piece.name}" if len(split_of(work).pieces) > 1 else "Pulls",
        about=f"tape from the plain end · move on {work.say(advance)} a pull",
        material=bow_tube(work).material,
        length_m=piece.length_m,
        marks=tuple(marks),
        bands=tuple(bands),
    )
