"""Snow and wind on the bows: every basic case on a bow's outline, every combination of them, and the working."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather.combine import Combination, combinations
from obtegum.core.formulas.weather.heaps import AT_REST, heap_cases, heap_height, least_gap
from obtegum.core.formulas.weather.place import Place
from obtegum.core.formulas.weather.pressure import Case, Strip, Worked
from obtegum.core.rooms.strength.model import Model, model_of, short_model, tied_model
from obtegum.core.rooms.strength.site import place_of, porous
from obtegum.core.rooms.weather.found import method_of, overridden, stood_in

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
    """Every basic case on the bow's outline, every combination of them, and the working; ``q_pa`` is the wind's
    velocity pressure, None where pressures are given."""

    cases: tuple[Case, ...]
    combos: tuple[Combination, ...]
    sheet: tuple[Worked, ...]
    q_pa: float | None = None


@found
def weathered(work: Work) -> Weathered | None:
    """The weather on the bow next to an end, whose foot stands furthest out; None while something isn't known."""
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
    place, bay_m = place_of(work), bays_of(work).bay_m
    if place is None or not method_of(work).of_site:
        return None
    whole = _with(work, replace(place, ground_pa=ground_pa), model, (bay_m / 2, 3 * bay_m / 2))
    return replace(whole, combos=tuple(combo for combo in whole.combos if combo.calm))


@found
def otherwise_weathered(work: Work) -> Weathered | None:
    """The same weather with the other habit: doors that may stand open where they are told to be shut in a storm, and
    the other way round; None where the method knows no such habit."""
    weather, method = weathered(work), method_of(work)
    if weather is None or not method.knows_habits:
        return None
    shut, high = work.design.weather.doors != "shut", work.design.weather.altitude_m > HIGH_M
    return replace(weather, combos=combinations(method.factors, weather.cases, high, shut))


def _weathered(work: Work, model: Model, strip: Strip) -> Weathered | None:
    place = place_of(work)
    return None if place is None else _with(work, place, model, strip)


def _with(work: Work, place: Place, model: Model, strip: Strip) -> Weathered:
    method, outline, weather = method_of(work), model.fine.outline, work.design.weather
    laid = method.code.loads(place, outline, strip)
    cases, sheet = list(laid.cases), list(laid.sheet)
    if place.heaps and laid.roof_pa:
        heap_m = heap_height(laid.roof_pa, place.ground_pa, outline.span_m, place.gap_m)
        at_rest = place.own.get("slid", AT_REST)
        cases += heap_cases(outline, heap_m, at_rest)
        sheet.append(Worked("h", "slid snow at the sides", "stand-in", heap_m, "length"))
        sheet.append(Worked("k0", "slid snow pushes sideways, of its weight", "stand-in, Mellor 1975", at_rest))
        # Above the legs and where the roof is steep, slid snow would hold up what slides after it.
        below_m = max(outline.leg_m, outline.height_at_deg(STEEP_DEG))
        gap = least_gap(laid.roof_pa, place.ground_pa, outline.span_m, below_m)
        if gap is not None:
            sheet.append(Worked("g", "least gap to a house alike", "stand-in", gap, "length"))
    if method.of_site and porous(work):
        through = _through(work)
        cases = [_let_through(case, through) for case in cases]
        if through < 1:
            # However much goes through, the tubes stand in the wind.
            cases += method.code.bare(place, outline, bow_tube(work).od_m, strip[1] - strip[0])
        sheet.append(Worked("kp", "of the wind stays on the cloth", weather.open_from or "stand-in, 1 − β²", through))
    gathered = model.fine.gathered
    cases = [replace(case, per_area=gathered(case.per_area), shown=gathered(case.shown)) for case in cases]
    high, shut = weather.altitude_m > HIGH_M, weather.doors == "shut"
    combos = combinations(method.factors, cases, high, shut, place.of_strength)
    return Weathered(tuple(cases), combos, tuple(_sourced(work, sheet)), laid.q_pa)


def _through(work: Work) -> float:
    """What of the wind on a closed house stays on cloth: 1 − β² of its open share β (rule B12); all of it where it is
    wet, iced or full of leaves."""
    weather = work.design.weather
    return 1.0 if weather.cloth == "full" else 1 - weather.open_share**2


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
