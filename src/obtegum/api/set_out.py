"""Ticking off pegs and posts as they are set."""

from fastapi import APIRouter
from starlette.responses import Response

from obtegum.api.desk import Desk, HouseId, change
from obtegum.api.models import HouseOut, TickOff
from obtegum.core.rooms import HouseDesign, SiteRecord
from obtegum.core.rooms.set_out.ticks import tick_station, tick_words
from obtegum.store import houses

__all__ = ["router"]

router = APIRouter(prefix="/api/houses", tags=["site"])


@router.post("/{house_id}/ticks", response_model=HouseOut)
def post_tick(desk: Desk, house_id: HouseId, tick: TickOff) -> Response:
    """Tick a peg or post off as set where the plan wants it, or take that back."""

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        station_m = tick_station(design, tick.tick)
        changed = record.with_set(tick.tick, station_m if tick.done else None)
        return houses.Edited(design, changed, tick_words(tick.tick, tick.done))

    return change(desk, house_id, tick.version, tick.window, edit)
