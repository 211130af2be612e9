"""A frame that somebody offers, through the same checks beside the house's own; and what its seller says it bears."""

from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit, Edits, chosen
from obtegum.core.face.ties import tie_edits
from obtegum.core.findings.skeleton.tubes import all_tubes, bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.house.frames.tried import Judged, Tried, post_for, try_frame
from obtegum.core.rooms.carries.found import deep_m, least_carried
from obtegum.core.rooms.carries.gust import bow_opened, bow_shut
from obtegum.core.values.amount import amount_text
from obtegum.core.values.base import Part
from obtegum.core.values.catalogue import Catalogue

__all__ = ["Side", "offer_edits", "sides"]


class Side(Part):
    """The own frame, or the one that is offered: what came of it, snow that it carries and the gust of its frame alone,
    as readings, nothing where that can't be said; settled snow, m, and the gust, m/s."""

    words: str
    edits: tuple[Edit, ...]
    tried: Tried
    carried: str
    settled_m: float | None
    gust: str
    gust_mps: float | None


def offer_edits(work: Work) -> Edits:
    """What makes the offered frame the design."""
    frames, design = work.design.frames, work.design
    edits = list[Edit]()
    tube = next((each for each in all_tubes(work) if each.id == frames.offer_tube), bow_tube(work))
    if tube.id != bow_tube(work).id:
        edits.append(chosen("bows.tube", tube.id))
    if frames.offer_post and frames.offer_post != design.posts.tube:
        edits.append(chosen("posts.tube", frames.offer_post))
    elif tube.id != bow_tube(work).id:
        edits += post_for(work, tube)
    if design.bows.bays != "equal":
        edits.append(chosen("bows.bays", "equal"))
    if abs(frames.offer_spacing_m - design.bows.max_spacing_m) > 1e-9:
        edits.append(chosen("bows.max_spacing_m", _exactly(frames.offer_spacing_m)))
    edits += tie_edits(work, frames.offer_ties) or ()
    if frames.offer_runs != design.strength.runs:
        edits.append(chosen("strength.runs", str(frames.offer_runs)))
    if frames.offer_bays is not None and frames.offer_bays != design.braces.bays:
        edits.append(chosen("braces.bays", str(frames.offer_bays)))
    if frames.offer_deep_m is not None:
        deeper_m = frames.offer_deep_m + design.posts.reveal_m
        if abs(deeper_m - design.posts.length_m) > 1e-9:
            edits.append(chosen("posts.length_m", _exactly(deeper_m)))
    return tuple(edits)


def _exactly(value_m: float) -> str:
    return f"{value_m:.6f} m"


def sides(
    job: Job, catalogue: Catalogue, work: Work, before: Work | None = None
) -> tuple[tuple[Side, Side], tuple[Work | None, Work | None]]:
    """The house's own frame and the offered one, on one scale; and the benches that they lie on, None of what can't be
    built. The offered one begins from ``before``: the one that was offered last."""
    mine = try_frame(job, catalogue, work, "own", ())
    edits, trouble = offer_edits(work), _trouble(work)
    if trouble:
        edits = ()
        theirs: Judged | Tried = Tried(
            key="offer", level="fails", ratio=None, sentence=trouble, feet="unknown", taken=None
        )
    else:
        theirs = try_frame(job, catalogue, before or work, "offer", edits)
    found = _side(work, "your own frame", (), mine), _side(work, "the offer", edits, theirs)
    return found, (_bench(mine), _bench(theirs))


def _bench(found: Judged | Tried) -> Work | None:
    return found.work if isinstance(found, Judged) else None


def _trouble(work: Work) -> str:
    """What of the offer can't be put on this house at all; empty where all can."""
    frames, names = work.design.frames, {each.id for each in all_tubes(work)}
    if any(name and name not in names for name in (frames.offer_tube, frames.offer_post)):
        return "A tube of the offer isn’t in the catalogue any more. Choose it again."
    if tie_edits(work, frames.offer_ties) is None:
        return "There is no room for the offer’s collar between the grower’s head and the crown."
    return ""


def _side(work: Work, words: str, edits: Edits, found: Judged | Tried) -> Side:
    if isinstance(found, Tried):
        none = "can’t be built"
        return Side(
            words=words, edits=edits, tried=found, carried=none, settled_m=None, gust=none, gust_mps=None
        )  # fmt: skip
    least, units = least_carried(found.work), work.tape.units
    gusts = [each for each in (bow_shut(found.work), bow_opened(found.work)) if each is not None]
    gust = min(gusts, key=lambda each: each.gust_mps, default=None)
    return Side(
        words=words,
        edits=edits,
        tried=found.tried,
        carried="not known" if least is None else amount_text(least.pressure_pa, "pressure", units, "down"),
        settled_m=None if least is None else deep_m(least.pressure_pa, 200.0),
        gust="not known" if gust is None else amount_text(gust.gust_mps, "speed", units, "down"),
        gust_mps=None if gust is None else gust.gust_mps,
    )
