"""Square up: what was taped between the corners, what it says of the base, and which peg moves."""

from functools import partial

from obtegum.core.drawing.step import Action, Answer, Standing, StepPlan
from obtegum.core.drawing.strip import Strip
from obtegum.core.drawing.verdict import Level, Verdict, graded, judge, verdict_on
from obtegum.core.face.answers import length_answer, ticked_off
from obtegum.core.findings.skeleton.bays import starts_m, strung, tapes_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.checkin import NINETEEN_IN_20, CheckIn, TapeMisfit, planned_lines
from obtegum.core.formulas.setout.lines import LINES, Line
from obtegum.core.formulas.setout.squaring import BEYOND, should_read
from obtegum.core.rooms.set_out.pegs import hooked
from obtegum.core.rooms.square_up import words
from obtegum.core.rooms.square_up.found import (
    base_check,
    corner_fall,
    earlier_checks,
    line_title,
    move_words,
    size_off,
    square_enough,
    square_share,
    square_usable_m,
    taped_level,
    width_off,
)
from obtegum.core.values.quantity import percent_text, size_text

__all__ = ["plan", "stands", "strips", "verdicts"]

_verdict = partial(verdict_on, "square-up")

MOST_SLIPS = 3


def verdicts(work: Work) -> list[Verdict]:
    """Whether the readings can be, whether they agree, and whether the base is square enough."""
    if work.record.taped.count == 0:
        return []
    found, check = _slope_verdicts(work), base_check(work)
    if isinstance(check, TapeMisfit):
        return [*found, _misfit_verdict(work, check)]
    if check is None:
        return found
    return [*found, _closing_verdict(work, check), *_square_verdicts(work, check)]


def _slope_verdicts(work: Work) -> list[Verdict]:
    """A tape on the ground reads too long; the corners' levels bring it to level."""
    taped = work.record.taped
    if taped.held == "level":
        return []
    lines = [line for line in LINES if taped.reading_m(line) is not None]
    without = [line for line in lines if corner_fall(work, line) is None]
    if without:
        sentence = words.on_slope(", ".join(map(line_title, without)))
        return [_verdict("slope", "Slope", "unknown", sentence, "", "", None)]
    most = max(lines, key=lambda line: abs(_corrected(work, line)))
    sentence = words.brought_to_level(line_title(most), work.say(_corrected(work, most)))
    return [_verdict("slope", "Slope", "holds", sentence, work.say(_corrected(work, most)), "", None)]


def _corrected(work: Work, line: Line) -> float:
    return (work.record.taped.reading_m(line) or 0.0) - starts_m(work) - taped_level(work)[line]


def _misfit_verdict(work: Work, misfit: TapeMisfit) -> Verdict:
    others = [line_title(line) for line in misfit.lines if line != misfit.longest]
    if not misfit.over_m:
        sentence = words.folded(line_title(misfit.longest))
        return _verdict("tape-closes", "Readings", "fails", sentence, "folded", "", None, f"taped:{misfit.longest}")
    over = work.say(max(misfit.over_m, work.tape.step_m), "up")
    sentence = words.too_long(line_title(misfit.longest), " and ".join(others), over)
    return _verdict("tape-closes", "Readings", "fails", sentence, over, "", None, f"taped:{misfit.longest}")


def _closing_verdict(work: Work, check: CheckIn) -> Verdict:
    """Whether six readings agree; with fewer, nothing checks them."""
    count = work.record.taped.count
    if check.misclosure_m is None:
        missing = ", ".join(line_title(line) for line in LINES if work.record.taped.reading_m(line) is None)
        sentence = words.not_all_taped(count, missing)
        return _verdict("tape-closes", "Readings", "unknown", sentence, str(count), "6", None)
    off, limit_m = abs(check.misclosure_m), BEYOND * check.error_m
    number, limit = work.say(off, "up"), work.say(limit_m, "down")
    if check.closes:
        sentence = words.agree(number, limit)
        return _verdict(
            "tape-closes", "Readings", judge(off / limit_m, work.rules.holds_to), sentence, number, limit, off / limit_m
        )
    told = [(line_title(slip.line), slip.what, work.say(slip.reads_m)) for slip in check.slips[:MOST_SLIPS]]
    sentence = words.not_all_right(number, limit, told)
    part = f"taped:{check.slips[0].line}" if check.slips else None
    return _verdict("tape-closes", "Readings", "fails", sentence, number, limit, off / limit_m, part)


