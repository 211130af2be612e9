"""The set-out and bend sheet as PDF: the rooms' pages, with drawings at a printed scale and boxes to tick."""

from collections.abc import Sequence
from itertools import accumulate

from obtegum.core.drawing.items import Drawing
from obtegum.core.drawing.step import StepPlan
from obtegum.core.drawing.strip import Strip, StripMark
from obtegum.core.face.faces import (
    Answers,
    Block,
    Caution,
    Lines,
    Listed,
    Next,
    Numbered,
    Picture,
    Readings,
    Ruled,
    Stick,
    Tabled,
    Verdicts,
    Words,
)
from obtegum.core.findings.work import Work
from obtegum.core.house.plan import HousePlan
from obtegum.core.rooms import rooms
from obtegum.exchange.paper import apart, draw_strip
from obtegum.exchange.sheet import MARGIN, ROW, Paper, Sheet
from obtegum.exchange.typefaces import FIGURES, WORDS

__all__ = ["Paper", "sheet_pdf"]

LEVELS = {"holds": "Holds", "tight": "TIGHT", "fails": "FAILS", "unknown": "Not known"}
# How large the figures of a table are, points.
SMALL = 7.5
SHOULD = "should read"


def sheet_pdf(
    plan: HousePlan, version: int, date: str, paper: Paper, alone: str = "", work: Work | None = None
) -> bytes:
    """The sheet: every room's pages, readable in black and white.

    Args: the whole plan, the version of the house it is of, the date to print, the paper; the name of a page that is
    printed alone; the bench that it was planned on, for what is worked out for the paper alone.
    """
    sheet = Sheet(plan, version, date, paper)
    for page in (page for room in rooms() for page in room.pages if alone == page.alone or not (alone or page.apart)):
        if page.once and not any(each.answers for each in _steps(plan, page.once)):
            continue
        tabled = {block: block.rows(work) for block in page.blocks if isinstance(block, Tabled) and work is not None}
        if any(isinstance(block, Tabled) for block in page.blocks) and not any(tabled.values()):
            continue
        sheet.section(page.title, page.first)
        for block in page.blocks:
            if isinstance(block, Tabled):
                _tabled(sheet, block, tabled[block])
            else:
                _block(sheet, block)
    return sheet.finish()


def _block(sheet: Sheet, block: Block) -> None:
    plan = sheet.plan
    match block:
        case Caution(step):
            for each in _steps(plan, step):
                if each.caution:
                    sheet.paragraph(f"Take care. {each.caution}", FIGURES, 12)
        case Picture(view, share):
            for drawing in _views(plan, view):
                sheet.drawing(drawing, share)
        case Answers(steps, only):
            found = [_only(each, only) for step in steps for each in _steps(plan, step)]
            _answers(sheet, [each for each in found if each.answers])
        case Lines(step, noted):
            for each in _steps(plan, step):
                _lines(sheet, each, noted)
        case Listed(view):
            for drawing in _views(plan, view):
                _listed(sheet, drawing)
        case Next(step, loud):
            for each in _steps(plan, step):
                sheet.paragraph(each.next, *((FIGURES, 12) if loud else (WORDS, 10)))
        case Words(text):
            sheet.paragraph(text)
        case Verdicts():
            sheet.heading("Verdicts")
            for verdict in plan.verdicts:
                sheet.paragraph(f"{LEVELS[verdict.level]}. {verdict.sentence}", WORDS, 9.5)
        case Numbered(step, share):
            for each in _steps(plan, step):
                _numbered(sheet, each, share)
        case Stick(strip):
            for laid in _strips(plan, strip):
                _strip(sheet, laid)
        case Readings(left, right, words):
            for one, other in zip(_strips(plan, left), _strips(plan, right), strict=True):
                _pairs(sheet, one, other, words)
        case Ruled(strip, "rows"):
            _rows(sheet, _strips(plan, strip))
        case Ruled(strip, "columns", heading):
            _columns(sheet, _strips(plan, strip), heading)
        case Ruled(strip, "marks", heading, beside):
            for ground in _strips(plan, strip):
                _marks(sheet, ground, heading, _strips(plan, beside))


# What a house has no part of has no place on its sheet.


def _steps(plan: HousePlan, name: str) -> list[StepPlan]:
    return [each for each in plan.steps if each.id == name]


def _views(plan: HousePlan, name: str) -> list[Drawing]:
    return [each for each in plan.drawings if each.view == name]


def _strips(plan: HousePlan, name: str) -> list[Strip]:
    """Strips of a name, or all whose names begin with it where it ends in a colon."""
    return [each for each in plan.strips if each.id == name or (name.endswith(":") and each.id.startswith(name))]


