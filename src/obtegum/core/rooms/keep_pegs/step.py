"""Keep the pegs: offset pegs or gauge boards outside the digging, and the readings that find each peg again."""

from obtegum.core.drawing.step import Standing, StepPlan, Told
from obtegum.core.drawing.strip import Band, Strip
from obtegum.core.drawing.verdict import Verdict, judge
from obtegum.core.face.answers import length_answer, settled
from obtegum.core.findings.skeleton.bays import pegs_of, reads, starts_m, strung
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.offsets import (
    LINES_KEPT,
    Board,
    boards,
)
from obtegum.core.rooms.keep_pegs import words
from obtegum.core.rooms.set_out.pegs import faced, hooked

__all__ = ["plan", "stands", "strips", "verdicts"]


def verdicts(work: Work) -> list[Verdict]:
    """Whether the offsets stand clear of the digging."""
    keep = work.design.keep
    needed_m = keep.dig_m + work.rules.dig_clear_m
    ratio = needed_m / keep.offset_m
    level = judge(ratio, work.rules.holds_to)
    offset, needed = work.say(keep.offset_m), work.say(needed_m, "up")
    sentence = words.too_near(offset, needed) if level == "fails" else words.clear(offset)
    return [
        Verdict(
            id="offset-clear",
            step="keep-pegs",
            level=level,
            title="Offsets",
            sentence=sentence,
            number=offset,
            limit=needed,
            ratio=ratio,
            part="off:A1",
        )
    ]


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(
        id="keep-pegs",
        title="Keep pegs",
        group="Place",
        state=settled(found),
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    (length_m, width_m), keep = strung(work), work.design.keep
    boarded = keep.school == "boards"
    what = "nails" if boarded else "pegs"
    answers = [
        length_answer(work, "kept_long", "A1 to B1, D1 to C1", length_m + 2 * keep.offset_m),
        length_answer(work, "kept_short", "A2 to D2, B2 to C2", width_m + 2 * keep.offset_m),
    ]
    if boarded:
        board = boards(length_m, width_m, keep.offset_m, keep.dig_m)[0]
        answers.append(length_answer(work, "board", "Each board", board.length_m, "8 of them, nail in the middle"))
    off = work.say(keep.offset_m)
    how = (
        f"Stretch each string on past both its corners, {off}: set {'a board square to it' if boarded else 'a peg'} "
        f"there. Two {what} to a corner: A1 on the line B to A, A2 on the line D to A.",
        f"Read {reads(work, length_m + 2 * keep.offset_m)} from A1 to B1 and "
        f"{reads(work, width_m + 2 * keep.offset_m)} from A2 to D2 before the strings come off.",
        "Dig. Then string A1 to B1 and A2 to D2 again: they cross over A. The others likewise.",
        f"Every post is found from A1 and D1: its own reading and {off} more, as on the tape below.",
    )
    return StepPlan(
        **stands(work, found),
        next=f"Set eight offset {what} before anyone digs.",
        caution="Flag every offset peg: a string at ankle height trips people.",
        measures=("keep.school", "keep.offset_m", "keep.dig_m"),
        answers=tuple(answers),
        leads=("kept", "board"),
        views=("offsets",),
        strips=(*(f"kept:{start}{end}" for start, end, _ in LINES_KEPT), *(("board",) if boarded else ())),
        grips=(),
        focus=("off", "kept", "dug", "corner", "post", "line", "end", "offset", "floor"),
        how=tuple(Told(words=said) for said in how),
        how_title="How to keep and find them",
    )


def strips(work: Work) -> list[Strip]:
    """Each line from offset peg to offset peg, and a gauge board."""
    (length_m, width_m), keep = strung(work), work.design.keep
    off, dig, start_m = keep.offset_m, keep.dig_m, starts_m(work)
    found = []
    for start, end, number in LINES_KEPT:
        name, long_m = f"kept:{start}{end}", length_m if number == "1" else width_m
        side = {"A": "L", "D": "R"}[start] if number == "1" else None
        first, last = f"{start}{number}", f"{end}{number}"
        marks = [work.mark(0.0, first, "peg", f"off:{first}", name, from_m=start_m)]
        if side:
            marks += [
                work.mark(
                    off + peg.reading_m,
                    peg.corner or str(peg.bow),
                    "peg",
                    f"post:{peg.side}{peg.bow}",
                    name,
                    from_m=start_m,
                )
                for peg in pegs_of(work)
                if peg.side == side
            ]
        else:
            marks += [
                work.mark(off, start, "peg", f"corner:{start}", name, from_m=start_m),
                work.mark(off + long_m, end, "peg", f"corner:{end}", name, from_m=start_m),
            ]
        marks.append(work.mark(2 * off + long_m, last, "peg", f"off:{last}", name, from_m=start_m))
        found.append(
            Strip(
                id=name,
                title=f"{first} to {last}",
                about=f"tape {hooked(work, first)}{faced(work) if side else ''}",
                material="string",
                length_m=long_m + 2 * off,
                starts_m=start_m,
                marks=tuple(marks),
                bands=(),
            )
        )
    if keep.school == "boards":
        found.append(_board(work, boards(length_m, width_m, off, dig)[0], dig > 0))
    return found


def _board(work: Work, board: Board, dug: bool) -> Strip:
    """A gauge board laid straight: its nail, and the digging between its ends where there is some."""
    low_m, high_m = board.dig_m
    marks = (
        work.mark(low_m, "digging", "cut", "dug:from", "board"),
        work.mark(board.nail_m, "nail, the line", "peg", "off:A1", "board"),
        work.mark(high_m, "digging", "cut", "dug:to", "board"),
    )
    return Strip(
        id="board",
        title="A gauge board",
        about="tape from either end · 8 alike",
        material="board",
        length_m=board.length_m,
        marks=marks if dug else marks[1:2],
        bands=(Band(from_m=low_m, to_m=high_m, what="digging", kind="dug"),) if dug else (),
    )
