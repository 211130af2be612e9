"""Ways out of a verdict: changes that were planned in full and found better before they are offered.

Each kind of verdict has its usual cures, which its room brings. A cure is a list of edits; it is applied to the
design, and offered only if the verdict that it is for comes out better and known, and with the whole house judged no
other one comes to fail and none of as high a rank is worse (comfort may come out tight). Where a verdict has no way out
so, cures that worsen something are tried with a cure of that, and then those that leave another one tight. What comes
out worse is named with the cost.
"""

import re
from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import cache
from itertools import islice
from typing import Any

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.drawing.verdict import LEVELS, RANKS, Level, Verdict, better
from obtegum.core.face.edit import Cure, Edit, Edits
from obtegum.core.face.faces import Need
from obtegum.core.face.room import Room
from obtegum.core.findings.work import Work
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import edits_in_words, laid_edits
from obtegum.core.house.measures import find_measure
from obtegum.core.house.plan import judged
from obtegum.core.house.takes import needs
from obtegum.core.rooms import rooms
from obtegum.core.values.base import Part
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.quantity import Tape, length_text
from obtegum.core.values.trouble import DesignError, running

__all__ = ["Remedy", "costs", "find_remedies", "remedies_on"]

MOST_PER_VERDICT = 4


class Remedy(Part):
    """A change that was tried: what it makes of the verdict, and what it costs: in words, and in parts weighed."""

    verdict: str
    words: str
    edits: tuple[Edit, ...]
    level: Level
    number: str
    ratio: float | None
    more: int
    cost: str


# A question within a sentence.
QUESTION = re.compile(r"[^.?!:]+\?")
# How a verdict may not come out of its own cure.
NO_ANSWER: tuple[Level, ...] = ("fails", "unknown")
# Cures that are made good where a verdict has no other way out, and what else is tried with each.
MADE_GOOD, MORE_TRIED = 2, 2
WORSE: dict[Level, str] = {"tight": "is tight then", "unknown": "is not known then"}


@cache
def _cures() -> dict[str, Cure]:
    return {name: cure for room in rooms() for name, cure in room.cures.items()}


def _more(what: str, many: str, count: int) -> str:
    """More or fewer of something that is counted."""
    if count == 0:
        return ""
    word = what if abs(count) == 1 else many or f"{what}s"
    return f"{abs(count)} {word} {'more' if count > 0 else 'fewer'}"


def _longer(what: str, more_m: float, tape: Tape) -> str:
    """What is bought beyond the plan so far; less of it saves nothing that was already bought."""
    return f"{length_text(more_m, tape, 'up')} more {what} in all" if more_m > tape.step_m else ""


def costs(before: Iterable[Need], after: Iterable[Need], tape: Tape) -> tuple[list[str], int]:
    """What is needed more or less, in words; and how many pieces of what is weighed."""
    was, now = ({need.what: need for need in each} for each in (before, after))
    words, weighed = list[str](), 0
    for what in dict.fromkeys([*was, *now]):
        one = now.get(what) or was[what]
        more = (now[what].amount if what in now else 0.0) - (was[what].amount if what in was else 0.0)
        words.append(_longer(what, more, tape) if one.is_length else _more(what, one.many, round(more)))
        weighed += round(more) if one.weighed else 0
    return [each for each in words if each], weighed


@dataclass(frozen=True)
class _Cured:
    """The house with a cure, on its bench."""

    job: Job
    work: Work

    def hopeless(self, room: Room, name: str) -> bool:
        """Whether a verdict of a room surely fails on it. Raises: DesignError."""
        return name in room.fails_early and room.fails_early[name](self.work)

    def own(self, room: Room, name: str) -> Verdict | None:
        """A verdict of a room on it; None where there is none of that name any more. Raises: DesignError."""
        return next((each for each in room.judged(self.work) if each.id == name), None)


