"""What runs, braces and boards are made of: what is told, or what is usual for the house."""

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Measure, Option, special
from obtegum.core.findings.work import Work
from obtegum.core.rooms.bows.tubes import bow_tube, find_tube, own_tubes
from obtegum.core.values.catalogue import Catalogue, Tube
from obtegum.core.values.quantity import Units
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["board_options", "told_or_usual", "usual_or_told"]

# What most take for runs and braces, by the shops that the bows’ tube comes from.
USUAL: dict[Units, str] = {"feet": "rail-1-3-8", "metric": "round-33.7"}


def told_or_usual(work: Work, name: str, path: str) -> Tube:
    """A tube by its name, or the usual one where none is told. Raises: DesignError when there is none of that name."""
    tube = find_tube(work.design, work.catalogue, name or USUAL[bow_tube(work).sold_in])
    if tube is None:
        raise DesignError([Trouble(path=path, sentence=f"There is no tube “{name}” in the catalogue.")])
    return tube


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
