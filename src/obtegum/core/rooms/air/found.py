"""What a night takes of heat, what opens for air, and how hot a still, sunny day makes it (rule B21).

Steady loss Q = (Σ U·A + 0.33·N·V + F·perimeter)·ΔT by ASABE EP406 as usually quoted; no correction of wind and sky but
a fifth more where told. By day sun in = sun's heat let in − what the cover loses, carried off by air: V̇·1200·ΔT.
"""

import math
from dataclasses import dataclass

from obtegum.core.documents.ends import SIDES
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import opens_m
from obtegum.core.rooms.cover.found import edge_up_m, rim_m
from obtegum.core.rooms.cover.pulls import lifted_radius_m
from obtegum.core.rooms.ends.air import AIR_M3_S_M2, FASTEST_MPS, air_of, end_area_m2
from obtegum.core.rooms.sides.found import curtained, opening_m
from obtegum.core.values.physics import GRAVITY_MPS2, air_pressure_share

__all__ = [
    "NET",
    "Fans",
    "Heat",
    "Opens",
    "between_layers",
    "breezy_k",
    "drips_at",
    "fans_of",
    "heat_of",
    "kept_open",
    "moved_m3_s",
    "opens_of",
    "shaded",
    "still_k",
    "sun_w",
]

# W/m²K through one film and two with air between; what a drawn screen leaves of it; W/m³K of a change of air an hour;
# W/mK along the ground, bare and insulated (EP406 as usually quoted).
ONE, TWO, SCREENED, CHANGE, BARE, INSULATED = 6.8, 4.0, 0.65, 0.33, 1.38, 0.69
WINDY = 1.2
# How high ends open where no side does: up to here, m, as the lower half of them (this bench).
ENDS_UP_M = 1.8
# The most of the sun that anything is taken to keep out.
MOST_SHADE = 0.95
# Sun on the floor, W/m², what film lets in, and what a watered crop turns into vapour of it (rule B21).
SUN_W_M2, LET_IN, VAPOUR = 900.0, 0.7, 0.5
AIR_J_M3K, KELVIN = 1200.0, 300.0
# What wind drives of an opening's area slanting at it; a still day through openings of one height (ASHRAE).
SLANTING, STILL = 0.3, 0.6 / 3
HOTTEST_K, HALVINGS = 60.0, 50
# W/m²K through panels with chambers (EP406) and inch boards (0.13 + 0.025/0.13 + 0.04 m²K/W).
PANELS, BOARDS = 3.5, 2.8
# EP406: sea level, kPa; the rise that its rule is for, K; fans nearer than this to their inlet draw more, m.
SEA_KPA, RULE_K, NEAR_M, NEARER = 101.3, 3.9, 30.0, 5.5
# Of a net that nobody told the open share of (stand-in).
NET = 0.5
# Still air inside a cover, m²K/W; Magnus (Alduchov and Eskridge 1996); air between two layers: m, Pa (trade).
INSIDE_R, MAGNUS_A, MAGNUS_B, GAP_M, BLOWN_PA = 0.12, 17.625, 243.04, 0.1, 60.0


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


def _through_ends(work: Work, film: float) -> float:
    """W/m²K through the ends, by what they are of."""
    zone, sheets = work.design.cover.zones, work.design.sheets
    if zone == "boards":
        return min(BOARDS, film)
    chambers = zone == "panels" and sheets.kind == "chambers"
    return min(PANELS, film) if chambers else film


def kept_open(work: Work) -> str:
    """What of the house can't be shut, in words; nothing where all can."""
    cover, hip = work.design.cover, work.design.boards.hip == "board"
    if cover.edge == "hip" and hip and cover.below == "open":
        return "nothing hangs below the hip boards"
    if cover.edge == "hip" and hip and cover.below == "own" and cover.curtain == "net":
        return "the sides are of net"
    if cover.made == "apart" and cover.zones == "net":
        return "the ends are of net"
    return ""


@found
def _areas(work: Work) -> tuple[float, float]:
    """Cover over roof and sides, and both ends, m²."""
    long_m = work.design.size.length_m + bow_tube(work).od_m
    return rim_m(work) * long_m, sum(end_area_m2(work, side) for side in SIDES)


@found
def heat_of(work: Work) -> Heat | None:
    """The steady loss of the coldest night; None while that, or how warm it is kept, isn't told, or under cloth."""
    air, size = work.design.air, work.design.size
    if air.cold_c is None or air.warm_c is None or work.design.weather.cover == "cloth":
        return None
    apart = (air.warm_c - air.cold_c) * (WINDY if air.place == "windy" else 1.0)
    through = _through(work) * (SCREENED if air.screen == "drawn" else 1.0)
    if kept_open(work):
        return None
    cover, ends = _areas(work)
    volume = centre_line(work).under_m2 * size.length_m
    around = 2 * (size.span_m + size.length_m)
    along = INSULATED if air.edge == "insulated" else BARE
    return Heat(
        cover_w=through * cover * apart,
        ends_w=_through_ends(work, through) * ends * apart,
        air_w=CHANGE * air.changes * volume * apart,
        ground_w=along * around * apart,
    )


