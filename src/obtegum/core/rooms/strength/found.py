"""What the weather does to a bow: loads on its frame, and how much of its strength they use."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np

from obtegum.core.found import found
from obtegum.core.frame.analyse import Bow, Found, analyse
from obtegum.core.frame.steel import Strength, allowable, european
from obtegum.core.rooms.bend.found import made_bow
from obtegum.core.rooms.bows.found import tube_m
from obtegum.core.rooms.bows.tubes import bow_tube, post_tube
from obtegum.core.rooms.posts.found import embedment_m, entry_of, hands_force, play_of
from obtegum.core.rooms.posts.ways import way_of
from obtegum.core.rooms.set_out.found import bays_of
from obtegum.core.rooms.strength.model import Model, model_of, sections_of
from obtegum.core.rooms.weather.found import method_of, missing, stood_in, told
from obtegum.core.weather import asce_snow, asce_wind, en_snow, en_wind
from obtegum.core.weather.combine import Combination, combinations
from obtegum.core.weather.heaps import heap_cases, heap_height, least_gap
from obtegum.core.weather.outline import Outline
from obtegum.core.weather.pressure import Case, Worked, from_snow, from_wind
from obtegum.core.work import Work

__all__ = ["Judged", "Weathered", "bow_found", "end_found", "post_use", "sheet_of", "weathered", "why_unknown"]

# Film, clips and runs on a bow, N for each square metre of surface: dead load beside the tube's own.
COVER_N_M2 = 5.0
# An end wall's studs and film, on the end bow, N for each metre of it.
END_WALL_N_M = 40.0
HIGH_M = 1000.0
# Slope from which snow slides off whatever lies below it, degrees.
STEEP_DEG = 50.0
# Ways to stand in which soil holds a post from the side, and the moment that it makes, in shear times depth.
IN_SOIL, POLE = ("driven", "stub", "curve"), 0.26


@dataclass(frozen=True, eq=False)
class Weathered:
    """Every basic case on the bow's outline, every combination of them, and the working."""

    cases: tuple[Case, ...]
    combos: tuple[Combination, ...]
    sheet: tuple[Worked, ...]


@dataclass(frozen=True, eq=False)
class Judged:
    """A bow judged: its model, the weather, and what was found; ``refused`` where the code doesn't cover its tube."""

    model: Model
    weathered: Weathered
    found: Found | None
    refused: str = ""

    @property
    def governs(self) -> Combination:
        """The combination that uses most."""
        assert self.found is not None
        return self.weathered.combos[int(self.found.rows[self.found.worst])]

    @property
    def ratio(self) -> float:
        """Share of the limit that is used; nothing where no combination had to be looked at."""
        assert self.found is not None
        return float(self.found.ratio.max(initial=0.0))


def _us(told_: dict[str, float | str], outline: Outline, work: Work) -> tuple[list[Case], list[Worked], float]:
    slides = told_["sides"] != "blocked"
    site = asce_snow.Site(
        ground_pa=float(told_["ground_snow_pa"]),
        people=told_["use"] == "people",
        heat=told_["heat"],  # type: ignore[arg-type]
        openness=told_["openness"],  # type: ignore[arg-type]
        shelter=told_["shelter"],  # type: ignore[arg-type]
        slides=slides,
    )
    wind = asce_wind.Wind(
        speed_mps=float(told_["wind_mps"]),
        openness=told_["openness"],  # type: ignore[arg-type]
        altitude_m=work.design.weather.altitude_m,
        opens=True,
        long_m=work.design.size.length_m,
    )
    on = told_["film"] == "on"
    cases = [*(asce_snow.snow_cases(site, outline) if on else ()), *asce_wind.wind_cases(wind, outline)]
    sheet = [*asce_snow.worked(site, outline), *asce_wind.worked(wind, outline)]
    return cases, sheet, asce_snow.flat_roof_snow(site) if on else 0.0


