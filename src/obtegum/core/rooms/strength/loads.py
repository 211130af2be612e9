"""Snow and wind on the bows: every basic case on a bow's outline, every combination of them, and the working."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather import asce_snow, asce_wind, en_snow, en_wind
from obtegum.core.formulas.weather.combine import Combination, combinations
from obtegum.core.formulas.weather.heaps import AT_REST, heap_cases, heap_height, least_gap
from obtegum.core.formulas.weather.outline import Outline
from obtegum.core.formulas.weather.pressure import Case, Strip, Worked, from_snow, from_wind
from obtegum.core.rooms.strength.model import Model, model_of, short_model, tied_model
from obtegum.core.rooms.strength.site import eu_site, eu_wind, of_strength, porous, snow_stays, us_site, us_wind
from obtegum.core.rooms.weather.found import method_of, overridden, own_factors, stood_in, told

__all__ = [
    "Weathered",
    "end_weathered",
    "ground_snowed",
    "otherwise_weathered",
    "sheet_of",
    "short_weathered",
    "tied_weathered",
    "weathered",
]

HIGH_M = 1000.0
# Slope from which snow slides off whatever lies below it, degrees.
STEEP_DEG = 50.0
# Which line of the sheet each of the user's own coefficients stands in.
SYMBOLS = {
    "Kzt": "hill", "co": "hill", "kH": "legs", "Cp,w": "windward", "cpe,A": "windward", "Cp,c": "centre",
    "cpe,B": "centre", "Cp,l": "leeward", "cpe,C": "leeward", "Cp,a": "along", "cpe,a": "along", "GCpi,o": "opened",
    "cpi,o": "opened", "d": "drift", "mu3": "drift", "k0": "slid",
}  # fmt: skip


@dataclass(frozen=True, eq=False)
class Weathered:
    """Every basic case on the bow's outline, every combination of them, and the working."""

    cases: tuple[Case, ...]
    combos: tuple[Combination, ...]
    sheet: tuple[Worked, ...]


def _us(
    told_: dict[str, float | str], outline: Outline, strip: Strip, work: Work
) -> tuple[list[Case], list[Worked], float]:
    site, wind, on = us_site(work, told_), us_wind(work, told_), snow_stays(work, told_)
    cases = [*(asce_snow.snow_cases(site, outline) if on else ()), *asce_wind.wind_cases(wind, outline, strip)]
    sheet = [*asce_snow.worked(site, outline), *asce_wind.worked(wind, outline, strip)]
    return cases, sheet, asce_snow.flat_roof_snow(site) if on else 0.0


def _eu(
    told_: dict[str, float | str], outline: Outline, strip: Strip, work: Work
) -> tuple[list[Case], list[Worked], float]:
    site, wind, on = eu_site(work, told_), eu_wind(work, told_), snow_stays(work, told_)
    cases = [*(en_snow.snow_cases(site, outline) if on else ()), *en_wind.wind_cases(wind, outline, strip)]
    return cases, [*en_snow.worked(site, outline), *en_wind.worked(wind, outline, strip)], site.laid_pa if on else 0.0


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
    """The weather on the bow next to an end, whose foot stands furthest out; None while something isn't known."""
    if told(work) is None:
        return None
    bay_m = bays_of(work).bay_m
    return _weathered(work, model_of(work), (bay_m / 2, 3 * bay_m / 2))


@found
def short_weathered(work: Work) -> Weathered | None:
    """The same where the foot stands out least."""
    short, bay_m = short_model(work), bays_of(work).bay_m
    return _weathered(work, short, (bay_m / 2, 3 * bay_m / 2)) if short else None


@found
def tied_weathered(work: Work) -> Weathered | None:
    """The same on a bow with its tie, where not each one has it."""
    tied, bay_m = tied_model(work), bays_of(work).bay_m
    return _weathered(work, tied, (bay_m / 2, 3 * bay_m / 2)) if tied else None


@found
def end_weathered(work: Work) -> Weathered | None:
    """The weather on the end bow: the strip of half a bay at the end, where wind along the house draws most."""
    return _weathered(work, model_of(work), (0.0, bays_of(work).bay_m / 2))


def ground_snowed(work: Work, model: Model, ground_pa: float) -> Weathered | None:
    """Snow alone, in all its cases, as another snow on the ground has them; None while something isn't known, or where
    pressures are given, which say nothing of the ground."""
    told_, bay_m = told(work), bays_of(work).bay_m
    if told_ is None or method_of(work) == "given":
        return None
    whole = _with(work, {**told_, "ground_snow_pa": ground_pa}, model, (bay_m / 2, 3 * bay_m / 2))
    return replace(whole, combos=tuple(combo for combo in whole.combos if combo.calm))