def _square_verdicts(work: Work, check: CheckIn) -> list[Verdict]:
    """Diagonals against each other and the largest move, against a share of the diagonal."""
    if check.closes is False:
        return []
    share_off = size_off(work)
    if share_off is not None:
        return [_size_verdict(work, share_off)]
    limit_m, differ_m, largest = square_usable_m(work), check.differ_m, check.largest
    off_m, ratio = max(differ_m, largest.size_m), square_share(work) or 0.0
    good, holds_to = work.rules.square_good_share, work.rules.holds_to
    level, share = judge(graded(ratio, good, holds_to), holds_to), graded(ratio, good, holds_to)
    if ratio > off_m / limit_m and level != "holds":
        return [_width_verdict(work, level, share)]
    beyond_m = BEYOND * check.differ_error_m
    told: float | None = share
    if off_m <= beyond_m and level == "fails":
        # What the readings can't tell apart from square is not called out of square, nor good.
        level, told = "tight", None
        cost = words.too_coarse(work.say(beyond_m, "up"))
    else:
        cost = words.COSTS[level]
    sentence = words.diagonals(work.say(differ_m, "up"), largest.corner, work.say(largest.size_m, "up"), cost)
    number, limit = work.say(off_m, "up"), work.say(limit_m, "down")
    return [_verdict("square", "Square", level, sentence, number, limit, told, f"move:{largest.corner}")]


def _width_verdict(work: Work, level: Level, ratio: float) -> Verdict:
    """An end that stands wider or narrower than bows are bent for, however square it is."""
    off_m, line = width_off(work) or (0.0, "ad")
    off, limit = work.say(abs(off_m), "up"), work.say(2 * work.rules.post_line_m, "down")
    sentence = words.other_width(line_title(line), off, off_m > 0, limit, level == "tight")
    return _verdict("square", "Square", level, sentence, off, limit, ratio, f"taped:{line}")


def _size_verdict(work: Work, share: float) -> Verdict:
    """A base that is square but has not the size that it is called by: nobody knows which is meant."""
    length_m, width_m = strung(work)
    found = size_text(width_m * (1 + share), length_m * (1 + share), work.tape)
    named = size_text(width_m, length_m, work.tape)
    sentence = words.other_size(share > 0, found, named)
    number = f"{'+' if share > 0 else '−'}{percent_text(abs(share), 1)}"
    return _verdict("other-size", "Size", "unknown", sentence, number, "", None, "shape")


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    taped = work.record.taped
    return Standing(
        id="square-up",
        title="Square up",
        group="Place",
        state=ticked_off(found, taped.count, len(LINES)),
        done=taped.count,
        of=len(LINES),
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    check, taped = base_check(work), work.record.taped
    answers: list[Answer] = []
    if isinstance(check, CheckIn):
        if check.closes is not False:
            answers += _moves(work, check)
        answers += [*_differ(work, check), *_slips_show(work, check)]
    answers += _history(work)
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        next_part=f"taped:{next((line for line in LINES if taped.reading_m(line) is None), 'ac')}",
        caution="Pull the tape level and to the same side of each nail; two people on a long one.",
        measures=(
            *(f"record.taped.{line}_m" for line in LINES),
            "record.taped.held",
            "set_out.starts_m",
            "set_out.reading_error_m",
        ),
        answers=tuple(answers),
        leads=("move", "differ", "taping"),
        views=("taped",),
        strips=tuple(f"taped:{line}" for line in LINES),
        grips=(),
        focus=("taped", "move", "stands", "shape", "earlier", "corner", "floor"),
        actions=(Action(id="tape-anew", label="Pegs moved: tape again"),) if taped.count else (),
    )


