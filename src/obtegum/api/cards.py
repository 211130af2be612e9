"""Field cards of a house, a step at a time."""

from dataclasses import asdict
from typing import Annotated

from fastapi import APIRouter, HTTPException, Query
from starlette.responses import Response

from obtegum.api.desk import HouseId, Kept, KeptBenches
from obtegum.api.models import CardOut, CardsOut, CardStep
from obtegum.api.planning import answer
from obtegum.core.cards import cards_of, room_of, with_cards
from obtegum.store import houses

__all__ = ["router"]

router = APIRouter(prefix="/api/houses", tags=["site"])


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
        CardOut.model_validate({name: value for name, value in asdict(card).items() if name != "at_m"})
        for card in found[chosen]
    )
    title = next(each.title for each in steps if each.id == chosen)
    return answer(
        CardsOut(version=house.version, step=chosen, title=title, caution=caution, cards=given, steps=tuple(steps))
    )
