"""What Keep pegs says of what it judges and refuses."""

__all__ = [
    "clear",
    "too_near",
]


def clear(offset: str) -> str:
    return f"Offsets {offset} out stand clear of the digging."


def too_near(offset: str, needed: str) -> str:
    return f"Offsets {offset} out are too near the digging: spoil and boots take them. At least {needed}."
