"""What is measured of each bow on the floor."""

from typing import Annotated

from pydantic import Field

from obtegum.core.documents.numbers import Each, Number
from obtegum.core.values.base import Part

__all__ = ["CHECKS", "MOST_BOWS", "BowCheck", "BowChecks"]

# What is measured of a bow on the floor, in the order of measuring.
CHECKS = ("width", "height", "left", "right", "twist")
# More than the 1,001 of a house of 300 m with bows 0.3 m apart.
MOST_BOWS = 1200


class BowCheck(Part):
    """One bow measured on the floor: width and height, height a quarter in from each foot, twist at a foot, m."""

    width_m: Annotated[float | None, Number("Width", 0.001, 25.0)] = None
    height_m: Annotated[float | None, Number("Height", 0.001, 15.0)] = None
    left_m: Annotated[float | None, Number("Quarter in, left", 0.001, 15.0)] = None
    right_m: Annotated[float | None, Number("Quarter in, right", 0.001, 15.0)] = None
    twist_m: Annotated[float | None, Number("Twist", 0.0, 2.0)] = None

    @property
    def told(self) -> tuple[str, ...]:
        """Which of the checks were measured."""
        return tuple(name for name in CHECKS if getattr(self, f"{name}_m") is not None)


BowNumber = Annotated[str, Field(pattern="^[1-9][0-9]{0,3}$")]
BowChecks = Annotated[dict[BowNumber, BowCheck], Each(lambda bow, label: f"Bow {bow}, {label.lower()}")]
