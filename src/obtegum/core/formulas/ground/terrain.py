"""The ground between the measured points: triangles, contour lines, and volumes against a pad.

Triangles are Delaunay's; within each the ground is flat, so volumes are exact for that ground.

Source: Delaunay 1934; prisms cut by a plane.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import TYPE_CHECKING, Any, TypeVar

if TYPE_CHECKING:
    from numpy.typing import NDArray

__all__ = ["Earth", "Patch", "Terrain", "terrain_of"]

Point = tuple[float, float]
Kept = TypeVar("Kept")


@dataclass(frozen=True, slots=True)
class Earth:
    """Volumes in place between the ground and a pad, m³."""

    cut_m3: float
    fill_m3: float

    def __add__(self, other: "Earth") -> "Earth":
        return Earth(self.cut_m3 + other.cut_m3, self.fill_m3 + other.fill_m3)


@dataclass(frozen=True)
class Terrain:
    """Measured points (x along, y across, height), m."""

    points: tuple[tuple[float, float, float], ...]

    @cached_property
    def _at(self) -> "NDArray[Any]":
        import numpy as np

        return np.array(self.points, dtype=float).reshape(-1, 3)

    @cached_property
    def _kept(self) -> dict[tuple[float | str, ...], Any]:
        """What was once found of this ground, as several drawings and plans show the same."""
        return {}

    def kept(self, name: tuple[float | str, ...], make: Callable[[], Kept]) -> Kept:
        """Something found of this ground, made where it wasn't yet; ``name`` says all that it depends on."""
        if name not in self._kept:
            self._kept[name] = make()
        found: Kept = self._kept[name]
        return found

    @cached_property
    def _mesh(self) -> Any:
        """Delaunay's triangles; None when the points lie on one line."""
        from scipy.spatial import Delaunay, QhullError

        if len(self.points) < 3:
            return None
        try:
            return Delaunay(self._at[:, :2])
        except QhullError:
            return None

    @cached_property
    def triangles(self) -> "NDArray[Any]":
        """Corners of every triangle as rows of the points; none when the points lie on one line."""
        import numpy as np

        return np.empty((0, 3), dtype=int) if self._mesh is None else np.asarray(self._mesh.simplices)

    def contours(self, height_m: float) -> list[tuple[Point, Point]]:
        """Straight pieces of the contour line at a height."""
        return self.meeting(height_m, 0.0)

    def meeting(self, at_a_m: float, fall: float) -> list[tuple[Point, Point]]:
        """Straight pieces of the line where the ground meets a plane, ``at_a_m`` high at x = 0, with a ``fall`` along
        x."""
        return self.kept(("meeting", at_a_m, fall), lambda: self._meeting(at_a_m, fall))

    def _meeting(self, at_a_m: float, fall: float) -> list[tuple[Point, Point]]:
        import numpy as np

        corners = self._at[self.triangles]
        over = corners[:, :, 2] - at_a_m + fall * corners[:, :, 0]
        above = over > 0
        mixed = above.any(axis=1) & ~above.all(axis=1)
        corners, over, above = corners[mixed], over[mixed], above[mixed]
        if not len(corners):
            return []
        # The lone corner is the one whose side of the plane no other corner shares.
        lone = np.where(above.sum(axis=1) == 1, above.argmax(axis=1), (~above).argmax(axis=1))
        rows = np.arange(len(corners))
        one = corners[rows, lone, :2]
        ends = []
        for turn in (1, 2):
            other = (lone + turn) % 3
            share = over[rows, lone] / (over[rows, lone] - over[rows, other])
            ends.append(one + (corners[rows, other, :2] - one) * share[:, None])
        return [((a, b), (c, d)) for (a, b), (c, d) in zip(ends[0].tolist(), ends[1].tolist(), strict=True)]

    def at(self, x: float, y: float) -> float:
        """Height of the ground at a place, m: on its triangle, beyond them all that of the nearest point."""
        return float(self.heights([(x, y)])[0])

    def heights(self, places: "Sequence[Point] | NDArray[Any]") -> "NDArray[Any]":
        """Heights of the ground at places, m."""
        import numpy as np

        wanted, found = np.array(places, dtype=float).reshape(-1, 2), np.full(len(places), np.nan)
        if self._mesh is not None:
            inside = self._mesh.find_simplex(wanted, tol=1e-9)
            on = inside >= 0
            turned = self._mesh.transform[inside[on]]
            two = np.einsum("nij,nj->ni", turned[:, :2], wanted[on] - turned[:, 2])
            shares = np.column_stack([two, 1 - two.sum(axis=1)])
            found[on] = (shares * self._at[self.triangles[inside[on]], 2]).sum(axis=1)
        beyond = np.isnan(found)
        if beyond.any():
            away = np.hypot(*(wanted[beyond, None, axis] - self._at[None, :, axis] for axis in (0, 1)))
            found[beyond] = self._at[away.argmin(axis=1), 2]
        return found

    def patch(self, x0: float, y0: float, x1: float, y1: float) -> "Patch":
        """The triangles inside a rectangle from (x0, y0) to (x1, y1), m, those across its edge cut to it."""
        return self.kept(("patch", x0, y0, x1, y1), lambda: self._patch(x0, y0, x1, y1))

    def _patch(self, x0: float, y0: float, x1: float, y1: float) -> "Patch":
        import numpy as np

        corners = self._at[self.triangles]
        low, high = corners[:, :, :2].min(axis=1), corners[:, :, :2].max(axis=1)
        inside = (low[:, 0] >= x0) & (high[:, 0] <= x1) & (low[:, 1] >= y0) & (high[:, 1] <= y1)
        outside = (high[:, 0] <= x0) | (low[:, 0] >= x1) | (high[:, 1] <= y0) | (low[:, 1] >= y1)
        cut: list[list[list[float]]] = []
        for triangle in corners[~inside & ~outside].tolist():
            shape = triangle
            for axis, limit, keep in ((0, x0, 1.0), (0, x1, -1.0), (1, y0, 1.0), (1, y1, -1.0)):
                shape = _clip(shape, axis, limit, keep)
            cut += [[shape[0], shape[place], shape[place + 1]] for place in range(1, len(shape) - 1)]
        return Patch(np.concatenate([corners[inside], np.array(cut, dtype=float).reshape(-1, 3, 3)]))


