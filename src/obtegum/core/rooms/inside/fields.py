"""Widths of beds and paths in one field: ``34, 42, 28``."""

from typing import Any

from obtegum.core.documents.inside import LEAST_M, MOST_BEDS, MOST_M
from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Document, put, special
from obtegum.core.face.listed import listed
from obtegum.core.rooms.start.known import set_by_hand
from obtegum.core.values.catalogue import Catalogue

__all__ = ["FIELDS", "OWN_BEDS", "OWN_PATHS"]

OWN_BEDS, OWN_PATHS = "inside.own_beds_m", "inside.own_paths_m"


def _write_layout(document: Document, job: Job, along_walls: Any) -> None:
    """Beds that are alike make no width of their own."""
    put(document, "inside.along_walls", along_walls)
    if along_walls != "own":
        set_by_hand(document, job, "beds")


def _paths_hint(job: Job, catalogue: Catalogue) -> str:
    return f"blank: {'as wide as the least' if job.design.start.known == 'beds' else 'they share what is left'}"


def _own_layout(document: Document, job: Job) -> None:
    put(document, "inside.along_walls", "own")


def _path_hint(job: Job, catalogue: Catalogue) -> str:
    return "those without a width of their own" if job.design.start.known == "beds" else "what is left over widens them"


FIELDS = (
    special("inside.path_m", hint=_path_hint),
    special("inside.along_walls", write=_write_layout),
    listed(
        OWN_BEDS,
        "Beds, from the left",
        "with commas between",
        LEAST_M,
        MOST_M,
        MOST_BEDS,
        empty="Write the widths from the left, with commas between.",
        then=_own_layout,
    ),
    listed(OWN_PATHS, "Paths between", _paths_hint, LEAST_M, MOST_M, MOST_BEDS, empty="", then=_own_layout),
)
