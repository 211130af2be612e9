"""Where on the bow, in words, and what the strength of a bow comes to in a sentence."""

import math

from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather.own import LEGS_FROM
from obtegum.core.rooms.strength.found import FAR, Judged
from obtegum.core.rooms.strength.site import STRAIGHT
from obtegum.core.rooms.weather.found import method_of, overridden, own_factors, stood_in
from obtegum.core.values.quantity import percent_text

__all__ = ["AID", "MADE_UP", "MANY", "conditions", "governing", "in_ground", "place_words", "share_text"]

AID = "Planning aid: code and a licensed engineer decide."
MADE_UP = "Made-up weather, not for building."
# Shares of the bow's tube up to which a place is called so, from a foot.
PLACES = ((0.07, "just above the {side} {post}"), (0.3, "at the {side} shoulder"), (0.46, "{side} of the crown"))
MANY = 3.0
# Habits that the answer hangs on, as they were told.
HABITS = {"cleared": ", sides cleared", "off": ", film off in winter"}


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
    made_up = f"{MADE_UP} " if stood_in(work) else ""
    weather += f"{conditions(work)}{_held(work)}"
    factor = float(found.factor[found.rows[row]])
    if not found.stands[row]:
        least = method_of(work).stability.least
        if factor > least:
            return f"{made_up}{what} gives way: {weather}. {AID}"
        return f"{made_up}{what} buckles at {_down(factor)} of the load, {least:g} is the least: {weather}. {AID}"
    where = place_words(judged, int(found.use[row].argmax()), post)
    if judged.ratio > MANY:
        share = f"would need {_times(judged.ratio)} its strength"
    else:
        share = f"uses {percent_text(judged.ratio)} of its strength"
    if found.use[row].max() < judged.ratio - 1e-9:
        share = f"has too little against buckling, {_down(factor)} of the load,"
    return f"{made_up}{what} {share} {where}: {weather}. {AID}"


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
    made_up = f"{MADE_UP} " if stood_in(work) else ""
    share = f"uses {percent_text(ratio)} of" if ratio <= MANY else f"would need {_times(ratio)}"
    return f"{made_up}The {post} {share} its strength in the ground: {weather}{conditions(work)}. {AID}"
