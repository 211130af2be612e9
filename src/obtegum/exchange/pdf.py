"""The set-out and bend sheet as PDF: drawings at a printed scale, big readings, boxes to tick."""

import io
from collections.abc import Sequence
from typing import Any, Literal

from obtegum.core.drawing import Drawing
from obtegum.core.plan import HousePlan
from obtegum.core.steps.model import StepPlan
from obtegum.core.strip import Strip, StripMark
from obtegum.exchange.paper import apart, draw, draw_strip, scale_for
from obtegum.exchange.typefaces import FIGURES, WORDS, register

__all__ = ["Paper", "sheet_pdf"]

Paper = Literal["letter", "a4"]
SIZES: dict[str, tuple[float, float]] = {"letter": (612.0, 792.0), "a4": (595.28, 841.89)}
MARGIN = 40.0
ROW = 21.0
LEVELS = {"holds": "Holds", "tight": "TIGHT", "fails": "FAILS", "unknown": "Not known"}


class _Sheet:
    """Pages being filled from the top down; the number of pages is known only at the end."""

    def __init__(self, plan: HousePlan, version: int, date: str, paper: Paper) -> None:
        from reportlab.pdfgen.canvas import Canvas

        register()
        self.plan, self.version, self.date = plan, version, date
        self.width, self.height = SIZES[paper]
        self.out = io.BytesIO()
        self.canvas: Any = Canvas(self.out, pagesize=SIZES[paper], invariant=1)
        self.canvas.setTitle(f"{plan.name}: set-out and bend sheet")
        self.y = 0.0
        self.pages: list[str] = []

    @property
    def room(self) -> float:
        """Height left on the page, points."""
        return self.y - MARGIN - 24

    @property
    def across(self) -> float:
        """Width between the margins, points."""
        return self.width - 2 * MARGIN

    def page(self, title: str) -> None:
        """Begin a page."""
        if self.pages:
            self.canvas.showPage()
        self.pages.append(title)
        top = self.height - MARGIN
        self.text(MARGIN, top - 12, self.plan.name, FIGURES, 16)
        beside = MARGIN + self.canvas.stringWidth(self.plan.name, FIGURES, 16) + 12
        self.text(beside, top - 12, self.plan.size, FIGURES, 12)
        self.canvas.setFont(FIGURES, 13)
        self.canvas.drawRightString(self.width - MARGIN, top - 12, title)
        self.canvas.setLineWidth(1.2)
        self.canvas.line(MARGIN, top - 18, self.width - MARGIN, top - 18)
        self.text(MARGIN, MARGIN - 4, self.plan.planning_aid, WORDS, 8.5)
        number = f"{self.date} · version {self.version} · page {len(self.pages)} of "
        self.canvas.setFont(WORDS, 8.5)
        self.canvas.drawRightString(self.width - MARGIN - 12, MARGIN - 4, number)
        # The number of pages is filled in when it is known.
        self.canvas.doForm("pages")
        self.y = top - 34

    def turn(self) -> None:
        """Go on with the same matter on a new page."""
        self.page(f"{self.pages[-1].removesuffix(', on')}, on")

    def text(self, x: float, y: float, text: str, font: str, size: float) -> None:
        self.canvas.setFont(font, size)
        self.canvas.drawString(x, y, apart(text))

    def paragraph(self, text: str, font: str = WORDS, size: float = 10) -> None:
        """Words over the full width, broken where they must be."""
        from reportlab.lib.utils import simpleSplit

        for line in simpleSplit(apart(text), font, size, self.across):
            if self.room < size * 1.3:
                self.turn()
            self.y -= size * 1.3
            self.text(MARGIN, self.y, line, font, size)
        self.y -= 3

    def heading(self, text: str) -> None:
        self.y -= 20
        self.text(MARGIN, self.y, text, FIGURES, 13)
        self.y -= 5

    def drawing(self, drawing: Drawing, share: float) -> None:
        """A drawing over at most a share of what is left of the page, with its printed scale."""
        height = self.room * share
        scale = scale_for(drawing, self.across, height)
        draw(self.canvas, drawing, scale, MARGIN, self.y - height)
        self.y -= height + 11
        self.text(MARGIN, self.y, f"{drawing.title}, drawn 1 : {scale} when printed at full size.", WORDS, 8.5)
        self.y -= 4

    def box(self, x: float, y: float) -> None:
        """A box to tick."""
        self.canvas.setLineWidth(1)
        self.canvas.rect(x, y - 1, 10, 10)

    def finish(self) -> bytes:
        self.canvas.showPage()
        self.canvas.beginForm("pages")
        self.canvas.setFont(WORDS, 8.5)
        self.canvas.drawString(self.width - MARGIN - 10, MARGIN - 4, str(len(self.pages)))
        self.canvas.endForm()
        self.canvas.save()
        return self.out.getvalue()


