"""A sheet of paper being filled from the top down, page by page."""

import io
from typing import Any, Literal

from obtegum.core.drawing.items import Drawing
from obtegum.core.house.plan import HousePlan
from obtegum.exchange.paper import apart, draw, height_of, scale_for
from obtegum.exchange.typefaces import FIGURES, WORDS, register

__all__ = ["MARGIN", "ROW", "Paper", "Sheet"]

Paper = Literal["letter", "a4"]
SIZES: dict[str, tuple[float, float]] = {"letter": (612.0, 792.0), "a4": (595.28, 841.89)}
MARGIN = 40.0
ROW = 21.0


class Sheet:
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
        # Who worked by it, and on which day.
        right = self.width - MARGIN
        self.canvas.setLineWidth(0.5)
        for word, from_, to in (("day", right - 238, right - 170), ("who", right - 160, right)):
            self.text(from_, top - 30, word, WORDS, 8)
            self.canvas.line(from_ + 18, top - 31, to, top - 31)
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
