"""What Drain says of what it judges and refuses."""

__all__ = [
    "brings",
    "deep_trench",
]


def brings(rain: str, uphill: bool, water: str, carries: str) -> str:
    ground = " and the ground above it" if uphill else ""
    return f"In {rain} half the roof{ground} brings {water}; the pipe carries {carries}."


def deep_trench(deep: str, most: str) -> str:
    return f"The trench ends {deep} deep. From {most} its sides are shored or battered before anyone goes in."
