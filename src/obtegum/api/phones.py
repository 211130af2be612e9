"""Phones at the bench: a code to let one in, who is in, and putting one out."""

import time
from typing import Annotated

from fastapi import APIRouter, HTTPException, Path, Request

from obtegum.api.carried import CodeOut, DeviceOut, PhonesOut
from obtegum.api.door import GOOD_S, Door

__all__ = ["router"]

router = APIRouter(prefix="/api/phones", tags=["site"])


def _door(request: Request) -> Door:
    door: Door | None = request.app.state.door
    if door is None:
        raise HTTPException(409, "Phones aren’t let in: start with ./obtegum serve --field.")
    return door


@router.get("", response_model=PhonesOut)
def get_phones(request: Request) -> PhonesOut:
    """Whether phones are let in, where, and which are."""
    door: Door | None = request.app.state.door
    if door is None:
        return PhonesOut(address="", devices=())
    devices = tuple(
        DeviceOut(id=each.id, name=each.name, since=time.strftime("%Y-%m-%d %H:%M", time.localtime(each.since)))
        for each in door.devices()
    )
    return PhonesOut(address=door.url, devices=devices)


@router.post("/code", response_model=CodeOut)
def post_code(request: Request) -> CodeOut:
    """A code that lets one device in, as digits and as a picture to scan."""
    import segno

    door = _door(request)
    digits = door.code()
    picture = segno.make(f"{door.url}/?code={digits}", error="m").svg_data_uri(scale=6, border=3)
    return CodeOut(digits=f"{digits[:3]} {digits[3:]}", picture=picture, minutes=round(GOOD_S / 60), address=door.url)


@router.delete("/{device}", response_model=PhonesOut)
def delete_phone(request: Request, device: Annotated[str, Path(max_length=20)]) -> PhonesOut:
    """Put a device out: from now on it reads and changes nothing."""
    _door(request).put_out(device)
    return get_phones(request)