@dataclass(frozen=True, slots=True)
class Opens:
    """What opens, free of mesh, m²: both sides, both ends, and the end that opens more; how high, m; the floor, m²."""

    sides_m2: float
    ends_m2: float
    end_m2: float
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
    air, size, cover = work.design.air, work.design.size, work.design.cover
    through = 1.0 if air.mesh_share is None else air.mesh_share
    net = NET if air.mesh_share is None else air.mesh_share
    hip = work.design.boards.hip == "board" and cover.edge == "hip" and cover.made != "ask"
    high, sides = 0.0, through
    if hip and cover.below == "open":
        high = max(opens_m(work), 0.0)
    elif hip and cover.below == "own" and cover.curtain == "net":
        high, sides = max(opens_m(work), 0.0), net
    elif curtained(work):
        high = opening_m(work)
    ends = air_of(work)
    each = {side: ends.free_m2[side] * through for side in SIDES}
    if cover.summer == "ends":
        each = {side: end_area_m2(work, side) for side in SIDES}
    elif cover.made == "apart" and cover.zones == "net":
        each = {side: max(each[side], net * end_area_m2(work, side)) for side in SIDES}
    return Opens(
        sides_m2=2 * high * size.length_m * sides,
        ends_m2=sum(each.values()),
        end_m2=max(each.values()),
        high_m=high or min(size.height_m / 2, ENDS_UP_M),
        floor_m2=ends.floor_m2,
    )


def shaded(work: Work) -> float:
    """Share of the sun that is kept out in summer: what a cover of cloth shades by itself, or as told."""
    weather = work.design.weather
    if weather.cover == "cloth" and weather.open_share > 0:
        return min(1 - weather.open_share, MOST_SHADE)
    return work.design.air.shade_share


def sun_w(work: Work, hotter_k: float) -> float:
    """What sun brings that air has to carry off, W, with the house so much hotter than outside."""
    air = work.design.air
    let_in = LET_IN * SUN_W_M2 * (1 - shaded(work)) * (1 - (VAPOUR if air.crop == "full" else 0.0))
    cover, ends = _areas(work)
    return max(let_in * opens_of(work).floor_m2 - _through(work) * (cover + ends) * hotter_k, 0.0)


def moved_m3_s(work: Work, hotter_k: float, breeze: bool) -> float:
    """Air that its openings let through, m³/s: by warmth alone, or what a breeze drives, whichever is more."""
    opens = opens_of(work)
    still = STILL * opens.free_m2 * math.sqrt(GRAVITY_MPS2 * opens.high_m * max(hotter_k, 0.0) / KELVIN)
    # In at one half of what opens and out at the other.
    return max(still, SLANTING * opens.free_m2 / 2 * work.design.air.breeze_mps) if breeze else still


def _hotter_k(work: Work, breeze: bool) -> float:
    """Where what air carries off is what sun brings, K."""
    low, high = 0.0, HOTTEST_K
    for _ in range(HALVINGS):
        middle = (low + high) / 2
        carried = AIR_J_M3K * moved_m3_s(work, middle, breeze) * middle
        low, high = (low, middle) if carried >= sun_w(work, middle) else (middle, high)
    return high


@found
def still_k(work: Work) -> float:
    """How much hotter than outside it gets in full sun on a still day, K."""
    return _hotter_k(work, breeze=False)


@found
def breezy_k(work: Work) -> float:
    """The same with the breeze that is told, K."""
    return _hotter_k(work, breeze=True)


@dataclass(frozen=True, slots=True)
class Fans:
    """Air that fans move, m³/s: by the rule and by what sun brings; fans of the size told, None while it isn't; free
    area of the inlet and the hole in the wall for it, m²."""

    rule_m3_s: float
    balance_m3_s: float
    count: int | None
    free_m2: float
    hole_m2: float

    @property
    def moves_m3_s(self) -> float:
        return max(self.rule_m3_s, self.balance_m3_s)


@found
def fans_of(work: Work) -> Fans:
    """Fans at one end, their inlet at the other (EP406, rule B21): 0.0406 m³/s for each m² of floor at sea level and a
    rise of 3.9 K, more where air is thin, and where the inlet is under 30 m away; beside it the balance with sun."""
    air, size = work.design.air, work.design.size
    floor = size.span_m * size.length_m
    thin = 1 / air_pressure_share(work.design.weather.altitude_m)
    near = max(NEARER / math.sqrt(size.length_m), 1.0) if size.length_m < NEAR_M else 1.0
    rule = AIR_M3_S_M2 * floor * thin * RULE_K / air.rise_k * near
    balance = sun_w(work, air.rise_k) / (AIR_J_M3K / thin * air.rise_k)
    moves = max(rule, balance)
    count = None if air.fan_m3_s is None else math.ceil(moves / air.fan_m3_s - 1e-9)
    free = moves / FASTEST_MPS
    mesh = 1.0 if air.mesh_share is None else air.mesh_share
    return Fans(rule, balance, count, free, free / air.inlet_share / mesh)


def drips_at(work: Work) -> float | None:
    """Moisture of the air inside from which film drips on the coldest night, share: the film's inside is
    T − U·R·(T − T0) warm; None while the night isn't told."""
    air = work.design.air
    if air.cold_c is None or air.warm_c is None or heat_of(work) is None:
        return None
    through = _through(work) * (SCREENED if air.screen == "drawn" else 1.0)
    film_c = air.warm_c - min(through * INSIDE_R, 1.0) * (air.warm_c - air.cold_c)

    def vapour(celsius: float) -> float:
        return math.exp(MAGNUS_A * celsius / (MAGNUS_B + celsius))

    return min(vapour(film_c) / vapour(air.warm_c), 1.0)


def between_layers(work: Work) -> tuple[float, float] | None:
    """Air between two layers, m³, and what its blower pulls on a metre of each side's fixing, N/m; None for one."""
    weather = work.design.weather
    if weather.cover != "film" or weather.layers != "two" or work.design.sheets.over_roof:
        return None
    cover, _ = _areas(work)
    return cover * GAP_M, BLOWN_PA * lifted_radius_m(work, edge_up_m(work))
