"""What Ends says of what it judges and refuses."""

from collections.abc import Iterable

__all__ = [
    "across_uses",
    "bow_too_weak",
    "bow_uses",
    "fan_wants",
    "film_presses",
    "film_pulls",
    "film_unknown",
    "goes_through",
    "head_asked",
    "head_unknown",
    "header_meets",
    "jamb_unknown",
    "jamb_uses",
    "leaf_of_boards_too_narrow",
    "leaf_of_pipe_too_narrow",
    "not_through",
    "notch_too_deep",
    "nothing_holds",
    "only_just",
    "press_unknown",
    "prop_behind",
    "push_uncounted",
    "stud_uses",
    "tube_notched",
]


def across_uses(side: str, called: str, letter: str, share: str) -> str:
    return (
        f"The {side}’s {called} {letter} uses {share} of its bending strength, with half of what is below and above "
        "it in the wind."
    )


def head_unknown(side: str, clamped: bool, pull: str) -> str:
    why = f"Nobody said how many screws hold each head of the {side}."
    if clamped:
        why = f"What clamps at the heads of the {side} bear isn’t known: pull at one."
    return f"{why} Wind asks {pull} of the hardest."


def head_asked(pull: str, letter: str, share: str, screws: int | None) -> str:
    """What a stud's head is asked for: of its screws through a strap, or of its bolt's plate washer."""
    by = "its bolt’s plate washer bears" if screws is None else f"{screws} screws through a strap bear"
    return f"Wind asks {pull} of the head of {letter}: {share} of what {by} in wet wood."


def push_uncounted(why: str) -> str:
    return f"What the studs push the end bow by isn’t counted. {why}"


def bow_too_weak() -> str:
    return "The bow itself is too weak for its weather: see Strength."


def bow_uses(side: str, whole: str, pushed: str, film_not_told: bool) -> str:
    film = " How its film is fixed, nobody said." if film_not_told else ""
    return (
        f"The {side}’s bow uses {whole} of its strength, {pushed} of that because studs push it between its runs.{film}"
    )


def film_unknown(side: str, pull: str, why: str) -> str:
    return f"{_film(side, pull)}; what it bears isn’t known. {why}"


def film_pulls(side: str, pull: str, uses: str, aside: str) -> str:
    return f"{_film(side, pull)}; it {uses}, {aside} of that because film draws it in between what holds it."


def _film(side: str, pull: str) -> str:
    return f"Wind makes the film pull the {side}’s bow by {pull}"


def nothing_holds(side: str) -> str:
    return f"Nothing that can be reckoned holds the {side}’s bow against its film: runs of steel tube, or a strut."


def press_unknown(strut: bool, pressed: str) -> str:
    return f"Film presses {_holds(strut)} by {pressed}; what that takes isn’t known."


def film_presses(side: str, strut: bool, pressed: str, takes: str) -> str:
    way = "from foot to head" if strut else "from bow to bow"
    return f"Film of the {side} presses {_holds(strut)} by {pressed}; {way} that takes {takes}."


def _holds(strut: bool) -> str:
    return "its struts" if strut else "the run that it presses most"


def jamb_unknown(side: str, why: str) -> str:
    return f"What the jambs of the {side} stand in isn’t known. {why}"


def jamb_uses(deep: str, in_concrete: bool, side: str, share: str) -> str:
    filled = " in concrete" if in_concrete else ""
    return f"{deep} deep{filled}, a jamb of the {side} uses {share} of what its ground holds sideways."


def goes_through(what: str, side: str, spare: str) -> str:
    return f"{what} goes through the {side} with {spare} to spare across."


def only_just(what: str, side: str) -> str:
    return f"{what} only just goes through the {side}: mind your knuckles."


def not_through(what: str, side: str, lacks: Iterable[str]) -> str:
    return f"{what} doesn’t go through the {side}: {', '.join(lacks)}."


def prop_behind(behind: str, side: str, aside: str) -> str:
    return (
        f"The prop under the second bow’s crown stands {behind} behind the door of the {side}. A doorway "
        f"{aside} to the side clears it."
    )


def header_meets(side: str, named: str, lower: str) -> str:
    return f"As the posts of the {side} stand, the header of the {named} meets the bow: {lower} lower."


def stud_uses(side: str, letter: str, share: str, press: str) -> str:
    return f"The {side}’s stud {letter} uses {share} of its bending strength under {press} of wind."


def fan_wants(wants: str, other: str, has: str) -> str:
    return (
        f"A fan for this floor draws in through {wants} at the other end; the {other} opens {has}. Short of air it "
        "pulls at the film and hardly cools."
    )


def leaf_of_boards_too_narrow() -> str:
    return "Nothing of a leaf so narrow is left between its own boards."


def leaf_of_pipe_too_narrow() -> str:
    return "Nothing of a leaf so narrow is left between its fittings."


def tube_notched() -> str:
    return "A tube isn’t notched: cut it under the bow, or lap it."


def notch_too_deep(least: str, deep: str) -> str:
    return f"A notch for the bow takes {least} of the stud across the wall; it is {deep}."
