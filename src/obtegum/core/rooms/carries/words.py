"""What Carries says of what it judges and refuses."""

__all__ = [
    "in_time",
    "late_for",
    "too_late",
]


def too_late(at: str, clears: str) -> str:
    sooner = f"clear at {clears} of settled snow" if clears != "none" else "it carries none"
    return f"At {at} even fresh snow is more than it carries: {sooner}"


def late_for(at: str, safe: str, late: str) -> str:
    return f"Cleared at {at} it carries {safe}; {late} that deep is more than it carries"


def in_time(at: str, worst: str, number: str) -> str:
    return f"Cleared at {at} it carries every kind of snow; {worst} uses {number} of it"
