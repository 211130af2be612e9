"""Field cards of a house: a step at a time on the screen, on paper, and as a pack that comes back."""

import secrets
import time
from contextlib import suppress
from dataclasses import asdict
from typing import Annotated, Literal

from fastapi import APIRouter, HTTPException, Path, Query
from starlette.responses import Response

from obtegum.api.carried import (
    CardOut,
    CardsOut,
    CardStep,
    ClockIn,
    ClockOut,
    DoubtOut,
    PackIn,
    PackOut,
    TallyIn,
    TallyOut,
    WorkedIn,
)
from obtegum.api.desk import Desk, HouseId, Kept, KeptBenches, Lane, WorkName, change
from obtegum.api.files import as_file, made, paper_for
from obtegum.api.models import HouseOut
from obtegum.api.photos import photos_of
from obtegum.api.planning import answer
from obtegum.core.documents.base import TALLIES, Shift
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.drawing.items import Drawing
from obtegum.core.face.faces import Card
from obtegum.core.findings.work import Work
from obtegum.core.house.bench import begin
from obtegum.core.house.cards import cards_of, name_of_card, room_of, with_cards
from obtegum.core.house.packs import Back, Entry, take_in
from obtegum.core.house.plan import PLANNING_AID
from obtegum.core.rooms import views
from obtegum.core.values.amount import amount_text, parse_amount
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import LengthError, Units
from obtegum.core.values.trouble import DesignError, Trouble
from obtegum.store import House, Store, houses

__all__ = ["router"]

router = APIRouter(prefix="/api/houses", tags=["site"])

# The longest that can be said of one go, s.
MOST_WORKED_S = 72 * 3600.0


@router.get("/{house_id}/cards", response_model=CardsOut)
def get_cards(
    store: Kept, benches: KeptBenches, house_id: HouseId, step: Annotated[str, Query(max_length=20)] = ""
) -> Response:
    """The cards of a step, or of the first that has some left to do."""
    house = houses.get(store, house_id)
    work = benches.begin(house.design, house.record)
    found = {name: cards_of(work, name) for name in with_cards(work)}
    if not found:
        raise HTTPException(404, "There is nothing to do on site for this house yet.")
    open_ = (name for name, cards in found.items() if any(card.state != "set" for card in cards))
    chosen = step if step in found else next(open_, next(iter(found)))
    steps = []
    for name, cards in found.items():
        room = room_of(work, name)
        title = room.standing(work)["title"] if room else name
        steps.append(CardStep(id=name, title=title, cards=len(cards), done=sum(card.state == "set" for card in cards)))
    room = room_of(work, chosen)
    caution = room.planned(work).caution if room else ""
    benches.keep(house.design, house.record, work)
    given = tuple(
        CardOut.model_validate(
            {name: value for name, value in asdict(card).items() if name != "at_m"}
            | {"photos": photos_of(house, name_of_card(card))}
        )
        for card in found[chosen]
    )
    title = next(each.title for each in steps if each.id == chosen)
    tallies = tuple(
        TallyOut(id=name, label=label, count=house.record.tallies.get(name, 0)) for name, label in TALLIES.items()
    )
    return answer(
        CardsOut(
            version=house.version,
            step=chosen,
            title=title,
            caution=caution,
            cards=given,
            steps=tuple(steps),
            tallies=tallies,
            clock=_clock(house, chosen, {each.id: each.title for each in steps}),
        )
    )


def _clock(house: House, step: str, titles: dict[str, str]) -> ClockOut:
    """The work's clock as it is read at a step."""
    running, now_s = house.record.running, time.time()
    worked = amount_text(house.record.worked_s(step, now_s), "hours", house.design.tape.units, "nearest")
    on = "" if running is None else titles.get(running.step, running.step)
    doubted = house.record.doubted(now_s)
    doubt = doubted and DoubtOut(start_s=doubted.start_s, asks=_asks(doubted, titles, house.design.tape.units, now_s))
    return ClockOut(runs=running is not None and running.step == step, on=on, worked=worked, doubt=doubt)


def _asks(doubted: Shift, titles: dict[str, str], units: Units, now_s: float) -> str:
    """What is asked of a stretch of work whose clock was set, or left running."""
    began = time.strftime("%Y-%m-%d %H:%M", time.localtime(doubted.start_s))
    ran_s = (now_s if doubted.stop_s is None else doubted.stop_s) - doubted.start_s
    ran = f"ran for {amount_text(ran_s, 'hours', units)}" if ran_s > 0 else "was set back while it ran"
    return f"{titles.get(doubted.step, doubted.step)}: the clock of {began} {ran}. How long was the work?"


@router.post("/{house_id}/tally", response_model=HouseOut)
def post_tally(desk: Desk, house_id: HouseId, tally: TallyIn) -> Response:
    """Count some more, or fewer, by thumb. It stands on whatever is there."""

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        changed = record.with_tally(tally.what, tally.by)
        return houses.Edited(design, changed, f"{TALLIES[tally.what]} {changed.tallies[tally.what]}")

    return change(desk, house_id, None, tally.window, edit)


@router.post("/{house_id}/clock", response_model=HouseOut)
def post_clock(desk: Desk, house_id: HouseId, clock: ClockIn) -> Response:
    """Begin work on a step, which ends what went on, or end it."""

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        work = begin(design, record, default_catalogue())
        room = room_of(work, clock.step)
        if room is None:
            raise DesignError([Trouble(path="step", sentence="There is no such step to work on.")])
        title = room.standing(work)["title"]
        words = f"Work on {title} {'begun' if clock.on else 'ended'}"
        return houses.Edited(design, record.clocked(clock.step, time.time(), clock.on), words)

    return change(desk, house_id, None, clock.window, edit)


