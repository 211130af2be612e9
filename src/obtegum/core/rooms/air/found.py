"""What a night takes of heat, what opens for air, and how hot a still, sunny day makes it (rule B21).

Steady loss Q = (Σ U·A + 0.33·N·V + F·perimeter)·ΔT by ASABE EP406 as usually quoted; no correction of wind and sky but
a fifth more where told. By day sun in = sun's heat let in − what the cover loses, carried off by air: V̇·1200·ΔT.
"""

import math
from dataclasses import dataclass

from obtegum.core.found import found
from obtegum.core.rooms.boards.found import opens_m
from obtegum.core.rooms.bows.tubes import bow_tube
from obtegum.core.rooms.cover.found import rim_m
from obtegum.core.rooms.ends.air import air_of, end_area_m2
from obtegum.core.rooms.ends.decisions import SIDES
from obtegum.core.rooms.size.found import centre_line
from obtegum.core.work import Work

__all__ = ["Heat", "Opens", "heat_of", "moved_m3_s", "opens_of", "still_k", "sun_w"]

# W/m²K through one film and two with air between; what a drawn screen leaves of it; W/m³K of a change of air an hour;
# W/mK along the ground, bare and insulated (EP406 as usually quoted).
ONE, TWO, SCREENED, CHANGE, BARE, INSULATED = 6.8, 4.0, 0.65, 0.33, 1.38, 0.69
WINDY = 1.2
# Sun on the floor, W/m², what film lets in, and what a watered crop turns into vapour of it (rule B21).
SUN_W_M2, LET_IN, VAPOUR = 900.0, 0.7, 0.5
AIR_J_M3K, GRAVITY, KELVIN = 1200.0, 9.80665, 300.0
# What wind drives of an opening's area slanting at it; a still day through openings of one height (ASHRAE).
SLANTING, STILL = 0.3, 0.6 / 3
HOTTEST_K, HALVINGS = 60.0, 50


@dataclass(frozen=True, slots=True)
class Heat:
    """What the night takes, W: through the cover over the roof and sides, the ends, with the air, along the ground."""

    cover_w: float
    ends_w: float
    air_w: float
    ground_w: float

    @property
    def all_w(self) -> float:
        return self.cover_w + self.ends_w + self.air_w + self.ground_w


def _through(work: Work) -> float:
    two = work.design.weather.cover == "film" and work.design.weather.layers == "two"
    return TWO if two else ONE


def _areas(work: Work) -> tuple[float, float]:
    """Cover over roof and sides, and both ends, m²."""
    long_m = work.design.size.length_m + bow_tube(work).od_m
    return rim_m(work) * long_m, sum(end_area_m2(work, side) for side in SIDES)


@found
def heat_of(work: Work) -> Heat | None:
    """The steady loss of the coldest night; None while that, or how warm it is kept, isn't told, or under cloth."""
    told, size = work.design.air, work.design.size
    if told.cold_c is None or told.warm_c is None or work.design.weather.cover == "cloth":
        return None
    apart = (told.warm_c - told.cold_c) * (WINDY if told.place == "windy" else 1.0)
    through = _through(work) * (SCREENED if told.screen == "drawn" else 1.0)
    cover, ends = _areas(work)
    volume = centre_line(work).under_m2 * size.length_m
    around = 2 * (size.span_m + size.length_m)
    along = INSULATED if told.edge == "insulated" else BARE
    return Heat(
        cover_w=through * cover * apart,
        ends_w=through * ends * apart,
        air_w=CHANGE * told.changes * volume * apart,
        ground_w=along * around * apart,
    )


@dataclass(frozen=True, slots=True)
class Opens:
    """What opens, free of mesh, m²: both sides and both ends; how high, m; the floor, m²."""

    sides_m2: float
    ends_m2: float
    high_m: float
    floor_m2: float

    @property
    def free_m2(self) -> float:
        return self.sides_m2 + self.ends_m2

    @property
    def share(self) -> float:
        """Of the floor."""
        return self.free_m2 / self.floor_m2


@found
def opens_of(work: Work) -> Opens:
    """Sides that roll up between base and hip board, and what the ends have, through the mesh."""
    told, size, cover = work.design.air, work.design.size, work.design.cover
    through = 1.0 if told.mesh_share is None else told.mesh_share
    rolls = work.design.boards.hip == "board" and cover.edge == "hip" and cover.made != "ask"
    high = max(opens_m(work), 0.0) if rolls else 0.0
    ends = air_of(work)
    return Opens(
        sides_m2=2 * high * size.length_m * through,
        ends_m2=sum(ends.free_m2.values()) * through,
        high_m=high or min(size.height_m / 2, 1.8),
        floor_m2=ends.floor_m2,
    )


def sun_w(work: Work, hotter_k: float) -> float:
    """What sun brings that air has to carry off, W, with the house so much hotter than outside."""
    told = work.design.air
    let_in = LET_IN * SUN_W_M2 * (1 - told.shade_share) * (1 - (VAPOUR if told.crop == "full" else 0.0))
    cover, ends = _areas(work)
    return max(let_in * opens_of(work).floor_m2 - _through(work) * (cover + ends) * hotter_k, 0.0)


def moved_m3_s(work: Work, hotter_k: float, breeze: bool) -> float:
    """Air that its openings let through, m³/s: by warmth alone, or what a breeze drives, whichever is more."""
    opens = opens_of(work)
    still = STILL * opens.free_m2 * math.sqrt(GRAVITY * opens.high_m * max(hotter_k, 0.0) / KELVIN)
    # In at one half of what opens and out at the other.
    return max(still, SLANTING * opens.free_m2 / 2 * work.design.air.breeze_mps) if breeze else still


def still_k(work: Work, breeze: bool = False) -> float:
    """How much hotter than outside it gets in full sun, K: where what air carries off is what sun brings."""
    low, high = 0.0, HOTTEST_K
    for _ in range(HALVINGS):
        middle = (low + high) / 2
        carried = AIR_J_M3K * moved_m3_s(work, middle, breeze) * middle
        low, high = (low, middle) if carried >= sun_w(work, middle) else (middle, high)
    return high
