"""What the weather does to a bow: loads on its frame, and how much of its strength they use."""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.runs import held_m
from obtegum.core.findings.skeleton.stands import plumb_m
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube, yield_untold
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.pole import pole_bent
from obtegum.core.formulas.frame.analyse import Bow, Found, analyse
from obtegum.core.formulas.frame.steel import Strength, used
from obtegum.core.formulas.weather.combine import Combination
from obtegum.core.rooms.strength.forced import forced_bow, locked_of, met_collar
from obtegum.core.rooms.strength.hung import hung_loads
from obtegum.core.rooms.strength.joints import efficiency, joint_share, post_holes
from obtegum.core.rooms.strength.loads import (
    Weathered,
    end_weathered,
    otherwise_weathered,
    short_weathered,
    tied_weathered,
    weathered,
)
from obtegum.core.rooms.strength.model import Model, counted, model_of, sections_of, short_model, tied_model
from obtegum.core.rooms.weather.found import method_of, missing, site_figures
from obtegum.core.values.physics import GRAVITY_MPS2

__all__ = [
    "END_WALL_N_M",
    "FAR",
    "Judged",
    "bow_found",
    "counted",
    "cover_n_m2",
    "end_alone",
    "end_found",
    "factors_of",
    "grown",
    "joint_share",
    "judged_on",
    "otherwise_found",
    "post_share",
    "post_use",
    "service_factors",
    "short_found",
    "surely_fails",
    "tied_found",
    "why_no_bow",
    "why_unknown",
]

Array = NDArray[np.float64]

# Film, clips and runs on a bow, N for each square metre of surface: dead load beside the tube's own.
COVER_N_M2 = 5.0
# A second layer of film of 0.2 mm, N/m².
LAYER_N_M2 = 2.0
# An end wall's studs and film, on the end bow, N for each metre of it.
END_WALL_N_M = 40.0
# Ways to stand in which soil holds a post from the side.
IN_SOIL = ("driven", "stub", "curve")
# What is left of a frame's stiffness at the least where its second order is estimated.
LEAST_LEFT = 0.05
# How many times its strength a bow is asked for, from which on no figure means anything.
FAR = 10.0


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


def why_unknown(work: Work) -> str:
    """Why the strength of the bow isn't known; empty where it can be."""
    open_ = missing(work)
    if open_ and site_figures(work) is None:
        return open_[0].words
    return why_no_bow(work)


def why_no_bow(work: Work) -> str:
    """Why nothing can be said of the bow, whatever the weather; empty where something can."""
    if any(tube.material != "steel" for tube in (bow_tube(work), post_tube(work))):
        return "What plastic pipe asks of what holds it isn’t reckoned: clear snow, prop it, or take the cover off."
    if unyielding := [tube.name for tube in (bow_tube(work), post_tube(work)) if yield_untold(work, tube)]:
        return f"How strong the steel of {unyielding[0].lower()} is, its yield, isn’t told: see Bows."
    if work.design.size.shape.kind == "sprung":
        return "What sprung steel bears isn’t reckoned: spring plastic pipe, or bend steel on a former."
    forced = forced_bow(work)
    if forced is not None and forced.share >= 1:
        return "The bow isn’t forced into its posts without bending it: see Posts and Bend."
    met = met_collar(work)
    if met is not None and met.share + (forced.share if forced is not None else 0.0) >= 1:
        return "The bow isn’t drawn in to its collar without bending it: see Braces."
    return ""


def cover_n_m2(work: Work) -> float:
    """What covers and what holds them put on each square metre of surface, N."""
    sheets = work.design.sheets
    if sheets.over_roof:
        # Sheets in place of the film that is in it; what clips and runs are of it stays.
        return COVER_N_M2 + sheets.kg_m2 * GRAVITY_MPS2
    two = work.design.weather.cover == "film" and work.design.weather.layers == "two"
    return COVER_N_M2 + (LAYER_N_M2 if two else 0.0)


@found
def bow_found(work: Work) -> Judged | None:
    """An ordinary bow: the wider of the bays beside it bears on it whole. None while something isn't known."""
    return judged_on(work, model_of(work), weathered(work), bays_of(work).bay_m)


