"""The second order: the deformed frame in balance, by Newton's method.

What is asked for is where stiffness under the axial forces, N = q·u − e, bends the frame just so far that it has these:
(K + Σ N·S)·u = f. Its tangent has Σ (S·u)⊗q besides, element by element, so that it has bands too, though it isn't
symmetric. Where that finds no rest from the first order, it is led there over half of the load.
Source: any text on nonlinear analysis of framed structures, e.g. McGuire, Gallagher and Ziemian.
"""

import numpy as np
from numpy.typing import NDArray

from obtegum.core.frame.element import BANDS, each_of
from obtegum.core.frame.loads import Loads
from obtegum.core.frame.solve import Frame, Solved, asked_of, forces_of

__all__ = ["second_order"]

Array = NDArray[np.float64]
# Passes at most, near rest each squares what is left, and how well axial forces must hold in the last one.
MOST_PASSES, HOLDS = 10, 3e-7
# The pass by which half of the first step must be gone: what wanders until then mostly does so further.
LOOKED_AT = 5


def second_order(frame: Frame, loads: Loads, first: Solved) -> Solved:
    """Displacements and forces with the deformed frame in balance, beginning with the ``first`` order.

    A case that finds no rest, or one that a push would send off (its stiffness or its tangent no longer positive),
    doesn't stand; its numbers mean nothing then.
    """
    right, ends = asked_of(frame, loads.total), (loads.ends[:, :, 3] - loads.ends[:, :, 0]) / 2
    moved, axial, stands = _led(frame, right, ends, first.moved, first.axial)
    lost = np.flatnonzero(~stands)
    if len(lost):
        half = 0.5 * right[lost], 0.5 * ends[lost], 0.5 * first.moved[lost], 0.5 * first.axial[lost]
        from_moved, from_axial, stood = _led(frame, *half)
        lost = lost[stood]
        found = _led(frame, right[lost], ends[lost], from_moved[stood], from_axial[stood])
        moved[lost], axial[lost], stands[lost] = found
    return forces_of(frame, moved, loads, axial, stands)


def _led(frame: Frame, right: Array, ends: Array, moved: Array, axial: Array) -> tuple[Array, Array, NDArray[np.bool_]]:
    """Displacements (c, 3n + 3), axial forces (c, n), N, and whether it stands (c,), from a first guess of both."""
    moved, axial = moved.copy(), axial.copy()
    stands, scale = np.zeros(len(right), dtype=bool), np.maximum(np.abs(axial).max(axis=1), 1e-6)
    going, at_first = np.arange(len(right)), np.full(len(right), np.inf)
    for number in range(MOST_PASSES):
        if len(going) == 0:
            break
        new, upward = _pass(frame, axial[going], moved[going], right[going])
        now = (frame.spread(new) * frame.stretch).sum(axis=2) - ends[going]
        off = np.abs(now - axial[going]).max(axis=1) / scale[going]
        moved[going], axial[going] = new, now
        stands[going[(off <= HOLDS) & upward]] = True
        if number == 0:
            at_first = off
        nears = np.isfinite(off) if number < LOOKED_AT else off < at_first[going] / 2
        going = going[(off > HOLDS) & nears]
    for case in np.flatnonzero(stands):
        stands[case] = frame.rests(axial[case])
    return moved, axial, stands


def _pass(frame: Frame, axial: Array, moved: Array, right: Array) -> tuple[Array, NDArray[np.bool_]]:
    """Where the tangent leads to (c, 3n + 3), and whether it still has the sign of a frame that stands (c,)."""
    from scipy.linalg.lapack import dgbsv

    at = frame.spread(moved)
    swayed = each_of(frame.swaying, at)
    tangent = frame.stiff + axial[:, :, None, None] * frame.swaying + swayed[:, :, :, None] * frame.stretch[:, None]
    bands = frame.in_general_bands(tangent)
    pulled = (at * frame.stretch).sum(axis=2)
    asked = right + frame.gathered(swayed * pulled[:, :, None])
    asked[:, frame.held] = 0.0
    new, upward, own = np.full_like(moved, np.nan), np.zeros(len(moved), dtype=bool), np.arange(moved.shape[1])
    for case, mine in enumerate(asked):
        columns = mine[:, None] if frame.outer is None else np.column_stack([mine, frame.unit_ties])
        worked, swapped, found, info = dgbsv(BANDS, BANDS, bands[case].T, columns, overwrite_ab=True)
        if info != 0:
            continue
        turned = np.count_nonzero(worked[2 * BANDS] < 0) + np.count_nonzero(swapped != own)
        sign = 1.0 if turned % 2 == 0 else -1.0
        if frame.outer is None:
            new[case] = found[:, 0]
        else:
            new[case] = frame.held_back(found[:, :1], found[:, 1:]).ravel()
            sign *= frame.held_sign(found[:, 1:])
        upward[case] = sign > 0
    return new, upward
