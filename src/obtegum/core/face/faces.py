"""What a room may bring besides its step: members, needs, tables, files, pages, intakes; what is built and kept.

Plain values. A room that has nothing to say of one of them leaves it empty.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Literal

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.intake import Rows
from obtegum.core.findings.work import Work

__all__ = [
    "AT_NEED",
    "Answers",
    "Beside",
    "Block",
    "Card",
    "Caution",
    "File",
    "Intake",
    "Lines",
    "Listed",
    "Member",
    "Need",
    "Next",
    "Numbered",
    "Page",
    "Picture",
    "Readings",
    "Round",
    "Ruled",
    "SiteLine",
    "SitePoint",
    "Stick",
    "Table",
    "Tabled",
    "Verdicts",
    "Words",
]

Point = tuple[float, float, float]
# The stage of what is put up when it is needed, after all of the house.
AT_NEED = "Before snow"


@dataclass(frozen=True, slots=True, kw_only=True)
class Member:
    """One piece of the house: what it is, of what stock, where its ends are, m, and what is cut.

    Ends are along the house from A, across from its middle to the right of A to B, and up from the datum.
    ``part`` is its name on the drawings; ``stock_m`` the length that it is cut from, where it is bought by
    the piece. How it looks in the round: its ``section``, a tube's diameter, or a board's thickness and width with
    ``wide`` along its width; ``path``, its middle where that isn't straight; of film, sheets and leaves one edge, and
    ``edge`` the opposite one, place by place. ``stage`` is what of its step it belongs to, where a step is built in
    several.

    ``rests_on`` names the members that bear it, or the ground; ``cuts`` how each end is made, ``turned`` which way
    round it goes where that matters; ``strip`` lays it straight, with its marks. ``abreast`` come from a stock's width
    side by side. In what a remedy costs it is ``called`` so, if not by what it is; those that are ``weighed`` rank
    remedies, the fewest first. ``kg`` is what it weighs where its stock and section don't say.
    """

    part: str
    what: str
    stock: str
    length_m: float
    ends: tuple[Point, Point]
    stock_m: float | None = None
    of: Literal["steel", "plastic", "board", "peg", "film", "sheet"] = "steel"
    section: tuple[float, ...] = ()
    wide: Point = (0.0, 0.0, 1.0)
    path: tuple[Point, ...] = ()
    edge: tuple[Point, ...] = ()
    stage: str = ""
    rests_on: tuple[str, ...] = ()
    cuts: tuple[str, str] = ("square", "square")
    turned: str = ""
    abreast: int = 1
    strip: str = ""
    called: str = ""
    weighed: bool = False
    kg: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class SitePoint:
    """A place on the ground, for maps and CAD: m from A along the house and across it from the line A to B.

    ``height_m`` is over the line of sight, 0 where nobody read it; ``told`` is what a map says of it besides.
    """

    kind: str
    at: tuple[float, float]
    name: str = ""
    height_m: float = 0.0
    told: Mapping[str, object] = field(default_factory=dict)


@dataclass(frozen=True, slots=True, kw_only=True)
class SiteLine:
    """A line on the ground, for maps and CAD, measured as a `SitePoint` is; closed where it ends as it begins."""

    kind: str
    path: tuple[tuple[float, float], ...]
    name: str = ""
    height_m: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Need:
    """What a house takes of something, as the cost of a remedy is told: a count, or a length in m.

    ``many`` is what several of it are called, where that isn't the word with an s. Those that are ``weighed``
    rank remedies, the fewest first.
    """

    what: str
    amount: float
    many: str = ""
    is_length: bool = False
    weighed: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Card:
    """One thing to do on site at arm's length: what it says, its big number and what that is of.

    ``view`` and ``part`` are the drawing and what is lit in it, ``strip`` the tape that matters. ``measure`` is what
    the tape said, by its ``label``, and ``typed`` what was typed before; ``tick`` names it in the record, done at
    ``at_m``.
    """

    id: str
    says: str
    reading: str = ""
    what: str = ""
    note: str = ""
    view: str = ""
    part: str = ""
    strip: str = ""
    measure: str = ""
    label: str = ""
    typed: str = ""
    tick: str = ""
    state: Literal["open", "set", "moved"] = "open"
    at_m: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Round:
    """What is looked at again later: the part, what to look for, and after how many days."""

    part: str
    what: str
    every_days: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Beside:
    """Measures that are set beside the files to take away, under a title."""

    title: str
    measures: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Table:
    """A table to take away: its file's name, what it is, and its rows, the first of them the header."""

    name: str
    label: str
    about: str
    rows: Callable[[Work], Sequence[Sequence[object]]]


