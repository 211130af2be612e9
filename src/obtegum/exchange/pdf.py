"""The set-out and bend sheet as PDF: drawings at a printed scale, big readings, boxes to tick."""

import io
from collections.abc import Sequence
from typing import Any, Literal

from obtegum.core.drawing import Drawing
from obtegum.core.plan import HousePlan
from obtegum.core.steps.model import StepPlan
from obtegum.core.strip import Strip, StripMark
from obtegum.exchange.paper import apart, draw, draw_strip, height_of, scale_for
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
        self.title = ""
        self.pages: list[str] = []

    @property
    def room(self) -> float:
        """Height left on the page, points."""
        return self.y - MARGIN - 24

    @property
    def whole(self) -> float:
        """Height of an empty page between its head and its foot, points."""
        return self.height - 2 * MARGIN - 58

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

    def section(self, title: str, first: float = 0.3) -> None:
        """Begin another matter: on the same page where a share of it is left for the first of it, else on a new one."""
        self.title = title
        if not self.pages or self.room < first * self.whole:
            self.page(title)
            return
        self.y -= 26
        self.canvas.setLineWidth(0.8)
        self.canvas.line(MARGIN, self.y + 16, self.width - MARGIN, self.y + 16)
        self.text(MARGIN, self.y, title, FIGURES, 15)
        self.y -= 6

    def turn(self) -> None:
        """Go on with the same matter on a new page."""
        self.page(f"{self.title}, on")

    def need(self, height: float) -> None:
        """Go on to a new page unless there is room for something of a height, points."""
        if self.room < height:
            self.turn()

    def text(self, x: float, y: float, text: str, font: str, size: float) -> None:
        self.canvas.setFont(font, size)
        self.canvas.drawString(x, y, apart(text))

    def paragraph(self, text: str, font: str = WORDS, size: float = 10) -> None:
        """Words over the full width, broken where they must be."""
        from reportlab.lib.utils import simpleSplit

        for line in simpleSplit(apart(text), font, size, self.across):
            self.need(size * 1.3)
            self.y -= size * 1.3
            self.text(MARGIN, self.y, line, font, size)
        self.y -= 3

    def heading(self, text: str, below: float = 40) -> None:
        """A heading, never without some of what stands below it."""
        self.need(25 + below)
        self.y -= 20
        self.text(MARGIN, self.y, text, FIGURES, 13)
        self.y -= 5

    def drawing(self, drawing: Drawing, share: float) -> None:
        """A drawing as large as its share of a page lets it be, with its printed scale."""
        height = share * self.whole
        if self.room < 0.7 * height + 20:
            self.turn()
        height = min(height, self.room - 20)
        scale = scale_for(drawing, self.across, height)
        # A long house is a flat drawing: what it leaves is used.
        used = min(height, height_of(drawing, scale))
        draw(self.canvas, drawing, scale, MARGIN, self.y - used)
        self.y -= used + 11
        self.text(MARGIN, self.y, f"{drawing.title}, drawn 1 : {scale} when printed at full size.", WORDS, 8.5)
        self.y -= 4

    def box(self, x: float, y: float) -> None:
        """A box to tick."""
        self.canvas.setLineWidth(1)
        self.canvas.rect(x, y - 1, 10, 10)

    def write_on(self, x: float, long: float) -> None:
        """A line to write a reading on."""
        self.canvas.setLineWidth(0.5)
        self.canvas.line(x, self.y - 3, x + long, self.y - 3)

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


def _first_page(sheet: _Sheet) -> None:
    plan = sheet.plan
    sheet.section("The house")
    sheet.drawing(_view(plan, "across"), 0.44)
    _answers(sheet, [_step(plan, name) for name in ("size", "set-out", "posts", "bows")])
    sheet.heading("Verdicts")
    for verdict in plan.verdicts:
        sheet.paragraph(f"{LEVELS[verdict.level]}. {verdict.sentence}", WORDS, 9.5)


def _set_out(sheet: _Sheet) -> None:
    plan, step = sheet.plan, _step(sheet.plan, "set-out")
    sheet.section("Set out", 0.6)
    _caution(sheet, step)
    sheet.drawing(_view(plan, "above"), 0.4)
    strips = {strip.id: strip for strip in plan.strips}
    _pairs(sheet, strips["peg:L"], strips["peg:R"], "Tape at A and at D. Tick left, right.")


def _pairs(sheet: _Sheet, left: Strip, right: Strip, words: str) -> None:
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


def _reading(sheet: _Sheet, x: float, y: float, one: StripMark, other: StripMark, width: float) -> None:
    names = [each.what.removeprefix("corner ") for each in (one, other)]
    name = one.what if one.what == other.what else ", ".join(names)
    sheet.text(x, y, name, WORDS, 9)
    sheet.canvas.setFont(FIGURES, 16)
    sheet.canvas.drawRightString(x + width, y, apart(one.reading))


def _how(sheet: _Sheet) -> None:
    """Each step of squaring with its drawing, three or four to a page."""
    step = _step(sheet.plan, "set-out")
    sheet.section("Square it")
    for number, told in enumerate(step.how, start=1):
        sheet.need(0.26 * sheet.whole)
        sheet.paragraph(f"{number}. {told.words}", WORDS, 10.5)
        if told.view is not None:
            sheet.drawing(_view(sheet.plan, told.view), 0.25)


