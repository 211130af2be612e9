"""What Size says of what it judges and refuses."""

from obtegum.core.drawing.verdict import Level

__all__ = [
    "corner",
    "half_circle_higher",
    "head_room",
    "held_so",
]


def held_so(sentence: str, wide: bool) -> str:
    """What a shape refuses, and what may give way instead of its width, or of its pipe."""
    gives = "the height or the pipe’s length" if wide else "the height or the width"
    return f"{sentence} Held so, let {gives} give way."


def head_room(room: str, in_from: str, many: str, height: str, level: Level) -> str:
    place = f"at the side bed, {in_from} in from the {many}"
    if level == "fails":
        return f"Only {room} {place}: a {height} grower stoops there."
    how = "just stands up" if level == "tight" else "stands up straight"
    return f"{room} {place}: a {height} grower {how}."


def half_circle_higher(nearest: str) -> str:
    return f"Half a circle this wide is {nearest} high at the least. For a lower house choose one flatter arc."


def corner(corner: str, hidden: str) -> str:
    return (
        f"Leg and arc meet at a corner of {corner}. A bent tube hides about {hidden}; "
        "more wants an elbow, or half a circle on the legs."
    )
