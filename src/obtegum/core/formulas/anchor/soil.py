"""The ground that a post stands in: what it bears, and what it weighs below and above the water.

Source: presumptive bearing of IBC table 1806.2, unit weights of soil mechanics: buoyant below the water.
"""

from dataclasses import dataclass

__all__ = ["CONCRETE_N_M3", "WATER_N_M3", "Ground"]

WATER_N_M3, CONCRETE_N_M3 = 9810.0, 24000.0
# What of the top is never counted, m: it dries, freezes and is trodden loose.
TOP_M = 0.3


@dataclass(frozen=True, slots=True)
class Ground:
    """Presumed allowable values: bearing and friction, Pa, lateral bearing, Pa for each metre of depth, weight, N/m³.

    ``disturbed_m`` is how deep it was dug or filled, ``water_m`` how deep the water stands, None where it is deeper
    than any post.
    """

    bearing_pa: float
    friction_pa: float
    lateral_pa_m: float
    weight_n_m3: float
    disturbed_m: float = 0.0
    water_m: float | None = None

    @property
    def ignored_m(self) -> float:
        """What of the top doesn't hold a shaft, m."""
        return max(TOP_M, self.disturbed_m)

    def drowned(self, top_m: float, bottom_m: float) -> float:
        """How much of a stretch of depth lies under water, m."""
        if self.water_m is None:
            return 0.0
        return max(bottom_m - max(top_m, self.water_m), 0.0)

    def weighs(self, top_m: float, bottom_m: float, dry_n_m3: float) -> float:
        """Weight of a column of a square metre between two depths, N: less what water lifts of it."""
        return dry_n_m3 * max(bottom_m - top_m, 0.0) - WATER_N_M3 * self.drowned(top_m, bottom_m)
