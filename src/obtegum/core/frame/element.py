"""A beam between two nodes, in its own directions: what bending and a tension of 1 N bring to its stiffness.

Each entry: row, column, and the factor by its length, m; bending times E·I/L³, sway times the tension, N.
"""

from typing import Any

import numpy as np

__all__ = ["BENDING", "SWAYING"]

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
