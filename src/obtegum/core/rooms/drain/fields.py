"""The pipes that there are."""

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Option, special
from obtegum.core.values.catalogue import Catalogue

__all__ = ["FIELDS"]


def _pipes(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    return tuple(Option(id=pipe.id, label=pipe.name) for pipe in catalogue.pipes.values())


FIELDS = (special("drain.pipe", options=_pipes),)
