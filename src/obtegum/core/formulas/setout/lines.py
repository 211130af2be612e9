"""The six lines between the corners A, B, C, D: both long sides, both ends, both diagonals.

Source: geometry of the rectangle.
"""

from typing import Literal

__all__ = ["DIAGONALS", "LINES", "Line"]

Line = Literal["ab", "dc", "ad", "bc", "ac", "bd"]
LINES: tuple[Line, ...] = ("ab", "dc", "ad", "bc", "ac", "bd")
DIAGONALS: tuple[Line, Line] = ("ac", "bd")
