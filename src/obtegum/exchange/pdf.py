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
    _answers(sheet, plan.steps)
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
    name = one.what if one.what == other.what else f"{one.what[-1]}, {other.what[-1]}"
    sheet.text(x, y, name, WORDS, 9)
    sheet.canvas.setFont(FIGURES, 16)
    sheet.canvas.drawRightString(x + width, y, apart(one.reading))


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
        if strip.id in step.strips:
            _strip(sheet, strip)
    sheet.paragraph(step.next, WORDS, 10)


def sheet_pdf(plan: HousePlan, version: int, date: str, paper: Paper) -> bytes:
    """The sheet: the house, setting out, posts, sticks; readable in black and white.

    Args: the plan, the version of the house it is of, the date to print, the paper.
    """
    sheet = _Sheet(plan, version, date, paper)
    for part in (_first_page, _set_out, _posts, _bows):
        part(sheet)
    return sheet.finish()