@router.post("/{house_id}/worked", response_model=HouseOut)
def post_worked(desk: Desk, house_id: HouseId, told: WorkedIn) -> Response:
    """Say how long a stretch of work was whose clock nobody can believe."""

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        units = design.tape.units
        try:
            worked_s = parse_amount(told.worked, "hours", units) if told.worked.strip() else 0.0
        except LengthError as error:
            raise DesignError([Trouble(path="worked", sentence=str(error))]) from None
        if worked_s > MOST_WORKED_S:
            most = amount_text(MOST_WORKED_S, "hours", units)
            raise DesignError([Trouble(path="worked", sentence=f"That is more than {most}: write hours of one go.")])
        words = f"Worked {amount_text(worked_s, 'hours', units)}, told by hand"
        return houses.Edited(design, record.told_worked(told.start_s, worked_s, time.time()), words)

    return change(desk, house_id, None, told.window, edit)


def _drawings(work: Work, step: str, cards: tuple[Card, ...]) -> dict[str, Drawing]:
    """Drawings that the cards of a step show, by their views."""
    room = room_of(work, step)
    numbered = {each.view: each for each in room.numbered(work)} if room else {}
    named = {card.view for card in cards if card.view}
    return {view: numbered[view] if view in numbered else views()[view](work) for view in named}


def _told(work: Work, step: str) -> tuple[str, str]:
    """A step's title and its caution."""
    room = room_of(work, step)
    return (room.standing(work)["title"], room.planned(work).caution) if room else (step, "")


@router.get("/{house_id}/cards/{step}.pdf")
async def get_card_sheet(
    store: Kept,
    lane: Lane,
    house_id: HouseId,
    step: Annotated[str, Path(max_length=20)],
    paper: Annotated[Literal["letter", "a4"] | None, Query()] = None,
    work: WorkName = "",
) -> Response:
    """The cards of a step on paper, four to a page."""

    def make(house: House) -> bytes:
        from obtegum.exchange.cardsheet import Deck, cards_pdf

        bench = begin(house.design, house.record, default_catalogue())
        try:
            cards = cards_of(bench, step)
        except LookupError:
            cards = ()
        if not cards:
            raise HTTPException(404, "That step has no cards.")
        title, caution = _told(bench, step)
        day = time.strftime("%Y-%m-%d")
        foot = f"{PLANNING_AID} {day} · version {house.version}"
        room = room_of(bench, step)
        deck = Deck(
            house=house.design.name,
            title=title,
            caution=caution,
            cards=cards,
            drawings=_drawings(bench, step, cards),
            strips={strip.id: strip for strip in room.strips_laid(bench)} if room else {},
            foot=foot,
        )
        return cards_pdf(deck, paper_for(house, paper))

    house, content = await made(store, lane, house_id, work, make)
    return as_file(content, f"{house.design.name} {step} cards.pdf", "application/pdf")


@router.get("/{house_id}/pack.html")
async def get_pack(store: Kept, lane: Lane, house_id: HouseId, work: WorkName = "") -> Response:
    """All cards as one file that needs no network and gives back what is typed on it."""

    def make(house: House) -> str:
        from obtegum.exchange.pack import pack_html

        bench = begin(house.design, house.record, default_catalogue())
        steps = []
        for name in with_cards(bench):
            cards = cards_of(bench, name)
            steps.append((name, *_told(bench, name), cards, _drawings(bench, name, cards)))
        if not steps:
            raise HTTPException(404, "There is nothing to do on site for this house yet.")
        about = {
            "house": house.id,
            "name": house.design.name,
            "version": house.version,
            "pack": secrets.token_hex(6),
            "day": time.strftime("%Y-%m-%d"),
        }
        return pack_html(about, steps, house.design.tape, PLANNING_AID)

    house, content = await made(store, lane, house_id, work, make)
    return as_file(content, f"{house.design.name} cards.html", "text/html; charset=utf-8")


@router.post("/{house_id}/pack", response_model=PackOut)
def post_pack(desk: Desk, house_id: HouseId, pack: PackIn) -> Response:
    """Take in what a pack gives back; each thing is taken once, and nothing that stands is written over."""
    if pack.house != house_id:
        raise HTTPException(409, "That pack is of another house. Open that one, and bring it back there.")
    found: list[Back] = []
    entries = [Entry(**each.model_dump()) for each in pack.entries]

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        back = take_in(Job(design, record), entries, default_catalogue())
        found[:] = [back]
        if not back.taken:
            raise _NothingNew
        words = f"From a pack of cards, {back.taken}: {', '.join(back.told)}"
        return houses.Edited(back.job.design, back.job.record, words[:200])

    house = houses.get(desk.store, house_id)
    changed_since = house.version - pack.version
    with suppress(_NothingNew):
        change(desk, house_id, None, pack.window, edit)
    # A request that was sent again was answered before: what it brought stands there already.
    back = found[0] if found else _again(desk.store, house_id, entries)
    return answer(
        PackOut(
            taken=back.taken,
            already=back.already,
            refused=back.refused,
            clashes=back.clashes,
            changed=back.changed,
            since=max(changed_since, 0),
            version=houses.get(desk.store, house_id).version,
        )
    )


def _again(store: Store, house_id: str, entries: list[Entry]) -> Back:
    house = houses.get(store, house_id)
    return take_in(Job(house.design, house.record), entries, default_catalogue())


class _NothingNew(DesignError):
    """Nothing of a pack has to be written."""

    def __init__(self) -> None:
        super().__init__([])
