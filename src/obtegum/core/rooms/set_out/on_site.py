"""The base on the ground: its corners and strings, the pegs, and the line of every bow."""

from collections.abc import Iterator

from obtegum.core.face.faces import SiteLine, SitePoint
from obtegum.core.findings.skeleton.bays import pegs_of, strung
from obtegum.core.findings.skeleton.levels import lie_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.how import corner_places
from obtegum.core.formulas.setout.lines import DIAGONALS

__all__ = ["on_site"]


def on_site(work: Work) -> Iterator[SitePoint | SiteLine]:
    """Pegs carry what the rod read at them."""
    corners = corner_places(*strung(work))
    # Counter-clockwise as seen from above, as a ring on a map is told.
    yield SiteLine(kind="base", name=work.design.name, path=tuple(corners[letter] for letter in "ADCBA"))
    for start, end in DIAGONALS:
        yield SiteLine(kind="diagonal", path=(corners[start.upper()], corners[end.upper()]))
    for letter, at in corners.items():
        yield SitePoint(kind="corner", name=letter, at=at)
    lie, width_m = lie_of(work), strung(work)[1]
    for peg in pegs_of(work):
        name, y = f"{peg.side}{peg.bow}", 0.0 if peg.side == "L" else width_m
        told = {"station_m": peg.station_m, "rod_m": work.record.levels.pegs.get(name)}
        height_m = lie.heights.get(name, 0.0) if lie else 0.0
        yield SitePoint(kind="peg", name=name, at=(peg.reading_m, y), height_m=height_m, told=told)
        if peg.side == "L":
            yield SiteLine(kind="bow", path=((peg.reading_m, 0.0), (peg.reading_m, width_m)))
