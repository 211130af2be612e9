"""What was done and found on site: `SiteRecord`, kept beside the design."""

from typing import Annotated

from pydantic import Field

from obtegum.core.part import Part

__all__ = ["TICK", "SiteRecord"]

# A peg or post, by side and bow.
TICK = "^(peg|post):([LR])([1-9][0-9]{0,3})$"


Tick = Annotated[str, Field(pattern=TICK)]
Reading = Annotated[float, Field(ge=0, le=400)]


class SiteRecord(Part):
    """Pegs set and posts driven, each with the running reading it was set at, m.

    The reading is kept so that a change of the house afterwards shows which ones no longer stand
    where they should.
    """

    set_at_m: dict[Tick, Reading] = Field(default_factory=dict, max_length=6000)

    def with_set(self, part: str, reading_m: float | None) -> "SiteRecord":
        """A record with ``part`` set at a reading, or taken back when that is None."""
        kept = {name: at for name, at in self.set_at_m.items() if name != part}
        return SiteRecord(set_at_m=kept if reading_m is None else {**kept, part: reading_m})
