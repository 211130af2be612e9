"""The row: each post as it was built, what to do with one that is off, and what leaving it costs later."""

from collections.abc import Iterator

from obtegum.core.documents.row import field_of
from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.verdict import Verdict, judge, verdict_on
from obtegum.core.face.answers import length_answer, ticked_off
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.findings.skeleton.row import BowBuilt, Deviation, bows_built, built_row, checks_of, off_share, softest
from obtegum.core.findings.skeleton.stands import foot_name, foot_of, way_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import Peg
from obtegum.core.rooms import rooms
from obtegum.core.rooms.row import words
from obtegum.core.rooms.row.strips import Readings
from obtegum.core.rooms.soil.found import hours_times

__all__ = ["most_off", "plan", "stands", "verdicts"]

CAUTION = "String at shin height trips: flag it. Nobody holds a post while it is driven or pulled."
MOST_TOLD = 3
# What is asked of every post; the rest where one is doubted.
ASKED = 2
# Posts that are pulled at, at the least.
TEST_FIRST = 3
# Person-hours to bring a post right (this bench): one in whole ground, and one in concrete that has set.
AGAIN_H, DUG_H = 0.3, 2.0
# What no post is off by: it was misread.
MISREAD_M = 0.3


def verdicts(work: Work) -> list[Verdict]:
    """The posts against their tolerances, and the bows against their real posts."""
    built = [each for each in built_row(work) if each.measured]
    if not built:
        return []
    return [_row(work, built), *_bows(work)]


def _row(work: Work, built: list[Deviation]) -> Verdict:
    worst = max(built, key=lambda each: off_share(work, each))
    ratio, off = off_share(work, worst), [each for each in built if off_share(work, each) > 1]
    many, number = way_of(work).many, most_off(work, worst)
    if not off:
        sentence = words.all_in_place(len(built), many, _name(work, worst), number)
        return verdict_on(
            "row", "row", "Row", judge(ratio, work.rules.holds_to), sentence, number, "", ratio, _part(worst)
        )
    told = [_mend(work, each) for each in sorted(off, key=lambda each: -off_share(work, each))[:MOST_TOLD]]
    sentence = words.put_right(told, len(off) - len(told), _costs(work, off))
    return verdict_on("row", "row", "Row", "tight", sentence, number, "", None, _part(worst))


def _bows(work: Work) -> list[Verdict]:
    """Whether each bow still goes into its real posts."""
    bows, (one, many), stubs = bows_built(work), foot_of(work), work.design.posts.stand in ("stub", "curve", "board")
    title = f"Bows {'onto' if stubs else 'into'} real {many}"
    if not bows:
        return []
    worst = max(bows, key=lambda each: each.forced or 0.0)
    if worst.forced is None:
        sentence = words.all_go_in(len(bows), many, stubs)
        return [verdict_on("row", "real-bows", title, "holds", sentence)]
    wide = words.stands_wide(worst.bow, work.say(worst.span_m), _high(work, worst))
    if worst.forced > 1:
        sentence = words.beyond_hands(wide, one, stubs)
        level = judge(worst.forced, work.rules.holds_to)
        return [verdict_on("row", "real-bows", title, level, sentence, "", "", worst.forced, None)]
    sentence = words.forced_in(wide, one)
    return [verdict_on("row", "real-bows", title, "tight", sentence)]


def _high(work: Work, bow: BowBuilt) -> str:
    return work.say(bow.height_m) if bow.height_m is not None else ""


def _name(work: Work, built: Deviation) -> str:
    return foot_name(work, built.name)


def _part(built: Deviation) -> str:
    return f"post:{built.name}"


def most_off(work: Work, built: Deviation) -> str:
    """The one thing about a post that is most off, as it is read."""
    rules = work.rules
    named = (
        (built.out_m, rules.post_line_m, ("outside the string’s line", "inside it")),
        (built.up_m, rules.post_top_m, ("too high", "too low")),
        (built.along_m, rules.post_along_m, ("too far on", "too far back")),
    )
    told = [(abs(value) / most, value, said) for value, most, said in named if value is not None]
    share, value, said = max(told, default=(0.0, 0.0, ("", "")))
    if built.lean is not None and built.lean / rules.post_plumb_share > share:
        return f"leans 1 in {round(1 / built.lean)}"
    return f"{work.say(abs(value), 'up')} {said[0] if value > 0 else said[1]}"


