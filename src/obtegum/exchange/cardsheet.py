"""Field cards on paper, four to a page, each with its number, a drawing and boxes to write in and to tick."""

import io
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from obtegum.core.drawing.items import Drawing, Note
from obtegum.core.drawing.strip import Strip
from obtegum.core.face.faces import Card
from obtegum.exchange.paper import apart, draw, height_of, scale_for
from obtegum.exchange.sheet import SIZES, Paper
from obtegum.exchange.typefaces import FIGURES, WORDS, register

__all__ = ["Deck", "cards_pdf"]

EDGE, INSIDE = 26.0, 12.0
# Longer words beside a drawing have no room on a quarter of a page.
FEW = 16
ACROSS, DOWN = 2, 2
# Room for the piece of tape, points; marks shown to each side of a card's own.
TAPE, BESIDE = 72.0, 2
# Readings nearer to one another than this run together, points.
CLOSE = 46.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Deck:
    """What is printed of a step: the house's name, the step's title and caution, its cards in the order of the work,
    drawings by their views, tapes by their names, and what stands at the foot of each page."""

    house: str
    title: str
    caution: str
    cards: Sequence[Card]
    drawings: Mapping[str, Drawing]
    strips: Mapping[str, Strip]
    foot: str


def cards_pdf(deck: Deck, paper: Paper) -> bytes:
    """Cards of a step on paper. Raises: ValueError when there are none."""
    from reportlab.pdfgen.canvas import Canvas

    cards = deck.cards
    if not cards:
        raise ValueError("no cards to print")
    register()
    width, height = SIZES[paper]
    out = io.BytesIO()
    canvas: Any = Canvas(out, pagesize=SIZES[paper], invariant=1)
    canvas.setTitle(f"{deck.house}: {deck.title}, cards")
    each_w, each_h = (width - 2 * EDGE) / ACROSS, (height - 2 * EDGE) / DOWN
    for place, card in enumerate(cards):
        spot = place % (ACROSS * DOWN)
        if spot == 0 and place:
            canvas.showPage()
        if spot == 0:
            _cuts(canvas, width, height, deck.foot)
        x = EDGE + (spot % ACROSS) * each_w + INSIDE
        top = height - EDGE - (spot // ACROSS) * each_h - INSIDE
        head = f"{deck.house} · {deck.title} · {place + 1} of {len(cards)}"
        _card(canvas, deck, card, head, x, top, each_w - 2 * INSIDE, each_h - 2 * INSIDE)
    canvas.showPage()
    canvas.save()
    return out.getvalue()


def _cuts(canvas: Any, width: float, height: float, foot: str) -> None:
    """Lines to cut along, and what stands at the foot."""
    canvas.setDash(3, 3)
    canvas.setLineWidth(0.5)
    canvas.line(width / 2, EDGE, width / 2, height - EDGE)
    canvas.line(EDGE, height / 2, width - EDGE, height / 2)
    canvas.setDash()
    canvas.setFont(WORDS, 7)
    canvas.drawString(EDGE + INSIDE, EDGE - 10, foot)


def _card(canvas: Any, deck: Deck, card: Card, head: str, x: float, top: float, wide: float, high: float) -> None:
    caution, drawing, strip = deck.caution, deck.drawings.get(card.view), deck.strips.get(card.strip)
    y = _words(canvas, head, x, top, wide, WORDS, 8)
    if caution:
        y = _words(canvas, f"Take care. {caution}", x, y - 2, wide, FIGURES, 8.5)
    y = _words(canvas, card.says, x, y - 4, wide, FIGURES, 13)
    if card.what:
        y = _words(canvas, card.what, x, y - 1, wide, WORDS, 9.5)
    if card.reading:
        y = _words(canvas, card.reading, x, y - 6, wide, FIGURES, 34)
    if card.note:
        y = _words(canvas, card.note, x, y - 2, wide, WORDS, 8.5)
    floor = top - high + 62
    if strip is not None:
        floor += TAPE
        _tape(canvas, strip, card, x, floor - TAPE + 30, wide)
    if drawing is not None and y - floor > 60:
        few = drawing.model_copy(
            update={
                "items": tuple(each for each in drawing.items if not isinstance(each, Note) or len(each.text) <= FEW)
            }
        )
        room = y - floor - 10
        scale = scale_for(few, wide, room)
        draw(canvas, few, scale, x, y - 6 - min(room, height_of(few, scale)))
    canvas.setLineWidth(1.2)
    low = top - high
    if card.measure:
        canvas.rect(x, low + 26, wide - 90, 30)
        _words(
            canvas,
            f"{card.label}, as read" + (f" (was {card.typed})" if card.typed else ""),
            x,
            low + 66,
            wide,
            WORDS,
            8,
        )
    canvas.rect(x + wide - 30, low + 26, 30, 30)
    if card.state == "set":
        canvas.line(x + wide - 26, low + 40, x + wide - 18, low + 30)
        canvas.line(x + wide - 18, low + 30, x + wide - 4, low + 52)
    canvas.setFont(WORDS, 8)
    canvas.drawRightString(x + wide - 36, low + 38, "done")
    canvas.drawString(x, low + 8, "day")
    canvas.drawString(x + wide / 2, low + 8, "who")
    canvas.setLineWidth(0.5)
    canvas.line(x + 18, low + 6, x + wide / 2 - 8, low + 6)
    canvas.line(x + wide / 2 + 20, low + 6, x + wide, low + 6)


def _tape(canvas: Any, strip: Strip, card: Card, x: float, y: float, wide: float) -> None:
    """The piece of tape about a card's mark, with its neighbours, what each reads, taking turns above and below."""
    place = next((at for at, mark in enumerate(strip.marks) if mark.part == card.part), None)
    if place is None:
        return
    marks = strip.marks[max(place - BESIDE, 0) : place + BESIDE + 1]
    low, high = marks[0].at_m, marks[-1].at_m
    canvas.setLineWidth(0.8)
    canvas.setFillGray(0.93)
    canvas.rect(x, y, wide, 12, fill=1)
    canvas.setFillGray(0)
    per_m = (wide - 44) / max(high - low, 1e-9)
    # Its own mark is lettered first; of two that stand close on one side the first is.
    taken = list[tuple[bool, float]]()
    for number, mark in sorted(enumerate(marks), key=lambda each: each[1].part != card.part):
        own = mark.part == card.part
        at = x + 22 + (mark.at_m - low) * per_m
        canvas.setLineWidth(2.4 if own else 1.0)
        canvas.line(at, y - 3, at, y + 15)
        canvas.setFont(FIGURES, 10 if own else 7.5)
        above = number % 2 == 0
        if any(side == above and abs(at - other) < CLOSE for side, other in taken):
            continue
        taken.append((above, at))
        canvas.drawCentredString(at, y + 18 if above else y - 12, mark.reading)


def _words(canvas: Any, text: str, x: float, y: float, wide: float, font: str, size: float) -> float:
    """Words broken where they must be, from a height down; returns where they end."""
    from reportlab.lib.utils import simpleSplit

    for line in simpleSplit(apart(text), font, size, wide):
        y -= size * 1.18
        canvas.setFont(font, size)
        canvas.drawString(x, y, line)
    return y
