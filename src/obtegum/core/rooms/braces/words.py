"""What Braces says of what it judges and refuses."""

__all__ = [
    "along_unknown",
    "bays_not_told",
    "brace_holds",
    "brace_unknown",
    "head_off",
    "no_bay",
    "no_push_given",
    "none_pulls",
    "run_pressed",
    "tie_holds",
    "tie_unknown",
]


def no_push_given() -> str:
    return "Pressures as given say nothing of the ends: have the push along the house given too."


def along_unknown(why: str) -> str:
    return f"What wind along asks of the braces isn’t known. {why}"


def brace_unknown(ends: str, pulled: str, what: str, source: str) -> str:
    return f"{_along(ends, pulled)}. What {what} holds isn’t known: {source}."


def brace_holds(ends: str, pulled: str, what: str, held: str, source: str) -> str:
    return f"{_along(ends, pulled)}; {what} holds {held} ({source})."


def _along(ends: str, pulled: str) -> str:
    return f"Wind along pushes both ends by {ends}, and pulls each brace by {pulled}"


def run_pressed(pressed: str, takes: str, by: str) -> str:
    way = "on to the braces that pull; from bow to bow it takes"
    return f"Wind along presses each run by {pressed}, {way} {takes} ({by})."


def tie_unknown(tie: str, pulled: str, pressed: str, what: str, source: str) -> str:
    return f"{_tie(tie, pulled, pressed)}. What {what} holds isn’t known: {source}."


def tie_holds(tie: str, pulled: str, pressed: str, what: str, held: str, source: str, takes: str) -> str:
    return f"{_tie(tie, pulled, pressed)}; {what} holds {held} ({source}), pressed it takes {takes}."


def _tie(tie: str, pulled: str, pressed: str) -> str:
    return f"Weather pulls a {tie} by {pulled} and presses it by {pressed}"


def head_off(off: str, moment: str) -> str:
    """A brace's head away from a run; ``moment`` is what it bends the bow by, where that is known."""
    bends = f", and bends the bow there by {moment}, which its strength doesn’t count" if moment else ""
    return f"The brace’s head is {off} of the bow from the nearest run{bends}. Set it at a run."


def bays_not_told() -> str:
    return "How many bays of each side are braced? Nobody has said: see Braces."


def no_bay() -> str:
    return "No bay is braced: nothing takes wind along the house, or holds a bow beside itself."


def none_pulls(where: str) -> str:
    return f"No brace pulls when wind blows at the {where}: lean one the other way, or cross them."
