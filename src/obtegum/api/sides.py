"""The controller of roll-up sides: what the house is told to keep to, and what it measures."""

from fastapi import APIRouter, Request

from obtegum.api.desk import Desk, HouseId, Kept
from obtegum.api.models import ControllerOut
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import Units
from obtegum.devices.controller import ControllerError, ControllerLink, Now, SetPoints
from obtegum.store import houses

__all__ = ["router"]

router = APIRouter(prefix="/api/houses", tags=["site"])


def _link(request: Request) -> ControllerLink:
    """The linked controller. Raises: ControllerError when there is none."""
    link: ControllerLink | None = request.app.state.controller
    if link is None:
        raise ControllerError("No controller is linked. Start with --controller and its address, or set it by hand.")
    return link


def _said(now: Now, units: Units) -> ControllerOut:
    def warm(celsius: float) -> str:
        return amount_text(celsius, "temperature", units, "nearest")

    rows = (
        ("Inside", warm(now.inside_c)),
        ("Outside", warm(now.outside_c)),
        ("Wind", amount_text(now.wind_mps, "speed", units, "up")),
        ("Left side up", amount_text(now.left, "share", units, "nearest")),
        ("Right side up", amount_text(now.right, "share", units, "nearest")),
    )
    return ControllerOut(said="It answered.", rows=rows)


@router.get("/{house_id}/controller", response_model=ControllerOut)
def get_controller(request: Request, store: Kept, house_id: HouseId) -> ControllerOut:
    """What the controller measures, and how far up the sides are."""
    units = houses.get(store, house_id).design.tape.units
    return _said(_link(request).read(), units)


@router.put("/{house_id}/controller", response_model=ControllerOut)
def put_controller(request: Request, desk: Desk, house_id: HouseId) -> ControllerOut:
    """Tell the controller the house's set-points; it answers with what it then measures."""
    design = houses.get(desk.store, house_id).design
    told, units, link = design.sides, design.tape.units, _link(request)
    link.tell(SetPoints(told.open_c, told.shut_c, told.wind_mps))
    opens, shuts = (amount_text(each, "temperature", units, "nearest") for each in (told.open_c, told.shut_c))
    wind = amount_text(told.wind_mps, "speed", units, "down")
    said = f"It keeps to them now: opens over {opens}, shuts under {shuts} and in wind over {wind}."
    return _said(link.read(), units).model_copy(update={"said": said})
