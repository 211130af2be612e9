"""What Air says of what it judges and refuses."""

__all__ = [
    "bare",
    "fanned",
    "hot",
    "too_hot",
    "under_cloth",
]


def bare() -> str:
    return "In the hot months nothing is on: it is as hot as outside."


def under_cloth() -> str:
    return "In the hot months cloth is on: air goes through it; how hot it gets under it isn’t reckoned here."


def too_hot(share: str, rule: str) -> str:
    return f"{_opens(share, rule)}: on a still, sunny day it gets hotter than any crop stands."


def hot(share: str, rule: str, hotter: str, breezy: str) -> str:
    return f"{_opens(share, rule)}: on a still, sunny day it gets {hotter} hotter than outside, with a breeze {breezy}."


def _opens(share: str, rule: str) -> str:
    return f"What opens is {share} of the floor (a rule of thumb wants {rule})"


def fanned(needs: str, fast: str, has: str, short: bool) -> str:
    more = " Inlets in the ends, or the ends off in the hot months." if short else ""
    return f"Fans want {needs} free at the other end, so that air comes in no faster than {fast}; it opens {has}.{more}"
