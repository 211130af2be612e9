"""Square up: what was taped between the corners, what it says of the base, and which peg moves."""

from functools import partial

from obtegum.core.record import LINES, Line
from obtegum.core.setout.checkin import BEYOND, CheckIn, Move, TapeMisfit, planned_lines
from obtegum.core.steps.common import length_answer, ticked_off
from obtegum.core.steps.model import Action, Answer, StepPlan
from obtegum.core.strip import Strip
from obtegum.core.verdict import Verdict, judge, verdict_on
from obtegum.core.work import Work

__all__ = ["line_title", "move_words", "plan", "strips", "verdicts"]

_verdict = partial(verdict_on, "square-up")

# Toward which corner a peg goes along and across, for moves below and above zero.
ALONG = {"B": ("toward A", "away from A"), "C": ("toward D", "away from D"), "D": ("away from C", "toward C")}
ACROSS = {"B": ("", ""), "C": ("toward B", "away from B"), "D": ("toward A", "away from A")}
MOST_SLIPS = 3


def line_title(line: Line) -> str:
    """A line by its corners: ``A–C``."""
    return f"{line[0].upper()}–{line[1].upper()}"


def move_words(work: Work, move: Move) -> list[str]:
    """A move in words, along and across, each with its size; parts below the tape's step are left out."""
    found = []
    for size, ways in ((move.along_m, ALONG[move.corner]), (move.across_m, ACROSS[move.corner])):
        if abs(size) >= work.tape.step_m / 2:
            found.append(f"{work.say(abs(size))} {ways[size > 0]}")
    return found


def verdicts(work: Work) -> list[Verdict]:
    """Whether the readings can be, whether they agree, and whether the base is square enough."""
    if work.record.taped.count == 0:
        return []
    found = _slope_verdicts(work)
    if isinstance(work.check, TapeMisfit):
        return [*found, _misfit_verdict(work, work.check)]
    if work.check is None:
        return found
    return [*found, _closing_verdict(work, work.check), *_square_verdicts(work, work.check)]


def _slope_verdicts(work: Work) -> list[Verdict]:
    """A tape on the ground reads too long; the corners' levels bring it to level."""
    taped = work.record.taped
    if taped.held == "level":
        return []
    lines = [line for line in LINES if taped.reading_m(line) is not None]
    without = [line for line in lines if work.corner_fall(line) is None]
    if without:
        sentence = (
            "A tape on sloping ground reads too long. Level the corners first, and these readings are put right; "
            f"until then {', '.join(map(line_title, without))} stand as read."
        )
        return [_verdict("slope", "Slope", "unknown", sentence, "", "", None)]
    most = max(lines, key=lambda line: abs(_corrected(work, line)))
    sentence = (
        f"Brought to level by the corners’ heights; most on {line_title(most)}, by {work.say(_corrected(work, most))}."
    )
    return [_verdict("slope", "Slope", "holds", sentence, work.say(_corrected(work, most)), "", None)]


def _corrected(work: Work, line: Line) -> float:
    return (work.record.taped.reading_m(line) or 0.0) - work.taped_level[line]


def _misfit_verdict(work: Work, misfit: TapeMisfit) -> Verdict:
    others = [line_title(line) for line in misfit.lines if line != misfit.longest]
    over = work.say(max(misfit.over_m, work.tape.step_m), "up")
    sentence = (
        f"{line_title(misfit.longest)} is longer than {' and '.join(others)} together, by {over}: "
        "no ground has such a triangle. One of the three was misread."
    )
    return _verdict("tape-closes", "Readings", "fails", sentence, over, "", None, f"taped:{misfit.longest}")


def _closing_verdict(work: Work, check: CheckIn) -> Verdict:
    """Whether six readings agree; with fewer, nothing checks them."""
    count = work.record.taped.count
    if check.misclosure_m is None:
        missing = ", ".join(line_title(line) for line in LINES if work.record.taped.reading_m(line) is None)
        sentence = (
            f"{count} of 6 lines taped, so nothing checks them; not taped counts as planned. Still to tape: {missing}."
        )
        return _verdict("tape-closes", "Readings", "unknown", sentence, str(count), "6", None)
    off, limit_m = abs(check.misclosure_m), BEYOND * check.error_m
    number, limit = work.say(off, "up"), work.say(limit_m, "down")
    if check.closes:
        sentence = f"The six readings agree to {number}; yours may be out by {limit}."
        return _verdict("tape-closes", "Readings", judge(off / limit_m, 1.0), sentence, number, limit, off / limit_m)
    sentence = f"The six readings can’t all be right: they miss by {number}, and yours may be out by {limit}. "
    sentence += "Tape again before a peg is moved."
    if check.slips:
        told = [
            f"{line_title(slip.line)} {slip.what}, {work.say(slip.reads_m)} would fit"
            for slip in check.slips[:MOST_SLIPS]
        ]
        sentence += f" It could be: {'; '.join(told)}."
    part = f"taped:{check.slips[0].line}" if check.slips else None
    return _verdict("tape-closes", "Readings", "fails", sentence, number, limit, off / limit_m, part)


