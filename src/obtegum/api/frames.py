"""The map of frames as it comes, what each part buys, and an offer beside the house's own frame."""

from collections import OrderedDict
from collections.abc import Iterator
from threading import Lock
from typing import Annotated, Any

from fastapi import APIRouter, Depends, Request
from starlette.responses import Response, StreamingResponse

from obtegum.api.benches import Benches, benches_of
from obtegum.api.desk import HouseId, Kept
from obtegum.api.planning import answer
from obtegum.core.documents.job import Job
from obtegum.core.findings.work import Work
from obtegum.core.house.frames.bought import Bought, bought
from obtegum.core.house.frames.mapped import Mapped, frames_of, hangs_on, mapped
from obtegum.core.house.frames.offered import Side, sides
from obtegum.core.house.frames.tried import Frame
from obtegum.core.values.base import Part
from obtegum.core.values.catalogue import default_catalogue
from obtegum.store import houses

__all__ = ["Maps", "Offers", "router"]

MOST = 4
router = APIRouter(prefix="/api/houses/{house_id}", tags=["frames"])


class MapLine(Part):
    """A line of the map of frames: every frame that is on it, or how far it has come."""

    frames: tuple[Frame, ...] | None = None
    come: Mapped | None = None


class BuysOut(Part):
    """What each part of a frame buys, the house as it is first."""

    buys: tuple[Bought, ...]


class SidesOut(Part):
    """The own frame and the offered one."""

    sides: tuple[Side, Side]


class Maps:
    """The last maps that came to their end, each with what it hangs on: a help, never a state that matters."""

    def __init__(self, most: int = MOST) -> None:
        self._lock, self._most = Lock(), most
        self._kept: OrderedDict[str, tuple[dict[tuple[str, ...], Any], list[bytes]]] = OrderedDict()

    def find(self, house_id: str, job: Job) -> list[bytes] | None:
        """The lines of a house's map, if nothing that it hangs on has changed."""
        with self._lock:
            kept = self._kept.get(house_id)
        if kept is None or any(_at(job, place) != value for place, value in kept[0].items()):
            return None
        return kept[1]

    def keep(self, house_id: str, job: Job, work: Work, lines: list[bytes]) -> None:
        """Keep a map that came to its end."""
        hung = {place: _at(job, place) for place in hangs_on(work)}
        with self._lock:
            self._kept[house_id] = hung, lines
            self._kept.move_to_end(house_id)
            while len(self._kept) > self._most:
                self._kept.popitem(last=False)


class Offers:
    """The benches on which frames were offered last. One offer is reckoned at a time, for all that ask: whoever typed
    on meanwhile gets the last one, and those before it too."""

    def __init__(self, most: int = MOST) -> None:
        self.turn, self._most = Lock(), most
        self._kept: OrderedDict[str, Work] = OrderedDict()
        # What parts buy, of the house that was asked for last.
        self.bought: tuple[Job, BuysOut] | None = None

    def find(self, house_id: str) -> Work | None:
        """The bench of a house's last offer."""
        return self._kept.get(house_id)

    def keep(self, house_id: str, work: Work) -> None:
        """Keep the bench of an offer; who keeps it has the turn."""
        self._kept[house_id] = work
        self._kept.move_to_end(house_id)
        while len(self._kept) > self._most:
            self._kept.popitem(last=False)


def _at(job: Job, place: tuple[str, ...]) -> Any:
    value: Any = {"design": job.design, "record": job.record}[place[0]]
    for name in place[1:]:
        value = getattr(value, name)
    return value


def maps_of(request: Request) -> Maps:
    """The maps that the application keeps."""
    maps: Maps = request.app.state.maps
    return maps


def offers_of(request: Request) -> Offers:
    """The offers that the application keeps."""
    offers: Offers = request.app.state.offers
    return offers


KeptBenches = Annotated[Benches, Depends(benches_of)]
KeptMaps = Annotated[Maps, Depends(maps_of)]
KeptOffers = Annotated[Offers, Depends(offers_of)]


@router.get("/frames", response_class=StreamingResponse, responses={200: {"model": MapLine}})
def get_frames(store: Kept, benches: KeptBenches, maps: KeptMaps, house_id: HouseId) -> Response:
    """The map of frames, a line of JSON at a time: first every frame that is on it, then what came of them. Whoever
    stops listening stops it."""
    house = houses.get(store, house_id)
    job = Job(house.design, house.record)
    kept = maps.find(house_id, job)
    lines = iter(kept) if kept is not None else _lines(benches, maps, house_id, job)
    return StreamingResponse(lines, media_type="application/x-ndjson")


def _lines(benches: Benches, maps: Maps, house_id: str, job: Job) -> Iterator[bytes]:
    work, said = benches.begin(*job), list[bytes]()

    def line(told: MapLine) -> bytes:
        said.append(told.model_dump_json(exclude_none=True).encode() + b"\n")
        return said[-1]

    yield line(MapLine(frames=frames_of(work)))
    for come in mapped(job, default_catalogue(), work, benches.give_way):
        yield line(MapLine(come=come))
    maps.keep(house_id, job, work, said)


@router.get("/buys", response_model=BuysOut)
def get_buys(store: Kept, benches: KeptBenches, offers: KeptOffers, house_id: HouseId) -> Response:
    """What each part of the frame buys, left out or put in one at a time, of the house as it is when its turn comes."""
    with offers.turn:
        house = houses.get(store, house_id)
        job = Job(house.design, house.record)
        if offers.bought is None or offers.bought[0] != job:
            found = bought(job, default_catalogue(), benches.begin(*job), benches.give_way)
            offers.bought = job, BuysOut(buys=tuple(found))
        return answer(offers.bought[1])


@router.get("/offer", response_model=SidesOut)
def get_offer(store: Kept, benches: KeptBenches, offers: KeptOffers, house_id: HouseId) -> Response:
    """The house's own frame and the offered one, on one scale, as the house is when its turn comes."""
    with offers.turn, benches.hand():
        house = houses.get(store, house_id)
        job = Job(house.design, house.record)
        both, (own, offered) = sides(job, default_catalogue(), benches.begin(*job), offers.find(house_id))
        if own is not None:
            benches.keep(*job, own)
        if offered is not None:
            offers.keep(house_id, offered)
        return answer(SidesOut(sides=both))
