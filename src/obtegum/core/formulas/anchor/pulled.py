"""What pull tests allow: half of the lowest of three or more, for posts in soil and for what fixes a cover."""

from collections.abc import Sequence

__all__ = ["LEAST_PULLS", "allowed"]

# So many are pulled at the least, and what of the lowest is allowed (this bench).
LEAST_PULLS, ALLOWED = 3, 0.5


def allowed(pulls: Sequence[float]) -> float | None:
    """What is allowed of forces at which each gave, N or N/m; None where too few were pulled at."""
    return ALLOWED * min(pulls) if len(pulls) >= LEAST_PULLS else None
