"""Laying a house on the bench."""

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.findings.work import Work
from obtegum.core.rooms import rooms
from obtegum.core.values.catalogue import Catalogue

__all__ = ["begin"]


def begin(design: HouseDesign, record: SiteRecord, catalogue: Catalogue, before: Work | None = None) -> Work:
    """Lay the house on the bench, beside what was found of it (or of another) before.

    Raises: DesignError when its parts can't make a house at all, as the first room that can't do without says.
    """
    work = before.changed(design, record) if before else Work(design, record, catalogue)
    for room in rooms():
        room.requires(work)
    return work
