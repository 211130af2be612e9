"""What a room brings to the house: one step of the work, with all that the bench asks of it.

Each room has a module `room` whose ROOM says what it brings; the registry names the rooms in working order.
The further faces (parts, goods, cards, rounds) are empty until they have something to say.
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
    Member,
    Need,
    Page,
    Round,
    SiteLine,
    SitePoint,
    Table,
)
from obtegum.core.face.fields import Measure
from obtegum.core.face.goods import Good
from obtegum.core.face.names import declared
from obtegum.core.face.rounding import declare
from obtegum.core.findings.kept import Finding
from obtegum.core.findings.skeleton.row import Deviation
from obtegum.core.findings.work import Work
from obtegum.core.values.trouble import Trouble

__all__ = ["Room"]


def _none(*_: object) -> tuple[()]:
    return ()


def _nothing(*_: object) -> dict[str, Any]:
    return {}


@dataclass(frozen=True, kw_only=True, eq=False)
class Room:
    """One step of the work: a line for each thing that it may bring.

    What it shows
        stands: its name and how far it has come.
        plan: all of the step, as it is shown.
        verdicts: what it judges of the house.
        verdict_names: names of its verdicts; one that ends in ``-`` or ``:`` is of all that begin so.
        strips: its parts laid straight, with their marks.
        strip_names: names of its strips, likewise.
        shared_strips: those of them that other steps show too.
        views: its drawings by their names.
        rows: tables of those that tell many numbers, by the drawing's name, made when they are asked for.
        layers: what it adds to other rooms' drawings, by their names.
        work_drawings: drawings of its numbered work.
        drawing_names: names of those drawings, as of verdicts.
        thumbnail: the house as it is shown among others.
        sums_up: what is said of the house there.
        how_large: the house's size in words.
    What can be set
        fields: measures that are read or written in ways of their own.
        more_fields: names of those that come and go with the design.
        beside: measures that are set beside the files, whatever step is shown.
        requires: finds what a house can't be without; raises DesignError where it is missing.
        derived: what its decisions make of others, exact, by their paths, written whenever something is changed.
        impossible: what can't have been found on site.
    What helps
        cures: edits that could mend a verdict, by its name.
        fails_early: tells by a verdict's name that it fails before all of it is found.
        levels: what its verdicts come to, where that is told sooner than what they say.
        needs: what a remedy's cost is told in.
        if_left: what comes of a post that is left off its line.
    How its answers are rounded, by their names
        down, up, nearest: each name in one of them, and no other step's.
    What can be taken away, and read in
        tables: as CSV.
        files: of other formats.
        pages: of the printed sheet.
        on_site: points and lines for maps and CAD.
        intakes: readings that are pasted or opened.
        acts: what its actions make of the record, and words for the history.
    What it has for the house as a whole
        parts: members of the house, each by the name that it is drawn by.
        goods: what else it takes, and where that goes.
        costly: whether some of it is told in what a remedy costs.
        cards: the step at arm's length.
        carded: False where there is nothing to do on site.
        rounds: what is looked at again later.
        opens: whether a house that stands is opened at it.
        slow: whether it is left out of a whole plan unless that is asked for with it.
    """

    stands: Callable[[Work, list[Verdict]], Standing]
    plan: Callable[[Work, list[Verdict]], StepPlan]
    verdicts: Callable[[Work], list[Verdict]]
    verdict_names: tuple[str, ...] = ()
    strips: Callable[[Work], Sequence[Strip]] = _none
    strip_names: tuple[str, ...] = ()
    shared_strips: tuple[str, ...] = ()
    views: Mapping[str, Callable[[Work], Drawing]] = field(default_factory=dict)
    rows: Mapping[str, Callable[[Work], tuple[Row, ...]]] = field(default_factory=dict)
    layers: Mapping[str, Callable[[Work], Layer]] = field(default_factory=dict)
    work_drawings: Callable[[Work], Sequence[Drawing]] = _none
    drawing_names: tuple[str, ...] = ()
    thumbnail: Callable[[Work], Drawing] | None = None
    sums_up: Callable[[Work], str] | None = None
    how_large: Callable[[HouseDesign], str] | None = None
    fields: tuple[Measure, ...] = ()
    more_fields: Callable[[HouseDesign], Sequence[str]] = _none
    beside: tuple[Beside, ...] = ()
    requires: Callable[[Work], object] = _none
    derived: Callable[[Work], Mapping[str, Any]] = _nothing
    impossible: Callable[[Job], Iterator[Trouble] | tuple[()]] = _none
    cures: Mapping[str, Cure] = field(default_factory=dict)
    fails_early: Mapping[str, Callable[[Work], bool]] = field(default_factory=dict)
    levels: Callable[[Work], Mapping[str, Level]] | None = None
    needs: Callable[[Work], Sequence[Need]] = _none
    if_left: Callable[[Work, Deviation], Iterable[str]] = _none
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
    goods: Callable[[Work], Sequence[Good]] = _none
    costly: bool = False
    cards: Callable[[Work], Sequence[Card]] = _none
    carded: bool = True
    rounds: Callable[[Work], Sequence[Round]] = _none
    opens: bool = False
    slow: bool = False

    def __post_init__(self) -> None:
        declare(self.down, "down")
        declare(self.up, "up")
        declare(self.nearest, "nearest")
        # What is kept of a room is looked up by these, so they are made once.
        judged, planned, stands = Finding(self._judged), self.plan, self.stands
        found = {
            "judged": judged,
            "standing": Finding(lambda work: stands(work, judged(work))),
            "planned": Finding(lambda work: planned(work, judged(work))),
            "strips_laid": Finding(self._laid, compared=False),
            "numbered": Finding(self._numbered, compared=False),
        }
        for name, finding in found.items():
            object.__setattr__(self, name, finding)

    @property
    def takes_some(self) -> bool:
        """Whether it brings members or goods."""
        return self.parts is not _none or self.goods is not _none

    judged: Finding[list[Verdict]] = field(init=False)
    standing: Finding[Standing] = field(init=False)
    planned: Finding[StepPlan] = field(init=False)
    strips_laid: Finding[Sequence[Strip]] = field(init=False)
    numbered: Finding[Sequence[Drawing]] = field(init=False)

    def _judged(self, work: Work) -> list[Verdict]:
        found = self.verdicts(work)
        declared((each.id for each in found), self.verdict_names, "verdict")
        return found

    def _laid(self, work: Work) -> Sequence[Strip]:
        found = self.strips(work)
        declared((each.id for each in found), self.strip_names, "strip")
        return found

    def _numbered(self, work: Work) -> Sequence[Drawing]:
        found = self.work_drawings(work)
        declared((each.view for each in found), self.drawing_names, "drawing")
        return found
