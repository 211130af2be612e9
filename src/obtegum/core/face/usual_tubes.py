"""What runs, braces and boards are made of: what is told, or what is usual for the house."""

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Measure, Option, special
from obtegum.core.findings.skeleton.tubes import USUAL, find_tube, own_tubes
from obtegum.core.values.catalogue import Catalogue

__all__ = ["board_options", "usual_or_told"]


def _options(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    units = job.design.tape.units
    near_first = (tube for tube in catalogue.near_first[units].tubes if tube.form == "tube")
    bow = find_tube(job.design, catalogue, job.design.bows.tube)
    usual = catalogue.tubes[USUAL[bow.sold_in if bow else units]]
    return (
        Option(id="", label="what is usual here", about=usual.name),
        *(Option(id=tube.id, label=tube.name) for tube in (*near_first, *own_tubes(job.design, catalogue))),
    )


def usual_or_told(path: str) -> Measure:
    """The field of such a tube."""
    return special(path, options=_options)


def board_options(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    """Boards to choose from, those that are sold near first."""
    near_first = catalogue.near_first[job.design.tape.units].boards
    return (
        Option(id="", label="what is usual here"),
        *(Option(id=board.id, label=board.name) for board in near_first),
    )
