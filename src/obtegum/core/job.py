"""A house as decided together with what was done and found on site."""

from collections.abc import Mapping
from typing import Any, NamedTuple

from pydantic import ValidationError

from obtegum.core.design import HouseDesign, troubles_of
from obtegum.core.quantity import Tape, length_text
from obtegum.core.record import SiteRecord
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["Job", "check_site", "read_record"]


class Job(NamedTuple):
    """What a plan is made from."""

    design: HouseDesign
    record: SiteRecord = SiteRecord()


def read_record(data: Mapping[str, Any], tape: Tape) -> SiteRecord:
    """Check a site record from outside. Raises: DesignError with a sentence for each fault."""
    try:
        return SiteRecord.model_validate(data)
    except ValidationError as error:
        entries = [{**entry, "loc": ("record", *entry["loc"])} for entry in error.errors(include_url=False)]
        raise DesignError(troubles_of(entries, tape)) from None


def check_site(job: Job) -> None:
    """Readings that the tools of this house can't have shown. Raises: DesignError."""
    levels, rod_m = job.record.levels, job.design.level.rod_m
    past = [(f"record.levels.pegs.{name}", reading) for name, reading in levels.pegs.items()]
    past += [("record.levels.closing_m", levels.closing_m or 0.0)]
    past += [("record.levels.spots", spot.reading_m) for spot in levels.spots.values()]
    path, reading_m = max(past, key=lambda each: each[1])
    if reading_m > rod_m + 1e-9:
        shown, rod = length_text(reading_m, job.design.tape), length_text(rod_m, job.design.tape)
        sentence = f"{shown} is past the end of the {rod} rod."
        raise DesignError([Trouble(path=path, sentence=sentence, nearest_m=rod_m, nearest=rod)])
