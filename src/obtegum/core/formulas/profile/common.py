"""What the shapes share: plumb legs under whatever they carry, and how an impossible shape is refused.

Source: geometry.
"""

from collections.abc import Sequence

from obtegum.core.formulas.profile.chain import Chain, Line, Segment

__all__ = ["SHORTEST_M", "ProfileError", "on_legs"]

# A leg or a piece shorter than this is none.
SHORTEST_M = 1e-9


class ProfileError(ValueError):
    """A shape that can't be: which of its measures is wrong, a sentence, and the nearest value that works, m."""

    def __init__(self, measure: str, sentence: str, nearest_m: float | None = None) -> None:
        super().__init__(sentence)
        self.measure, self.sentence, self.nearest_m = measure, sentence, nearest_m


def on_legs(half_m: float, leg_m: float, segments: Sequence[Segment]) -> Chain:
    """Segments from the top of the left leg to the top of the right one, with the legs where there are any."""
    kept = [segment for segment in segments if segment.length_m > SHORTEST_M]
    if leg_m < SHORTEST_M:
        return Chain(tuple(kept))
    return Chain((Line(-half_m, 0, -half_m, leg_m), *kept, Line(half_m, leg_m, half_m, 0)))