def surely_fails(work: Work) -> bool:
    """Whether an ordinary bow buckles under less than it must bear, which its first order alone tells; never on props,
    which may hold it."""
    if work.design.strength.prop != "none":
        return False
    judged = judged_on(work, model_of(work), weathered(work), bays_of(work).bay_m, floor=math.inf)
    least = method_of(work).stability.least
    return judged is not None and judged.found is not None and bool(judged.found.factor.min() < least)


@found
def otherwise_found(work: Work) -> float | None:
    """Share of its strength that an ordinary bow uses with the other habit of its doors in storms; None where there is
    none, or nothing is known. Solved as far as it could be worse where doors may stand open."""
    weather, bow = otherwise_weathered(work), bow_found(work)
    if weather is None or bow is None or bow.found is None:
        return None
    floor = _floor(work) if work.design.weather.doors == "shut" else -1.0
    if floor == math.inf:
        return None
    judged = judged_on(work, model_of(work), weather, bays_of(work).bay_m, floor=floor)
    return None if judged is None or judged.found is None else max(judged.ratio, floor)


@found
def short_found(work: Work) -> Judged | None:
    """The same bow where its feet stand out least; None where all stand alike. Solved as far as it could be worse."""
    model = short_model(work)
    return judged_on(work, model, short_weathered(work), bays_of(work).bay_m, floor=_floor(work)) if model else None


@found
def end_found(work: Work) -> Judged | None:
    """The end bow: half a bay, and the end wall's weight. Only what could use more than an ordinary bow is solved."""
    wide_m = bays_of(work).bay_m / 2
    return judged_on(work, model_of(work), end_weathered(work), wide_m, END_WALL_N_M, _floor(work))


@found
def tied_found(work: Work) -> Judged | None:
    """A bow with its tie, where not each one has it: it bears its whole bay. None otherwise. Solved as far as it could
    be worse than one without."""
    model = tied_model(work)
    if model is None:
        return None
    return judged_on(work, model, tied_weathered(work), bays_of(work).bay_m, floor=_floor(work))


@found
def end_alone(work: Work) -> Judged | None:
    """The end bow, whatever an ordinary one uses; None while something isn't known, or where that is far too weak."""
    if _floor(work) == math.inf:
        return None
    return judged_on(work, model_of(work), end_weathered(work), bays_of(work).bay_m / 2, END_WALL_N_M)


def _floor(work: Work) -> float:
    """What an ordinary bow uses: less than that needn't be looked at; nothing more where it is far too weak."""
    bow = bow_found(work)
    ratio = bow.ratio if bow is not None and bow.found is not None else -1.0
    return math.inf if ratio >= FAR else ratio


@found
def post_use(work: Work) -> tuple[float, str] | None:
    """Share of a post's own strength that the ground asks for, and the weather; None where none stands in it.

    A rigid pole in soil that stiffens with depth, pinned at the ground line: M = 0.26·P·d, and at a hole below ground
    what there is of it over what the hole leaves, with what presses or lifts it. Soil keeps it from buckling. The foot
    that stands furthest out and the one that goes deepest.
    """
    if work.design.posts.stand not in IN_SOIL:
        return None
    found_ = [post_share(work, judged) for judged in (bow_found(work), short_found(work)) if judged and judged.found]
    return max(found_, default=None)


def grown(work: Work, found_: Found) -> Array:
    """(c,): by how much the second order could take each combination's forces further than the first; 1 where it
    gives way, which no force says anything of."""
    stability = method_of(work).stability
    left = 1 - stability.amplify / stability.soft / found_.factor
    return np.asarray(1 / np.where(left > 0, np.maximum(left, LEAST_LEFT), 1.0))


def post_share(work: Work, judged: Judged) -> tuple[float, str]:
    """Share of a post's own strength that the ground asks of it, and in which weather; 0 where none stands in soil."""
    if work.design.posts.stand not in IN_SOIL:
        return 0.0, ""
    assert judged.found is not None
    found_, section = judged.found, sections_of(work)[1]
    strength = method_of(work).strength(section)
    feet = found_.ground * grown(work, found_)[:, None, None]
    stands = found_.stands[:, None, None]
    feet[found_.rows] = np.where(stands, found_.feet, found_.ground[found_.rows])
    depth_m = max(plumb_m(work) - judged.model.out_m, 0.0)
    moment: Array = _pole(work, judged.model.out_m, depth_m) * np.abs(feet[:, :, 0]) * depth_m
    use = used(strength, section, -feet[:, :, 1], moment, np.full(len(feet), np.inf)).max(axis=1)
    row = int(use.argmax())
    return float(use[row]), judged.weathered.combos[row].words


