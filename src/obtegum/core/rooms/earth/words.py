"""What Earth says of what it judges and refuses."""

__all__ = [
    "covered",
    "covered_only",
    "no_levels",
]


def no_levels() -> str:
    return "No levels to reckon cut and fill from. Read the pegs of both sides first."


def covered(covered: str) -> str:
    return f"Levels cover {covered} of the pad."


def covered_only(covered: str) -> str:
    return (
        f"Levels cover only {covered} of the pad, so these volumes are too small. "
        "Read spots out to its edge: beyond the posts on every side."
    )
