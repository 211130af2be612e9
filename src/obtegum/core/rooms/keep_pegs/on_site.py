"""The offset pegs on the ground."""

from collections.abc import Iterator

from obtegum.core.face.faces import SitePoint
from obtegum.core.findings.skeleton.bays import strung
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.offsets import offset_pegs

__all__ = ["on_site"]


def on_site(work: Work) -> Iterator[SitePoint]:
    """Two beyond each corner."""
    for kept in offset_pegs(*strung(work), work.design.keep.offset_m):
        yield SitePoint(kind="offset peg", name=kept.name, at=kept.at)
