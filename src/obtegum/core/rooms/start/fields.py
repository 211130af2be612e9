"""Choosing what is known first."""

from typing import Any

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Document, put, special
from obtegum.core.findings.skeleton.shapes import shape_of

__all__ = ["FIELDS"]


def _write_known(document: Document, job: Job, known: Any) -> None:
    """Sticks that are there are used whole; a bow that stands may be of any height."""
    put(document, "start.known", known)
    if known == "sticks":
        put(document, "bows.cut", "whole")
        # Their number makes the length, by the spacing.
        if job.design.bows.bays == "counted":
            put(document, "bows.bays", "equal")
    if known == "bow":
        put(document, "bows.cut", "cut")
    if known == "bow" and job.design.size.shape.kind == "round_on_legs":
        put(document, "size.shape", shape_of("round", job.design.size).model_dump())


FIELDS = (special("start.known", write=_write_known),)
