"""The second order: the deformed frame in balance, by steps where these are quick, else by Newton's method.

What is asked for is where stiffness under the axial forces, N = q·u − e, bends the frame just so far that it has these:
(K + Σ N·S)·u = f. Its tangent has Σ (S·u)⊗q besides, element by element, so that it has bands too, though it isn't
symmetric. Where that finds no rest from the first order, it is led there over half of the load. Most frames are far
from buckling and rest after a few steps of K with the axial forces of the last one, which cost a third as much each.
Source: any text on nonlinear analysis of framed structures, e.g. McGuire, Gallagher and Ziemian.
"""

import numpy as np
from numpy.typing import NDArray

from obtegum.core.formulas.frame.element import BANDS, each_of
from obtegum.core.formulas.frame.loads import Loads
from obtegum.core.formulas.frame.solve import Frame, Solved, asked_of, forces_of

__all__ = ["second_order"]

Array = NDArray[np.float64]
# Passes at most, near rest each squares what is left, and how well axial forces must hold in the last one.
MOST_PASSES, HOLDS = 10, 3e-7
# Steps at most, how well they must hold, and how far ahead of one the next may be put, in steps.
MOST_STEPS, STEPS_HOLD, MOST_AHEAD = 7, 1e-5, 5.0
# The pass by which half of the first step must be gone: what wanders until then mostly does so further.
LOOKED_AT = 5


def second_order(frame: Frame, loads: Loads, first: Solved) -> Solved:
    """Displacements and forces with the deformed frame in balance, beginning with the ``first`` order.

    A case that finds no rest, or one that a push would send off (its stiffness or its tangent no longer positive),
    doesn't stand; its numbers mean nothing then.
    """
    right, ends = asked_of(frame, loads.total), (loads.ends[:, :, 3] - loads.ends[:, :, 0]) / 2
    moved, axial, stands = _stepped(frame, right, ends, first.axial)
    lost = np.flatnonzero(~stands)
    if len(lost):
        found = _led(frame, right[lost], ends[lost], first.moved[lost], first.axial[lost])
        moved[lost], axial[lost], stands[lost] = found
    lost = np.flatnonzero(~stands)
    if len(lost):
        half = 0.5 * right[lost], 0.5 * ends[lost], 0.5 * first.moved[lost], 0.5 * first.axial[lost]
        from_moved, from_axial, stood = _led(frame, *half)
        lost = lost[stood]
        found = _led(frame, right[lost], ends[lost], from_moved[stood], from_axial[stood])
        moved[lost], axial[lost], stands[lost] = found
    return forces_of(frame, moved, loads, axial, stands)


def _stepped(frame: Frame, right: Array, ends: Array, begin: Array) -> tuple[Array, Array, NDArray[np.bool_]]:
    """As `_led`, by stiffness under the axial forces of the step before, put ahead by what the last step told of the
    next (Anderson, of one step), as far as that comes to rest in a few; a frame with outer ties isn't tried so."""
    moved, stands = np.zeros_like(right), np.zeros(len(right), dtype=bool)
    axial, used, before, reached = begin.copy(), begin.copy(), np.zeros_like(begin), np.zeros_like(begin)
    going, scale = np.arange(len(right)), np.maximum(np.abs(begin).max(axis=1), 1e-6)
    for number in range(MOST_STEPS if frame.outer is None else 0):
        if len(going) == 0:
            break
        bands, bent = frame.banded(axial[going]), list[int]()
        for place, case in enumerate(going):
            found = frame.bent_by(bands[place], right[case])
            if found is not None:
                moved[case] = found
                bent.append(place)
        # What isn't stiff any more is left to the other way.
        going = going[bent]
        now = (frame.spread(moved[going]) * frame.stretch).sum(axis=2) - ends[going]
        used[going] = axial[going]
        step = now - axial[going]
        off = np.abs(step).max(axis=1, initial=0.0) / scale[going]
        turn = step - before[going]
        ahead = (step * turn).sum(axis=1) / np.maximum((turn**2).sum(axis=1), 1e-30)
        ahead = np.where((number > 0) & (np.abs(ahead) <= MOST_AHEAD), ahead, 0.0)[:, None]
        axial[going] = now - ahead * (now - reached[going])
        before[going], reached[going] = step, now
        stands[going[off <= STEPS_HOLD]] = True
        going = going[off > STEPS_HOLD]
    return moved, used, stands


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
