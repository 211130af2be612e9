"""What Boards says of what it judges and refuses."""

__all__ = [
    "bolt_too_short",
    "no_bow_behind",
]


def no_bow_behind(nearest: str) -> str:
    return f"A splice would have no bow behind it. A board must reach from bow to bow: {nearest}."


def bolt_too_short(nearest: str) -> str:
    return f"The bolt is too short: board, bow, washers and nut take {nearest}."