def _pole(work: Work, out_m: float, deep_m: float) -> float:
    """The most that a pole's push bends it below ground, of push times depth, as a whole tube would be: at a hole by so
    much more as that leaves less."""
    if deep_m <= 0:
        return pole_bent()
    holes = [(below_m - out_m, left) for below_m, left in post_holes(work, deep_m) if below_m > out_m]
    return max([pole_bent(), *(pole_bent(down_m / deep_m) / left for down_m, left in holes)])


def factors_of(weather: Weathered, times: float = 1.0, dead: float | None = None, light: float = 1.0) -> Array:
    """(c, 2 + k): factors of own weight, covers and each case in each combination.

    Those of the weather are taken ``times`` what they are, but in accidents, which have no partial factor; if told,
    ``dead`` is weight's own, and ``light`` where weight holds down.
    """
    factors = np.zeros((len(weather.combos), 2 + len(weather.cases)))
    for row, combo in enumerate(weather.combos):
        own = combo.dead if dead is None else light if combo.lifts else dead
        factors[row, :2] = own, 0.0 if combo.lifts else own
        for place, factor in combo.parts:
            factors[row, 2 + place] = factor if combo.accident else times * factor
    return factors


def service_factors(work: Work, weather: Weathered, steadies: float | None = None) -> Array:
    """(c, 2 + k): the same without partial factors, as they stand beside allowable values; weight that holds down by
    what is told, else by what the code has it count in service."""
    factors = method_of(work).factors
    light = factors.steadies if steadies is None else steadies
    return factors_of(weather, 1 / factors.partial, dead=1.0, light=light)


def hung_share(work: Work) -> float:
    """How much more what hangs counts than what covers: a crop comes and goes (EN 1990: 1.5, not 1.35 as weight)."""
    factors = method_of(work).factors
    return factors.partial / factors.dead


def judged_on(
    work: Work,
    model: Model,
    weather: Weathered | None,
    wide_m: float,
    more_n_m: float = 0.0,
    floor: float = -1.0,
    more: Array | None = None,
    enough: float = FAR,
    whole: bool = False,
) -> Judged | None:
    """A bow's frame in weather, on a strip so wide, with N/m for each metre of it and (n, 2) N/m across and up that
    lie on it as its covers do, looked at until one weather uses more than ``enough`` (beyond what figures mean anything
    for), or the ``whole`` of it; None while something isn't known."""
    if weather is None or why_no_bow(work):
        return None
    method, sections = method_of(work), sections_of(work)
    strengths = list[Strength]()
    for section in sections:
        try:
            strengths.append(method.strength(section))
        except ValueError as error:
            return Judged(model, weather, None, str(error))
    dead, cover = np.zeros((2, model.frame.count, 2))
    dead[:, 1] = -np.where(model.which == 0, *(section.weight_n_per_m for section in sections))
    cover[:, 1] = -(cover_n_m2(work) * wide_m + more_n_m)
    # What hangs there lies on it as its covers do, and holds nothing down.
    cover = cover + hung_share(work) * hung_loads(work, model, wide_m / bays_of(work).bay_m)
    if more is not None:
        cover = cover + more
    loads = np.stack([cover, *(case.per_area * wide_m for case in weather.cases)])
    factors = factors_of(weather)
    bow = Bow(
        frame=model.frame,
        which=model.which,
        sections=sections,
        strengths=tuple(strengths),
        efficiency=efficiency(work, model),
        between_m=held_m(work),
        stability=method.stability,
        locked=locked_of(work, model),
    )
    calm = [combo.calm for combo in weather.combos]
    found_ = analyse(bow, dead, loads, factors, calm, whole, floor, enough)
    if not found_.balanced:
        return Judged(model, weather, None, "the sums of forces don’t balance")
    return Judged(model, weather, found_)