def _view(plan: HousePlan, name: str) -> Drawing:
    return next(each for each in plan.drawings if each.view == name)


def _step(plan: HousePlan, name: str) -> StepPlan:
    return next(each for each in plan.steps if each.id == name)


def _caution(sheet: _Sheet, step: StepPlan) -> None:
    if step.caution:
        sheet.paragraph(f"Take care. {step.caution}", FIGURES, 12)


def _answers(sheet: _Sheet, steps: Sequence[StepPlan]) -> None:
    """Answers in two columns."""
    column = sheet.across / 2 - 10
    left, top, lowest = MARGIN, sheet.y, sheet.y
    for place, step in enumerate(steps):
        x = left + (place % 2) * (column + 20)
        if place % 2 == 0:
            top = lowest
        y = top - 18
        sheet.text(x, y, step.title, FIGURES, 12)
        for answer in step.answers:
            y -= 15
            sheet.text(x, y, answer.label, WORDS, 9.5)
            sheet.canvas.setFont(FIGURES, 11)
            sheet.canvas.drawRightString(x + column, y, apart(answer.reading))
        lowest = min(lowest, y)
    sheet.y = lowest - 6


def _first_page(sheet: _Sheet) -> None:
    plan = sheet.plan
    sheet.page("The house")
    sheet.drawing(_view(plan, "across"), 0.46)
    _answers(sheet, [_step(plan, name) for name in ("size", "set-out", "posts", "bows")])
    sheet.heading("Verdicts")
    for verdict in plan.verdicts:
        sheet.paragraph(f"{LEVELS[verdict.level]}. {verdict.sentence}", WORDS, 9.5)


def _set_out(sheet: _Sheet) -> None:
    plan, step = sheet.plan, _step(sheet.plan, "set-out")
    sheet.page("Set out")
    _caution(sheet, step)
    sheet.drawing(_view(plan, "above"), 0.4)
    strips = {strip.id: strip for strip in plan.strips}
    _pairs(sheet, strips["peg:L"], strips["peg:R"], "Set out, pegs", "Tape at A and at D. Tick left, right.")


