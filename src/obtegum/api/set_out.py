"""Ticking off pegs and posts as they are set, and cards as they are done."""

from fastapi import APIRouter
from starlette.responses import Response

from obtegum.api.desk import Desk, HouseId, change
from obtegum.api.models import HouseOut, TickOff
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.findings.skeleton.ticks import tick_station, tick_words
from obtegum.core.house.bench import begin
from obtegum.core.house.cards import card_at
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.trouble import DesignError, Trouble
from obtegum.store import houses

__all__ = ["router"]

router = APIRouter(prefix="/api/houses", tags=["site"])


@router.post("/{house_id}/ticks", response_model=HouseOut)
def post_tick(desk: Desk, house_id: HouseId, tick: TickOff) -> Response:
    """Tick a peg or post off as set where the plan wants it, or a card as done, or take that back."""

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        at_m, words = _place(design, record, tick)
        changed = record.with_set(tick.tick, at_m if tick.done else None)
        return houses.Edited(design, changed, words)

    return change(desk, house_id, tick.version, tick.window, edit)


def _place(design: HouseDesign, record: SiteRecord, tick: TickOff) -> tuple[float, str]:
    """Where a tick is done, m, and what the history says of it. Raises: DesignError for none of this house."""
    if not tick.tick.startswith("card:"):
        return tick_station(design, tick.tick), tick_words(tick.tick, tick.done)
    card = card_at(begin(design, record, default_catalogue()), tick.tick)
    if card is None:
        if tick.done or tick.tick not in record.set_at_m:
            raise DesignError([Trouble(path="tick", sentence="There is no such card in this house any more.")])
        return 0.0, "Card taken back"
    return card.at_m, f"{'Done' if tick.done else 'Taken back'}: {card.what or card.says}"[:120]
