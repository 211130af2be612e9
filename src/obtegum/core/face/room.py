"""What a room brings to the house: one step of the work, with all that the bench asks of it.

Each room has a module `room` whose ROOM says what it brings; the registry names the rooms in working order.
The further faces (parts, links, tasks, cards, rounds) are empty until they have something to say.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.drawing.items import Drawing, Layer, Row
from obtegum.core.drawing.step import Standing, StepPlan
from obtegum.core.drawing.strip import Strip
from obtegum.core.drawing.verdict import Level, Verdict
from obtegum.core.face.edit import Cure
from obtegum.core.face.faces import (
    Beside,
    Card,
    File,
    Intake,
    Link,
    Member,
    Need,
    Page,
    Round,
    SiteLine,
    SitePoint,
    Table,
    Task,
)
from obtegum.core.face.fields import Measure
from obtegum.core.face.rounding import declare
from obtegum.core.findings.kept import Finding
from obtegum.core.findings.skeleton.row import Stray
from obtegum.core.findings.work import Work
from obtegum.core.values.trouble import Trouble

__all__ = ["Room"]


def _none(*_: object) -> tuple[()]:
    return ()


def _nothing(*_: object) -> dict[str, Any]:
    return {}


@dataclass(frozen=True, kw_only=True, eq=False)
class Room:
    """One step of the work.

    What it shows: ``stands``, its name and how far it has come, ``plan``, all of the step, ``verdicts``, ``strips``
    (``lends`` names those that others show too), ``views`` by their names, ``rows``, the tables of those that tell many
    numbers, made when they are asked for, ``layers`` that it adds to other rooms' views, ``told``, the drawings of its
    numbered work, ``small``, the house as it is shown among others, ``sums_up``, what is said of it there, and
    ``how_large``.
    What can be set: ``fields`` with ways of their own, ``more_fields`` that come and go with the design,
    ``beside``, those that are set beside the files, whatever step is shown. ``must`` is what a house can't be without,
    ``follows`` what its decisions make of others, exact, by their paths, written whenever something is changed.
    ``impossible`` what can't have been found on site. ``cures`` by verdict, ``hopeless`` what tells
    by verdict that it fails before all of it is found, ``levels`` what its verdicts come to, where that is told sooner
    than what they say, ``needs`` that a remedy's cost is
    told in. Which way its answers are rounded: ``down``, ``up``, ``nearest``. What can be taken away:
    ``tables``, ``files``, ``pages`` of the printed sheet, and what it has ``on_site`` for maps and CAD; what can
    be read in: ``intakes``. ``acts`` are what its actions do that change the record: the record and words for the
    history. ``minds`` says what comes of a post that is left where it strays. A step that is ``slow`` to plan is left
    out of a whole plan unless that is asked for with it; one that isn't ``carded`` has nothing to do on site.
    """

    stands: Callable[[Work, list[Verdict]], Standing]
    plan: Callable[[Work, list[Verdict]], StepPlan]
    verdicts: Callable[[Work], list[Verdict]]
    strips: Callable[[Work], Sequence[Strip]] = _none
    lends: tuple[str, ...] = ()
    views: Mapping[str, Callable[[Work], Drawing]] = field(default_factory=dict)
    rows: Mapping[str, Callable[[Work], tuple[Row, ...]]] = field(default_factory=dict)
    layers: Mapping[str, Callable[[Work], Layer]] = field(default_factory=dict)
    told: Callable[[Work], Sequence[Drawing]] = _none
    small: Callable[[Work], Drawing] | None = None
    sums_up: Callable[[Work], str] | None = None
    how_large: Callable[[HouseDesign], str] | None = None
    fields: tuple[Measure, ...] = ()
    more_fields: Callable[[HouseDesign], Sequence[str]] = _none
    beside: tuple[Beside, ...] = ()
    must: Callable[[Work], object] = _none
    follows: Callable[[Work], Mapping[str, Any]] = _nothing
    impossible: Callable[[Job], Iterator[Trouble] | tuple[()]] = _none
    cures: Mapping[str, Cure] = field(default_factory=dict)
    hopeless: Mapping[str, Callable[[Work], bool]] = field(default_factory=dict)
    levels: Callable[[Work], Mapping[str, Level]] | None = None
    needs: Callable[[Work], Sequence[Need]] = _none
    down: frozenset[str] = frozenset()
    up: frozenset[str] = frozenset()
    nearest: frozenset[str] = frozenset()
    tables: tuple[Table, ...] = ()
    files: tuple[File, ...] = ()
    pages: tuple[Page, ...] = ()
    on_site: Callable[[Work], Iterable[SitePoint | SiteLine]] = _none
    intakes: tuple[Intake, ...] = ()
    acts: Mapping[str, Callable[[Job], tuple[SiteRecord, str]]] = field(default_factory=dict)
    parts: Callable[[Work], Sequence[Member]] = _none
    links: Callable[[Work], Sequence[Link]] = _none
    tasks: Callable[[Work], Sequence[Task]] = _none
    cards: Callable[[Work], Sequence[Card]] = _none
    carded: bool = True
    rounds: Callable[[Work], Sequence[Round]] = _none
    minds: Callable[[Work, Stray], Iterable[str]] = _none
    slow: bool = False

    def __post_init__(self) -> None:
        declare(self.down, "down")
        declare(self.up, "up")
        declare(self.nearest, "nearest")
        # What is kept of a room is looked up by these, so they are made once.
        judged, planned, stands = Finding(self.verdicts), self.plan, self.stands
        found = {
            "judged": judged,
            "standing": Finding(lambda work: stands(work, judged(work))),
            "planned": Finding(lambda work: planned(work, judged(work))),
            "laid": Finding(self.strips, compared=False),
            "numbered": Finding(self.told, compared=False),
        }
        for name, finding in found.items():
            object.__setattr__(self, name, finding)

    judged: Finding[list[Verdict]] = field(init=False)
    standing: Finding[Standing] = field(init=False)
    planned: Finding[StepPlan] = field(init=False)
    laid: Finding[Sequence[Strip]] = field(init=False)
    numbered: Finding[Sequence[Drawing]] = field(init=False)
