"""How the posts stand on the ground: the datum, the pad under it, every foot, and what moving earth takes."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, fields
from functools import cached_property

from obtegum.core.documents.house import HouseDesign
from obtegum.core.documents.level import Levels
from obtegum.core.formulas.ground.banks import Banks, banks_of
from obtegum.core.formulas.ground.earthwork import Moving, balanced_height, moving
from obtegum.core.formulas.ground.levels import Datum, Foot, falling_datum, level_datum
from obtegum.core.formulas.ground.terrain import Patch, Terrain, terrain_of
from obtegum.core.formulas.setout.base import Peg

__all__ = ["Lie", "Stand", "lie_under", "stand_on"]

# Fewer readings than this say nothing of the ground.
FEWEST = 2


@dataclass(frozen=True)
class Lie:
    """The ground under the house, as read and as made: heights are over the line of sight, m, and ``natural`` is the
    datum on the ground as it lies.

    A pad has ``banks`` round it, and what moving all of its earth takes.
    """

    heights: Mapping[str, float]
    places: Mapping[str, tuple[float, float]]
    missing: tuple[str, ...]
    terrain: Terrain
    patch: Patch
    pad_m2: float
    natural: Datum
    datum: Datum
    padded: bool
    banks: Banks | None
    moved: Moving | None

    @property
    def covered(self) -> float:
        """Share of the pad that the levels cover."""
        return min(self.patch.covered_m2 / self.pad_m2, 1.0)

    def side_m(self, side: str) -> float | None:
        """Mean height of the ground along a side, m."""
        found = [height for name, height in self.heights.items() if name[0] == side]
        return sum(found) / len(found) if found else None


@dataclass(frozen=True)
class Stand(Lie):
    """The house on its ground, on its feet."""

    feet: Mapping[str, Foot]

    @cached_property
    def weakest(self) -> Foot:
        """The foot with the least in the ground."""
        return min(self.feet.values(), key=lambda foot: foot.embedment_m)


def lie_under(design: HouseDesign, levels: Levels, pegs: Sequence[Peg], width_m: float) -> Lie | None:
    """The ground under the house, or None while too few pegs have been read.

    Readings at pegs that the house no longer has are left aside.
    """
    places = {f"{peg.side}{peg.bow}": (peg.station_m, 0.0 if peg.side == "L" else width_m) for peg in pegs}
    heights = {name: -reading for name, reading in levels.pegs.items() if name in places}
    if len(heights) < FEWEST:
        return None
    points = [(*places[name], height) for name, height in heights.items()]
    points += [(spot.x_m, spot.y_m, -spot.reading_m) for spot in levels.spots.values()]
    terrain = terrain_of(tuple(points))
    pad, long_m = design.pad, design.size.length_m
    edge = (-pad.margin_m, -pad.margin_m, long_m + pad.margin_m, width_m + pad.margin_m)
    patch = terrain.patch(*edge)
    stations = [places[name][0] for name in heights]
    find = falling_datum if design.level.tops == "fall" else None
    natural = find(stations, list(heights.values())) if find else level_datum(list(heights.values()))
    padded = pad.kind != "as_it_lies" and patch.covered_m2 > 0
    banks = terrain.kept(("banks", *edge), lambda: banks_of(terrain, *edge)) if padded else None
    datum = natural
    if padded and pad.kind == "raise":
        datum = Datum(natural.at_a_m + pad.raise_m, natural.fall)
    elif banks is not None:
        datum = Datum(balanced_height(patch, banks, natural.fall, pad.slope, pad.shrink), natural.fall)
    moved = None
    if banks is not None:
        earth = patch.against(datum.at_a_m, datum.fall) + banks.against(datum.at_a_m, datum.fall, pad.slope)
        moved = moving(earth, pad.swell, pad.shrink, pad.load_m3, pad.load_s)
    return Lie(
        heights=heights,
        places=places,
        missing=tuple(name for name in places if name not in heights),
        terrain=terrain,
        patch=patch,
        pad_m2=(long_m + 2 * pad.margin_m) * (width_m + 2 * pad.margin_m),
        natural=natural,
        datum=datum,
        padded=padded,
        banks=banks,
        moved=moved,
    )


def stand_on(lie: Lie, reveal_m: float, post_m: float) -> Stand:
    """The house on its ground, on posts that span ``post_m`` and stand out by ``reveal_m`` at the datum."""
    feet = {
        name: Foot(
            name=name,
            station_m=place[0],
            ground_m=lie.datum.at(place[0]) if lie.padded else lie.heights[name],
            natural_m=lie.heights[name] if name in lie.heights else lie.terrain.at(*place),
            top_m=lie.datum.at(place[0]) + reveal_m,
            length_m=post_m,
        )
        for name, place in lie.places.items()
        if lie.padded or name in lie.heights
    }
    return Stand(**{each.name: getattr(lie, each.name) for each in fields(Lie)}, feet=feet)
