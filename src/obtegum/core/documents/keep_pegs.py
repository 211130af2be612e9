"""How the pegs are found again once digging has taken them."""

from typing import Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, choice
from obtegum.core.values.quantity import FOOT_M

__all__ = ["Keep"]


class Keep(Decisions):
    """How the pegs are found again once digging has taken them: offset pegs or gauge boards."""

    school: Annotated[Literal["pegs", "boards"], choice("Kept by", pegs="offset pegs", boards="gauge boards")] = "pegs"
    offset_m: Annotated[float, Number("Offset from the corner", 0.3, 10.0, feet=3 * FOOT_M)] = 1.0
    dig_m: Annotated[float, Number("Digging reaches out", 0.0, 5.0, hint="from the post’s centre", feet=FOOT_M)] = 0.3
