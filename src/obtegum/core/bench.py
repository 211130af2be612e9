"""Laying a house on the bench."""

from obtegum.core.catalogue import Catalogue
from obtegum.core.room import rooms
from obtegum.core.rooms import HouseDesign, SiteRecord
from obtegum.core.work import Work

__all__ = ["begin"]


def begin(design: HouseDesign, record: SiteRecord, catalogue: Catalogue, before: Work | None = None) -> Work:
    """Lay the house on the bench, beside what was found of it (or of another) before.

    Raises: DesignError when its parts can't make a house at all, as the first room that can't do without says.
    """
    work = before.changed(design, record) if before else Work(design, record, catalogue)
    for room in rooms():
        room.must(work)
    return work