@found
def otherwise_weathered(work: Work) -> Weathered | None:
    """The same weather with the other habit: doors that may stand open where they are told to be shut in a storm, and
    the other way round; None where the method knows no such habit."""
    weather = weathered(work)
    if weather is None or method_of(work) != "eu":
        return None
    shut, high = work.design.weather.doors != "shut", work.design.weather.altitude_m > HIGH_M
    return replace(weather, combos=combinations("eu", weather.cases, high, shut))


def _weathered(work: Work, model: Model, strip: Strip) -> Weathered | None:
    told_ = told(work)
    return None if told_ is None else _with(work, told_, model, strip)


def _with(work: Work, told_: dict[str, float | str], model: Model, strip: Strip) -> Weathered:
    method, outline = method_of(work), model.fine.outline
    if method == "us":
        cases, sheet, roof_pa = _us(told_, outline, strip, work)
    else:
        cases, sheet, roof_pa = _eu(told_, outline, strip, work) if method == "eu" else _given(told_, outline)
    if method != "given" and roof_pa and told_["sides"] in ("free", "beside"):
        gap_m = float(told_["gap_m"]) if told_["sides"] == "beside" else None
        heap_m = heap_height(roof_pa, float(told_["ground_snow_pa"]), outline.span_m, gap_m)
        at_rest = own_factors(work).get("slid", AT_REST)
        cases += heap_cases(outline, heap_m, at_rest)
        sheet.append(Worked("h", "slid snow at the sides", "stand-in", heap_m, "length"))
        sheet.append(Worked("k0", "slid snow pushes sideways, of its weight", "stand-in, Mellor 1975", at_rest))
        # Above the legs and where the roof is steep, slid snow would hold up what slides after it.
        below_m = max(outline.leg_m, outline.height_at_deg(STEEP_DEG))
        gap = least_gap(roof_pa, float(told_["ground_snow_pa"]), outline.span_m, below_m)
        if gap is not None:
            sheet.append(Worked("g", "least gap to a house alike", "stand-in", gap, "length"))
    if method != "given" and porous(work):
        through = _through(work)
        cases = [_let_through(case, through) for case in cases]
        if through < 1:
            # However much goes through, the tubes stand in the wind.
            cases += _bare(told_, outline, strip, work)
        source = work.design.weather.open_from or "stand-in, 1 − β²"
        sheet.append(Worked("kp", "of the wind stays on the cloth", source, through))
    gathered = model.fine.gathered
    cases = [replace(case, per_area=gathered(case.per_area), shown=gathered(case.shown)) for case in cases]
    high = work.design.weather.altitude_m > HIGH_M
    shut = work.design.weather.doors == "shut"
    return Weathered(
        tuple(cases), combinations(method, cases, high, shut, of_strength(work)), tuple(_sourced(work, sheet))
    )


def _through(work: Work) -> float:
    """What of the wind on a closed house stays on cloth: 1 − β² of its open share β (rule B12); all of it where it is
    wet, iced or full of leaves."""
    weather = work.design.weather
    return 1.0 if weather.cloth == "full" else 1 - weather.open_share**2


def _bare(told_: dict[str, float | str], outline: Outline, strip: Strip, work: Work) -> Iterator[Case]:
    """Wind on the tubes of a bow by themselves."""
    od_m, wide_m = bow_tube(work).od_m, strip[1] - strip[0]
    if method_of(work) == "us":
        return asce_wind.bare_cases(us_wind(work, told_), outline, od_m, wide_m)
    return en_wind.bare_cases(eu_wind(work, told_), outline, od_m, wide_m)


def _let_through(case: Case, share: float) -> Case:
    return replace(case, per_area=case.per_area * share, shown=case.shown * share) if case.kind == "wind" else case


def _sourced(work: Work, sheet: list[Worked]) -> Iterator[Worked]:
    """The sheet with where each of the grower's own figures is from; made-up ones are named so."""
    weather, made_up, own = work.design.weather, stood_in(work), overridden(work)
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
        if why := own.get(SYMBOLS.get(each.symbol, "")):
            yield replace(each, clause=f"your own: {why}")
        elif each.clause != "as given":
            yield each
        elif name in made_up:
            yield replace(each, clause="made up, not for building")
        else:
            told_ = source or "as given, nobody says from where"
            untold = each.symbol == "pg" and weather.snow_edition == "untold"
            yield replace(each, clause=f"{told_}; edition not told, taken as ASCE 7-16’s" if untold else told_)


@found
def sheet_of(work: Work) -> tuple[Worked, ...]:
    """Every value that the weather was worked out by; nothing while something of it isn't known."""
    return () if (weather := weathered(work)) is None else weather.sheet
