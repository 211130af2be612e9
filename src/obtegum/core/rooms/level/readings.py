"""Rod readings that the tools of a house can't have shown."""

from collections.abc import Iterator

from obtegum.core.documents.job import Job
from obtegum.core.rooms.level.words import past_rod
from obtegum.core.values.quantity import length_text
from obtegum.core.values.trouble import Trouble

__all__ = ["past_the_rod"]


def past_the_rod(job: Job) -> Iterator[Trouble]:
    """The furthest reading that the rod of this house can't have shown."""
    levels, rod_m, tape = job.record.levels, job.design.level.rod_m, job.design.tape
    past = [(f"record.levels.pegs.{name}", reading) for name, reading in levels.pegs.items()]
    past += [("record.levels.closing_m", levels.closing_m or 0.0)]
    past += [("record.levels.spots", spot.reading_m) for spot in levels.spots.values()]
    path, reading_m = max(past, key=lambda each: each[1])
    if reading_m > rod_m + 1e-9:
        shown, rod = length_text(reading_m, tape), length_text(rod_m, tape)
        yield Trouble(path=path, sentence=f"{past_rod(shown, rod)}.", nearest_m=rod_m, nearest=rod)
