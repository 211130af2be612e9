"""The bows' tube, their number and spacing, and how far a joint takes in."""

from collections.abc import Sequence
from typing import Any

from obtegum.core.documents.bows import PIECE_LEAST_M, PIECE_MOST_M
from obtegum.core.documents.house import HouseDesign
from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Document, put, special
from obtegum.core.face.listed import listed
from obtegum.core.face.tube_fields import tube_choice, tube_outside
from obtegum.core.findings.skeleton.ticks import design_bays
from obtegum.core.findings.skeleton.tubes import tube_measures
from obtegum.core.formulas.bows.sticks import MOST_STICKS
from obtegum.core.rooms.start.known import set_by_hand
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.quantity import length_text

__all__ = ["FIELDS", "own_tube_fields"]


def _joint_hint(job: Job, catalogue: Catalogue) -> str:
    return "over both ends" if job.design.bows.joint in ("coupler", "sleeve") else "one end into the next"


def own_tube_fields(design: HouseDesign) -> Sequence[str]:
    """What can be told of each of the grower's own tubes."""
    return [
        name for number in range(1, len(design.own_tubes) + 1) for name in tube_measures("bows.tube", f"own:{number}")
    ]


def _write_bays(document: Document, job: Job, bays: Any) -> None:
    """By the number of bows: as many as there are now, until another number is given."""
    put(document, "bows.bays", bays)
    if bays == "counted":
        set_by_hand(document, job, "sticks")
    if bays == "counted" and job.design.bows.count is None:
        put(document, "bows.count", design_bays(job.design).bows)


def _write_count(document: Document, job: Job, count: Any) -> None:
    put(document, "bows.count", count)
    set_by_hand(document, job, "sticks")


def _write_cut(document: Document, job: Job, cut: Any) -> None:
    put(document, "bows.cut", cut)
    if cut != "cut":
        set_by_hand(document, job, "bow")
    if cut != "whole":
        set_by_hand(document, job, "sticks")
    if cut == "own":
        put(document, "bows.making", "parts")


def _write_sticks(document: Document, job: Job, sticks: Any) -> None:
    """Where sticks are what is known, a number of them is of whole ones."""
    put(document, "bows.sticks", sticks)
    if sticks is not None and job.design.start.known == "sticks":
        put(document, "bows.cut", "whole")


def _write_making(document: Document, job: Job, making: Any) -> None:
    """Whatever is bent here is cut from sticks."""
    put(document, "bows.making", making)
    if making != "parts" and job.design.bows.cut == "own":
        put(document, "bows.cut", "cut")


def _bought(document: Document, job: Job) -> None:
    _write_cut(document, job, "own")


def _bow_count(job: Job) -> float:
    return design_bays(job.design).bows


def _count_hint(job: Job, catalogue: Catalogue) -> str:
    if job.design.bows.bays == "counted":
        return f"{length_text(design_bays(job.design).bay_m, job.design.tape)} apart"
    return "if you count them"


def _spacing(job: Job) -> float:
    """What the bows' spacing is taken hold of by: where their number gives it, what it gives."""
    bows = job.design.bows
    return design_bays(job.design).bay_m if bows.bays == "counted" else bows.max_spacing_m


def _write_spacing(document: Document, job: Job, spacing_m: Any) -> None:
    """Where the number of bows is given, the number that comes closest to a spacing."""
    if job.design.bows.bays == "counted":
        put(document, "bows.count", max(round(job.design.size.length_m / spacing_m), 1) + 1)
    else:
        put(document, "bows.max_spacing_m", spacing_m)


FIELDS = (
    tube_choice("bows.tube"),
    tube_outside("bows.tube"),
    special("bows.joint_m", hint=_joint_hint),
    special("bows.bays", write=_write_bays),
    special("bows.cut", write=_write_cut),
    special("bows.sticks", write=_write_sticks),
    special("bows.making", write=_write_making),
    listed(
        "bows.own_pieces_m",
        "Pieces of a bow, from the left",
        "with commas between, each as long as it is",
        PIECE_LEAST_M,
        PIECE_MOST_M,
        MOST_STICKS,
        empty="Write the length of each piece from the left, with commas between.",
        bare="long",
        then=_bought,
    ),
    special("bows.count", write=_write_count, blank=_bow_count, hint=_count_hint),
    special("bows.max_spacing_m", read=_spacing, write=_write_spacing),
)
