"""What Sides says of what it judges and refuses."""

__all__ = [
    "hand_turns",
    "in_the_way",
    "just_clear",
    "lags",
    "lies_on",
    "motor_turns",
    "motor_unknown",
    "passes_clear",
    "stands_out",
]


def stands_out(what: str, up: str, proud: str) -> str:
    """What a curtain has to pass, with which a sentence begins."""
    return f"{what[:1].upper()}{what[1:]}, {up} up, stands out {proud}"


def passes_clear(at: str, number: str) -> str:
    return f"{at}: the curtain passes {number} clear of it."


def in_the_way(at: str) -> str:
    return f"{at}, in the curtain’s way: film is worn through there. Round heads, a lower foot, or none outside."


def just_clear(at: str, number: str) -> str:
    return f"{at}: the curtain passes no more than {number} clear of it."


def lies_on(at: str) -> str:
    return f"{at}: film lies on it. Round as it is it wears slowly: tape over it, and look each round."


def lags(number: str, fails: bool) -> str:
    stouter = " A stouter bar, or more and shorter curtains." if fails else ""
    return f"The bar twists: its far end comes up {number} later than the end that is turned.{stouter}"


def motor_unknown(needs: str) -> str:
    return f"A curtain wants {needs} at its bar, all the way up: write what the motor is rated for."


def motor_turns(needs: str, limit: str) -> str:
    return f"A curtain wants {needs} at its bar, all the way up, of the {limit} that the motor has."


def hand_turns(hand: str, limit: str) -> str:
    return f"The crank takes {hand} of the hand at the top; {limit} is turned without tiring."