def _moves(work: Work, check: CheckIn) -> list[Answer]:
    """What each peg moves; nothing where the base is square enough, or has another size than its name."""
    if square_enough(work) or size_off(work) is not None:
        return []
    return [
        Answer(
            id=f"move_{move.corner}",
            label=f"Move {move.corner}",
            reading=", ".join(move_words(work, move)) or "stays",
            value=move.size_m,
            unit="m",
        )
        for move in check.moves
    ]


def _differ(work: Work, check: CheckIn) -> list[Answer]:
    """How far the diagonals differ, once both were taped, and what readings like these differ by of themselves."""
    if not {"ac", "bd"} <= taped_level(work).keys():
        return []
    own, beyond = (work.say(each * check.differ_error_m, "up") for each in (1.0, BEYOND))
    note = f"readings like yours differ by {own}; out of square beyond {beyond}"
    return [length_answer(work, "differ", "Diagonals differ by", check.differ_m, note)]


def _slips_show(work: Work, check: CheckIn) -> list[Answer]:
    """The smallest slips that these readings would reveal, with what chance, for each kind of line."""
    if not check.condition:
        return []
    kinds: tuple[tuple[str, str, tuple[Line, Line]], ...] = (
        ("slip_side", "on a long side", ("ab", "dc")),
        ("slip_end", "on an end", ("ad", "bc")),
        ("slip_diagonal", "on a diagonal", ("ac", "bd")),
    )
    found = []
    for name, where, lines in kinds:
        often_m, even_m = (max(check.slip_shows_m(line, chance) for line in lines) for chance in (NINETEEN_IN_20, 0.0))
        note = f"19 times in 20; one of {work.say(even_m, 'up')} every other time"
        found.append(length_answer(work, name, f"A slip that shows {where}", often_m, note))
    return found


def _history(work: Work) -> list[Answer]:
    """The rounds before, each by its largest move."""
    return [
        length_answer(work, f"taping_{number}", f"Taping {number}, largest move", check.largest.size_m)
        for number, check in enumerate(earlier_checks(work), start=1)
    ]


def _next(work: Work) -> str:
    check, taped = base_check(work), work.record.taped
    missing = [line for line in LINES if taped.reading_m(line) is None]
    if isinstance(check, TapeMisfit):
        return f"Tape {', '.join(line_title(line) for line in check.lines)} again."
    if isinstance(check, CheckIn) and check.closes is False:
        return "Tape again before a peg is moved."
    if missing:
        planned = planned_lines(*strung(work))[missing[0]]
        return f"Next: tape {line_title(missing[0])}. It {should_read(planned, tapes_of(work), work.tape)}."
    assert isinstance(check, CheckIn)
    if size_off(work) is not None:
        return "Square, but not the size it is called by. Settle which is right before a peg is moved."
    if square_enough(work):
        return "Square enough. Leave the pegs, and keep them by offsets."
    # The furthest first; each move is one that shows on the tape.
    said = move_words(work, check.largest)
    if not said:
        return "Next: tape again, finer: the diagonals differ by more than any peg would move."
    return f"Next: move {check.largest.corner} {', and '.join(said)}. Then tape again."


def strips(work: Work) -> list[Strip]:
    """Each line with what the tape should read and what it read."""
    planned, found = planned_lines(*strung(work)), []
    for line in LINES:
        name, reading = f"taped:{line}", work.record.taped.reading_m(line)
        start_m = starts_m(work)
        marks = [work.mark(planned[line], "should read", "read", f"taped:{line}", name, from_m=start_m)]
        if reading is not None:
            marks.append(work.mark(max(reading - start_m, 0.0), "reads", "read", f"read:{line}", name, from_m=start_m))
        found.append(
            Strip(
                id=name,
                title=line_title(line),
                about=f"tape {hooked(work, line[0].upper())}",
                material="string",
                length_m=max(planned[line], reading or 0.0),
                starts_m=start_m,
                marks=tuple(sorted(marks, key=lambda mark: mark.at_m)),
            )
        )
    return found
