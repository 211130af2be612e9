"""What comes back from a pack of cards: readings and ticks, each taken once, or told why not.

A reading stands for what was there when the pack was made: where something else stands there now, both are told and
nothing is written over.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.face.faces import Card
from obtegum.core.house.bench import begin
from obtegum.core.house.cards import cards_of, name_of_card, with_cards
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.measures import find_measure
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.trouble import DesignError

__all__ = ["Back", "Entry", "take_in"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Entry:
    """One thing that was typed or done on a card: which, what, and what the card told and had when it was packed;
    ``at_m`` is where a tick was done."""

    measure: str = ""
    tick: str = ""
    text: str = ""
    done: bool = True
    was: str = ""
    reading: str = ""
    at_m: float | None = None


@dataclass(frozen=True, slots=True)
class Back:
    """A job with what came back; how many were taken and how many stood there already; what wasn't taken, what stands
    against what, and which cards tell something else by now, each in a sentence."""

    job: Job
    taken: int = 0
    already: int = 0
    refused: tuple[str, ...] = ()
    clashes: tuple[str, ...] = ()
    changed: tuple[str, ...] = ()
    told: tuple[str, ...] = ()


def take_in(job: Job, entries: Sequence[Entry], catalogue: Catalogue) -> Back:
    """Take in what came back, one after the other, each by itself."""
    work = begin(job.design, job.record, catalogue)
    cards = {name_of_card(card): card for step in with_cards(work) for card in cards_of(work, step)}
    back = Back(job)
    for entry in entries:
        card = cards.get(entry.tick or entry.measure)
        if card is None:
            back = replace(
                back, refused=(*back.refused, f"No card of this house goes by “{entry.tick or entry.measure}” now.")
            )
            continue
        if entry.reading and card.reading and entry.reading != card.reading:
            words = f"{_name(card)}: the card said {entry.reading}, the plan says {card.reading} now."
            back = replace(back, changed=(*back.changed, words))
        back = _ticked(back, entry, card) if entry.tick else _typed(back, entry, card, catalogue)
    return back


def _name(card: Card) -> str:
    return card.label or card.what or card.says


def _ticked(back: Back, entry: Entry, card: Card) -> Back:
    stands = card.tick in back.job.record.set_at_m
    if stands == entry.done:
        return replace(back, already=back.already + 1)
    # It was done where the card said, not where the plan has it by now: that is what shows that it moved.
    at_m = card.at_m if entry.at_m is None else entry.at_m
    record = back.job.record.with_set(card.tick, at_m if entry.done else None)
    return replace(back, job=Job(back.job.design, record), taken=back.taken + 1, told=(*back.told, _name(card)))


def _typed(back: Back, entry: Entry, card: Card, catalogue: Catalogue) -> Back:
    measure = find_measure(entry.measure)
    before = measure.state(back.job, catalogue).reading if measure else ""
    try:
        after = apply_edits(back.job, (Edit(measure=entry.measure, text=entry.text),), catalogue)
    except DesignError as error:
        sentence = f"{_name(card)}, “{entry.text}”: {error.troubles[0].sentence}"
        return replace(back, refused=(*back.refused, sentence))
    reads = measure.state(after, catalogue).reading if measure else ""
    if reads == before:
        return replace(back, already=back.already + 1)
    if before != entry.was:
        words = f"{_name(card)}: the pack says {reads}, here stands {before or 'nothing'}. Nothing was written over."
        return replace(back, clashes=(*back.clashes, words))
    return replace(back, job=after, taken=back.taken + 1, told=(*back.told, f"{_name(card)} {reads}"))
