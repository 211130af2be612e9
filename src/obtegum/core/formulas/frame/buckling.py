"""By how much loads on a frame can grow until it buckles.

Source: linear eigenvalue buckling, K·v = −λ·Kg·v, in the frame’s own modes (Rayleigh and Ritz); bounds by the norm of a
matrix.
"""

from typing import Any

import numpy as np
from numpy.typing import NDArray

from obtegum.core.formulas.frame.solve import Frame

__all__ = ["critical_factors", "least_factors"]

Array = NDArray[np.float64]
# The least of a load's inverse that counts.
LEAST = 1e-12


def critical_factors(frame: Frame, axial: Array) -> Array:
    """(c,): by how much the axial forces (c, n) can grow until the frame buckles; infinite where they never do it.

    The smallest λ > 0 of K·φ = −λ·G·φ among mixes of the frame's own buckling modes under even compression
    (Rayleigh and Ritz). A mix of modes is a little stiffer than any shape, so λ is too high by a trace: with twelve
    modes by less than a thousandth, which the tests hold.
    """
    return _factors(np.linalg.eigvalsh(-np.tensordot(axial, frame.mode_swaying, axes=1))[:, -1])


def least_factors(frame: Frame, axial: Array) -> Array:
    """(c,): a lower bound of `critical_factors` for the axial forces (c, n), N, ``axial`` of an analysis, tension
    positive: no eigenvalue is more than its matrix's norm."""
    modes = np.tensordot(axial, frame.mode_swaying, axes=1)
    size: Array = np.sqrt((modes**2).sum(axis=(1, 2)))
    return _factors(size)


def _factors(most: NDArray[Any]) -> Array:
    with np.errstate(divide="ignore"):
        return np.asarray(np.where(most > LEAST, 1 / np.maximum(most, LEAST), np.inf))
