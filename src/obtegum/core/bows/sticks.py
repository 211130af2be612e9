"""Splitting a bow's tube over sticks: fewest sticks, joints off the crown, one long left-over.

n sticks of length L with swaged ends of length j make n·L − (n − 1)·j of bow. The swaged (narrow)
end of each stick slides into the plain end of the next one.
"""

import math

from obtegum.core.part import Part

__all__ = ["MOST_STICKS", "Piece", "Split", "split_bow", "sticks_needed"]

MOST_STICKS = 12
WHOLE = 1e-9


class Piece(Part):
    """One stick's part of the bow: from where to where along the bow's tube, m from its left end."""

    name: str
    from_m: float
    to_m: float
    left_over_m: float

    @property
    def length_m(self) -> float:
        return self.to_m - self.from_m


class Split(Part):
    """The sticks of one bow, from the left post to the right one."""

    pieces: tuple[Piece, ...]
    joint_m: float
    stick_m: float
    flipped: bool
    joint_at_crown: bool

    @property
    def left_over_m(self) -> float:
        """Left over from all sticks of one bow, m."""
        return sum(piece.left_over_m for piece in self.pieces)

    @property
    def waste_share(self) -> float:
        """Share of the bought tube that is left over."""
        return self.left_over_m / (len(self.pieces) * self.stick_m)

    @property
    def joints_m(self) -> tuple[float, ...]:
        """Middle of each overlap, m along the bow's tube."""
        return tuple(piece.to_m - self.joint_m / 2 for piece in self.pieces[:-1])


def sticks_needed(tube_m: float, stick_m: float, joint_m: float) -> int:
    """Fewest sticks that reach: n·L − (n − 1)·j ≥ tube, so n = ceil((tube − j)/(L − j)).

    Raises: ValueError unless the stick is longer than its overlap.
    """
    if stick_m <= joint_m:
        raise ValueError("a stick must be longer than its overlap")
    return max(1, math.ceil((tube_m - joint_m) / (stick_m - joint_m) - WHOLE))


def _candidates(count: int, total_m: float, stick_m: float) -> list[list[float]]:
    """Ways to share ``total_m`` (overlaps included) over ``count`` sticks, best left-over first."""
    rest = total_m - (count - 1) * stick_m
    last_short = [stick_m] * (count - 1) + [rest]
    if count % 2 == 0:
        last_two = (total_m - (count - 2) * stick_m) / 2
        slid = [[stick_m] * (count - 2) + [last_two * (1 + t), last_two * (1 - t)] for t in (0.5, 0.25, 0.1)]
        return [last_short, *(way for way in slid if way[-2] <= stick_m)]
    middle = count // 2
    middle_short = [stick_m] * count
    middle_short[middle] = rest
    ends = (total_m - (count - 2) * stick_m) / 2
    ends_short = [ends, *[stick_m] * (count - 2), ends] if count > 1 else [total_m]
    return [middle_short, ends_short, [total_m / count] * count]


def split_bow(tube_m: float, stick_m: float, joint_m: float, piece_least_m: float, off_crown_share: float) -> Split:
    """Share a bow's tube over the fewest sticks.

    An odd number sits symmetric, with the left-over taken from the middle stick, or from both ends
    when that would bring a joint to the crown. An even number goes unequal, so that the joint
    stays off the crown, and is flipped on every second bow. Pieces shorter than ``piece_least_m``
    are avoided where another way exists.
    """
    count = sticks_needed(tube_m, stick_m, joint_m)
    total = tube_m + (count - 1) * joint_m

    def rank(lengths: list[float]) -> tuple[bool, bool]:
        return min(lengths) < piece_least_m, _nearest_joint(lengths, tube_m, joint_m) < off_crown_share * tube_m

    ways = _candidates(count, total, stick_m)
    lengths = min(ways, key=rank)
    pieces, start = [], 0.0
    names = _names(lengths)
    for place, length in enumerate(lengths):
        end = tube_m if place == count - 1 else start + length
        pieces.append(Piece(name=names[place], from_m=start, to_m=end, left_over_m=max(stick_m - length, 0.0)))
        start += length - joint_m
    return Split(
        pieces=tuple(pieces),
        joint_m=joint_m,
        stick_m=stick_m,
        flipped=count % 2 == 0,
        joint_at_crown=_nearest_joint(lengths, tube_m, joint_m) < off_crown_share * tube_m,
    )


def _nearest_joint(lengths: list[float], tube_m: float, joint_m: float) -> float:
    """Distance from the crown to the middle of the nearest overlap, m."""
    reach, nearest = 0.0, math.inf
    for length in lengths[:-1]:
        reach += length
        nearest = min(nearest, abs(reach - joint_m / 2 - tube_m / 2))
        reach -= joint_m
    return nearest


def _names(lengths: list[float]) -> list[str]:
    """A letter for each stick of the bow, in order."""
    return [chr(ord("A") + place) for place in range(len(lengths))]