def _cured(work: Work, job: Job, edits: Edits) -> _Cured | None:
    """The house with a cure; None where there can be none."""
    try:
        return _Cured(*laid_edits(job, edits, work.catalogue, work, nearest=False))
    except DesignError:
        return None


def _worse(before: Iterable[Verdict], after: Work, but: str) -> Iterator[Verdict]:
    """What a cure worsens, beside the verdict that it is for; rooms that take longest are asked last."""
    was = {each.id: each.level for each in before}

    def worse(name: str, level: Level) -> bool:
        return name != but and LEVELS.index(level) > LEVELS.index(was.get(name, "holds"))

    # Where a verdict can be told to be hopeless, finding it is long.
    for room in sorted(rooms(), key=lambda room: bool(room.fails_early)):
        if room.levels is None or any(worse(*each) for each in room.levels(after).items()):
            yield from (each for each in room.judged(after) if worse(each.id, each.level))


def _open_before(found: Verdict, before: Iterable[Verdict]) -> bool:
    """Whether all that keeps a verdict from being known is a question that was open before, as what weather is there:
    nothing is known less by that."""
    asked = {words for each in before if each.level == "unknown" for words in QUESTION.findall(each.sentence)}
    return bool(asked.intersection(QUESTION.findall(found.sentence)))


def _bars(worse: Verdict, verdict: Verdict, tight: bool) -> bool:
    """Whether what comes out worse keeps a cure from being one: it fails, or is of no lower rank. What is tight then
    may do where that is asked for, and where it is comfort alone."""
    no_lower = RANKS.index(worse.rank) <= RANKS.index(verdict.rank)
    may = worse.level == "tight" and (tight or worse.rank == "comfort")
    return worse.level == "fails" or (no_lower and not may)


def _chosen(design: HouseDesign) -> Iterator[tuple[str, str]]:
    """Every choice of a house, by its path."""

    def walk(node: dict[str, Any], before: str) -> Iterator[tuple[str, str]]:
        for name, value in node.items():
            if isinstance(value, dict):
                yield from walk(value, f"{before}{name}.")
            elif isinstance(value, str):
                yield f"{before}{name}", value

    return walk(design.model_dump(), "")


def _undone(job: Job, changed: Job, edits: Edits, catalogue: Catalogue) -> Iterator[str]:
    """Choices that a cure changes besides its own: said with what it costs."""
    was, own = dict(_chosen(job.design)), {edit.measure for edit in edits}
    for path, now in _chosen(changed.design):
        measure = find_measure(path)
        if path in own or path not in was or now == was[path] or measure is None or measure.kind != "choice":
            continue
        state = measure.state(changed, catalogue)
        label = next((each.label for each in state.options if each.id == now), now)
        yield f"{running(state.label)} {label} then"


def _offer(
    work: Work, job: Job, verdict: Verdict, room: Room, edits: Edits, cured: _Cured, tight: bool
) -> Remedy | None:
    """What a cure comes to; None unless it answers this verdict by a known one that is better, and bars nothing.

    Raises: DesignError where the house can't be judged.
    """
    if cured.hopeless(room, verdict.id):
        return None
    found = cured.own(room, verdict.id)
    # A way that still fails, or leaves it unknown, is no way out; all else is judged where it is one.
    if found is not None and (found.level == "fails" or not better(found, verdict)):
        return None
    if found is not None and found.level == "unknown" and not _open_before(found, judged(work)):
        return None
    changed, after = cured.job, cured.work
    worse = list[Verdict]()
    for each in _worse(judged(work), after, verdict.id):
        if _bars(each, verdict, tight):
            return None
        worse.append(each)
    cost, more = costs(needs(work), needs(after), changed.design.tape)
    cost += [f"{each.title.lower()} {WORSE[each.level]}" for each in worse]
    cost += _undone(job, changed, edits, work.catalogue)
    return Remedy(
        verdict=verdict.id,
        words=edits_in_words(changed, edits, work.catalogue),
        edits=edits,
        level="holds" if found is None else found.level,
        number="" if found is None else found.number,
        ratio=None if found is None else found.ratio,
        more=more,
        cost=", ".join(cost) or "no more parts",
    )


