"""Plastic pipe in weather: three figures that are told together, as none of them alone says what it bears (rule B14).

What is left of the allowance beside what springing locked in; the share of yield that both come to; the even snow at
which that is half. What each resin bears stands in the catalogue; lasting loads on its slow modulus; stresses that
hardly fade in days fade to 0.4 in a season. This bench's choice: no code rates it for snow.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.documents.size import SprungPipe
from obtegum.core.drawing.verdict import NEVER
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.frame.buckling import critical_factors
from obtegum.core.formulas.frame.loads import loads_on
from obtegum.core.formulas.frame.section import Section, round_section
from obtegum.core.formulas.frame.solve import Frame, Solved, first_order
from obtegum.core.formulas.profile import Arc
from obtegum.core.formulas.weather.pressure import from_snow
from obtegum.core.rooms.strength.found import cover_n_m2, service_factors
from obtegum.core.rooms.strength.hung import hung_loads
from obtegum.core.rooms.strength.loads import Weathered, weathered
from obtegum.core.rooms.strength.model import Model, counted, model_of
from obtegum.core.values.catalogue import Resin, Tube

__all__ = ["Plastic", "SnowRating", "locked_1_m", "locked_pa", "plastic_found"]

Array = NDArray[np.float64]
# Share of yield that snow is rated by, and the most that is looked for, Pa.
RATED, MOST_PA = 0.5, 10_000.0
# So many even snows are tried at once, and between the last that is borne and the next so often again: to 0.01 Pa.
AT_ONCE, NARROWINGS = 33, 4


@dataclass(frozen=True, slots=True)
class Plastic:
    """The three figures, and what governs: use of the allowance (99 where springing leaves none), share of yield in all
    weather and in wind alone, even snow at which it is rated, Pa, and the even snow that lies there, Pa; what springing
    locks in, Pa, and whether it leaves any allowance."""

    use: float
    used_in: str
    yields: float
    yields_in: str
    wind_yields: float
    rated_pa: float
    snow_pa: float
    locked_pa: float
    left: bool

    @property
    def ratio(self) -> float:
        """What it is graded by: the snow that lies over the snow it is rated for, its yield in wind over half, or
        what it comes to of its yield in any weather, drifts too."""
        snow = self.snow_pa / self.rated_pa if self.rated_pa > 0 else NEVER if self.snow_pa > 0 else 0.0
        return min(max(snow, self.wind_yields / RATED, self.yields), NEVER)


def resin_of(work: Work, tube: Tube) -> Resin:
    """What plastic pipe is of."""
    return work.catalogue.resins[tube.resin]


def locked_pa(work: Work) -> float:
    """The largest stress that springing locks in, E·OD·κ/2, Pa, as it is by now; none in pipe that was bent hot."""
    tube = bow_tube(work)
    faded = resin_of(work, tube).faded_share if work.design.strength.season == "later" else 1.0
    return tube.elastic_pa * tube.od_m / 2 * locked_1_m(work) * faded


def locked_1_m(work: Work) -> float:
    """The tightest that springing bends the bow, 1/m; none in pipe that was bent hot."""
    shape, strength = work.design.size.shape, work.design.strength
    if isinstance(shape, SprungPipe):
        return shape.sprung(work.design.size.span_m).tightest_1_m
    if strength.plastic == "heated":
        return 0.0
    arcs = (segment for segment in centre_line(work).segments if isinstance(segment, Arc))
    return max((1 / arc.radius_m for arc in arcs), default=0.0)


def _framed(work: Work, model: Model, tube: Tube, modulus_pa: float) -> tuple[Frame, Section]:
    own = round_section(tube.od_m, tube.wall_m, tube.yield_pa, modulus_pa)
    post = counted(work, post_tube(work))
    if post_tube(work).material == "plastic":
        post = round_section(post_tube(work).od_m, post_tube(work).wall_m, post_tube(work).yield_pa, modulus_pa)
    mine = model.which == 0
    frame = Frame(
        model.frame.nodes,
        np.where(mine, own.area_m2, post.area_m2),
        np.where(mine, own.inertia_m4, post.inertia_m4),
        np.where(mine, own.elastic_pa, post.elastic_pa),
        model.frame.held,
    )
    return frame, own


def _pushed(work: Work, frame: Frame, own: Section, model: Model) -> Array:
    """(n,): what springing presses each element of the bow with, N, tension positive, as stiff as the pipe is by then.

    It bends nothing further while the pipe has its shape, but weather finds a pipe that is pressed already.
    """
    shape = work.design.size.shape
    if not isinstance(shape, SprungPipe):
        return np.zeros(frame.count)
    step = frame.nodes[1:] - frame.nodes[:-1]
    push_n = shape.sprung(work.design.size.span_m).push_per_ei * own.elastic_pa * own.inertia_m4
    along = step[:, 0] / np.hypot(step[:, 0], step[:, 1])
    return np.where(model.which == 0, -push_n * along, 0.0)


def _stress(frame: Frame, own: Section, model: Model, plain: Solved, factors: Array, pushed: Array) -> Array:
    """(c,): the largest stress in the bow's own pipe, of what each load does by itself and how much of it there is,
    second order estimated, Pa; endless where it gives way."""
    axial = np.tensordot(factors, plain.axial, axes=1)
    moment = np.abs(np.tensordot(factors, plain.moment, axes=1)).max(axis=2)
    factor = critical_factors(frame, axial + pushed)
    grows = np.where(factor > 1, 1 / np.maximum(1 - 1 / np.maximum(factor, 1 + 1e-9), 1e-9), np.inf)
    mine = model.which == 0
    stress = np.abs(axial)[:, mine] / own.area_m2 + grows[:, None] * moment[:, mine] / own.elastic_m3
    return np.asarray(stress.max(axis=1))


def _lying(work: Work, model: Model, tube: Tube, own: Section) -> Array:
    """(2, n, 2): the pipe's own weight, and what covers it and hangs from it."""
    dead, cover = np.zeros((2, model.frame.count, 2))
    dead[:, 1] = -own.area_m2 * resin_of(work, tube).weight_n_m3
    cover[:, 1] = -cover_n_m2(work) * bays_of(work).bay_m
    return np.stack([dead, cover + hung_loads(work, model, 1.0)])


