"""Ways out of a verdict: changes that were planned in full and found better before they are offered.

Each kind of verdict has its usual cures, which its room brings. A cure is a list of edits; it is applied to the
design, the whole house is judged with it, and it is offered only if the verdict that it is for comes out better
and no other one comes to fail; one that comes out tight is named with the cost.
"""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from functools import cache

from obtegum.core.bench import begin
from obtegum.core.catalogue import Catalogue
from obtegum.core.edit import Cure, Edit, Edits
from obtegum.core.edits import edits_in_words, laid_edits
from obtegum.core.faces import Need
from obtegum.core.job import Job
from obtegum.core.part import Part
from obtegum.core.plan import judged, needs
from obtegum.core.quantity import Tape, length_text
from obtegum.core.room import rooms
from obtegum.core.rooms import HouseDesign, SiteRecord
from obtegum.core.trouble import DesignError
from obtegum.core.verdict import LEVELS, Level, Verdict, better
from obtegum.core.work import Work

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
    """The house with a cure, and all judgements on it."""

    job: Job
    work: Work
    verdicts: tuple[Verdict, ...]


def _cured(work: Work, job: Job, edits: Edits) -> _Cured | None:
    """Judge the house with a cure; None where it can't be."""
    try:
        changed, after = laid_edits(job, edits, work.catalogue, work)
        return _Cured(changed, after, tuple(judged(after)))
    except DesignError:
        return None


def _offer(work: Work, verdict: Verdict, edits: Edits, cured: _Cured | None) -> Remedy | None:
    """What a cure comes to; None unless it is a way out of this verdict and fails no other."""
    if cured is None:
        return None
    changed, after, verdicts = cured.job, cured.work, cured.verdicts
    found = next((each for each in verdicts if each.id == verdict.id), None)
    # A way that still fails is no way out.
    if found is not None and (found.level == "fails" or not better(found, verdict)):
        return None
    was = {each.id: each.level for each in judged(work)}
    worse = [
        each
        for each in verdicts
        if each.id != verdict.id and LEVELS.index(each.level) > LEVELS.index(was.get(each.id, "holds"))
    ]
    if any(each.level == "fails" for each in worse):
        return None
    cost, more = costs(needs(work), needs(after), changed.design.tape)
    cost += [f"{each.title.lower()} {WORSE[each.level]}" for each in worse]
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


def remedies_on(work: Work, job: Job, between: Callable[[], object] = lambda: None) -> list[Remedy]:
    """The same for a house on a bench; every cure is judged on one that begins from it.

    ``between`` is called before each is judged, which may take as long as a plan.
    """

    # Several verdicts may be cured by the same: it is judged once.
    kept: dict[Edits, _Cured | None] = {}

    def tried(verdict: Verdict, edits: Edits) -> Remedy | None:
        if edits not in kept:
            between()
            kept[edits] = _cured(work, job, edits)
        return _offer(work, verdict, edits, kept[edits])

    remedies: list[Remedy] = []
    for verdict in judged(work):
        cure = _cures().get(verdict.id)
        if verdict.level == "holds" or cure is None:
            continue
        offers = _distinct(tried(verdict, edits) for edits in cure(work, verdict))
        ranked = sorted(offers, key=lambda each: (LEVELS.index(each.level), each.more))
        remedies += ranked[:MOST_PER_VERDICT]
    return remedies
