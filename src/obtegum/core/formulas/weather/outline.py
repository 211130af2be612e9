"""A bow's outline as weather meets it: where each short piece lies, how steep it is, which way it faces.

Source: geometry.
"""

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

__all__ = ["Fine", "Outline", "outline_of"]

Array = NDArray[np.float64]


@dataclass(frozen=True, eq=False)
class Outline:
    """Pieces of a bow from the left foot to the right one, (n,) each; x from the middle, y from the ground, m.

    ``slope`` is how steep a piece is, degrees from level, ``plan`` its width seen from above, ``out`` (n, 2) which way
    its outside faces. ``span_m``, ``leg_m``, ``height_m`` as the house has them; ``straight`` where it has rafters.
    """

    x: Array
    y: Array
    length: Array
    slope: Array
    plan: Array
    out: Array
    span_m: float
    leg_m: float
    height_m: float
    straight: bool = False
    ridged: bool = False

    @property
    def rise_m(self) -> float:
        """Crown over spring line, m."""
        return self.height_m - self.leg_m

    @property
    def mean_m(self) -> float:
        """Mean roof height, m."""
        return (self.leg_m + self.height_m) / 2

    @cached_property
    def roof(self) -> NDArray[np.bool_]:
        """Pieces above the spring line."""
        return self.y > self.leg_m + 1e-9

    @cached_property
    def _right(self) -> tuple[Array, Array]:
        """Steepness from the crown to the right eaves, and where: never falling, as it does from a crown."""
        right = np.flatnonzero(self.roof & (self.x > 0))
        return np.maximum.accumulate(self.slope[right]), self.x[right]

    @property
    def eaves_deg(self) -> float:
        """How steep the roof is at the spring line, degrees."""
        return float(self._right[0][-1])

    @property
    def crown_deg(self) -> float:
        """How steep the roof is beside its crown, degrees: of rafters their own slope."""
        return float(self._right[0][0])

    def where_deg(self, degrees: float) -> float:
        """How far from the middle the roof becomes this steep, m; its eaves where it never does."""
        slopes, at = self._right
        if degrees >= slopes[-1]:
            return self.span_m / 2
        return 0.0 if degrees <= slopes[0] else float(np.interp(degrees, slopes, at))

    def height_at_deg(self, degrees: float) -> float:
        """How high the roof is where it becomes this steep, m; the spring line where it never does."""
        right = np.flatnonzero(self.roof & (self.x > 0))
        out = self.where_deg(degrees)
        return self.leg_m if out >= self.span_m / 2 else float(np.interp(out, self.x[right], self.y[right]))


@dataclass(frozen=True, eq=False)
class Fine:
    """An outline cut finer than the elements that bear what lies on it: pressures are told piece by piece and gathered
    on the elements, so that a line or a step within one of them counts for what it is.

    ``first`` (n,) is the first piece of each element, ``lengths`` (n,) how long these are, m.
    """

    outline: Outline
    first: NDArray[np.int_]
    lengths: Array

    def gathered(self, values: Array) -> Array:
        """Of values on each piece, per metre of it, those on each element, per metre of that."""
        long = self.outline.length if values.ndim == 1 else self.outline.length[:, None]
        whole = self.lengths if values.ndim == 1 else self.lengths[:, None]
        return np.asarray(np.add.reduceat(values * long, self.first, axis=0) / whole)


def outline_of(nodes: Array, span_m: float, leg_m: float, height_m: float, straight: bool, ridged: bool) -> Outline:
    """The outline of a line of nodes (n + 1, 2), m."""
    step = nodes[1:] - nodes[:-1]
    length = np.hypot(step[:, 0], step[:, 1])
    middle = (nodes[1:] + nodes[:-1]) / 2
    return Outline(
        x=middle[:, 0],
        y=middle[:, 1],
        length=length,
        slope=np.degrees(np.arctan2(np.abs(step[:, 1]), np.abs(step[:, 0]))),
        plan=np.abs(step[:, 0]),
        out=np.stack([-step[:, 1], step[:, 0]], axis=1) / length[:, None],
        span_m=span_m,
        leg_m=leg_m,
        height_m=height_m,
        straight=straight,
        ridged=ridged,
    )
