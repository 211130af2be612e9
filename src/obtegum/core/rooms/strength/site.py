"""The site as each method's snow and wind want it, and where along a bow its loads step or bend."""

import numpy as np

from obtegum.core.documents.ends import Side
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.openings import opened
from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather import asce_snow, asce_wind, en_snow, en_wind
from obtegum.core.formulas.weather.en_wind import Opening
from obtegum.core.formulas.weather.outline import Outline, outline_of
from obtegum.core.rooms.weather.found import method_of, own_factors, told

__all__ = [
    "STRAIGHT",
    "drawn_in",
    "eu_site",
    "eu_wind",
    "load_breaks",
    "of_strength",
    "openings_of",
    "outlined",
    "porous",
    "snow_stays",
    "us_site",
    "us_wind",
]

Figures = dict[str, float | str]
STRAIGHT = ("peaked", "kneed")
ENDS: tuple[Side, ...] = ("front", "back")
# Pieces that a bow is cut in to find where its loads break.
LOOKED = 240


def porous(work: Work) -> bool:
    """Whether wind goes through what is over the roof."""
    return work.design.weather.cover == "cloth" and not work.design.sheets.over_roof


def snow_stays(work: Work, figures: Figures) -> bool:
    """Whether snow finds a roof: film stays on in winter, or rigid sheets, which nobody takes off."""
    return figures["film"] == "on" or work.design.sheets.over_roof


def us_site(work: Work, figures: Figures) -> asce_snow.Site:
    """What snow by ASCE 7 wants to know."""
    return asce_snow.Site(
        ground_pa=float(figures["ground_snow_pa"]),
        people=figures["use"] == "people",
        heat=figures["heat"],  # type: ignore[arg-type]
        openness=figures["openness"],  # type: ignore[arg-type]
        shelter=figures["shelter"],  # type: ignore[arg-type]
        slides=figures["sides"] != "blocked" and not porous(work),
        own=own_factors(work),
        of_strength=of_strength(work),
    )


def of_strength(work: Work) -> bool:
    """Whether the ground's snow is a figure of ASCE 7-22, which is of strength."""
    return method_of(work) == "us" and work.design.weather.snow_edition == "7-22"


def us_wind(work: Work, figures: Figures) -> asce_wind.Wind:
    """What wind by ASCE 7 wants to know."""
    return asce_wind.Wind(
        speed_mps=float(figures["wind_mps"]),
        openness=figures["openness"],  # type: ignore[arg-type]
        altitude_m=work.design.weather.altitude_m,
        opens=True,
        long_m=work.design.size.length_m,
        own=own_factors(work),
    )


def eu_site(work: Work, figures: Figures) -> en_snow.Site:
    """What snow by EN 1991-1-3 wants to know."""
    return en_snow.Site(
        ground_pa=float(figures["ground_snow_pa"]),
        shelter=figures["shelter"],  # type: ignore[arg-type]
        slides=figures["sides"] != "blocked" and not porous(work),
        own=own_factors(work),
    )


def eu_wind(work: Work, figures: Figures) -> en_wind.Wind:
    """What wind by EN 1991-1-4 wants to know."""
    return en_wind.Wind(
        speed_mps=float(figures["wind_mps"]),
        openness=figures["openness"],  # type: ignore[arg-type]
        openings=openings_of(work),
        long_m=work.design.size.length_m,
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
def load_breaks(work: Work) -> tuple[float, ...]:
    """Where along the bow any load on it steps or bends, m of girth: the spring line, quarters of the span, points of
    its slope that a code names, how far a drift reaches. Both sides of it."""
    bow, leg_m = centre_line(work), work.design.size.leg_m
    outline = outlined(work, bow.points(np.linspace(0.0, bow.girth_m, LOOKED + 1)))
    figures, method, out = told(work), method_of(work), [0.0]
    if figures is not None and method == "us":
        out = asce_snow.breaks(us_site(work, figures), outline) + asce_wind.breaks(outline)
    elif figures is not None and method == "eu":
        out = en_snow.breaks(outline) + en_wind.breaks(outline)
    places = [s_m for x in out for s_m in bow.at_x(x) if bow.point(s_m)[1] >= leg_m - 1e-9]
    return tuple(sorted({min(s_m, bow.girth_m - s_m) for s_m in [*places, *bow.at_y(leg_m)]}))


def drawn_in(work: Work) -> float:
    """The most that air is drawn out of the house in wind along it, cpi of EN 1991-1-4, 7.2.9: shut, or with something
    open that isn't in the windward end."""
    figures = told(work)
    if figures is None:
        return en_wind.DRAWN_IN
    wind = eu_wind(work, figures)
    looked = outlined(work, centre_line(work).points(np.linspace(0.0, centre_line(work).girth_m, LOOKED + 1)))
    opened_ = [cpi for first in ENDS for cpi, _ in en_wind.inside(wind, looked, first)]
    return min(en_wind.DRAWN_IN, *opened_)
