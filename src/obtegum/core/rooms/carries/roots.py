"""How much of a load there can be: the largest that uses no more than the whole of a strength."""

from collections.abc import Callable

__all__ = ["most_of"]

# Steps that a search takes at the most, and how far its guess is left behind while nothing gives.
MOST_STEPS, FURTHER = 60, 1.6


def most_of(share_at: Callable[[float], float], guess: float, most: float, step: float) -> float:
    """The largest load, to a step below, at which a share of strength that rises with it is no more than 1; 0 where
    it is more without any, and ``most`` where it isn't at so much.

    Shares rise nearly in proportion: each trial lies where the line through the last two would pass 1, a share of a
    step to either side, so that the root is soon between two trials. A share that leaps past 1, as of what buckles, is
    halved between.
    """
    low, high = 0.0, most
    at_low, at_high = -1.0, None
    tried = min(guess, most)
    for count in range(MOST_STEPS):
        at = share_at(tried) - 1
        if at <= 0:
            low, at_low = tried, at
            if tried >= most:
                return most
        else:
            high, at_high = tried, at
        if at_high is not None and high - low <= step:
            break
        tried = _next(low, at_low, high, at_high, most, step, count)
    return low


def _next(low: float, at_low: float, high: float, at_high: float | None, most: float, step: float, count: int) -> float:
    """Where to try next between the largest load that is borne and the least that isn't."""
    if at_high is None:
        # In proportion, and some more: so that it is passed rather than crept up to.
        ahead = low / max(1 + at_low, 1e-6) if low > 0 else most
        return min(max(ahead * 1.02, low * 1.1), low * FURTHER if low > 0 else most, most)
    if count % 3 == 2 and high - low > 8 * step:
        return (low + high) / 2
    root = (low * at_high - high * at_low) / (at_high - at_low)
    # Just beyond the root, on the side of the nearer end, so that the other one comes near too.
    beyond = step / 3 if root - low < high - root else -step / 3
    return min(max(root + beyond, low + step / 4), high - step / 4)