@dataclass(frozen=True, slots=True, kw_only=True)
class File:
    """A file of another format to take away, made by the room of that format; ``long`` if it takes a while.

    ``views`` are the drawings that a DXF is made of, side by side, where it is made of drawings; ``tiled`` the one that
    is printed at true size, over as many sheets as that takes.
    """

    name: str
    label: str
    about: str
    long: bool = False
    views: tuple[str, ...] = ()
    tiled: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Intake:
    """Readings that can be read in: the columns that tell them, and how their rows become part of the record.

    ``also`` are columns that they may have besides; ``bare`` names the columns of rows that came without a
    header, by their number. ``read`` returns the record and what was read, in words; it raises DesignError with
    a sentence for each faulty row.
    """

    columns: frozenset[str]
    read: Callable[[Rows, Job], tuple[SiteRecord, str]]
    also: frozenset[str] = frozenset()
    bare: Mapping[int, tuple[str, ...]] = field(default_factory=dict)


# What stands on a printed page, from the top down. Drawings and strips are named, as the plan has them.


@dataclass(frozen=True, slots=True)
class Caution:
    """The caution of a step."""

    step: str


@dataclass(frozen=True, slots=True)
class Picture:
    """A drawing, as large as its share of a page lets it be."""

    view: str
    share: float


@dataclass(frozen=True, slots=True)
class Answers:
    """The answers of some steps, in two columns; ``only`` those whose names begin with one of some words."""

    steps: tuple[str, ...]
    only: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Lines:
    """The answers of a step, a line each, with what is noted of it, so far across the page: where a value is from, by
    which clause."""

    step: str
    noted: float = 0.55


@dataclass(frozen=True, slots=True)
class Listed:
    """What a drawing shows, in words and numbers, a line each."""

    view: str


@dataclass(frozen=True, slots=True)
class Next:
    """What a step says is next; loud where it is what the page is for."""

    step: str
    loud: bool = True


@dataclass(frozen=True, slots=True)
class Words:
    """A paragraph."""

    text: str


@dataclass(frozen=True, slots=True)
class Verdicts:
    """All judgements on the house."""


@dataclass(frozen=True, slots=True)
class Numbered:
    """The numbered work of a step, each with its drawing where it has one."""

    step: str
    share: float = 0.25


@dataclass(frozen=True, slots=True)
class Stick:
    """Strips whose names begin so, laid straight, with their marks below, numbered alike."""

    strip: str


@dataclass(frozen=True, slots=True)
class Readings:
    """The readings of a left and a right strip beside each other, with a box for each to tick."""

    left: str
    right: str
    words: str


@dataclass(frozen=True, slots=True)
class Ruled:
    """Strips in rows or columns with lines to write on.

    ``by`` is a row a strip, a column a strip, or the marks of one in two columns, each beside that of ``beside``.
    """

    strip: str
    by: Literal["rows", "columns", "marks"]
    heading: str = ""
    beside: str = ""


@dataclass(frozen=True, slots=True)
class Tabled:
    """Lines of figures below their heads, worked out for the page alone; nothing where there are none. ``widths`` are
    shares of the page's, a column each, and the first column's words break."""

    heading: str
    rows: Callable[[Work], Sequence[Sequence[str]]]
    widths: tuple[float, ...]


Block = (
    Caution
    | Picture
    | Answers
    | Lines
    | Listed
    | Next
    | Words
    | Verdicts
    | Numbered
    | Stick
    | Readings
    | Ruled
    | Tabled
)


@dataclass(frozen=True, slots=True)
class Page:
    """A matter of the printed sheet; it begins on the page before where a share of that is left.

    One that is a page to hang up by itself has a name, by which it is a file too, and the step that it is of; one that
    is ``apart`` is on no other sheet. ``once`` is a step without whose answers there is no page.
    """

    title: str
    blocks: tuple[Block, ...]
    first: float = 0.4
    alone: str = ""
    step: str = ""
    once: str = ""
    apart: bool = False
