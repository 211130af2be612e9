"""Fields of the ends with ways of their own: those of one end called by it, openings that come and go."""

import math
from collections.abc import Iterator
from functools import partial
from typing import Any

from obtegum.core.documents.ends import MOST_OPENINGS, SIDES, EndWall, Opening, Side
from obtegum.core.documents.job import Job
from obtegum.core.documents.numbers import begin_in
from obtegum.core.face.fields import Document, Measure, Option, special
from obtegum.core.face.usual_tubes import board_options, usual_or_told
from obtegum.core.findings.skeleton.openings import opened
from obtegum.core.findings.skeleton.outline import planned_half_m
from obtegum.core.findings.work import Work
from obtegum.core.values.catalogue import Catalogue, default_catalogue
from obtegum.core.values.quantity import INCH_M, Units
from obtegum.core.values.trouble import DesignError, running

__all__ = ["FIELDS", "shown_opening"]

# The lowest door that an end is given when it is framed, m.
LOWEST_M = 1.2
# What an opening of a kind begins as, wide and high, m.
BEGINS: dict[str, tuple[float, float]] = {
    "swing": (0.9, 2.0),
    "way": (1.2, 2.0),
    "flap": (0.9, 0.6),
    "window": (0.6, 0.9),
    "louvre": (0.6, 0.6),
    "intake": (0.9, 0.9),
    "fan": (0.6, 0.6),
}


def _end(side: Side, job: Job) -> EndWall:
    return job.design.ends.front if side == "front" else job.design.ends.back


def shown_opening(job: Job) -> int | None:
    """Which of the shown end's openings is at hand, from 0; one more than there are is a new one; None for the door."""
    ends = job.design.ends
    if ends.at == "door":
        return None
    many = len(_end(ends.shown, job).openings)
    return min(int(ends.at) - 1, many, MOST_OPENINGS - 1)


def _at(job: Job) -> str:
    place = shown_opening(job)
    return "door" if place is None else str(place + 1)


def _middle(side: Side, job: Job) -> float:
    """Where a doorway in the middle begins, m from the left post."""
    return (job.design.size.span_m - _end(side, job).wide_m) / 2


def _what(side: Side, place: int, job: Job) -> str:
    openings = _end(side, job).openings
    return openings[place].what if place < len(openings) else "none"


def _begun(what: str, units: Units) -> dict[str, Any]:
    """A new opening, as large as its kind begins, to the inch or centimetre."""
    step_m = INCH_M if units == "feet" else 0.01
    wide_m, high_m = (round(each / step_m) * step_m for each in BEGINS[what])
    begun = {"what": what, **begin_in(Opening, units), "wide_m": wide_m, "high_m": high_m}
    return Opening.model_validate(begun).model_dump()


def _write_what(side: Side, place: int, document: Document, job: Job, what: Any) -> None:
    many = [*document["ends"][side]["openings"]]
    if place < len(many):
        if what == "none":
            del many[place]
        else:
            many[place] = {**many[place], "what": what}
    elif what != "none":
        begun = _begun(what, job.design.tape.units)
        many.append({**begun, "left_m": _room_for(side, begun, job)})
    document["ends"][side]["openings"] = many


def _room_for(side: Side, begun: dict[str, Any], job: Job) -> float | None:
    """Where a new opening finds room, m from the left post, to the inch or centimetre where that fits; None if none."""
    step_m = INCH_M if job.design.tape.units == "feet" else 0.01
    exact = _found_left(side, begun, job)
    if exact is None:
        return None
    rounded_m = round(exact / step_m) * step_m
    return rounded_m if _found_left(side, {**begun, "left_m": rounded_m}, job) is not None else exact


def _found_left(side: Side, begun: dict[str, Any], job: Job) -> float | None:
    end = _end(side, job)
    more = end.model_copy(update={"openings": (*end.openings, Opening.model_validate(begun))})
    work = _with(side, more, job)
    try:
        return next((one.left + planned_half_m(work) for one in reversed(opened(work, side))), None)
    except DesignError:
        return None


def _write_kind(side: Side, document: Document, job: Job, kind: Any) -> None:
    """An end that is framed first gets a door that fits under its bow, or none."""
    end = document["ends"][side]
    end["kind"] = kind
    # What is framed has a sheet of its own.
    if kind == "framed" and job.design.cover.made == "ask":
        document["cover"]["made"] = "apart"
    if kind != "framed":
        return
    for _ in range(2):
        error = _ails(side, EndWall.model_validate(end), job)
        if error is None:
            return
        nearest = error.troubles[0].nearest_m if error.troubles[0].path.endswith(f"{side}.high_m") else None
        if nearest is None or nearest < LOWEST_M:
            break
        step_m = job.design.tape.stride_m("small")
        end["high_m"] = math.floor(nearest / step_m + 1e-9) * step_m
    if _ails(side, EndWall.model_validate(end), job):
        end["door"] = "none"


def _ails(side: Side, end: EndWall, job: Job) -> DesignError | None:
    try:
        opened(_with(side, end, job), side)
    except DesignError as error:
        return error
    return None


def _with(side: Side, end: EndWall, job: Job) -> Work:
    """The house with another end."""
    ends = job.design.ends.model_copy(update={side: end})
    return Work(job.design.model_copy(update={"ends": ends}), job.record, default_catalogue())


def _at_options(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    """The door, the openings that there are, and one more."""
    openings = _end(job.design.ends.shown, job).openings
    words = {option.id: option.label for option in special("ends.front.openings.0.what").options(job, catalogue)}
    found = [Option(id=str(at), label=f"{at}, {words[each.what]}") for at, each in enumerate(openings, start=1)]
    if len(found) < MOST_OPENINGS:
        found.append(Option(id=str(len(found) + 1), label="one more"))
    return (Option(id="door", label="the door"), *found)


def _films(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    names = (Option(id=each.name, label=each.name) for each in catalogue.films)
    return (Option(id="", label="what is usual here"), *names)


def _of_end(side: Side) -> Iterator[Measure]:
    """The fields of one end, called by it."""
    own: dict[str, dict[str, Any]] = {
        "kind": {"write": partial(_write_kind, side)},
        "stud": {"options": board_options},
        "stud_tube": {"options": usual_or_told(f"ends.{side}.stud_tube").options},
        "leaf_tube": {"options": usual_or_told(f"ends.{side}.leaf_tube").options},
        "left_m": {"blank": partial(_middle, side)},
    }
    for name in EndWall.model_fields:
        path = f"ends.{side}.{name}"
        if name != "openings":
            words = f"{side.capitalize()}: {running(special(path).label)}"
            yield special(path, label=words, **own.get(name, {}))
    for place in range(MOST_OPENINGS):
        at = f"ends.{side}.openings.{place}"
        what = f"{side.capitalize()}: opening {place + 1}"
        yield special(
            f"{at}.what", label=what, read=partial(_what, side, place), write=partial(_write_what, side, place)
        )
        for name in ("wide_m", "high_m", "low_m", "left_m"):
            yield special(f"{at}.{name}", label=f"{what}, {running(special(f'{at}.{name}').label)}")


FIELDS = (
    special("ends.film", options=_films),
    special("ends.at", options=_at_options, read=_at),
    *(measure for side in SIDES for measure in _of_end(side)),
)
