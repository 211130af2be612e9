"""What goes over the wire, besides the core's own models."""

from typing import Annotated, Literal

from pydantic import Field

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.drawing.items import Drawing, Row
from obtegum.core.face.edit import Edit
from obtegum.core.formulas.setout.base import PEG
from obtegum.core.house.plan import HousePlan, YardPlan
from obtegum.core.house.remedies import Remedy
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import Units
from obtegum.store import House
from obtegum.store.state import Shelf

Window = Annotated[str, Field(max_length=40)]
Version = Annotated[int, Field(ge=0, le=2**31)]


class FieldTrouble(Part):
    """One input that can't be used: its measure on the bench, its path, a sentence, a way out."""

    measure: str | None
    path: str
    sentence: str
    nearest_m: float | None = None
    nearest: str | None = None
    other: str | None = None


class HouseOut(Part):
    """A saved house and its plan; to a window that shows a step, without the documents that it was planned from."""

    id: str
    version: int
    touched: float
    design: HouseDesign | None
    record: SiteRecord | None
    plan: HousePlan
    shelf: Shelf = "standing"
    undo: str | None = None
    redo: str | None = None


class ClashOut(Part):
    """A value changed here and in another window, both as readings."""

    measure: str | None
    label: str
    mine: str
    theirs: str


class Problem(Part):
    """Problem details as in RFC 9457, with a sentence for each field."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    errors: tuple[FieldTrouble, ...] = ()
    current: HouseOut | None = None
    clashes: tuple[ClashOut, ...] = ()


class HouseLine(Part):
    """A house as the yard shows it; without its plan when it can't be planned, with the reason."""

    id: str
    name: str
    touched: float
    yard: YardPlan | None
    why: str = ""


class Yard(Part):
    """A page of houses, newest first; the steps at which one is opened, and a new one begun."""

    houses: tuple[HouseLine, ...]
    total: int
    opens_at: str
    begins_at: str
    # What was found amiss in the data folder, until somebody has seen it.
    found: str = ""


class FoundOut(Part):
    """What is amiss in the data folder; empty where nothing is."""

    found: str


class NewHouse(Part):
    """Start a house in these units, or as a copy of another one."""

    units: Units = "feet"
    copy_of: str | None = Field(default=None, max_length=40)


class Own(Part):
    """The window that asks."""

    window: Window = ""


class Standing(Own):
    """The version that is asked from."""

    version: Version


class LevelShot(Standing):
    """The peg that the rod stands at."""

    peg: str = Field(pattern=f"^{PEG}$")


class NewSpot(Standing):
    """A spot as typed: its place along from A and across from A to B, and its rod; none to read the laser there."""

    along: str = Field(max_length=60)
    across: str = Field(max_length=60)
    rod: str | None = Field(default=None, max_length=60)


class ControllerOut(Part):
    """What a controller was told or measures, as it is read: each thing and its reading."""

    said: str
    rows: tuple[tuple[str, str], ...]


class SpotOut(Part):
    """A spot as it is read."""

    id: str
    place: str
    reading: str


class SpotsOut(Part):
    """A page of spots, last kept first."""

    spots: tuple[SpotOut, ...]
    total: int


class Back(Own):
    """Bring a version back."""

    to: Version


class Place(Part):
    """The shelf to put a house on."""

    shelf: Shelf


class RevisionOut(Part):
    """A gesture in the history, with a small drawing of the house after it."""

    version: int
    made: float
    words: str
    own: bool
    size: str = ""
    drawing: Drawing | None = None


class History(Part):
    """A page of gestures, newest first, and whether there are earlier ones."""

    revisions: tuple[RevisionOut, ...]
    more: bool


class VersionOut(Part):
    """The version a house is at."""

    version: int


class Remedies(Part):
    """Ways out, tried."""

    remedies: tuple[Remedy, ...]


class FileOut(Part):
    """A file of a house to take away: the end of its address, what it is, and whether it takes a while to make."""

    name: str
    label: str
    about: str
    long: bool = False


class BesideOut(Part):
    """Measures that are set beside the files."""

    title: str
    measures: tuple[str, ...]


class FilesOut(Part):
    """What can be taken away of any house, and what is set beside it."""

    files: tuple[FileOut, ...]
    beside: tuple[BesideOut, ...]


class ReadIn(Part):
    """A design and record to look at."""

    design: HouseDesign
    record: SiteRecord = SiteRecord()


class NamedHouse(Part):
    """A house by its name, and what ails it."""

    name: str
    why: str


class RestoredOut(Part):
    """What a backup brought back: houses left out, and houses that are back but can't be planned."""

    houses: int
    left_out: tuple[NamedHouse, ...] = ()
    unplanned: tuple[NamedHouse, ...] = ()


class Gone(Part):
    """How many houses were deleted for good."""

    houses: int


class WorkOut(Part):
    """How far long work has come: what waits before it, or how much of it is done."""

    state: Literal["unknown", "waiting", "going", "done"]
    waiting: int = 0
    done: int = 0
    of: int = 0


class TokenOut(Part):
    """The token that a page needs to change something; each start of the server has another."""

    token: str


class Changes(Part):
    """Edits made from a version, by a window; parts of one gesture carry the same name."""

    version: Version
    window: Window = ""
    gesture: Window = ""
    edits: tuple[Edit, ...] = Field(min_length=1, max_length=50)


class TickOff(Part):
    """A peg or post set where the plan wants it, a card done, or taken back."""

    version: Version
    window: Window = ""
    tick: str = Field(max_length=110)
    done: bool


class TryIn(Part):
    """Edits to try on a design without saving anything."""

    design: HouseDesign
    record: SiteRecord = SiteRecord()
    edits: tuple[Edit, ...] = Field(max_length=50)
    step: str | None = Field(default=None, max_length=20)


class Trial(Part):
    """Edits to try on a saved house, for a window that shows a step; a ``view`` of it, if only that is looked at."""

    edits: tuple[Edit, ...] = Field(max_length=50)
    step: str = Field(default="", max_length=20)
    view: str = Field(default="", max_length=40)


class TrialOut(Part):
    """The house as a trial would have it."""

    plan: HousePlan


class TableOut(Part):
    """The numbers of a drawing."""

    rows: tuple[Row, ...]


class TryOut(Part):
    """What a trial came to."""

    design: HouseDesign
    record: SiteRecord
    plan: HousePlan


class ReadLength(Part):
    """A length as understood."""

    kind: Literal["length"] = "length"
    value_m: float
    reading: str


def house_out(
    house: House, plan: HousePlan, undo: str | None = None, redo: str | None = None, whole: bool = True
) -> HouseOut:
    """A saved house with its plan, and what the asking window could undo and redo; its documents if it is ``whole``."""
    return HouseOut(
        id=house.id,
        version=house.version,
        touched=house.touched,
        design=house.design if whole else None,
        record=house.record if whole else None,
        plan=plan,
        shelf=house.shelf,
        undo=undo,
        redo=redo,
    )
