"""The drain on the uphill side, and the rain that it is to carry off."""

from typing import Annotated

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number
from obtegum.core.values.amount import HOUR_S
from obtegum.core.values.quantity import FOOT_M, INCH_M

__all__ = ["Drain"]


class Drain(Decisions):
    """The drain on the uphill side, and the rain that it is to carry off."""

    pipe: Annotated[str, Field(max_length=60), Choice("Drain pipe")] = "corrugated-100"
    fall: Annotated[float, Number("Drain falls", 0.001, 0.2, "share")] = 0.01
    cover_m: Annotated[float, Number("Drain starts below ground", 0.05, 3.0, feet=FOOT_M)] = 0.3
    trench_m: Annotated[float, Number("Trench width", 0.1, 2.0, bare="floor", feet=10 * INCH_M)] = 0.25
    beyond_m: Annotated[float, Number("Drain runs on past the house", 0.0, 100.0, feet=10 * FOOT_M)] = 3.0
    rain_m_s: Annotated[
        float,
        Number("Design rain", 1e-7, 3e-4, "rain", hint="your own local figure", feet=2 * INCH_M / HOUR_S),
    ] = 0.05 / HOUR_S
    uphill_m: Annotated[float, Number("Ground that drains in", 0.0, 300.0, hint="uphill of the house")] = 0.0
