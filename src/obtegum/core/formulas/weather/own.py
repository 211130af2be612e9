"""What a user puts in place of a coefficient that code and chart leave open, or that was read off a chart here."""

from dataclasses import dataclass

__all__ = ["LEGS_FROM", "NOTHING", "Own"]

# This bench's choice: legs up to this share of the height belong to an arch that springs from the ground.
LEGS_FROM = 0.25


@dataclass(frozen=True, slots=True)
class Own:
    """A user's own coefficients; None where this program's stands.

    ``hill`` multiplies wind's pressure (Kzt) or speed (co); ``legs`` the share of the height from which legs are walls;
    ``windward``, ``centre``, ``leeward`` are the factors of an arch with wind across, ``along`` of its roof with wind
    along the house; ``opened`` the pressure inside with an end open, as a share of q; ``drift`` the drift's height in
    flat-roof snow (US) or μ3 (EN); ``slid`` the push of slid snow as a share of its weight.
    """

    hill: float | None = None
    legs: float | None = None
    windward: float | None = None
    centre: float | None = None
    leeward: float | None = None
    along: float | None = None
    opened: float | None = None
    drift: float | None = None
    slid: float | None = None

    def get(self, name: str, usual: float) -> float:
        """A coefficient by its name: the user's own, or the usual one."""
        value = getattr(self, name)
        return usual if value is None else float(value)


NOTHING = Own()
