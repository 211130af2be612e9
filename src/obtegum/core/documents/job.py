"""A house as decided together with what was done and found on site."""

from typing import NamedTuple

from obtegum.core.documents.house import HouseDesign, SiteRecord

__all__ = ["Job"]


class Job(NamedTuple):
    """What a plan is made from."""

    design: HouseDesign
    record: SiteRecord = SiteRecord()