def _eu(told_: dict[str, float | str], outline: Outline) -> tuple[list[Case], list[Worked], float]:
    site = en_snow.Site(
        ground_pa=float(told_["ground_snow_pa"]),
        shelter=told_["shelter"],  # type: ignore[arg-type]
        slides=told_["sides"] != "blocked",
    )
    wind = en_wind.Wind(float(told_["wind_mps"]), told_["openness"], True)  # type: ignore[arg-type]
    on = told_["film"] == "on"
    cases = [*(en_snow.snow_cases(site, outline) if on else ()), *en_wind.wind_cases(wind, outline)]
    return cases, [*en_snow.worked(site, outline), *en_wind.worked(wind, outline)], site.laid_pa if on else 0.0


def _given(told_: dict[str, float | str], outline: Outline) -> tuple[list[Case], list[Worked], float]:
    """Pressures that an engineer gave, as they are."""
    even, half, up, across = (float(told_[name]) for name in ("even_pa", "drift_pa", "up_pa", "across_pa"))
    roof, clause = outline.roof, "as given"
    right = np.where(roof & (outline.x > 0), half, 0.0)
    push = np.where(outline.x < 0, -across, across)
    lift = np.where(roof, up, 0.0)
    cases = [
        from_snow(outline, "even", "snow lying even", clause, np.where(roof, even, 0.0)),
        from_snow(outline, "drift-right1", "snow on the right half", clause, right),
        from_snow(outline, "drift-left1", "snow on the left half", clause, right[::-1].copy()),
        from_wind(outline, "up", "wind lifting", clause, lift),
        from_wind(outline, "left", "wind from the left", clause, push),
        from_wind(outline, "right", "wind from the right", clause, push[::-1].copy()),
    ]
    sheet = [
        Worked("s", "snow on the roof, even", clause, even, "pressure"),
        Worked("s½", "snow on one half", clause, half, "pressure"),
        Worked("w", "wind lifting", clause, up, "pressure"),
        Worked("q", "wind pushing", clause, across, "pressure"),
    ]
    return cases, sheet, even


@found
def weathered(work: Work) -> Weathered | None:
    """The weather on the bow's outline; None while something of it isn't known."""
    told_, method, outline = told(work), method_of(work), model_of(work).outline
    if told_ is None:
        return None
    if method == "us":
        cases, sheet, roof_pa = _us(told_, outline, work)
    else:
        cases, sheet, roof_pa = _eu(told_, outline) if method == "eu" else _given(told_, outline)
    if method != "given" and roof_pa and told_["sides"] in ("free", "beside"):
        gap_m = float(told_["gap_m"]) if told_["sides"] == "beside" else None
        heap_m = heap_height(roof_pa, float(told_["ground_snow_pa"]), outline.span_m, gap_m)
        cases += heap_cases(outline, heap_m)
        sheet.append(Worked("h", "slid snow at the sides", "stand-in", heap_m, "length"))
        # Above the legs and where the roof is steep, slid snow would hold up what slides after it.
        below_m = max(outline.leg_m, outline.height_at_deg(STEEP_DEG))
        gap = least_gap(roof_pa, float(told_["ground_snow_pa"]), outline.span_m, below_m)
        if gap is not None:
            sheet.append(Worked("g", "least gap to a house alike", "stand-in", gap, "length"))
    high = work.design.weather.altitude_m > HIGH_M
    return Weathered(tuple(cases), combinations(method, cases, high), tuple(_sourced(work, sheet)))


def _sourced(work: Work, sheet: list[Worked]) -> Iterator[Worked]:
    """The sheet with where each of the grower's own figures is from; made-up ones are named so."""
    weather, made_up = work.design.weather, stood_in(work)
    froms = {
        **dict.fromkeys(("pg", "sk"), ("ground_snow_pa", weather.snow_from)),
        **dict.fromkeys(("V", "vb"), ("wind_mps", weather.wind_from)),
        "s": ("even_pa", weather.given_from),
        "s½": ("drift_pa", weather.given_from),
        "w": ("up_pa", weather.given_from),
        "q": ("across_pa", weather.given_from),
    }
    for each in sheet:
        name, source = froms.get(each.symbol, ("", ""))
        if each.clause != "as given":
            yield each
        elif name in made_up:
            yield replace(each, clause="made up, not for building")
        else:
            yield replace(each, clause=source or "as given, nobody says from where")


@found
def sheet_of(work: Work) -> tuple[Worked, ...]:
    """Every value that the weather was worked out by; nothing while something of it isn't known."""
    return () if (weather := weathered(work)) is None else weather.sheet