def _cases(work: Work, model: Model, weather: Weathered, own: Section) -> Array:
    wide_m = bays_of(work).bay_m
    cases = [case.per_area[None] * wide_m for case in weather.cases]
    return np.concatenate([_lying(work, model, bow_tube(work), own), *cases])


@found
def plastic_found(work: Work) -> Plastic | None:
    """The three figures of an ordinary bow; None while the weather isn't known, or the bow isn't plastic."""
    weather, model = weathered(work), model_of(work)
    if weather is None or bow_tube(work).material != "plastic":
        return None
    factors = service_factors(work, weather)
    snowy = np.array(
        [any(weather.cases[place].kind != "wind" for place, _ in combo.parts) for combo in weather.combos], dtype=bool
    )
    words, locked, tube = [combo.words for combo in weather.combos], locked_pa(work), bow_tube(work)
    resin = resin_of(work, tube)
    yield_pa = tube.yield_pa * resin.warmth(work.design.strength.hot_c)
    lasting, own = _framed(work, model, tube, tube.elastic_pa * resin.lasting_share)
    short, quick = _framed(work, model, tube, tube.elastic_pa)
    loads = _cases(work, model, weather, own)
    slow, fast = (_pushed(work, *each, model) for each in ((lasting, own), (short, quick)))
    stress = np.where(
        snowy,
        _stress(lasting, own, model, first_order(lasting, loads_on(lasting, loads)), factors, slow),
        _stress(short, own, model, first_order(short, loads_on(short, loads)), factors, fast),
    )
    allowed = np.where(snowy, resin.lasting_allowed_share, resin.allowed_share) * yield_pa - locked
    use = np.where(allowed > 0, stress / np.maximum(allowed, 1.0), NEVER)
    yields = (locked + stress) / max(yield_pa, 1.0)
    most, worst = int(np.argmax(use)), int(np.argmax(yields))
    lies = [case for case in weather.cases if case.name == "even"]
    return Plastic(
        use=min(float(use[most]), NEVER),
        used_in=words[most],
        yields=min(float(yields[worst]), NEVER),
        yields_in=words[worst],
        wind_yields=min(float(yields[~snowy].max(initial=0.0)), NEVER),
        rated_pa=SnowRating(work, tube).beside_pa(locked, springs=True),
        snow_pa=max((float(case.shown.max(initial=0.0)) for case in lies), default=0.0),
        locked_pa=locked,
        left=bool((allowed > 0).all()),
    )


class SnowRating:
    """What even snow on plan pipe of this shape is rated for: what is locked in and what it bends come to half of the
    yield. Found for a pipe once, however it is brought to its shape; rounded down, to 0.01 Pa."""

    def __init__(self, work: Work, tube: Tube) -> None:
        model, resin = model_of(work), resin_of(work, tube)
        self._work, self._model, self._tube, self._faded = work, model, tube, resin.faded_share
        self._frame, self._own = _framed(work, model, tube, tube.elastic_pa * resin.lasting_share)
        self._most_pa = RATED * tube.yield_pa * resin.warmth(work.design.strength.hot_c)
        outline = model.outline
        snow = from_snow(outline, "even", "", "", np.where(outline.roof, 1.0, 0.0)).per_area * bays_of(work).bay_m
        loads = np.concatenate([_lying(work, model, tube, self._own), snow[None]])
        self._plain = first_order(self._frame, loads_on(self._frame, loads))

    def rated_pa(self, springs: bool, later: bool) -> float:
        """Of pipe that is sprung or bent hot, new or after a season, Pa."""
        bent = locked_1_m(self._work) if springs else 0.0
        faded = self._faded if later else 1.0
        return self.beside_pa(self._tube.elastic_pa * self._tube.od_m / 2 * bent * faded, springs)

    def beside_pa(self, locked: float, springs: bool) -> float:
        """Beside a stress that is locked in, Pa."""
        frame, own, model = self._frame, self._own, self._model
        pushed = _pushed(self._work, frame, own, model) if springs else np.zeros(frame.count)
        low, high = 0.0, MOST_PA
        for _ in range(NARROWINGS):
            tried = np.linspace(low, high, AT_ONCE)
            weighed = np.stack([np.ones(AT_ONCE), np.ones(AT_ONCE), tried], axis=1)
            # What can't be told is too much as well.
            too_much = ~(locked + _stress(frame, own, model, self._plain, weighed, pushed) <= self._most_pa)
            if not too_much.any():
                return high
            first = int(np.argmax(too_much))
            if first == 0:
                # With no snow at all it is too much already.
                return low
            low, high = float(tried[first - 1]), float(tried[first])
        return low
