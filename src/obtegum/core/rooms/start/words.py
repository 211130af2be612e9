"""What Start says of what it judges and refuses."""

__all__ = [
    "half_circle_higher",
    "not_planned",
    "too_few_sticks",
]


def too_few_sticks(have: int, each: int, least: int) -> str:
    return f"{have} sticks don’t make two bows of {each}. The least is {least}."


def half_circle_higher(least: str) -> str:
    return f"Half a circle so wide is higher: {least} at the least. Lower ones are one flatter arc."


def not_planned(what: str, reach: str, between: str) -> str:
    return f"{what} would make a {reach}; {between} can be planned."
