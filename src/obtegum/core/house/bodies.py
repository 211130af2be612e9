"""The house in the round: every member of it as a body, in the order in which the house is built."""

from dataclasses import replace

from obtegum.core.face.faces import AT_NEED
from obtegum.core.findings.work import Work
from obtegum.core.rooms import rooms
from obtegum.core.values.base import Part
from obtegum.core.values.quick import small

__all__ = ["Bodies", "Body", "bodies_of"]

# How thick something is drawn whose section nobody tells, m.
THIN_M = 0.02


@small
class Body:
    """A member as it looks: its middle from end to end, m along, across and up; a tube's diameter, or a board's
    thickness and width, and where that lies; of film and sheets one edge, and the opposite one; which stage of the
    building it comes in, from 0."""

    part: str
    what: str
    of: str
    stage: int
    path: tuple[tuple[float, float, float], ...]
    section: tuple[float, ...]
    wide: tuple[float, float, float]
    edge: tuple[tuple[float, float, float], ...]


class Bodies(Part):
    """Every body, and what each stage of the building is called, in order."""

    stages: tuple[str, ...]
    bodies: tuple[Body, ...]


def bodies_of(work: Work) -> Bodies:
    """Every member of every room, in working order: a step is a stage, or several where its members say so."""
    stages, found = dict[str, int](), list[Body]()
    for room in rooms():
        members = room.parts(work)
        title = room.standing(work)["title"] if members else ""
        for member in members:
            stage = stages.setdefault(member.stage or title, len(stages))
            section = member.section or (THIN_M,)
            found.append(
                Body(
                    part=member.part,
                    what=member.what,
                    of=member.of,
                    stage=stage,
                    path=_rounded(member.path or member.ends),
                    section=section,
                    wide=member.wide,
                    edge=_rounded(member.edge),
                )
            )
    late = stages.pop(AT_NEED, None)
    if late is not None:
        # What is put up at need comes last, wherever its step does.
        stages[AT_NEED] = len(stages)
        found = [replace(body, stage=_moved(body.stage, late, len(stages) - 1)) for body in found]
    found.sort(key=lambda body: body.stage)
    return Bodies(stages=tuple(stages), bodies=tuple(found))


def _rounded(places: tuple[tuple[float, float, float], ...]) -> tuple[tuple[float, float, float], ...]:
    return tuple((round(x, 4), round(y, 4), round(z, 4)) for x, y, z in places)


def _moved(stage: int, late: int, last: int) -> int:
    """A stage once another one has gone to the end."""
    return last if stage == late else stage - (stage > late)
