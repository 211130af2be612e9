"""What wind pulls on the cover's edges, on film, on a cord over it, and what its fixings were found to hold."""

from dataclasses import dataclass

from obtegum.core.documents.cover import Hold
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.pulled import allowed
from obtegum.core.rooms.cover.found import edge_up_m
from obtegum.core.rooms.cover.lines import cords_of, edges_of
from obtegum.core.rooms.ends.pulled import LOCAL, film_of, tension_n_m
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.strength.model import model_of
from obtegum.core.rooms.weather.found import method_of

__all__ = ["Pulls", "cord_n", "film_pulls", "held_at", "held_n_m", "lifted_radius_m", "pressure_pa"]

# What polyethylene bears for some years, Pa (rule B1), half of it in its last year.
FILM_BEARS_PA = 8e6


@dataclass(frozen=True, slots=True)
class Pulls:
    """What wind pulls, for each metre of an edge, N/m: at the sides, where suction lifts the film off the bows, and at
    the ends, between bows; the share of its strength that film uses."""

    side_n_m: float
    end_n_m: float
    stress_pa: float
    bears_pa: float

    @property
    def share(self) -> float:
        return self.stress_pa / self.bears_pa


@found
def pressure_pa(work: Work) -> float | None:
    """The most that wind draws outward on the roof's cover, Pa, half as much again at eaves and ends; None while the
    weather isn't known."""
    weather = weathered(work)
    if weather is None:
        return None
    out = model_of(work).outline.out
    blown = (case for case in weather.cases if case.kind == "wind" and not case.name.endswith("-bare"))
    up = [float((case.per_area * out).sum(axis=1).max()) for case in blown]
    return LOCAL * method_of(work).factors.wind * max([0.0, *up])


def lifted_radius_m(work: Work, up_m: float) -> float:
    """Of the circle through fixing lines at a height and the crown, m."""
    size, bow, half = work.design.size, centre_line(work), bow_tube(work).od_m / 2
    at = bow.at_y(up_m)[0] if up_m > 0 else 0.0
    chord, high = 2 * abs(bow.point(at)[0]) + 2 * half, size.height_m + half - up_m
    return (chord**2 / 4 + high**2) / (2 * high)


@found
def film_pulls(work: Work) -> Pulls | None:
    """What wind pulls on the cover's edges (rule B1); None while the weather isn't known.

    Lifted off the bows it hangs between its side fixings as part of a circle through both and the crown: F = p·R.
    """
    pressure, end = pressure_pa(work), tension_n_m(work)
    if pressure is None or end is None:
        return None
    side = pressure * lifted_radius_m(work, edge_up_m(work))
    # Of two layers the outer one takes the wind.
    return Pulls(side, end, max(side, end) / film_of(work).thick_m, FILM_BEARS_PA / 2)


def cord_n(work: Work) -> float | None:
    """What a cord over a bay is pulled by where all of the lift comes on it, N: p·b·R (rule B1)."""
    pressure = pressure_pa(work)
    if pressure is None or cords_of(work) is None:
        return None
    return pressure * bays_of(work).bay_m * lifted_radius_m(work, 0.0)


def held_n_m(work: Work, hold: Hold) -> float | None:
    """What a metre of a fixing was found to hold, N/m: half of the lowest of three pulls and more; else not known.

    What was pulled at the left side tells of every edge that is held alike; ends of another kind have their own pulls.
    """
    cover = work.design.cover
    if hold == cover.sides:
        pulled = (cover.pull_1_n, cover.pull_2_n, cover.pull_3_n)
    elif hold == cover.ends:
        pulled = (cover.end_pull_1_n, cover.end_pull_2_n, cover.end_pull_3_n)
    else:
        return None
    return allowed([each for each in pulled if each is not None])


def held_at(work: Work, where: str) -> float | None:
    """The least that is known of what holds the sides or the ends, N/m; None where nothing is."""
    known = [held_n_m(work, hold) for edge, hold in edges_of(work) if where in edge]
    return min((each for each in known if each is not None), default=None)


def asked_n_m(pulls: Pulls, where: str) -> float:
    """What wind asks of an edge, N/m."""
    return pulls.side_n_m if "side" in where else pulls.end_n_m