def why_unknown(work: Work) -> str:
    """Why the strength of the bow isn't known; empty where it can be."""
    open_ = missing(work)
    if open_ and told(work) is None:
        return open_[0].words
    if any(tube.material != "steel" for tube in (bow_tube(work), post_tube(work))):
        return "The strength of plastic pipe is not reckoned yet: clear snow, prop it, or take the film off."
    if _forced(work):
        return "The bow is forced into its posts, which leaves stress that is not reckoned yet: see Posts and Bend."
    return ""


def _forced(work: Work) -> bool:
    """Whether hands work the bow into its sockets, by its shape as planned or as it comes off the former."""
    if play_of(work) is None or not way_of(work).socketed:
        return False
    entry, made = entry_of(work), made_bow(work)
    off_m = (made.span_m - work.design.size.span_m) / 2
    ways = ((entry.offset_m, entry.lean_rad), (off_m, abs(made.lean_rad)))
    return any(hands_force(work, offset_m, lean_rad) is not None for offset_m, lean_rad in ways)


@found
def bow_found(work: Work) -> Judged | None:
    """An ordinary bow: the wider of the bays beside it bears on it whole. None while something isn't known."""
    return _judged(work, bays_of(work).bay_m, 0.0)


@found
def end_found(work: Work) -> Judged | None:
    """The end bow: half a bay, and the end wall's weight. Only what could use more than an ordinary bow is solved."""
    bow = bow_found(work)
    floor = bow.ratio if bow is not None and bow.found is not None else -1.0
    return _judged(work, bays_of(work).bay_m / 2, END_WALL_N_M, floor)


@found
def post_use(work: Work) -> tuple[float, str] | None:
    """Share of a post's own bending strength that the ground asks for, and the weather; None where none stands in it.

    A rigid pole in soil that stiffens with depth, pinned at the ground line: M = 0.26·P·d.
    """
    judged, stand = bow_found(work), work.design.posts.stand
    if judged is None or judged.found is None or stand not in IN_SOIL:
        return None
    method, section = method_of(work), sections_of(work)[1]
    moment_nm = (european if method == "eu" else allowable)(section).moment_nm
    found_ = judged.found
    first = np.abs(found_.ground[:, :, 0]).max(axis=1)
    first[found_.rows] = np.maximum(first[found_.rows], np.abs(found_.feet[:, :, 0]).max(axis=1) * found_.stands)
    row = int(first.argmax())
    use = POLE * float(first[row]) * max(embedment_m(work), 0.0) / moment_nm
    return use, judged.weathered.combos[row].words


def _judged(work: Work, wide_m: float, more_n_m: float, floor: float = -1.0) -> Judged | None:
    weather = weathered(work)
    if weather is None or why_unknown(work):
        return None
    model, method, sections = model_of(work), method_of(work), sections_of(work)
    strengths = list[Strength]()
    for section in sections:
        try:
            strengths.append(european(section) if method == "eu" else allowable(section))
        except ValueError as error:
            return Judged(model, weather, None, str(error))
    own = np.where(model.which == 0, *(section.weight_n_per_m for section in sections))
    dead = np.zeros((model.frame.count, 2))
    dead[:, 1] = -(own + COVER_N_M2 * wide_m + more_n_m)
    loads = np.stack([case.per_area * wide_m for case in weather.cases])
    factors = np.zeros((len(weather.combos), 1 + len(weather.cases)))
    for row, combo in enumerate(weather.combos):
        factors[row, 0] = combo.dead
        for place, factor in combo.parts:
            factors[row, 1 + place] = factor
    bow = Bow(
        frame=model.frame,
        which=model.which,
        sections=sections,
        strengths=tuple(strengths),
        efficiency=np.where(model.jointed, work.design.strength.joint_share, 1.0),
        between_m=tube_m(work) / (work.design.strength.runs + 1),
        method="ultimate" if method == "eu" else "allowable",
    )
    found_ = analyse(bow, dead, loads, factors, [combo.calm for combo in weather.combos], floor=floor)
    if not found_.balanced:
        return Judged(model, weather, None, "the sums of forces don’t balance")
    return Judged(model, weather, found_)