def _distinct(offers: Iterable[Remedy | None]) -> Iterator[Remedy]:
    seen: set[str] = set()
    for offer in offers:
        if offer is not None and offer.words not in seen:
            seen.add(offer.words)
            yield offer


def find_remedies(design: HouseDesign, record: SiteRecord, catalogue: Catalogue) -> list[Remedy]:
    """What would help each verdict that doesn't hold, best first, a few for each.

    Raises: DesignError when the design can't be planned at all.
    """
    return remedies_on(begin(design, record, catalogue), Job(design, record))


class _Trials:
    """Cures of a house, each laid once however many verdicts it may mend; ``between`` is called before each is."""

    def __init__(self, work: Work, job: Job, between: Callable[[], object]) -> None:
        self._work, self._job, self._between = work, job, between
        self._kept: dict[Edits, _Cured | None] = {}
        self._asked = {each.id: room for room in rooms() for each in room.judged(work)}

    def _cured(self, edits: Edits) -> _Cured | None:
        if edits not in self._kept:
            self._between()
            self._kept[edits] = _cured(self._work, self._job, edits)
        return self._kept[edits]

    def tried(self, verdict: Verdict, edits: Edits, tight: bool = False) -> Remedy | None:
        """A cure as a remedy; None where it is none."""
        cured, room = self._cured(edits), self._asked[verdict.id]
        try:
            return None if cured is None else _offer(self._work, self._job, verdict, room, edits, cured, tight)
        except DesignError:
            return None

    def made_good(self, verdict: Verdict, cures: Sequence[Edits]) -> Iterator[Remedy | None]:
        """The first cures that worsen something, each with a cure of that."""
        looked = 0
        for edits in cures:
            cured = self._cured(edits)
            if cured is None:
                continue
            try:
                if cured.hopeless(self._asked[verdict.id], verdict.id):
                    continue
                found = cured.own(self._asked[verdict.id], verdict.id)
                if found is not None and found.level == "fails":
                    continue
                looked += 1
                if looked > MADE_GOOD:
                    return
                more = self._more(cured, verdict, found)
            except DesignError:
                continue
            changed = {each.measure for each in edits}
            apart = (each for each in more if not changed & {one.measure for one in each})
            yield from (self.tried(verdict, edits + each) for each in islice(apart, MORE_TRIED))

    def _more(self, cured: _Cured, verdict: Verdict, found: Verdict | None) -> list[Edits]:
        """Cures of what a cure worsens, which bars it."""
        worse = _worse(judged(self._work), cured.work, verdict.id)
        barring = [each for each in worse if _bars(each, verdict, False)]
        if found is not None and found.level == "unknown":
            # Why it isn't known may be told by what failed before, too.
            barring += [each for each in judged(cured.work) if each.level == "fails" and each not in barring]
        return [cure for each in barring if each.id in _cures() for cure in _cures()[each.id](cured.work, each)]


def remedies_on(work: Work, job: Job, between: Callable[[], object] = lambda: None) -> list[Remedy]:
    """The same for a house on a bench; every cure is judged on one that begins from it.

    ``between`` is called before each is judged, which may take as long as a plan.
    """
    trials, remedies = _Trials(work, job, between), list[Remedy]()
    for verdict in judged(work):
        cure = _cures().get(verdict.id)
        if verdict.level == "holds" or cure is None:
            continue
        cures = list(cure(work, verdict))
        offers = list(_distinct(trials.tried(verdict, edits) for edits in cures))
        if not offers and verdict.level == "fails":
            offers = list(_distinct(trials.made_good(verdict, cures)))
        if not offers:
            offers = list(_distinct(trials.tried(verdict, edits, tight=True) for edits in cures))
        ranked = sorted(offers, key=lambda each: (LEVELS.index(each.level), each.more))
        remedies += ranked[:MOST_PER_VERDICT]
    return remedies
