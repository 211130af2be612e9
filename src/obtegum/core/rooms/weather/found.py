"""What the weather at the place comes to: the figures that are there, and the one question that is open."""

from dataclasses import dataclass, fields
from typing import Any

from obtegum.core.findings.kept import found
from obtegum.core.findings.work import Work
from obtegum.core.formulas.method import METHODS, USUAL, Method
from obtegum.core.formulas.weather.own import Own

__all__ = [
    "OPEN",
    "OWN",
    "Asked",
    "asks_of",
    "method_of",
    "missing",
    "overridden",
    "own_factors",
    "site_figures",
    "stood_in",
]

# Coefficients that can be a user's own.
OWN = tuple(each.name for each in fields(Own))


@found
def method_of(work: Work) -> Method:
    """The method in use: that of the house's units unless another was chosen."""
    return METHODS.get(work.design.weather.method) or USUAL[work.design.tape.units]


@dataclass(frozen=True, slots=True)
class Asked:
    """A question that is open: the measure that answers it, and its words."""

    measure: str
    words: str


QUESTIONS: tuple[Asked, ...] = (
    Asked("ground_snow_pa", "How much snow does your local figure put on the ground?"),
    Asked("wind_mps", "What wind does your local figure give?"),
    Asked("openness", "How open is the country round the house?"),
    Asked("shelter", "Does wind blow the snow off at this spot?"),
    Asked("use", "Are plants or people inside?"),
    Asked("heat", "Is the house heated in winter?"),
    Asked("film", "Does the film stay on in winter?"),
    Asked("sides", "Is there room at the sides for snow that slides off?"),
    Asked("gap_m", "How far is the next house?"),
    Asked("even_pa", "What snow on the roof, even, did the engineer give?"),
    Asked("drift_pa", "What snow on one half did the engineer give?"),
    Asked("up_pa", "What lift by wind did the engineer give?"),
    Asked("across_pa", "What push of the wind did the engineer give?"),
)
# Figures to play with: an open plain with a hard winter. Made up; no place is meant.
PLAIN: dict[str, float | str] = {
    "ground_snow_pa": 1400.0,
    "openness": "country",
    "shelter": "part",
    "use": "plants",
    "heat": "none",
    "film": "on",
    "sides": "free",
    "gap_m": 3.0,
    "even_pa": 900.0,
    "drift_pa": 1400.0,
    "up_pa": 900.0,
    "across_pa": 700.0,
}
OPEN = "ask"


def asks_of(work: Work) -> tuple[str, ...]:
    """Figures that the method asks for, by name; the gap only where there is a house beside."""
    beside = work.design.weather.sides == "beside"
    return tuple(name for name in method_of(work).asks if name != "gap_m" or beside)


def _asked(work: Work) -> tuple[Asked, ...]:
    asks = asks_of(work)
    return tuple(each for each in QUESTIONS if each.measure in asks)


@found
def missing(work: Work) -> tuple[Asked, ...]:
    """What nobody told yet, in the order in which it is asked."""
    weather = work.design.weather
    return tuple(each for each in _asked(work) if getattr(weather, each.measure) in (None, OPEN))


@found
def stood_in(work: Work) -> tuple[str, ...]:
    """The figures that are made up, in place of ones that are missing."""
    return tuple(each.measure for each in missing(work)) if work.design.weather.stand_in == "plain" else ()


@found
def site_figures(work: Work) -> dict[str, Any] | None:
    """Every figure that the method asks for, SI; None while one of them is open and nothing stands in for it."""
    if missing(work) and work.design.weather.stand_in == "none":
        return None
    weather, open_ = work.design.weather, {each.measure for each in missing(work)}
    plain = {**PLAIN, "wind_mps": method_of(work).plain_wind_mps}
    names = (each.measure for each in _asked(work))
    return {name: plain[name] if name in open_ else getattr(weather, name) for name in names}


@found
def own_factors(work: Work) -> Own:
    """The user's own coefficients."""
    own = work.design.weather.own
    return Own(**{name: getattr(own, name) for name in OWN})


@found
def overridden(work: Work) -> dict[str, str]:
    """Coefficients that are the user's own, by name, each with its reason; none beside an engineer's pressures."""
    own = work.design.weather.own
    names = OWN if method_of(work).of_site else ()
    return {name: getattr(own, f"{name}_why") or "nobody says why" for name in names if getattr(own, name) is not None}
