"""A beam between two nodes, in its own directions: what bending and a tension of 1 N bring to its stiffness.

Each entry: row, column, and the factor by its length, m; bending times E·I/L³, sway times the tension, N.
"""

from typing import Any

import numpy as np
from numpy.typing import NDArray

__all__ = ["BANDS", "BENDING", "SWAYING", "dense", "each_of"]

Array = NDArray[np.float64]
# Of the stiffness of elements in line, beside its diagonal.
BANDS = 5

BENDING: Any = (
    (1, 1, lambda length: 12.0 * np.ones_like(length)),
    (4, 4, lambda length: 12.0 * np.ones_like(length)),
    (1, 4, lambda length: -12.0 * np.ones_like(length)),
    (1, 2, lambda length: 6 * length),
    (1, 5, lambda length: 6 * length),
    (2, 4, lambda length: -6 * length),
    (4, 5, lambda length: -6 * length),
    (2, 2, lambda length: 4 * length**2),
    (5, 5, lambda length: 4 * length**2),
    (2, 5, lambda length: 2 * length**2),
)
SWAYING: Any = (
    (1, 1, lambda length: 1.2 / length),
    (4, 4, lambda length: 1.2 / length),
    (1, 4, lambda length: -1.2 / length),
    (1, 2, lambda length: 0.1 * np.ones_like(length)),
    (1, 5, lambda length: 0.1 * np.ones_like(length)),
    (2, 4, lambda length: -0.1 * np.ones_like(length)),
    (4, 5, lambda length: -0.1 * np.ones_like(length)),
    (2, 2, lambda length: 2 * length / 15),
    (5, 5, lambda length: 2 * length / 15),
    (2, 5, lambda length: -length / 30),
)


def dense(bands: Array) -> Array:
    """(k, k): the whole of a symmetric matrix that is told by its upper bands, (b, k)."""
    rows = bands.reshape(BANDS + 1, -1)
    whole, at = np.zeros((rows.shape[1], rows.shape[1])), np.arange(rows.shape[1])
    for off in range(BANDS + 1):
        near, far = at[: len(at) - off], at[off:]
        whole[near, far] = whole[far, near] = rows[BANDS - off, off:]
    return whole


def each_of(matrices: Array, vectors: Array) -> Array:
    """(c, n, i): matrices (n, i, j), one an element, times its ``vectors`` in every case (c, n, j)."""
    return np.asarray((matrices @ vectors.transpose(1, 2, 0)).transpose(2, 0, 1))
