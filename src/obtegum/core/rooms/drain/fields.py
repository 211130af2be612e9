"""The pipes that there are."""

from obtegum.core.catalogue import Catalogue
from obtegum.core.fields import Option, special
from obtegum.core.job import Job

__all__ = ["FIELDS"]


def _pipes(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    return tuple(Option(id=pipe.id, label=pipe.name) for pipe in catalogue.pipes.values())


FIELDS = (special("drain.pipe", options=_pipes),)
