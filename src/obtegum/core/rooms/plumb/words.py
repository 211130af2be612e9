"""What Plumb says of what it judges and refuses."""

__all__ = [
    "leans",
]


def leans(bow: int, how: str, limit: str, spread: str) -> str:
    return f"Bow {bow} {how}; {limit} is the most. Each reading is good to {spread}."