def _square_up(sheet: _Sheet) -> None:
    """What the six lines should read, room for what they do, and the moves."""
    plan, step = sheet.plan, _step(sheet.plan, "square-up")
    sheet.section("Square up", 0.4)
    _caution(sheet, step)
    sheet.drawing(_view(plan, "taped"), 0.34)
    for strip in plan.strips:
        if strip.id not in step.strips:
            continue
        told = {mark.what: mark.reading for mark in strip.marks}
        sheet.need(ROW)
        sheet.y -= ROW
        sheet.text(MARGIN, sheet.y, strip.title, FIGURES, 13)
        sheet.text(MARGIN + 60, sheet.y, f"should read {told['should read']}", WORDS, 11)
        sheet.text(MARGIN + 240, sheet.y, f"reads {told.get('reads', '')}", WORDS, 11)
        if "reads" not in told:
            sheet.write_on(MARGIN + 275, 125)
    sheet.y -= 8
    _answers(sheet, [step])
    sheet.paragraph(step.next, FIGURES, 12)


def _keep_pegs(sheet: _Sheet) -> None:
    plan, step = sheet.plan, _step(sheet.plan, "keep-pegs")
    sheet.section("Keep pegs", 0.4)
    _caution(sheet, step)
    sheet.drawing(_view(plan, "offsets"), 0.36)
    for number, told in enumerate(step.how, start=1):
        sheet.paragraph(f"{number}. {told.words}", WORDS, 10)
    strips = {strip.id: strip for strip in plan.strips}
    _pairs(sheet, strips["kept:AB"], strips["kept:DC"], "Tape at A1 and at D1.")
    _answers(sheet, [step])


def _level(sheet: _Sheet) -> None:
    """The ground, and for every peg what the rod reads on it and on its finished post."""
    plan, step = sheet.plan, _step(sheet.plan, "level")
    sheet.section("Level", 0.4)
    _caution(sheet, step)
    sheet.drawing(_view(plan, "falls"), 0.3)
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
                sheet.need(ROW)
                sheet.y -= ROW * 0.95
            x, top = MARGIN + (place % columns) * column, tops.get(mark.part)
            sheet.box(x, sheet.y)
            sheet.text(x + 16, sheet.y, mark.what, WORDS, 9.5)
            if mark.state == "set":
                sheet.text(x + 70, sheet.y, mark.reading, FIGURES, 12)
            else:
                sheet.write_on(x + 70, 60)
            if top is not None:
                sheet.text(x + 140, sheet.y, f"{top.reading}, {top.what}", FIGURES, 12)


def _ground_work(sheet: _Sheet) -> None:
    """Earth to move and the drain to lay."""
    plan, earth, drain = sheet.plan, _step(sheet.plan, "earth"), _step(sheet.plan, "drain")
    sheet.section("Earth and drain", 0.4)
    _caution(sheet, earth)
    sheet.drawing(_view(plan, "earth"), 0.28)
    sheet.paragraph(earth.next, FIGURES, 12)
    _caution(sheet, drain)
    sheet.drawing(_view(plan, "drain"), 0.28)
    sheet.paragraph(drain.next, FIGURES, 12)
    _answers(sheet, [each for each in (earth, drain) if each.answers])
    _strip(sheet, next(strip for strip in plan.strips if strip.id == "drain"))


def _posts(sheet: _Sheet) -> None:
    plan, step = sheet.plan, _step(sheet.plan, "posts")
    sheet.section("Posts", 0.4)
    _caution(sheet, step)
    sheet.drawing(_view(plan, "post"), 0.36)
    _strip(sheet, next(strip for strip in plan.strips if strip.id == "post"))
    sheet.paragraph(step.next, WORDS, 10)


def _strip(sheet: _Sheet, strip: Strip) -> None:
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


def _bows(sheet: _Sheet) -> None:
    plan, step = sheet.plan, _step(sheet.plan, "bows")
    sheet.section("Bows", 0.35)
    _caution(sheet, step)
    for strip in plan.strips:
        if strip.id.startswith("stick:"):
            _strip(sheet, strip)
    sheet.paragraph(step.next, WORDS, 10)


def _bend(sheet: _Sheet) -> None:
    """The bow as it comes out, what the former must be, and every pull."""
    plan, step = sheet.plan, _step(sheet.plan, "bend")
    sheet.section("Bend", 0.45)
    _caution(sheet, step)
    sheet.drawing(_view(plan, "made"), 0.36)
    _answers(sheet, [step])
    for strip in plan.strips:
        if strip.id.startswith("pulls:"):
            _strip(sheet, strip)
    sheet.paragraph(step.next, WORDS, 10)


def _check_bows(sheet: _Sheet) -> None:
    """A line for each bow, with room to write what it measures."""
    plan, step = sheet.plan, _step(sheet.plan, "check-bows")
    sheet.section("Check bows", 0.35)
    _caution(sheet, step)
    _answers(sheet, [step])
    strips = [strip for strip in plan.strips if strip.id.startswith("check:")]
    column = (sheet.across - 60) / len(strips)
    sheet.heading("Write what each bow measures", 60)
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
