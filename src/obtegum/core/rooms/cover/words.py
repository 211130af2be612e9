"""What Cover says of what it judges and refuses."""

__all__ = [
    "bows_differ",
    "cloth_unrated",
    "eyelets",
    "film_uses",
    "fixing_holds",
    "fixing_unknown",
    "made_reaches",
    "pull_unknown",
    "roll_leaves",
    "roll_reaches",
    "roll_short",
    "roll_too_short",
    "two_fixings",
    "wider_than_sold",
]


def wider_than_sold(two: bool, needs: str, widest: str) -> str:
    each = _each(two)
    return f"{each} has to be {needs} wide, and the widest roll sold here is {widest}: two pieces joined, a lower side."


def roll_reaches(two: bool, needs: str, roll: str, over: str, trim: str) -> str:
    return f"{_each(two)} wants {needs}; the roll is {roll}: {over} over on each side, beside {trim} to trim."


def roll_short(two: bool, needs: str, roll: str, short: str, trim: str, trimmed: bool) -> str:
    gives = "which what was left to trim gives" if trimmed else f"more than {trim} to trim"
    return f"{_each(two)} wants {needs} and the roll is {roll}: {short} short on each side, {gives}."


def _each(two: bool) -> str:
    return "Each of the two pieces" if two else "The sheet"


def eyelets(met: int, bows: int, furthest: str) -> str:
    rest = "" if met == bows else " The rest wants a rail to tie to."
    none = " No bow can be tied to: another distance."
    return (
        f"{met} of {bows} bows have an eyelet to be tied to; the furthest is off by {furthest}.{rest if met else none}"
    )


def two_fixings(needs: str, has: str, too_narrow: bool) -> str:
    wider = " Two can’t lie in one place: a wider board, or the same sheet rolled up." if too_narrow else ""
    return (
        f"The roof’s fixing and the curtain’s own want {needs} of the hip board, one over the other; it is {has} "
        f"wide.{wider}"
    )


def bows_differ(number: str, beyond: bool) -> str:
    slip = " A slip of the tape, or bows that aren’t alike: tape again before anything is ordered." if beyond else ""
    return f"Taped bows and the plan differ by {number} over the outside; the largest is taken.{slip}"


def pull_unknown(asked: str) -> str:
    return f"What wind pulls isn’t known. {asked or 'The weather isn’t told.'}"


def cloth_unrated(side: str, end: str) -> str:
    return f"{_pulls(side, end)} nobody rated cloth: its maker’s figure says whether it bears that."


def film_uses(side: str, end: str, film: str, number: str) -> str:
    return f"{_pulls(side, end)} {film} film uses {number} of what it bears in its last year."


def _pulls(side: str, end: str) -> str:
    return f"Wind pulls {side} on each side’s fixing and {end} at the ends;"


def fixing_unknown(name: str, asked: str, own: bool) -> str:
    """A fixing that was pulled at nowhere; ``own`` where the test of this edge is its own."""
    test = "Pull a metre of the real thing three times until it gives, and write all three."
    other = "What was pulled at is the left side’s or the front’s; this takes its own test."
    return f"What {name} will hold here isn’t known; wind pulls {asked} on it. {test if own else other}"


def fixing_holds(held: str, name: str, asked: str) -> str:
    return f"By half of the least pull, {held} for {name}; wind pulls {asked}."


def made_reaches(off: str, least: str, needs: str) -> str:
    return f"Ordered as told here and made to within {off}, it is {least} wide at the least: {needs} reach."


def roll_leaves(roll: str, needs: str, left: str) -> str:
    return f"Of a roll of {roll} it takes {needs}: {left} is left for ends, doors and patches."


def roll_too_short(needs: str, roll: str, short: str) -> str:
    return f"It takes {needs} of the roll, which is {roll}: {short} short."
