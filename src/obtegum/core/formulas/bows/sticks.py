"""Splitting a bow's tube over sticks: fewest sticks, joints off the crown, one long left-over.

n sticks of length L with swaged ends of length j make n·L − (n − 1)·j of bow. The swaged (narrow)
end of each stick slides into the plain end of the next one.

Source: this bench; a cutting problem small enough to look at every way.
"""

import math
from collections import Counter
from collections.abc import Sequence
from itertools import pairwise
from typing import Literal

from obtegum.core.formulas.stock import HAIR_M, sticks_cut
from obtegum.core.values.base import Part

__all__ = [
    "JOINT_NAMES",
    "MOST_STICKS",
    "Joint",
    "JointKind",
    "Piece",
    "Split",
    "joint_of",
    "split_bow",
    "split_own",
    "split_runs",
    "sticks_for_house",
    "sticks_needed",
]

MOST_STICKS = 12
JointKind = Literal["swaged", "coupler", "sleeve", "bolted", "crown_plate"]
JOINT_NAMES: dict[JointKind, str] = {
    "swaged": "swaged (narrowed) end",
    "coupler": "coupler",
    "sleeve": "sleeve",
    "bolted": "bolted lap",
    "crown_plate": "swaged end, plate at the crown",
}
WHOLE = 1e-9
# A joint of bought pieces nearer to the crown than this share of the tube is at it.
AT_CROWN = 0.03


class Piece(Part):
    """One stick's part of the bow: from where to where along the bow's tube, m from its left end.

    ``corner_before`` and ``corner_after`` say that it ends at a ridge or an elbow, not at a joint.
    """

    name: str
    from_m: float
    to_m: float
    left_over_m: float
    corner_before: bool = False
    corner_after: bool = False

    @property
    def length_m(self) -> float:
        """How long it is cut, m."""
        return self.to_m - self.from_m


class Joint(Part):
    """How two sticks are joined: how much they overlap, and how far from a stick's end it covers, m."""

    kind: JointKind
    overlap_m: float
    cover_m: float

    @property
    def name(self) -> str:
        """What it is called."""
        return JOINT_NAMES[self.kind]


class Split(Part):
    """The sticks of one bow, from the left post to the right one."""

    pieces: tuple[Piece, ...]
    joint_m: float
    stick_m: float
    flipped: bool
    joint_at_crown: bool

    @property
    def left_over_m(self) -> float:
        """Left over from all sticks of one bow when none is shared with another, m."""
        return sum(piece.left_over_m for piece in self.pieces)

    @property
    def cut_m(self) -> float:
        """Length of all pieces of one bow, overlaps counted in each, m."""
        return sum(piece.length_m for piece in self.pieces)

    @property
    def joints_m(self) -> tuple[float, ...]:
        """Middle of each joint, m along the bow's tube; corners are none."""
        return tuple(piece.to_m - self.joint_m / 2 for piece in self.pieces[:-1] if not piece.corner_after)


def joint_of(kind: JointKind, length_m: float) -> Joint:
    """A joint of a kind: swaged ends and laps overlap, couplers and sleeves hold two ends that butt."""
    if kind in ("coupler", "sleeve"):
        return Joint(kind=kind, overlap_m=0.0, cover_m=length_m / 2)
    return Joint(kind=kind, overlap_m=length_m, cover_m=length_m)


def sticks_needed(tube_m: float, stick_m: float, joint_m: float) -> int:
    """Fewest sticks that reach: n·L − (n − 1)·j ≥ tube, so n = ceil((tube − j)/(L − j)), to a hair.

    Raises: ValueError unless the stick is longer than its overlap.
    """
    if stick_m <= joint_m:
        raise ValueError("a stick must be longer than its overlap")
    return max(1, math.ceil((tube_m - joint_m - HAIR_M) / (stick_m - joint_m)))


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


