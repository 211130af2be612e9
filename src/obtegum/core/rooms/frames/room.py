"""Frames: every frame that could stand, what each part of it buys, and what others offer."""

from obtegum.core.documents.job import Job
from obtegum.core.face.faces import Answers, Caution, Numbered, Page
from obtegum.core.face.fields import Option, special
from obtegum.core.face.room import Room
from obtegum.core.findings.skeleton.tubes import own_tubes
from obtegum.core.rooms.frames import step
from obtegum.core.values.catalogue import Catalogue

__all__ = ["ROOM"]


def _tubes(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    tubes = catalogue.near_first[job.design.tape.units].tubes
    near_first = (each for each in tubes if each.form == "tube" and each.material == "steel")
    return (
        Option(id="", label="as the house has"),
        *(Option(id=each.id, label=each.name) for each in (*near_first, *own_tubes(job.design, catalogue))),
    )


ROOM = Room(
    carded=False,
    stands=step.stands,
    plan=step.plan,
    verdicts=lambda work: [],
    strips=step.strips,
    fields=(special("frames.offer_tube", options=_tubes), special("frames.offer_post", options=_tubes)),
    nearest=frozenset({f"seller_{kind}" for kind in ("fresh", "settled", "old", "wet", "packed", "wind")}),
    pages=(Page("Seller’s figures", (Caution("frames"), Answers(("frames",)), Numbered("frames"))),),
)