@dataclass(frozen=True, eq=False)
class Patch:
    """The ground within a rectangle, as triangles: an array of (triangle, corner, x y height), m."""

    pieces: "NDArray[Any]"

    @cached_property
    def _areas(self) -> Any:
        import numpy as np

        a, b, c = self.pieces[:, 0], self.pieces[:, 1], self.pieces[:, 2]
        return np.abs((b[:, 0] - a[:, 0]) * (c[:, 1] - a[:, 1]) - (c[:, 0] - a[:, 0]) * (b[:, 1] - a[:, 1])) / 2

    @cached_property
    def covered_m2(self) -> float:
        """Area of the rectangle that has measured ground, m²."""
        return float(self._areas.sum())

    @cached_property
    def _kept(self) -> dict[tuple[float, float], Earth]:
        """Volumes once found: a pad is balanced anew for every plan, mostly over the same ground."""
        return {}

    def against(self, at_a_m: float, fall: float) -> Earth:
        """Cut and fill of a pad ``at_a_m`` high at x = 0, with a ``fall`` along x."""
        if (at_a_m, fall) not in self._kept:
            self._kept[at_a_m, fall] = self._against(at_a_m, fall)
        return self._kept[at_a_m, fall]

    def _against(self, at_a_m: float, fall: float) -> Earth:
        import numpy as np

        area, depth = self._areas, at_a_m - fall * self.pieces[:, :, 0] - self.pieces[:, :, 2]
        total = area * depth.mean(axis=1)
        up = depth > 0
        count = up.sum(axis=1)
        fill = np.where(count == 3, total, 0.0)
        for lone_up in (True, False):
            mixed = count == (1 if lone_up else 2)
            if not bool(mixed.any()):
                continue
            d, mask = depth[mixed], (up if lone_up else ~up)[mixed]
            lone = mask.argmax(axis=1)
            rows = np.arange(len(d))
            i, j, k = d[rows, lone], d[rows, (lone + 1) % 3], d[rows, (lone + 2) % 3]
            # The corner beyond the line where pad and ground meet: share i²/((i−j)(i−k)), mean depth i/3.
            corner = area[mixed] * i**3 / (3 * (i - j) * (i - k))
            fill[mixed] = corner if lone_up else total[mixed] - corner
        return Earth(float((fill - total).sum()), float(fill.sum()))


def _clip(shape: Sequence[list[float]], axis: int, limit: float, keep: float) -> list[list[float]]:
    """A polygon on one side of a line: coordinate ``axis`` at least (keep 1) or at most (keep −1) the limit."""
    found: list[list[float]] = []
    for place, here in enumerate(shape):
        before = shape[place - 1]
        d0, d1 = keep * (before[axis] - limit), keep * (here[axis] - limit)
        if (d0 >= 0) != (d1 >= 0):
            share = d0 / (d0 - d1)
            found.append([one + (other - one) * share for one, other in zip(before, here, strict=True)])
        if d1 >= 0:
            found.append(here)
    return found


@lru_cache(maxsize=8)
def terrain_of(points: tuple[tuple[float, float, float], ...]) -> Terrain:
    """The ground through measured points; kept, as a plan is made anew with every change of anything else."""
    return Terrain(points)
