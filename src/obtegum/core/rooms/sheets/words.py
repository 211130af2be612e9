"""What Sheets says of what it judges and refuses."""

__all__ = [
    "bend_unknown",
    "bends_to",
    "carry",
    "carry_unknown",
    "lift_unknown",
    "screw_lifted",
    "screw_unknown",
]


# What isn't known of a screw, and how to learn it.
NOBODY = "Nobody told what a screw with its washer holds in these runs: its maker’s figure, or half of your own test."


def bends_to(number: str, limit: str, fails: bool) -> str:
    breaks = ": they would craze or snap. Thinner panels, or a wider curve." if fails else "."
    return f"The roof’s tightest curve is {number}; these bend cold to {limit}{breaks}"


def carry(number: str, limit: str) -> str:
    return f"Supports are up to {number} apart; the sheets carry {limit}, by their maker."


def lift_unknown() -> str:
    return f"What wind lifts isn’t known while the weather isn’t. {NOBODY}"


def screw_unknown(asked: str) -> str:
    return f"Wind lifts each screw by {asked}. {NOBODY}"


def screw_lifted(asked: str, limit: str) -> str:
    return f"Wind lifts each screw by {asked}, of the {limit} that it holds."


def bend_unknown(number: str) -> str:
    return f"The roof’s tightest curve is {number}: how far these sheets bend cold, their maker tells."


def carry_unknown(number: str) -> str:
    return f"Supports are up to {number} apart: what these sheets carry between them, their maker tells."
