"""What the map of frames holds on to, a frame that somebody offers, and what its seller says it bears."""

from typing import Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number, choice
from obtegum.core.values.quantity import FOOT_M

__all__ = ["Frames", "Held"]

Held = Literal["any", "held"]
OFFER_TIES = {"none": "nothing", "collar": "a collar", "truss": "a collar with two struts in a V"}


class Frames(Decisions):
    """Which of spacing, tube and ties stay as they are, and an offer: tube, spacing, ties, runs, braced bays of each
    side, how deep its posts go, m; depth of snow, m, and gust, m/s, that its seller speaks of."""

    spacing: Annotated[Held, choice("Spacing", any="any", held="as it is")] = "any"
    tube: Annotated[Held, choice("Bow tube", any="any", held="as it is")] = "any"
    ties: Annotated[Held, choice("Ties", any="any", held="as they are")] = "any"
    offer_tube: Annotated[str, Field(max_length=60), Choice("Offer: bow tube")] = ""
    offer_spacing_m: Annotated[
        float, Number("Offer: bows apart", 0.3, 5.0, feet=4 * FOOT_M, hint="the widest that it stands at")
    ] = 1.2
    offer_ties: Annotated[Literal["none", "collar", "truss"], choice("Offer: across the bows", **OFFER_TIES)] = "none"
    offer_runs: Annotated[int, Number("Offer: runs", 1, 15, "count", hint="the ridge alone: 1")] = 1
    offer_bays: Annotated[
        int | None, Number("Offer: braced bays, each side", 0, 12, "count", hint="blank: as they are")
    ] = None
    offer_post: Annotated[str, Field(max_length=60), Choice("Offer: posts of")] = ""
    offer_deep_m: Annotated[float | None, Number("Offer: posts in the ground", 0.1, 3.0, hint="blank: as they are")] = (
        None
    )
    seller_deep_m: Annotated[
        float | None, Number("Seller says: snow", 0.02, 6.0, bare="floor", hint="a depth without its kind says little")
    ] = None
    seller_gust_mps: Annotated[float | None, Number("Seller says: wind", 5.0, 110.0, "speed")] = None
