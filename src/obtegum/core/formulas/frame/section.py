"""Round hollow sections: area, inertia, moduli, from outside and wall. Source: geometry of the annulus."""

import math
from dataclasses import dataclass

from obtegum.core.values.physics import GRAVITY_MPS2, STEEL_KG_M3

__all__ = ["Section", "round_section"]


@dataclass(frozen=True, slots=True)
class Section:
    """A round tube or bar: outside and wall, m; yield and elastic modulus, Pa; area m², I m⁴, moduli m³."""

    od_m: float
    wall_m: float
    yield_pa: float
    elastic_pa: float
    area_m2: float
    inertia_m4: float
    elastic_m3: float
    plastic_m3: float

    @property
    def gyration_m(self) -> float:
        """Radius of gyration, m."""
        return math.sqrt(self.inertia_m4 / self.area_m2)

    @property
    def slenderness(self) -> float:
        """Diameter over wall."""
        return self.od_m / self.wall_m

    @property
    def weight_n_per_m(self) -> float:
        """Weight of steel, N/m: 7,850 kg/m³."""
        return self.area_m2 * STEEL_KG_M3 * GRAVITY_MPS2


def round_section(od_m: float, wall_m: float, yield_pa: float, elastic_pa: float) -> Section:
    """Section of a tube, or of a bar where the wall is half of it. I = π(D⁴ − d⁴)/64, Z = (D³ − d³)/6."""
    bore = max(od_m - 2 * wall_m, 0.0)
    inertia = math.pi * (od_m**4 - bore**4) / 64
    return Section(
        od_m=od_m,
        wall_m=wall_m,
        yield_pa=yield_pa,
        elastic_pa=elastic_pa,
        area_m2=math.pi * (od_m**2 - bore**2) / 4,
        inertia_m4=inertia,
        elastic_m3=inertia / (od_m / 2),
        plastic_m3=(od_m**3 - bore**3) / 6,
    )