def _square_verdicts(work: Work, check: CheckIn) -> list[Verdict]:
    """Diagonals against each other and the largest move, against a share of the diagonal."""
    if check.closes is False:
        return []
    limit_m = work.rules.square_usable_share * planned_lines(*work.strung)["ac"]
    differ_m, largest = abs(check.line_m("ac") - check.line_m("bd")), check.largest
    off_m = max(differ_m, largest.size_m)
    ratio = off_m / limit_m
    level = judge(ratio, work.rules.square_good_share)
    out = f"{largest.corner} is furthest out, {work.say(largest.size_m, 'up')}"
    sentence = f"The diagonals differ by {work.say(differ_m, 'up')}; {out}."
    cost = {
        "holds": " Doors, runs and film will go on straight.",
        "tight": " Plants won’t notice; film and doors will want coaxing.",
        "fails": " Runs miss their marks and film wrinkles: move the pegs.",
    }
    number, limit = work.say(off_m, "up"), work.say(limit_m, "down")
    return [_verdict("square", "Square", level, sentence + cost[level], number, limit, ratio, f"move:{largest.corner}")]


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    check, taped = work.check, work.record.taped
    answers: list[Answer] = []
    if isinstance(check, CheckIn):
        if check.closes is not False:
            answers += _moves(work, check)
        answers += _slips_show(work, check)
    answers += _history(work)
    return StepPlan(
        id="square-up",
        title="Square up",
        group="Place",
        state=ticked_off(found, taped.count, len(LINES)),
        next=_next(work),
        next_part=f"taped:{next((line for line in LINES if taped.reading_m(line) is None), 'ac')}",
        caution="Pull the tape level and to the same side of each nail; two people on a long one.",
        measures=(*(f"taped_{line}" for line in LINES), "held"),
        answers=tuple(answers),
        views=("taped",),
        strips=tuple(f"taped:{line}" for line in LINES),
        grips=(),
        focus=("taped", "move", "stands", "shape", "earlier", "corner", "floor"),
        actions=(Action(id="tape-anew", label="Pegs moved: tape again"),) if taped.count else (),
        done=taped.count,
        of=len(LINES),
    )


def _moves(work: Work, check: CheckIn) -> list[Answer]:
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


def _slips_show(work: Work, check: CheckIn) -> list[Answer]:
    """The smallest slip that these readings could reveal, for each kind of line."""
    if not check.shows_m:
        return []
    kinds: tuple[tuple[str, str, tuple[Line, Line]], ...] = (
        ("slip_side", "on a long side", ("ab", "dc")),
        ("slip_end", "on an end", ("ad", "bc")),
        ("slip_diagonal", "on a diagonal", ("ac", "bd")),
    )
    return [
        length_answer(
            work,
            name,
            f"Smallest slip that shows {where}",
            max(check.shows_m[line] for line in lines),
            "a smaller one hides",
        )
        for name, where, lines in kinds
    ]


def _history(work: Work) -> list[Answer]:
    """The rounds before, each by its largest move."""
    return [
        length_answer(work, f"taping_{number}", f"Taping {number}, largest move", check.largest.size_m)
        for number, check in enumerate(work.earlier_checks, start=1)
    ]


def _next(work: Work) -> str:
    check, taped = work.check, work.record.taped
    missing = [line for line in LINES if taped.reading_m(line) is None]
    if isinstance(check, TapeMisfit):
        return f"Tape {', '.join(line_title(line) for line in check.lines)} again."
    if isinstance(check, CheckIn) and check.closes is False:
        return "Tape again before a peg is moved."
    if missing:
        planned = planned_lines(*work.strung)[missing[0]]
        return f"Next: tape {line_title(missing[0])}. It should read {work.say(planned)}."
    assert isinstance(check, CheckIn)
    largest = check.largest
    words = move_words(work, largest)
    usable = work.rules.square_usable_share * planned_lines(*work.strung)["ac"] * work.rules.square_good_share
    if not words or largest.size_m <= usable:
        return "Square enough. Leave the pegs, and keep them by offsets."
    return f"Next: move {largest.corner} {', and '.join(words)}. Then tape again."


def strips(work: Work) -> list[Strip]:
    """Each line with what the tape should read and what it read."""
    planned, found = planned_lines(*work.strung), []
    for line in LINES:
        name, reading = f"taped:{line}", work.record.taped.reading_m(line)
        marks = [work.mark(planned[line], "should read", "peg", f"taped:{line}", name)]
        if reading is not None:
            marks.append(work.mark(reading, "reads", "cut", f"read:{line}", name))
        found.append(
            Strip(
                id=name,
                title=line_title(line),
                about=f"tape hooked at {line[0].upper()}",
                material="string",
                length_m=max(planned[line], reading or 0.0),
                marks=tuple(sorted(marks, key=lambda mark: mark.at_m)),
            )
        )
    return found
