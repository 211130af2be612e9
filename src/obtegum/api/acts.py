"""What a step's actions do to the record of what was done on site."""

from typing import Annotated

from fastapi import APIRouter, HTTPException, Path
from starlette.responses import Response

from obtegum.api.desk import Desk, HouseId, change
from obtegum.api.models import HouseOut, Standing
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.rooms import rooms
from obtegum.store import houses

__all__ = ["router"]

router = APIRouter(prefix="/api/houses", tags=["site"])


@router.post("/{house_id}/acts/{act}", response_model=HouseOut)
def post_act(desk: Desk, house_id: HouseId, act: Annotated[str, Path(max_length=40)], own: Standing) -> Response:
    """Do what an action of a step does: begin another round of taping, and the like."""
    does = next((room.acts[act] for room in rooms() if act in room.acts), None)
    if does is None:
        raise HTTPException(404, f"There is nothing to do by the name “{act}”.")

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        changed, words = does(Job(design, record))
        return houses.Edited(design, changed, words)

    return change(desk, house_id, own.version, own.window, edit)
