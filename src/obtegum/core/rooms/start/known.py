"""What is set by hand no longer follows from what was known first."""

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Document, put

__all__ = ["set_by_hand"]


def set_by_hand(document: Document, job: Job, *known: str) -> None:
    """Let go of what was known first, if it is one of these: else it would overrule what was just set."""
    if job.design.start.known in known:
        put(document, "start.known", "size")