def _pairs(sheet: _Sheet, left: Strip, right: Strip, title: str, words: str) -> None:
    """The readings of both sides, a box for each, in as many columns and pages as needed."""
    sheet.paragraph(words, WORDS, 10)
    columns = 3
    column = sheet.across / columns
    pairs = list(zip(left.marks, right.marks, strict=True))
    while pairs:
        rows = int(sheet.room // ROW)
        if rows < 3:
            sheet.page(title)
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


def _reading(sheet: _Sheet, x: float, y: float, one: StripMark, other: StripMark, width: float) -> None:
    names = [each.what.removeprefix("corner ") for each in (one, other)]
    name = one.what if one.what == other.what else ", ".join(names)
    sheet.text(x, y, name, WORDS, 9)
    sheet.canvas.setFont(FIGURES, 16)
    sheet.canvas.drawRightString(x + width, y, apart(one.reading))


def _how(sheet: _Sheet) -> None:
    """Each step of squaring with its drawing, two or three to a page."""
    step = _step(sheet.plan, "set-out")
    sheet.page("Square it")
    height = (sheet.room - 30) / 3
    for number, told in enumerate(step.how, start=1):
        if sheet.room < height * 0.9:
            sheet.turn()
        sheet.paragraph(f"{number}. {told.words}", WORDS, 10.5)
        if told.view is not None:
            sheet.drawing(_view(sheet.plan, told.view), min((height - 45) / sheet.room, 1.0))


def _square_up(sheet: _Sheet) -> None:
    """What the six lines should read, room for what they do, and the moves."""
    plan, step = sheet.plan, _step(sheet.plan, "square-up")
    sheet.page("Square up")
    _caution(sheet, step)
    sheet.drawing(_view(plan, "taped"), 0.4)
    for strip in plan.strips:
        if strip.id not in step.strips:
            continue
        told = {mark.what: mark.reading for mark in strip.marks}
        sheet.y -= ROW
        sheet.text(MARGIN, sheet.y, strip.title, FIGURES, 13)
        sheet.text(MARGIN + 60, sheet.y, f"should read {told['should read']}", WORDS, 11)
        sheet.text(MARGIN + 240, sheet.y, f"reads {told.get('reads', '')}", WORDS, 11)
        if "reads" not in told:
            sheet.canvas.line(MARGIN + 275, sheet.y - 2, MARGIN + 400, sheet.y - 2)
    sheet.y -= 8
    _answers(sheet, [step])
    sheet.paragraph(step.next, FIGURES, 12)


def _keep_pegs(sheet: _Sheet) -> None:
    plan, step = sheet.plan, _step(sheet.plan, "keep-pegs")
    sheet.page("Keep pegs")
    _caution(sheet, step)
    sheet.drawing(_view(plan, "offsets"), 0.4)
    for number, told in enumerate(step.how, start=1):
        sheet.paragraph(f"{number}. {told.words}", WORDS, 10)
    strips = {strip.id: strip for strip in plan.strips}
    _pairs(sheet, strips["kept:AB"], strips["kept:DC"], "Keep pegs", "Tape at A1 and at D1.")
    _answers(sheet, [step])


def _level(sheet: _Sheet) -> None:
    """The ground, and for every peg what the rod reads on it and on its finished post."""
    plan, step = sheet.plan, _step(sheet.plan, "level")
    sheet.page("Level")
    _caution(sheet, step)
    sheet.drawing(_view(plan, "falls"), 0.36)
    sheet.paragraph(step.next, FIGURES, 12)
    _answers(sheet, [step])
    strips = {strip.id: strip for strip in plan.strips}
    for side, title in (("L", "Left"), ("R", "Right")):
        ground = strips[f"level:{side}"]
        tops = {mark.part: mark for mark in strips[f"tops:{side}"].marks} if f"tops:{side}" in strips else {}
        sheet.heading(f"{title} pegs: rod on the ground, rod on the finished top")
        columns = 2
        column = sheet.across / columns
        for place, mark in enumerate(ground.marks):
            if place % columns == 0:
                if sheet.room < ROW:
                    sheet.turn()
                sheet.y -= ROW * 0.85
            x, top = MARGIN + (place % columns) * column, tops.get(mark.part)
            sheet.box(x, sheet.y)
            sheet.text(x + 16, sheet.y, mark.what, WORDS, 9.5)
            sheet.text(x + 70, sheet.y, mark.reading, FIGURES, 12)
            if top is not None:
                sheet.text(x + 140, sheet.y, f"{top.reading}, {top.what}", FIGURES, 12)


def _ground_work(sheet: _Sheet) -> None:
    """Earth to move and the drain to lay."""
    plan, earth, drain = sheet.plan, _step(sheet.plan, "earth"), _step(sheet.plan, "drain")
    sheet.page("Earth and drain")
    _caution(sheet, earth)
    sheet.drawing(_view(plan, "earth"), 0.34)
    sheet.paragraph(earth.next, FIGURES, 12)
    _caution(sheet, drain)
    sheet.drawing(_view(plan, "drain"), 0.5)
    sheet.paragraph(drain.next, FIGURES, 12)
    _answers(sheet, [each for each in (earth, drain) if each.answers])
    _strip(sheet, next(strip for strip in plan.strips if strip.id == "drain"))


def _posts(sheet: _Sheet) -> None:
    plan, step = sheet.plan, _step(sheet.plan, "posts")
    sheet.page("Posts")
    _caution(sheet, step)
    sheet.drawing(_view(plan, "post"), 0.5)
    _strip(sheet, next(strip for strip in plan.strips if strip.id == "post"))
    sheet.paragraph(step.next, WORDS, 10)


def _strip(sheet: _Sheet, strip: Strip) -> None:
    """A strip laid straight and its marks below, numbered alike."""
    needed = 70 + ROW * (-(-len(strip.marks) // 2))
    if sheet.room < needed:
        sheet.turn()
    sheet.heading(strip.title)
    sheet.paragraph(strip.about, WORDS, 9.5)
    sheet.y -= 34
    draw_strip(sheet.canvas, strip, MARGIN, sheet.y, sheet.across)
    sheet.y -= 16
    column = sheet.across / 2
    for place, mark in enumerate(strip.marks):
        if place % 2 == 0:
            sheet.y -= ROW
        x = MARGIN + (place % 2) * column
        sheet.box(x, sheet.y)
        sheet.text(x + 18, sheet.y, f"{place + 1}  {mark.what}", WORDS, 10.5)
        sheet.canvas.setFont(FIGURES, 15)
        sheet.canvas.drawRightString(x + column - 18, sheet.y, apart(mark.reading))
    sheet.y -= 8


def _bows(sheet: _Sheet) -> None:
    plan, step = sheet.plan, _step(sheet.plan, "bows")
    sheet.page("Bows")
    _caution(sheet, step)
    for strip in plan.strips:
        if strip.id.startswith("stick:"):
            _strip(sheet, strip)
    sheet.paragraph(step.next, WORDS, 10)


def _bend(sheet: _Sheet) -> None:
    """The bow as it comes out, what the former must be, and every pull."""
    plan, step = sheet.plan, _step(sheet.plan, "bend")
    sheet.page("Bend")
    _caution(sheet, step)
    sheet.drawing(_view(plan, "made"), 0.42)
    _answers(sheet, [step])
    for strip in plan.strips:
        if strip.id.startswith("pulls:"):
            _strip(sheet, strip)
    sheet.paragraph(step.next, WORDS, 10)


def _check_bows(sheet: _Sheet) -> None:
    """A line for each bow, with room to write what it measures."""
    plan, step = sheet.plan, _step(sheet.plan, "check-bows")
    sheet.page("Check bows")
    _caution(sheet, step)
    _answers(sheet, [step])
    strips = [strip for strip in plan.strips if strip.id.startswith("check:")]
    column = (sheet.across - 60) / len(strips)
    sheet.heading("Write what each bow measures")
    sheet.y -= 14
    for place, strip in enumerate(strips):
        sheet.text(MARGIN + 60 + place * column, sheet.y, strip.title, WORDS, 9.5)
    for marks in zip(*(strip.marks for strip in strips), strict=True):
        if sheet.room < ROW:
            sheet.turn()
        sheet.y -= ROW
        sheet.text(MARGIN, sheet.y, marks[0].what, FIGURES, 12)
        for place, mark in enumerate(marks):
            x = MARGIN + 60 + place * column
            sheet.canvas.setLineWidth(0.5)
            sheet.canvas.line(x, sheet.y - 3, x + column - 12, sheet.y - 3)
            if mark.state == "set":
                sheet.text(x + 2, sheet.y, mark.reading, FIGURES, 12)


PAGES = (
    _first_page,
    _set_out,
    _how,
    _square_up,
    _keep_pegs,
    _level,
    _ground_work,
    _posts,
    _bows,
    _bend,
    _check_bows,
)


def sheet_pdf(plan: HousePlan, version: int, date: str, paper: Paper) -> bytes:
    """The sheet: the house, setting out, ground, posts, sticks; readable in black and white.

    Args: the plan, the version of the house it is of, the date to print, the paper.
    """
    sheet = _Sheet(plan, version, date, paper)
    for part in PAGES:
        part(sheet)
    return sheet.finish()