def _mend(work: Work, built: Deviation) -> str:
    """What to do with a post that is off."""
    rules, say = work.rules, work.say
    name = _name(work, built)
    if built.up_m is not None and abs(built.up_m) > rules.post_top_m:
        off = say(abs(built.up_m))
        if abs(built.up_m) > MISREAD_M:
            return words.read_again(name, off)
        return words.drive_on(name, off) if built.up_m > 0 else words.shim(name, off)
    if built.out_m is not None and abs(built.out_m) > rules.post_line_m:
        return words.bring_across(name, built.out_m > 0, say(abs(built.out_m)))
    if built.along_m is not None and abs(built.along_m) > rules.post_along_m:
        return words.bring_along(name, built.along_m > 0, say(abs(built.along_m)))
    return words.stand_plumb(name)


def _costs(work: Work, off: list[Deviation]) -> str:
    """What mending costs now, and what leaving it costs later."""
    set_hard = work.design.hold.set == "concrete"
    hours = len(off) * (DUG_H if set_hard else AGAIN_H) * hours_times(work)
    later = list[str]()
    named = {each.bow for each in off}
    bows = [each for each in bows_built(work) if each.bow in named]
    if bows:
        bow = max(bows, key=lambda each: abs(each.span_m - work.design.size.span_m))
        later.append(words.stands_wide(bow.bow, work.say(bow.span_m), _high(work, bow)))
    later += dict.fromkeys(told for each in off for room in rooms() for told in room.if_left(work, each))
    return words.mending(hours, set_hard, later)


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    asked, read = checks_of(work)[:ASKED], Readings(work)
    done = sum(all(read.value(peg, name) is not None for name in asked) for peg in pegs_of(work))
    return Standing(
        id="row",
        title="Along the row",
        group="Frame",
        state=ticked_off(found, done or bool(work.record.row), len(pegs_of(work))),
        done=done,
        of=len(pegs_of(work)),
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """What is measured of each post, and what comes of it."""
    read, walk = Readings(work), _walk(work)
    left = next((each for each in walk if read.value(*each) is None), None)
    return StepPlan(
        **stands(work, found),
        next=f"All {len(pegs_of(work))} are measured." if left is None else read.says(*left),
        next_part=None if left is None else f"post:{left[0].side}{left[0].bow}",
        caution=CAUTION,
        measures=("row.block_m",),
        answers=tuple(_answers(work)),
        leads=("softest", "narrowest", "widest", "lowest"),
        views=("row", "above"),
        strips=tuple(f"row:{side}:{name}" for side in "LR" for name in checks_of(work)),
        grips=(),
        walk=tuple(f"record.row.{peg.side}{peg.bow}.{field_of(name)}" for peg, name in walk),
        focus=("post", "string", "line"),
    )


def _walk(work: Work) -> list[tuple[Peg, str]]:
    """One thing at a time, down one row and then the other."""
    posts = sorted(pegs_of(work), key=lambda peg: (peg.side, peg.bow))
    return [(peg, name) for name in checks_of(work)[:ASKED] for peg in posts]


def _answers(work: Work) -> Iterator[Answer]:
    bows, soft = bows_built(work), softest(work, TEST_FIRST)
    if soft:
        yield Answer(
            id="softest",
            label="Pull at these first",
            reading=" ".join(soft),
            value=len(soft),
            unit="count",
            note="they took the fewest blows, which says nothing of what they hold",
        )
    if not bows:
        return
    narrow, wide = min(bows, key=lambda each: each.span_m), max(bows, key=lambda each: each.span_m)
    yield length_answer(work, "narrowest", f"Narrowest between {foot_of(work)[1]}", narrow.span_m, f"bow {narrow.bow}")
    yield length_answer(work, "widest", f"Widest between {foot_of(work)[1]}", wide.span_m, f"bow {wide.bow}")
    known = [(bow.height_m, bow.bow) for bow in bows if bow.height_m is not None]
    if known:
        height_m, bow = min(known)
        yield length_answer(work, "lowest", "Lowest crown", height_m, f"bow {bow}")