def split_runs(
    tube_m: float,
    corners_m: Sequence[float],
    stick_m: float,
    joint_m: float,
    piece_least_m: float,
    off_crown_share: float,
    takes_m: Sequence[float] = (),
) -> Split:
    """Share a bow's tube that has corners (a ridge, elbows) or fittings over sticks, each run between them by itself.

    Runs of the right half mirror those of the left, so that nothing need be turned end for end. ``takes_m`` is what
    stands at each corner takes up of the tube, on either side; nothing where that isn't told.
    Raises: ValueError where nothing is left of a run.
    """
    if not corners_m:
        return split_bow(tube_m, stick_m, joint_m, piece_least_m, off_crown_share)
    takes = [0.0, *(takes_m or [0.0] * len(corners_m)), 0.0]
    runs = [
        (low + before, high - after)
        for (low, high), (before, after) in zip(pairwise([0.0, *corners_m, tube_m]), pairwise(takes), strict=True)
    ]
    if min(high - low for low, high in runs) <= WHOLE:
        raise ValueError("nothing is left between two fittings")
    pieces: list[Piece] = []
    for number, (start, end) in enumerate(runs):
        split = split_bow(end - start, stick_m, joint_m, piece_least_m, 0.0)
        shares = [(piece.from_m, piece.to_m, piece.left_over_m) for piece in split.pieces]
        if number >= len(runs) / 2:
            shares = [(end - start - to, end - start - fro, left) for fro, to, left in reversed(shares)]
        for place, (fro, to, left_over_m) in enumerate(shares):
            pieces.append(
                Piece(
                    name=_names([0.0] * (len(pieces) + 1))[-1],
                    from_m=start + fro,
                    to_m=start + to,
                    left_over_m=left_over_m,
                    corner_before=place == 0 and number > 0,
                    corner_after=place == len(shares) - 1 and number < len(runs) - 1,
                )
            )
    return Split(pieces=tuple(pieces), joint_m=joint_m, stick_m=stick_m, flipped=False, joint_at_crown=False)


def split_own(pieces_m: Sequence[float], runs: int, joint: Joint) -> Split:
    """The pieces of a bow that was bought bent, each as long as it is, as many in every run between corners.

    Raises: ValueError when they can't be shared out over the runs alike.
    """
    if len(pieces_m) % runs:
        raise ValueError("the pieces can't be shared out over the runs")
    in_run, pieces, start = len(pieces_m) // runs, list[Piece](), 0.0
    for place, length_m in enumerate(pieces_m):
        first, last = place % in_run == 0, place % in_run == in_run - 1
        pieces.append(
            Piece(
                name=chr(ord("A") + place),
                from_m=start,
                to_m=start + length_m,
                left_over_m=0.0,
                corner_before=first and place > 0,
                corner_after=last and place < len(pieces_m) - 1,
            )
        )
        start += length_m - (0.0 if last else joint.overlap_m)
    whole_m = pieces[-1].to_m
    joints = [piece.to_m - joint.overlap_m / 2 for piece in pieces[:-1] if not piece.corner_after]
    return Split(
        pieces=tuple(pieces),
        joint_m=joint.overlap_m,
        stick_m=max(pieces_m),
        flipped=len(pieces_m) > 1 and list(pieces_m) != list(reversed(pieces_m)),
        joint_at_crown=any(abs(at_m - whole_m / 2) < AT_CROWN * whole_m for at_m in joints),
    )


def sticks_for_house(split: Split, bows: int, kind: JointKind = "coupler", kerf_m: float = 0.0) -> int:
    """Sticks, a count, for all bows when short pieces share a stick: the last piece of a bow, and one before a corner,
    goes into no other."""
    swaged, last = kind in ("swaged", "crown_plate"), len(split.pieces) - 1
    pieces = Counter(
        (round(piece.length_m, 9), swaged and place < last and not piece.corner_after)
        for place, piece in enumerate(split.pieces)
    )
    return sticks_cut({piece: count * bows for piece, count in pieces.items()}, split.stick_m, kerf_m)


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