def _only(step: StepPlan, only: tuple[str, ...]) -> StepPlan:
    answers = tuple(each for each in step.answers if each.id.startswith(only)) if only else step.answers
    return step.model_copy(update={"answers": answers})


def _listed(sheet: Sheet, drawing: Drawing) -> None:
    """The lines of a drawing's table."""
    sheet.heading(drawing.title, 14 * min(len(drawing.table), 4))
    for row in drawing.table:
        sheet.need(14)
        sheet.y -= 14
        sheet.text(MARGIN, sheet.y, row.what, WORDS, 9.5)
        sheet.text(MARGIN + sheet.across * 0.28, sheet.y, apart(row.reading), FIGURES, 10.5)
    sheet.y -= 8


def _tabled(sheet: Sheet, block: Tabled, rows: Sequence[Sequence[str]]) -> None:
    """Figures in columns, the heads again on each page; words of the first column break, figures stand to the right."""
    from reportlab.lib.utils import simpleSplit

    if not rows:
        return
    head, *lines = rows
    edges = list(accumulate((sheet.across * width for width in block.widths), initial=MARGIN))
    room = sheet.across * block.widths[0] - 6

    def put(cells: Sequence[str], font: str) -> None:
        broken = simpleSplit(apart(cells[0]), font, SMALL, room)
        for place, line in enumerate(broken):
            sheet.text(MARGIN, sheet.y - place * SMALL * 1.2, line, font, SMALL)
        for place, cell in enumerate(cells[1:], start=1):
            sheet.canvas.setFont(FIGURES if font == WORDS else font, SMALL)
            sheet.canvas.drawRightString(edges[place + 1] - 2, sheet.y, apart(cell))
        sheet.y -= (max(len(broken), 1) - 1) * SMALL * 1.2

    def headed() -> None:
        sheet.y -= SMALL * 1.6
        put(head, FIGURES)

    sheet.heading(block.heading, 60)
    headed()
    for cells in lines:
        tall = len(simpleSplit(apart(cells[0]), WORDS, SMALL, room)) * SMALL * 1.2 + 4
        if sheet.room < tall + 4:
            sheet.turn()
            headed()
        sheet.y -= SMALL * 1.5
        put(cells, WORDS)
    sheet.y -= 8


