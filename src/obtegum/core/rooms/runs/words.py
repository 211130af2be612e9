"""What Runs says of what it judges and refuses."""

__all__ = [
    "laths",
    "slender",
]


def slender(number: str, most: str) -> str:
    return (
        f"A run holds bows by pressing as well as pulling: a bay of it is {number} times its radius of gyration, "
        f"{most} is the most (AISC 360-16 E2)."
    )


def laths() -> str:
    return "Laths between the bows: nobody has reckoned what such a run holds a bow by."
