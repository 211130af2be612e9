"""One frame tried: the house with it, judged as its own plan judges it, and what it takes."""

import math
from dataclasses import dataclass

from obtegum.core.documents.job import Job
from obtegum.core.drawing.verdict import LEVELS, Level, Verdict
from obtegum.core.face.edit import Edit, Edits, chosen
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import tube_m
from obtegum.core.findings.skeleton.braces import brace_tube, tie_board, tie_edge_m, tied_bows, ties_of
from obtegum.core.findings.skeleton.posts import post_count
from obtegum.core.findings.skeleton.runs import run_long_m, run_tube, runs_of
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import all_tubes, bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.house.edits import laid_edits
from obtegum.core.rooms.braces.judged import tie_verdicts
from obtegum.core.rooms.hold.judged import verdicts as hold_verdicts
from obtegum.core.rooms.strength.found import surely_fails
from obtegum.core.rooms.strength.judged import verdicts as frame_verdicts
from obtegum.core.values.amount import amount_text
from obtegum.core.values.base import Part
from obtegum.core.values.catalogue import Catalogue, Tube
from obtegum.core.values.physics import STEEL_KG_M3
from obtegum.core.values.trouble import DesignError

__all__ = ["Frame", "Judged", "Taken", "Tried", "mass_kg_m", "post_for", "taken", "try_frame"]


class Taken(Part):
    """What a frame takes: bows, tube of bows, posts, ties and runs, m and kg of steel, and that as a reading."""

    bows: int
    tube_m: float
    kg: float
    steel: str


class Frame(Part):
    """A frame that can be tried: how it is called on the map, in words, and the edits that make it the design."""

    key: str
    tube: str
    tube_words: str
    od_m: float
    spacing_m: float
    spacing: str
    ties: str
    ties_words: str
    edits: tuple[Edit, ...]


class Tried(Part):
    """What came of a frame: ``level`` of the worst of its judgements, the share of strength where that was found, also
    as a reading, and what is said; the level of its feet; what it takes, nothing of what can't be built.

    ``screened`` is one that wasn't reckoned whole, because a closer one of its line fails already, or it buckles.
    """

    key: str
    level: Level
    ratio: float | None
    uses: str = ""
    sentence: str
    feet: Level
    taken: Taken | None
    screened: bool = False
    own: bool = False


def mass_kg_m(tube: Tube) -> float:
    """What a metre of steel tube or bar weighs, kg."""
    inner = 0.0 if tube.form == "bar" else tube.od_m - 2 * tube.wall_m
    return math.pi / 4 * (tube.od_m**2 - inner**2) * STEEL_KG_M3


def taken(work: Work) -> Taken:
    """What the frame on a bench takes."""
    bows, posts = bays_of(work).bows, work.design.posts
    parts = [(bow_tube(work), bows * tube_m(work)), (post_tube(work), post_count(work) * posts.length_m)]
    if tie_board(work) is None:
        metres = sum(tie.long_m + 2 * tie_edge_m(work) for tie in ties_of(work)) * len(tied_bows(work))
        parts.append((brace_tube(work), metres))
    if work.design.runs.of == "long":
        parts.append((run_tube(work), len(runs_of(work)) * run_long_m(work)))
    kg = sum(mass_kg_m(tube) * metres for tube, metres in parts)
    return Taken(
        bows=bows,
        tube_m=sum(metres for _, metres in parts),
        kg=kg,
        steel=amount_text(kg, "hung", work.tape.units, "up"),
    )


def post_for(work: Work, tube: Tube) -> Edits:
    """The post that goes round another bow tube, where it stands in sockets: the one that is, if that does; else the
    next that is sold here."""
    if not way_of(work).socketed or work.design.posts.stand == "stub":
        return ()
    now = post_tube(work)
    if now.bore_m > tube.od_m:
        return ()
    near = [each for each in all_tubes(work) if each.sold_in == tube.sold_in and each.bore_m > tube.od_m]
    around = min(near, key=lambda each: each.bore_m, default=None)
    return () if around is None else (chosen("posts.tube", around.id),)


@dataclass(frozen=True)
class Judged:
    """A frame on its bench, and what it was tried as."""

    work: Work
    job: Job
    tried: Tried


def try_frame(
    job: Job, catalogue: Catalogue, before: Work, key: str, edits: Edits, short: bool = False
) -> Judged | Tried:
    """The house with a frame, judged as its plan would; only what is said of it where it can't be built.

    Cut ``short``, one that surely buckles isn't reckoned further.
    """
    try:
        changed, work = laid_edits(job, edits, catalogue, before)
        if short and surely_fails(work):
            sentence = "Fails: its bows buckle under less than they must bear."
            tried = Tried(
                key=key, level="fails", ratio=None, sentence=sentence, feet="unknown", taken=taken(work), screened=True
            )  # fmt: skip
            return Judged(work, changed, tried)
        found = [*frame_verdicts(work), *tie_verdicts(work)]
        worst = max(found, key=_worse)
        feet = max((each.level for each in hold_verdicts(work)), key=LEVELS.index)
        tried = Tried(
            key=key,
            level=worst.level,
            ratio=worst.ratio,
            uses=worst.number,
            sentence=worst.sentence,
            feet=feet,
            taken=taken(work),
            own=not edits,
        )
        return Judged(work, changed, tried)
    except DesignError as error:
        sentence = error.troubles[0].sentence
        return Tried(key=key, level="fails", ratio=None, sentence=sentence, feet="unknown", taken=None)


def _worse(verdict: Verdict) -> tuple[int, float]:
    # What isn't known is said before what is tight, and after what fails.
    return ("holds", "tight", "unknown", "fails").index(verdict.level), verdict.ratio or 0.0
