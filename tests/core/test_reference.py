"""Bows worked again from the codes' pages: loads, a frame of many straight pieces and the rules of strength, all anew.

Nothing here calls a rule of the bench: of it are only the sizes of the tubes, what is asked, and the share that it
tells of each combination (the engineer's sheet). Half circles on legs, of one stick, without holes or joints.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

import numpy as np
import pytest
from numpy.typing import NDArray
from scipy.linalg import eigh

from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.runs import held_m
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.strength.engineer import checked
from tests.conftest import make_bench

Array = NDArray[np.float64]
PIECES, POST_PIECES = 84, 8
# Welded tube: 0.93 of its wall (AISC B4.2); film, clips and runs, N/m².
WALL, COVER = 0.93, 5.0
WEATHER = {
    "openness": "country", "shelter": "part", "use": "plants", "heat": "none", "film": "on", "sides": "cleared",
    "altitude_m": 0.0,
}  # fmt: skip


def bench(method: str, span_m: float, leg_m: float, snow_pa: float, wind_mps: float, tube: str, post: str) -> Work:
    return make_bench(
        bows__making="rolls", bows__tube=tube, posts__tube=post, bows__max_spacing_m=0.9, bows__stick_m=20.0,
        size__span_m=span_m, size__shape={"kind": "round_on_legs", "leg_m": leg_m}, posts__reveal_m=0.5,
        strength={"runs": 3}, braces={"bays": 2, "end": "clamp", "clamp_n": 4000.0}, tape__units="metric",
        weather={**WEATHER, "method": method, "ground_snow_pa": snow_pa, "wind_mps": wind_mps},
    )  # fmt: skip


@dataclass(frozen=True)
class Tube:
    area: float
    inertia: float
    plastic: float
    fy: float
    weight: float


def tube_of(od: float, wall: float, fy: float) -> Tube:
    wall *= WALL
    bore = od - 2 * wall
    area = math.pi / 4 * (od**2 - bore**2)
    return Tube(area, math.pi / 64 * (od**4 - bore**4), (od**3 - bore**3) / 6, fy, area * 7850 * 9.81)


@dataclass
class Reference:
    """A bow on its posts, pinned at the ground, as straight pieces; loads on each piece, N/m of it, across and up."""

    nodes: Array
    bow: Array
    tubes: list[Tube]
    elastic: float
    span_m: float
    leg_m: float
    bay_m: float
    held_m: float

    @property
    def middles(self) -> Array:
        return (self.nodes[1:] + self.nodes[:-1]) / 2

    @property
    def lengths(self) -> Array:
        return np.linalg.norm(np.diff(self.nodes, axis=0), axis=1)

    @property
    def of(self) -> dict[str, Array]:
        return {
            name: np.array([getattr(each, name) for each in self.tubes])
            for name in ("area", "inertia", "plastic", "fy", "weight")
        }

    def assembled(self, axial: Array | None, soft: float) -> Array:
        """Stiffness, with what axial forces, tension positive, bring to it (the usual cubic element)."""
        size = 3 * len(self.nodes)
        whole = np.zeros((size, size))
        for place, (length, (dx, dy)) in enumerate(zip(self.lengths, np.diff(self.nodes, axis=0), strict=True)):
            whole_place = slice(3 * place, 3 * place + 6)
            whole[whole_place, whole_place] += self.element(
                place, length, dx, dy, None if axial is None else axial[place], soft
            )
        return whole

    def element(self, place: int, length: float, dx: float, dy: float, pull: float | None, soft: float) -> Array:
        own = np.zeros((6, 6))
        ea = soft * self.elastic * self.tubes[place].area / length
        ei = soft * self.elastic * self.tubes[place].inertia / length**3
        own[np.ix_([0, 3], [0, 3])] = ea * np.array([[1, -1], [-1, 1]])
        bends = np.array(
            [[12, 6 * length, -12, 6 * length], [6 * length, 4 * length**2, -6 * length, 2 * length**2],
             [-12, -6 * length, 12, -6 * length], [6 * length, 2 * length**2, -6 * length, 4 * length**2]]
        )  # fmt: skip
        own[np.ix_([1, 2, 4, 5], [1, 2, 4, 5])] = ei * bends
        if pull is not None:
            sways = np.array(
                [[36, 3 * length, -36, 3 * length], [3 * length, 4 * length**2, -3 * length, -(length**2)],
                 [-36, -3 * length, 36, -3 * length], [3 * length, -(length**2), -3 * length, 4 * length**2]]
            )  # fmt: skip
            own[np.ix_([1, 2, 4, 5], [1, 2, 4, 5])] += pull / 30 / length * sways
        turn = np.eye(6)
        cos, sin = dx / length, dy / length
        for at in (0, 3):
            turn[at : at + 2, at : at + 2] = [[cos, sin], [-sin, cos]]
        return np.asarray(turn.T @ own @ turn)

    def solved(self, load: Array, push: Array, soft: float, second: bool) -> tuple[Array, Array]:
        """Axial forces and the larger moment of each piece under N/m (n, 2) and forces at the nodes (n + 1, 2)."""
        force = np.zeros((len(self.nodes), 3))
        half = load * self.lengths[:, None] / 2
        force[:-1, :2] += half
        force[1:, :2] += half
        force[:, :2] += push
        free = np.setdiff1d(np.arange(3 * len(self.nodes)), [0, 1, 3 * len(self.nodes) - 3, 3 * len(self.nodes) - 2])
        axial: Array | None = None
        for _ in range(60 if second else 1):
            stiff = self.assembled(axial, soft)
            moved = np.zeros(3 * len(self.nodes))
            moved[free] = np.linalg.solve(stiff[np.ix_(free, free)], force.ravel()[free])
            now, moments = self.forces(moved, axial, soft)
            if axial is not None and np.abs(now - axial).max() < 1e-4 * np.abs(now).max():
                break
            axial = now
        return now, moments

    def forces(self, moved: Array, axial: Array | None, soft: float) -> tuple[Array, Array]:
        pulls, moments = np.zeros(len(self.lengths)), np.zeros(len(self.lengths))
        for place, (length, (dx, dy)) in enumerate(zip(self.lengths, np.diff(self.nodes, axis=0), strict=True)):
            ends = moved[3 * place : 3 * place + 6]
            along = np.array([dx, dy]) / length
            pulls[place] = soft * self.elastic * self.tubes[place].area * float((ends[3:5] - ends[:2]) @ along) / length
            given = self.element(place, length, dx, dy, None if axial is None else axial[place], soft) @ ends
            moments[place] = max(abs(given[2]), abs(given[5]))
        return pulls, moments

    def buckles_at(self, axial: Array) -> float:
        """At how many times its load it buckles in its plane, first order."""
        plain, with_pull = self.assembled(None, 1.0), self.assembled(axial, 1.0)
        free = np.setdiff1d(np.arange(len(plain)), [0, 1, len(plain) - 3, len(plain) - 2])
        sways = (with_pull - plain)[np.ix_(free, free)]
        # K + λ·G has no stiffness left: the largest −1/λ of G against K.
        worst = float(eigh(sways, plain[np.ix_(free, free)], eigvals_only=True, subset_by_index=[0, 0])[0])
        return -1 / worst if worst < 0 else math.inf


def reference(work: Work, elastic: float) -> Reference:
    size, bow, post = work.design.size, bow_tube(work), post_tube(work)
    half, leg, reveal = size.span_m / 2, size.leg_m, work.design.posts.reveal_m
    lap = reveal - work.design.bows.insertion_m
    left = [(-half, y) for y in np.linspace(0.0, lap, POST_PIECES // 2 + 1)[:-1]]
    left += [(-half, y) for y in np.linspace(lap, reveal, POST_PIECES // 2 + 1)[:-1]]
    left += [(-half, y) for y in np.linspace(reveal, leg, 9)[:-1]] if leg > reveal else []
    over = [(-half * math.cos(t), leg + half * math.sin(t)) for t in np.linspace(0.0, math.pi, PIECES + 1)]
    nodes = np.array([*left, *over, *((-x, y) for x, y in reversed(left))])
    own, stands = (tube_of(each.od_m, each.wall_m, each.yield_pa) for each in (bow, post))
    stiffer = max(own, stands, key=lambda each: each.inertia)
    up = (nodes[1:, 1] + nodes[:-1, 1]) / 2
    tubes = [stands if y < lap else stiffer if y < reveal else own for y in up]
    return Reference(nodes, up >= reveal, tubes, elastic, size.span_m, leg, bays_of(work).bay_m, held_m(work))


def weights(of: Reference, own: float, cover: float) -> Array:
    down = own * of.of["weight"] + cover * COVER * of.bay_m
    return np.column_stack([np.zeros(len(down)), -down])


def snow(of: Reference, on_plan: Callable[[float], float]) -> Array:
    """N/m along each piece of snow told on plan by its place across; none on legs and posts."""
    dx = np.abs(np.diff(of.nodes[:, 0])) / of.lengths
    lies = np.array([on_plan(x) if y > of.leg_m else 0.0 for x, y in of.middles])
    return np.column_stack([np.zeros(len(dx)), -lies * dx * of.bay_m])


def blown(of: Reference, inward: Callable[[float], float]) -> Array:
    """N/m square to each piece, of pressure inward by its place across."""
    along = np.diff(of.nodes, axis=0) / of.lengths[:, None]
    into = np.column_stack([along[:, 1], -along[:, 0]])
    return into * np.array([inward(x) for x, _ in of.middles])[:, None] * of.bay_m


# ASCE 7-16 and AISC 360-16.


def us_loads(of: Reference, snow_pa: float, wind_mps: float) -> dict[str, Array]:
    half = of.span_m / 2
    exposed, cold, importance = 1.0, 1.2, 0.8
    flat = 0.7 * exposed * cold * importance * snow_pa
    at_30 = (70 - 30) / (70 - 15)
    slope = [half * math.sin(math.radians(each)) for each in (15, 30, 70)]
    rise = (of.leg_m + half) / of.span_m
    q = 0.613 * 2.01 * (4.6 / 274.32) ** (2 / 9.5) * 0.85 * wind_mps**2

    def across(inside: float) -> Callable[[float], float]:
        def at(x: float) -> float:
            factor = 1.4 * rise if x < -of.span_m / 4 else -0.5 if x > of.span_m / 4 else -0.7 - rise
            return q * (0.85 * factor - inside)

        return at

    def even(x: float) -> float:
        return float(np.interp(abs(x), [0, *slope, half], [flat, flat, flat * at_30, 0, 0]))

    def drifted(x: float) -> float:
        lee = [flat / 2, 2 / exposed * flat * at_30, 0, 0]
        return float(np.interp(x, [0, slope[1], slope[2], half], lee)) if x > 0 else 0.0

    return {
        "snow lying even": snow(of, even),
        "snow drifted to the right": snow(of, drifted),
        "wind from the left, doors shut, air pressing out": blown(of, across(0.18)),
        "wind from the left, doors shut, air drawn in": blown(of, across(-0.18)),
    }


def us_use(of: Reference, load: Array, calm: bool) -> float:
    plain, _ = of.solved(load, np.zeros((len(of.nodes), 2)), 1.0, False)
    pressed = max(-plain.min(), 0.0)
    buckles = of.buckles_at(plain) * pressed if pressed > 0 else math.inf
    down = -np.minimum(load[:, 1], 0.0) * of.lengths
    at_nodes = np.zeros((len(of.nodes), 2))
    at_nodes[:-1, 0] += 0.002 * down / 2
    at_nodes[1:, 0] += 0.002 * down / 2
    worst = 0.0
    for sign in (1.0, -1.0) if calm else (0.0,):
        axial, moment = of.solved(1.6 * load, 1.6 * sign * at_nodes, 0.8, True)
        axial, moment = axial / 1.6, moment / 1.6
        for pull, bent, tube in zip(axial, moment, of.tubes, strict=True):
            fe = min(buckles, math.pi**2 * of.elastic * tube.inertia / of.held_m**2) / tube.area
            share = tube.fy / fe
            critical = 0.658**share * tube.fy if share <= 2.25 else 0.877 * fe
            takes = tube.fy * tube.area / 1.67 if pull > 0 else critical * tube.area / 1.67
            force, by_bending = abs(pull) / takes, bent / (tube.fy * tube.plastic / 1.67)
            worst = max(worst, force + 8 / 9 * by_bending if force >= 0.2 else force / 2 + by_bending)
    return worst


# EN 1991-1-3, EN 1990 and EN 1993-1-1.


def eu_loads(of: Reference, snow_pa: float) -> dict[str, Array]:
    half, rise = of.span_m / 2, of.span_m / 2
    # As far as the roof is no steeper than 60°.
    lies = half * math.sin(math.radians(60))
    drifted = min(0.2 + 10 * rise / of.span_m, 2.0)

    def triangle(x: float) -> float:
        share = max(1 - abs(abs(x) - lies / 2) / (lies / 2), 0.0)
        return snow_pa * drifted * share * (1.0 if x > 0 else 0.5)

    return {
        "snow lying even": snow(of, lambda x: 0.8 * snow_pa if abs(x) <= lies else 0.0),
        "snow drifted to the right": snow(of, triangle),
    }


def eu_use(of: Reference, load: Array) -> float:
    plain, _ = of.solved(load, np.zeros((len(of.nodes), 2)), 1.0, False)
    pressed = max(-plain.min(), 0.0)
    buckles = of.buckles_at(plain) * pressed
    down = -np.minimum(load[:, 1], 0.0) * of.lengths
    at_nodes = np.zeros((len(of.nodes), 2))
    at_nodes[:-1, 0] += down / 400
    at_nodes[1:, 0] += down / 400
    worst = 0.0
    for sign in (1.0, -1.0):
        axial, moment = of.solved(load, sign * at_nodes, 1.0, True)
        for pull, bent, tube in zip(axial, moment, of.tubes, strict=True):
            critical = min(buckles, math.pi**2 * of.elastic * tube.inertia / of.held_m**2)
            slender = math.sqrt(tube.fy * tube.area / critical)
            phi = 0.5 * (1 + 0.49 * (slender - 0.2) + slender**2)
            chi = min(1 / (phi + math.sqrt(phi**2 - slender**2)), 1.0)
            takes = tube.fy * tube.area * (1.0 if pull > 0 else chi)
            worst = max(worst, abs(pull) / takes + bent / (tube.fy * tube.plastic))
    return worst


HOUSES: list[tuple[float, float, float, float, str, str]] = [
    (4.0, 0.6, 500.0, 30.0, "water-1-1-2", "post-2-3-8"),
    (5.4, 0.7, 900.0, 34.0, "round-48.3", "round-60.3"),
    (6.6, 0.5, 700.0, 28.0, "round-60.3", "round-76.1"),
]


def pytest_generate_tests(metafunc: pytest.Metafunc) -> None:
    if "house" in metafunc.fixturenames:
        metafunc.parametrize("house", HOUSES if metafunc.config.getoption("--deep") else HOUSES[1:2])


def told(work: Work) -> dict[tuple[str, str], float]:
    return {(each.combo.name, each.combo.words): each.use for each in checked(work) if each.stands}


def test_a_bow_by_the_american_pages(house: tuple[Any, ...]) -> None:
    work = bench("us", *house)
    of, says, seen = reference(work, 200e9), told(work), 0
    loads = us_loads(of, house[2], house[3])
    dead, light = weights(of, 1.0, 1.0), weights(of, 0.6, 0.0)
    for words, load in loads.items():
        wind = "wind" in words
        for name, combined in {
            ("D+W" if wind else "D+S"): dead + (0.6 if wind else 1.0) * load,
            "less D+W": light + 0.6 * load,
        }.items():
            if (name, words) in says:
                assert says[name, words] == pytest.approx(us_use(of, combined, not wind), rel=0.01), (name, words)
                seen += 1
    both = (
        dead + 0.75 * loads["snow drifted to the right"] + 0.45 * loads["wind from the left, doors shut, air drawn in"]
    )
    words = "snow drifted to the right, wind from the left, doors shut, air drawn in"
    assert says["D+S+W", words] == pytest.approx(us_use(of, both, False), rel=0.01)
    assert seen >= 6


def test_a_bow_by_the_european_pages(house: tuple[Any, ...]) -> None:
    work = bench("eu", *house)
    of, says = reference(work, 210e9), told(work)
    for words, load in eu_loads(of, house[2]).items():
        use = eu_use(of, weights(of, 1.35, 1.35) + 1.5 * load)
        assert says["D+S", words] == pytest.approx(use, rel=0.01), words
