"""What goes to and comes from the field: cards, tallies, the clock, packs, phones."""

from typing import Literal

from pydantic import Field

from obtegum.api.models import Own, Standing, Version
from obtegum.core.documents.base import Tally
from obtegum.core.values.base import Part

__all__ = [
    "CardOut",
    "CardStep",
    "CardsOut",
    "ClockIn",
    "ClockOut",
    "CodeOut",
    "DeviceOut",
    "PackEntry",
    "PackIn",
    "PackOut",
    "PhonesOut",
    "PhotoOut",
    "TallyIn",
    "TallyOut",
]


class PhotoOut(Part):
    """A picture of the work: its own name, where the image is, when it was taken, and what its card told then."""

    id: str
    href: str
    taken: str
    told: str


class CardOut(Part):
    """A field card; what it has none of is empty."""

    id: str
    says: str
    reading: str
    what: str
    note: str
    view: str
    part: str
    strip: str
    measure: str
    label: str
    typed: str
    tick: str
    state: Literal["open", "set", "moved"]
    photos: tuple[PhotoOut, ...] = ()


class CardStep(Part):
    """A step that has cards: how many, and how many of them are done."""

    id: str
    title: str
    cards: int
    done: int


class TallyOut(Part):
    """Something that is counted by thumb."""

    id: str
    label: str
    count: int


class DoubtOut(Part):
    """A stretch of work whose clock nobody can believe: when it began, s since 1970, and what is asked."""

    start_s: float
    asks: str


class ClockOut(Part):
    """The work's clock: whether it runs on this step, on which it runs, how long this step took so far, and what of any
    step is doubtful."""

    runs: bool
    on: str
    worked: str
    doubt: DoubtOut | None = None


class TallyIn(Standing):
    """So many more, or fewer."""

    what: Tally
    by: int = Field(ge=-1000, le=1000)


class ClockIn(Standing):
    """Work on a step begins or ends."""

    step: str = Field(pattern="^[a-z-]{1,20}$")
    on: bool


class WorkedIn(Standing):
    """How long the stretch of work was that began then, s since 1970, as somebody writes it; nothing forgets it."""

    start_s: float = Field(ge=0, le=1e11)
    worked: str = Field(max_length=40)


class CardsOut(Part):
    """The cards of a step, in the order of the work, with its caution; every step that has some."""

    version: int
    step: str
    title: str
    caution: str
    cards: tuple[CardOut, ...]
    steps: tuple[CardStep, ...]
    tallies: tuple[TallyOut, ...]
    clock: ClockOut


class DeviceOut(Part):
    """A phone that is let in, and since when."""

    id: str
    name: str
    since: str


class PhonesOut(Part):
    """Where phones come in, nothing where they aren't let in; those that are."""

    address: str
    devices: tuple[DeviceOut, ...]


class CodeOut(Part):
    """A code that lets one device in: its digits, a picture of it, for how long, and where it is typed."""

    digits: str
    picture: str
    minutes: int
    address: str


class PackEntry(Part):
    """What was typed or done on a card of a pack, and what the card had and told when it was made."""

    measure: str = Field(default="", max_length=60)
    tick: str = Field(default="", max_length=110)
    text: str = Field(default="", max_length=200)
    done: bool = True
    was: str = Field(default="", max_length=200)
    reading: str = Field(default="", max_length=60)
    at_m: float | None = Field(default=None, ge=0, le=400)


class PackIn(Own):
    """What a pack gives back."""

    pack: str = Field(max_length=40)
    house: str = Field(max_length=40)
    version: Version
    entries: tuple[PackEntry, ...] = Field(max_length=5000)


class PackOut(Part):
    """How many were taken or stood there already; the rest in sentences; versions that came since the pack was made."""

    taken: int
    already: int
    refused: tuple[str, ...]
    clashes: tuple[str, ...]
    changed: tuple[str, ...]
    since: int
    version: int