def _answers(sheet: Sheet, steps: Sequence[StepPlan]) -> None:
    """Answers in two columns: a step in each, or a lone one over both."""
    column = sheet.across / 2 - 10
    if len(steps) == 1:
        half = -(-len(steps[0].answers) // 2)
        title, answers = steps[0].title, steps[0].answers
        parts = (("title", answers[:half]), ("", answers[half:]))
        steps = [steps[0].model_copy(update={"title": title if name else "", "answers": part}) for name, part in parts]
    left, top, lowest = MARGIN, sheet.y, sheet.y
    for place, step in enumerate(steps):
        x = left + (place % 2) * (column + 20)
        if place % 2 == 0:
            sheet.y = lowest
            sheet.need(18 + 15 * max(len(each.answers) for each in steps[place : place + 2]) + 6)
            top = lowest = sheet.y
        y = top - 18
        sheet.text(x, y, step.title, FIGURES, 12)
        for answer in step.answers:
            y -= 15
            sheet.text(x, y, answer.label, WORDS, 9.5)
            sheet.canvas.setFont(FIGURES, 11)
            sheet.canvas.drawRightString(x + column, y, apart(answer.reading))
        lowest = min(lowest, y)
    sheet.y = lowest - 6


def _lines(sheet: Sheet, step: StepPlan, noted: float) -> None:
    """Answers one below the other: what it is, what is noted of it, what it reads."""
    for answer in step.answers:
        sheet.need(14)
        sheet.y -= 14
        sheet.text(MARGIN, sheet.y, answer.label, WORDS, 9.5)
        sheet.text(MARGIN + sheet.across * noted, sheet.y, answer.note, WORDS, 8.5)
        sheet.canvas.setFont(FIGURES, 11)
        sheet.canvas.drawRightString(MARGIN + sheet.across, sheet.y, apart(answer.reading))
    sheet.y -= 6


def _pairs(sheet: Sheet, left: Strip, right: Strip, words: str) -> None:
    """The readings of both sides, a box for each, in as many columns and pages as needed."""
    sheet.paragraph(words, WORDS, 10)
    columns = 3
    column = sheet.across / columns
    pairs = list(zip(left.marks, right.marks, strict=True))
    while pairs:
        rows = int(sheet.room // ROW)
        if rows < min(3, -(-len(pairs) // columns)):
            sheet.turn()
            continue
        here, pairs = pairs[: rows * columns], pairs[rows * columns :]
        tall = -(-len(here) // columns)
        top = sheet.y
        for place, (one, other) in enumerate(here):
            x, y = MARGIN + (place // tall) * column, top - (place % tall + 1) * ROW
            sheet.box(x, y)
            sheet.box(x + 16, y)
            _reading(sheet, x + 34, y, one, other, column - 40)
        sheet.y = top - tall * ROW - 8


def _reading(sheet: Sheet, x: float, y: float, one: StripMark, other: StripMark, width: float) -> None:
    names = [each.what.removeprefix("corner ") for each in (one, other)]
    name = one.what if one.what == other.what else ", ".join(names)
    sheet.text(x, y, name, WORDS, 9)
    sheet.canvas.setFont(FIGURES, 16)
    sheet.canvas.drawRightString(x + width, y, apart(one.reading))


def _numbered(sheet: Sheet, step: StepPlan, share: float) -> None:
    """Each line of the numbered work with its drawing, three or four to a page."""
    for number, told in enumerate(step.how, start=1):
        drawn = [each for view in [told.view] if view is not None for each in _views(sheet.plan, view)]
        if drawn:
            sheet.need((share + 0.01) * sheet.whole)
        sheet.paragraph(f"{number}. {told.words}", WORDS, 10.5)
        for drawing in drawn:
            sheet.drawing(drawing, share)


def _strip(sheet: Sheet, strip: Strip) -> None:
    """A strip laid straight and its marks below, numbered alike."""
    sheet.heading(strip.title, 70 + ROW * min(-(-len(strip.marks) // 2), 3))
    sheet.paragraph(strip.about, WORDS, 9.5)
    sheet.y -= 34
    draw_strip(sheet.canvas, strip, MARGIN, sheet.y, sheet.across)
    sheet.y -= 16
    column = sheet.across / 2
    for place, mark in enumerate(strip.marks):
        if place % 2 == 0:
            sheet.need(ROW)
            sheet.y -= ROW
        x = MARGIN + (place % 2) * column
        sheet.box(x, sheet.y)
        sheet.text(x + 18, sheet.y, f"{place + 1}  {mark.what}", WORDS, 10.5)
        sheet.canvas.setFont(FIGURES, 15)
        sheet.canvas.drawRightString(x + column - 18, sheet.y, apart(mark.reading))
    sheet.y -= 8


def _rows(sheet: Sheet, strips: Sequence[Strip]) -> None:
    """A row for each strip: what it should read, and what it does or a line to write that on."""
    for strip in strips:
        told = {mark.what: mark.reading for mark in strip.marks}
        sheet.need(ROW)
        sheet.y -= ROW
        sheet.text(MARGIN, sheet.y, strip.title, FIGURES, 13)
        sheet.text(MARGIN + 60, sheet.y, f"{SHOULD} {told[SHOULD]}", WORDS, 11)
        sheet.text(MARGIN + 240, sheet.y, f"reads {told.get('reads', '')}", WORDS, 11)
        if "reads" not in told:
            sheet.write_on(MARGIN + 275, 125)
    sheet.y -= 8


def _columns(sheet: Sheet, strips: Sequence[Strip], heading: str) -> None:
    """A line for each mark and a column for each strip, with room to write what it measures."""
    if not strips:
        return
    column = (sheet.across - 60) / len(strips)
    sheet.heading(heading, 60)
    sheet.y -= 14
    for place, strip in enumerate(strips):
        sheet.text(MARGIN + 60 + place * column, sheet.y, strip.title, WORDS, 9.5)
    for marks in zip(*(strip.marks for strip in strips), strict=True):
        sheet.need(ROW)
        sheet.y -= ROW
        sheet.text(MARGIN, sheet.y, marks[0].what, FIGURES, 12)
        for place, mark in enumerate(marks):
            x = MARGIN + 60 + place * column
            sheet.write_on(x, column - 12)
            if mark.state == "set":
                sheet.text(x + 2, sheet.y, mark.reading, FIGURES, 12)


def _marks(sheet: Sheet, ground: Strip, heading: str, beside: Sequence[Strip]) -> None:
    """The marks of a strip in two columns, as read or with a line to write on, each beside its part in another one."""
    others = {mark.part: mark for strip in beside for mark in strip.marks}
    sheet.heading(heading)
    columns = 2
    column = sheet.across / columns
    for place, mark in enumerate(ground.marks):
        if place % columns == 0:
            sheet.need(ROW)
            sheet.y -= ROW * 0.95
        x, other = MARGIN + (place % columns) * column, others.get(mark.part)
        sheet.box(x, sheet.y)
        sheet.text(x + 16, sheet.y, mark.what, WORDS, 9.5)
        if mark.state == "set":
            sheet.text(x + 70, sheet.y, mark.reading, FIGURES, 12)
        else:
            sheet.write_on(x + 70, 60)
        if other is not None:
            sheet.text(x + 140, sheet.y, f"{other.reading}, {other.what}", FIGURES, 12)
