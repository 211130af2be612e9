"""Where on the bow, in words, and what the strength of a bow comes to in a sentence."""

import math

from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather.own import LEGS_FROM
from obtegum.core.rooms.strength.found import FAR, Judged
from obtegum.core.rooms.strength.site import STRAIGHT
from obtegum.core.rooms.weather.found import method_of, overridden, own_factors, stood_in
from obtegum.core.values.quantity import percent_text

__all__ = [
    "AID",
    "MADE_UP",
    "MANY",
    "aided",
    "conditions",
    "governing",
    "in_ground",
    "made_up",
    "place_words",
    "share_text",
]

AID = "Planning aid: code and a licensed engineer decide."
MADE_UP = "Made-up weather, not for building."
# Bows that are looked at beside the ordinary one.
END, LOW, TIED = "The end bow", "The bow whose feet stand out least", "A bow with its tie"
# Shares of the bow's tube up to which a place is called so, from a foot.
PLACES = ((0.07, "just above the {side} {post}"), (0.3, "at the {side} shoulder"), (0.46, "{side} of the crown"))
MANY = 3.0
# Habits that the answer hangs on, as they were told.
HABITS = {"cleared": ", sides cleared", "off": ", film off in winter"}


def made_up(work: Work, sentence: str) -> str:
    """A sentence that hangs on weather, which says so where that is made up."""
    return f"{MADE_UP} {sentence}" if stood_in(work) else sentence


def aided(work: Work, sentence: str) -> str:
    """A sentence of strength in weather: made up or not, and who decides."""
    return f"{made_up(work, sentence)} {AID}"


def place_words(judged: Judged, element: int, post: str) -> str:
    """Where an element lies: in the left post, at the right shoulder, at the crown."""
    model = judged.model
    middle = float(model.frame.nodes[element : element + 2, 0].mean())
    side = "left" if middle < 0 else "right"
    if model.which[element] == 1:
        return f"in the {side} {post}"
    whole = float(model.s_m[-1] - model.s_m[0])
    share = (float(model.s_m[element : element + 2].mean()) - float(model.s_m[0])) / whole
    near = min(share, 1 - share)
    return next((words.format(side=side, post=post) for most, words in PLACES if near <= most), "at the crown")


# What cloth must be that lets wind through.
CLOTH = ", while the cloth is dry and clean"


def conditions(work: Work) -> str:
    """What the answer hangs on besides the weather: habits, what was taken off the tube, coefficients of one's own."""
    weather, strength = work.design.weather, work.design.strength
    less = f", {percent_text(strength.less_share)} off: {strength.less_why or 'nobody says why'}"
    own, rigid = sorted(set(overridden(work).values())), work.design.sheets.over_roof
    return (
        HABITS.get(weather.sides, "")
        + ("" if rigid else HABITS.get(weather.film, ""))
        + (
            CLOTH
            if weather.cover == "cloth" and not rigid and weather.cloth == "dry" and method_of(work).of_site
            else ""
        )
        + _beyond(work)
        + (", doors shut in every storm" if weather.doors == "shut" and method_of(work).knows_habits else "")
        + (less if strength.less_share else "")
        + (f", coefficients of your own ({'; '.join(own)})" if own else "")
    )


def _beyond(work: Work) -> str:
    """What is said of a house that is taller than the figure that its wind is read off."""
    most = method_of(work).tallest
    size = work.design.size
    walls = size.leg_m / size.height_m > (own_factors(work).legs or LEGS_FROM)
    ratio = ((size.height_m - size.leg_m) if walls else size.height_m) / size.span_m
    if most is None or size.shape.kind in STRAIGHT or ratio <= most[0] + 1e-9:
        return ""
    return f", taller than figure {most[1]} goes"


def _held(work: Work) -> str:
    """What is counted on that nobody has settled."""
    return "; as if some bays were braced: see Braces" if work.design.braces.bays is None else ""


