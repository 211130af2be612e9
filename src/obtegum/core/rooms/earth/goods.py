"""Stone on the pad."""

from collections.abc import Sequence

from obtegum.core.face.goods import GROUND, Good, Seat
from obtegum.core.findings.work import Work
from obtegum.core.rooms.earth.found import pad_m, stone_of_kg

__all__ = ["goods"]


def goods(work: Work) -> Sequence[Good]:
    """Stone over the whole pad, as deep as it is told; none where none is."""
    mass_kg, (length_m, _) = stone_of_kg(work), pad_m(work)
    if not mass_kg:
        return ()
    margin_m = work.design.pad.margin_m
    return (
        Good(
            id="stone", what="stone", many="stone", unit="kg", size=f"{work.say(work.design.pad.stone_m)} deep",
            seats=(Seat((GROUND,), (length_m / 2 - margin_m, 0.0, 0.0), mass_kg),),
            unspared="none: what packs is counted, and sold by the load", tool="barrow, rake, tamper",
            until="after the drain, before posts and beds",
        ),
    )  # fmt: skip
