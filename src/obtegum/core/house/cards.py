"""Field cards: what a step asks for on site, one thing at a time, as its walk, its tapes and its numbered work have it.

A room that has cards of its own puts them first. Ticks of cards are kept as those of pegs are, by the reading that they
were done at: where the plan has moved since, the card says so.
"""

from collections.abc import Iterator
from dataclasses import replace

from obtegum.core.drawing.step import StepPlan
from obtegum.core.drawing.strip import Strip, StripMark
from obtegum.core.face.faces import Card
from obtegum.core.face.room import Room
from obtegum.core.findings.work import Work
from obtegum.core.house.measures import measured, states_of
from obtegum.core.rooms import rooms

__all__ = ["card_at", "cards_of", "name_of_card", "room_of", "told_of_card", "with_cards"]

# Marks that are no work of anybody's: where the tape only begins, or tells the ground, or what it should read.
NO_WORK = ("ground", "head", "read")
SAME_M = 1e-4
# What a tape says where nothing was read yet.
NOTHING = "–"


def room_of(work: Work, step: str) -> Room | None:
    """The room of a step, by its name."""
    return next((room for room in rooms() if room.standing(work)["id"] == step), None)


def with_cards(work: Work) -> tuple[str, ...]:
    """Steps that have cards here, in working order."""
    named = (room.standing(work)["id"] for room in rooms() if not room.slow)
    return tuple(step for step in named if cards_of(work, step))


def cards_of(work: Work, step: str) -> tuple[Card, ...]:
    """The cards of a step, in the order of the work. Raises: LookupError for no step's name."""
    room = room_of(work, step)
    if room is None:
        raise LookupError(step)
    if not room.carded:
        return ()
    plan = room.planned(work)
    strips = [strip for strip in room.strips_laid(work) if strip.id in plan.strips]
    found = [*room.cards(work), *_told(plan), *_walked(plan, strips), *_measured(work, plan), *_marked(plan, strips)]
    return tuple(_kept(work, card) for card in found)


def name_of_card(card: Card) -> str:
    """What a card goes by in the record: its tick, or the measure that is written on it."""
    return card.tick or card.measure


def told_of_card(card: Card) -> str:
    """What a card is of and what was read there, or what it asks for where nothing was, in a line."""
    words = card.label or card.what or card.says
    read = card.typed or card.reading
    return f"{words}: {read}"[:200] if read else words[:200]


def card_at(work: Work, tick: str) -> Card | None:
    """The card that a tick is of; None where the house has none such."""
    step = tick.split(":")[1]
    if room_of(work, step) is None:
        return None
    return next((card for card in cards_of(work, step) if card.tick == tick), None)


def _kept(work: Work, card: Card) -> Card:
    """A card as it stands in the record."""
    if not card.tick.startswith("card:"):
        return card
    at_m = work.record.set_at_m.get(card.tick)
    if at_m is None:
        return card
    return replace(card, state="set" if abs(at_m - card.at_m) < SAME_M else "moved")


def _told(plan: StepPlan) -> Iterator[Card]:
    """The numbered work of a step."""
    for number, told in enumerate(plan.how, start=1):
        yield Card(
            id=f"how:{number}", says=told.words, view=told.view or (plan.views[0] if plan.views else ""),
            tick=f"card:{plan.id}:how:{number}",
        )  # fmt: skip


def _walked(plan: StepPlan, strips: list[Strip]) -> Iterator[Card]:
    """What is ticked off or typed, in the order in which one comes to it."""
    marks = {_named(mark): (strip, mark) for strip in strips for mark in strip.marks}
    named = [name for name in plan.walk if name in marks]
    for name in (*named, *(each for each in marks if each and each not in plan.walk)):
        yield _mark(plan, *marks[name])


def _named(mark: StripMark) -> str:
    """What a mark is ticked off or typed by; nothing where it is neither."""
    return mark.tick or (mark.entry.measure if mark.entry else "")


def _mark(plan: StepPlan, strip: Strip, mark: StripMark) -> Card:
    entry = mark.entry
    return Card(
        id=mark.id,
        says=mark.says or f"{strip.title}: mark it here.",
        what=f"{strip.title}: {mark.what}" if mark.says else mark.what,
        reading="" if mark.reading == NOTHING else mark.reading,
        note=mark.note,
        view=plan.views[0] if plan.views else "",
        part=mark.part,
        strip=strip.id,
        measure=entry.measure if entry else "",
        label=entry.label if entry else "",
        typed=entry.reading if entry else "",
        tick=mark.tick or "",
        state="set" if entry and entry.reading else mark.state,
        at_m=mark.at_m,
    )


def _measured(work: Work, plan: StepPlan) -> Iterator[Card]:
    """What is written down of the site in a field of its own."""
    known = set(measured(work))
    names = [name for name in plan.measures if name.startswith("record.") and name in known]
    for name, state in states_of(work, names).items():
        if not state.options:
            yield Card(
                id=name, says="What does the tape say?", what=state.label, view=plan.views[0] if plan.views else "",
                measure=name, label=state.label, typed=state.reading, note=state.hint,
                state="set" if state.reading else "open",
            )  # fmt: skip


def _marked(plan: StepPlan, strips: list[Strip]) -> Iterator[Card]:
    """Marks to make on tube, board, film or string, which nobody ticks off elsewhere."""
    for strip in strips:
        if strip.material == "floor":
            continue
        for mark in strip.marks:
            if mark.tick or mark.entry or mark.kind in NO_WORK:
                continue
            card = _mark(plan, strip, mark)
            yield replace(card, tick=f"card:{plan.id}:{mark.id}", note=mark.note or strip.about)