def governing(work: Work, judged: Judged, post: str, what: str = "The bow") -> str:
    """What governs, where on the bow and in which weather."""
    found = judged.found
    assert found is not None
    row, weather = found.worst, judged.governs.words
    weather += f"{conditions(work)}{_held(work)}"
    factor = float(found.factor[found.rows[row]])
    if not found.stands[row]:
        least = method_of(work).stability.least
        if factor > least:
            return aided(work, f"{what} gives way: {weather}.")
        return aided(work, f"{what} buckles at {_down(factor)} of the load, {least:g} is the least: {weather}.")
    where = place_words(judged, int(found.use[row].argmax()), post)
    if judged.ratio > MANY:
        share = f"would need {_times(judged.ratio)} its strength"
    else:
        share = f"uses {percent_text(judged.ratio)} of its strength"
    if found.use[row].max() < judged.ratio - 1e-9:
        share = f"has too little against buckling, {_down(factor)} of the load,"
    return aided(work, f"{what} {share} {where}: {weather}.")


def _times(ratio: float) -> str:
    """How many times a strength, rounded up; far beyond it no figure means anything."""
    return f"over {FAR:.0f} times" if ratio >= FAR else f"{math.ceil(ratio * 10 - 1e-9) / 10:.1f} times"


def _down(factor: float) -> str:
    return f"{math.floor(factor * 10 + 1e-9) / 10:.1f}"


def share_text(ratio: float) -> str:
    """A share of strength, rounded up."""
    return percent_text(ratio) if ratio < FAR else _times(ratio)


def in_ground(work: Work, ratio: float, weather: str, post: str) -> str:
    """A post that bends in the ground before its bow does."""
    share = f"uses {percent_text(ratio)} of" if ratio <= MANY else f"would need {_times(ratio)}"
    return aided(work, f"The {post} {share} its strength in the ground: {weather}{conditions(work)}.")


def plastic_pipe(allowed: str, comes: str, rated: str, lies: str, deep: str, hangs_on: str) -> str:
    """Plastic pipe, which no code rates; cleared of settled snow so ``deep``, before any where that is nothing."""
    clear = f"at {deep} of settled snow" if deep else "before any lies"
    return (
        f"Plastic pipe: {allowed}; {comes}; half of its yield at {rated} of even snow, where {lies} lies. No code "
        f"rates it: clear it {clear}, prop it, or take the cover off{hangs_on}."
    )


def allowance(use: str, weather: str, left: bool, gives_way: bool) -> str:
    if not left:
        return "springing leaves nothing of its allowance"
    return f"gives way in {weather}" if gives_way else f"uses {use} of its allowance in {weather}"


def yields(share: str, weather: str, gives_way: bool) -> str:
    return f"it gives way in {weather}" if gives_way else f"{share} of its yield in {weather}"


def propped_bow(nth: str, between: bool, lifted: bool) -> str:
    """The bow with a prop under each ``nth`` crown, with which a sentence begins."""
    where = "between props" if between else "on its prop"
    if lifted:
        where = "in weather that lifts it off its prop"
    return f"With a prop under each {f'{nth} ' if nth else ''}crown, and {where}, the bow"


def prop_pressed(pressed: str, board: str, takes: str, plate: str) -> str:
    """A prop under snow: what its board takes, nothing where it is too slender, and how large its plate is."""
    bears = f"{board} that long takes {takes}" if takes else f"{board} is too slender to count that long"
    on = f"of {plate} square or more" if plate else "(as large as the ground asks: Soil)"
    return (
        f"Snow presses a prop by {pressed}; {bears} (NDS 2018, 3.7). Set it before the snow, on a plate {on}, wedged, "
        "and tied so that lifting wind can’t drop it."
    )


def ridge_needed() -> str:
    return "Between props the ridge run bears the crowns: it takes a run of steel tube at the ridge, in long sticks."


def ridge_bent(bent: str, takes: str) -> str:
    return f"Between props the ridge run bears the crowns and is bent by {bent}; at a joint it takes {takes}."


def strength_unknown(why: str) -> str:
    return f"Strength isn’t known. {why}"


def strength_refused(why: str) -> str:
    return f"Strength isn’t known: {why}."


def other_unknown(bow: str) -> str:
    return f"{bow}’s strength isn’t known."
