"""The place as codes of snow and wind want it, and where along a bow its loads step or bend."""

import numpy as np

from obtegum.core.documents.ends import Side
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.openings import opened
from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather.outline import Outline, outline_of
from obtegum.core.formulas.weather.place import Opening, Place
from obtegum.core.rooms.weather.found import method_of, own_factors, site_figures

__all__ = ["STRAIGHT", "drawn_in", "load_breaks", "of_strength", "openings_of", "outlined", "place_of", "porous"]

STRAIGHT = ("peaked", "kneed")
ENDS: tuple[Side, ...] = ("front", "back")
# Pressures that an engineer gave: what they are of, and as the weather's decisions name them.
GIVEN = (("even", "even"), ("half", "drift"), ("up", "up"), ("across", "across"))
# Pieces that a bow is cut in to find where its loads break.
LOOKED = 240


def porous(work: Work) -> bool:
    """Whether wind goes through what is over the roof."""
    return work.design.weather.cover == "cloth" and not work.design.sheets.over_roof


def of_strength(work: Work) -> bool:
    """Whether the ground's snow is a figure of ASCE 7-22, which is of strength."""
    return "snow_edition" in method_of(work).asks and work.design.weather.snow_edition == "7-22"


@found
def place_of(work: Work) -> Place | None:
    """The place and how the house stands in it, as any code wants to know it; None while something of it is open."""
    figures, weather, method = site_figures(work), work.design.weather, method_of(work)
    if figures is None:
        return None
    if not method.of_site:
        return Place(**{f"{kind}_pa": figures[f"{name}_pa"] for kind, name in GIVEN})
    return Place(
        ground_pa=float(figures["ground_snow_pa"]),
        speed_mps=float(figures["wind_mps"]),
        openness=figures["openness"],
        shelter=figures["shelter"],
        people=figures.get("use") == "people",
        heat=figures.get("heat", "none"),
        of_strength=of_strength(work),
        # Film stays on in winter, or there are rigid sheets, which nobody takes off.
        lies=figures["film"] == "on" or work.design.sheets.over_roof,
        slides=figures["sides"] != "blocked" and not porous(work),
        heaps=figures["sides"] in ("free", "beside"),
        gap_m=float(figures["gap_m"]) if figures["sides"] == "beside" else None,
        altitude_m=weather.altitude_m,
        long_m=work.design.size.length_m,
        openings=openings_of(work) if method.by_opening else (),
        own=own_factors(work),
    )


@found
def openings_of(work: Work) -> tuple[Opening, ...]:
    """What may stand open in wind: each doorway of an end; all of an end that has none, as it is left open or torn;
    each side whose film rolls up."""
    half, found_ = work.design.size.span_m / 2, list[Opening]()
    for side in ENDS:
        doors = [each for each in opened(work, side) if each.walked]
        found_ += [Opening(side, each.left + half, each.right + half, "end") for each in doors]
        if not doors:
            found_.append(Opening(side, 0.0, 2 * half, "end"))
    if work.design.boards.hip == "board" and work.design.cover.edge == "hip":
        found_ += [Opening(side, 0.0, work.design.size.length_m, "side") for side in ("left", "right")]
    return tuple(found_)


def outlined(work: Work, nodes: "np.ndarray[tuple[int, int], np.dtype[np.float64]]") -> Outline:
    """The bow's outline on a line of nodes (n + 1, 2), m."""
    size = work.design.size
    shape = size.shape
    # Two curves that meet at a ridge.
    ridged = shape.kind == "gothic" or (shape.kind == "sprung" and shape.ridge == "elbow")
    return outline_of(nodes, size.span_m, size.leg_m, size.height_m, shape.kind in STRAIGHT, ridged)


@found
def _looked(work: Work) -> Outline:
    """The bow's outline, as finely as its breaks are looked for."""
    bow = centre_line(work)
    return outlined(work, bow.points(np.linspace(0.0, bow.girth_m, LOOKED + 1)))


@found
def load_breaks(work: Work) -> tuple[float, ...]:
    """Where along the bow any load on it steps or bends, m of girth: the spring line, quarters of the span, points of
    its slope that a code names, how far a drift reaches. Both sides of it."""
    bow, leg_m, place = centre_line(work), work.design.size.leg_m, place_of(work)
    out = [0.0] if place is None else method_of(work).code.breaks(place, _looked(work))
    places = [s_m for x in out for s_m in bow.at_x(x) if bow.point(s_m)[1] >= leg_m - 1e-9]
    return tuple(sorted({min(s_m, bow.girth_m - s_m) for s_m in [*places, *bow.at_y(leg_m)]}))


def drawn_in(work: Work) -> float:
    """The most that air is drawn out of the house in wind along it, as a share of its pressure, by the method's code;
    0 while the place isn't known."""
    place = place_of(work)
    return 0.0 if place is None else method_of(work).code.drawn_in(place, _looked(work))
