"""Strength: one bow under all the weather of its place, and how close to its limit it comes."""

from collections.abc import Iterator

import numpy as np

from obtegum.core.drawing.step import Answer, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Strip, StripMark
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.answers import amount_answer, count_answer, length_answer
from obtegum.core.findings.skeleton.bows import along_tube, girth_at, split_of, tube_m
from obtegum.core.findings.skeleton.runs import held_m
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.strength.brought import brought_answers
from obtegum.core.rooms.strength.draw import shown_cases
from obtegum.core.rooms.strength.found import (
    LEAST_LEFT,
    Judged,
    bow_found,
    otherwise_found,
    post_use,
    service_factors,
    why_unknown,
)
from obtegum.core.rooms.strength.habits import plastic_answers, propped_answers
from obtegum.core.rooms.strength.hung import hung_at, hung_n
from obtegum.core.rooms.strength.model import furthest_out_m, sections_of
from obtegum.core.rooms.strength.plastic import plastic_found
from obtegum.core.rooms.strength.propped import shown_found
from obtegum.core.rooms.strength.words import AID, MANY, place_words, share_text
from obtegum.core.rooms.weather.found import method_of, stood_in

__all__ = ["plan", "stands", "strips"]

CAUTION = f"{AID} A frame without its braces and film is weaker than this: no climbing on it."
# What a bow may sag or sway before doors and film mind, as a share of its width.
FLAG = 1 / 60
# European partial factor that what moves in service is without.
# Parts that the bow's tube is read in along its tape.
READ_AT = 8
PLASTIC = ("strength.plastic", "strength.season", "strength.hot_c")
PLATES = ("strength.plate_thick_m", "strength.plate_wide_m", "strength.plate_long_m", "braces.bolt_m")
HANGS = ("strength.lines", "strength.line_kg", "strength.baskets", "strength.basket_kg", "strength.hang")
HUNG_WHERE = {"ties": "at the ends of its tie", "runs": "where runs meet it", "crown": "at the crown"}


def _held(work: Work) -> str:
    """What the bow is held by beside itself."""
    if work.design.braces.bays == 0:
        return "no bay is braced, so nothing holds it beside itself: see Braces"
    return f"runs and braced bays hold it every {work.say(held_m(work), 'up')}"


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    level = found[0].level
    return Standing(
        id="strength",
        title="Strength",
        group="Frame",
        state="open" if level == "unknown" else "checked" if level == "holds" else "look",
    )


FOCUS = (
    "bow", "use", "tie", "prop", "bracket", "fence", "ghost", "foot", "load", "band", "post", "bay", "height", "span",
    "line", "ground",
)  # fmt: skip


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """What holds the bow, what is taken off, and what was found."""
    judged = shown_found(work)
    told = tuple(Told(words=case.words.capitalize(), view=f"load:{place}") for place, case in shown_cases(work))
    return StepPlan(
        **stands(work, found),
        next=_next(work, judged),
        caution=CAUTION,
        measures=(
            "bows.max_spacing_m",
            "bows.tube",
            "size.shape.height_m",
            "strength.joint_share",
            "strength.bracket",
            *(PLATES if work.design.strength.bracket == "plates" else ()),
            "strength.wall",
            "strength.less_share",
            *(("strength.less_why",) if work.design.strength.less_share else ()),
            *(PLASTIC if bow_tube(work).material == "plastic" else ()),
            *HANGS,
            "strength.prop",
            *(("strength.prop_every", "strength.prop_board") if work.design.strength.prop == "each" else ()),
        ),
        aside=(
            "strength.joint_share",
            "strength.bracket",
            *PLATES,
            "strength.wall",
            "strength.less_share",
            "strength.less_why",
            *HANGS,
            "strength.prop",
            "strength.prop_every",
            "strength.prop_board",
        ),
        answers=tuple(plastic_answers(work) if judged is None else _answers(work, judged)),
        leads=("use", "yields", "rated", "reserve", "lift", "push", "film"),
        views=("use", "bending", "pressing", "above"),
        strips=("use",),
        grips=("bows.max_spacing_m", "size.shape.height_m", "size.shape.leg_m", "size.span_m"),
        focus=FOCUS,
        how=told,
        how_title="The weather on the bow",
    )


def _next(work: Work, judged: Judged | None) -> str:
    reason = why_unknown(work)
    if judged is None and plastic_found(work) is not None:
        return "Hold spacing, pipe or height and watch what snow it is rated for; write the habit on the door."
    if judged is None:
        return f"{reason} Weather asks for it." if reason.endswith("?") else reason
    if stood_in(work):
        return "Reckoned with made-up weather: not for building."
    if judged.found is None:
        return f"Not known: {judged.refused}."
    return "Hold spacing, tube or height and watch what the bow uses."


def _answers(work: Work, judged: Judged) -> list[Answer]:
    found = judged.found
    if found is None:
        return []
    row = found.worst
    where = place_words(judged, int(found.use[row].argmax()), way_of(work).one)
    answers = [
        Answer(
            id="use",
            label="Uses of its strength",
            reading=share_text(judged.ratio),
            value=judged.ratio,
            unit="share",
            note=f"{where}; {judged.governs.words}",
        ),
        Answer(
            id="reserve",
            label="Buckles at, of the load",
            reading=_times(float(found.factor.min())),
            value=min(float(found.factor.min()), 1000.0),
            unit="share",
            note=_held(work),
        ),
        *_otherwise(work),
        *_feet(work),
    ]
    # Close to buckling the numbers run away, and mean nothing.
    if found.stands[row] and judged.ratio <= MANY:
        answers += [
            amount_answer(work, "bent", "Bending, most", float(np.abs(found.moment[row]).max()), "torque"),
            amount_answer(work, "pressed", "Pressing, most", max(float(-found.axial[row].min()), 0.0), "force"),
        ]
    answers += _moved(work, judged)
    answers += brought_answers(work)
    hung = hung_n(work)
    if hung:
        note = f"{HUNG_WHERE[hung_at(work)]}; not counted where wind lifts"
        answers.append(amount_answer(work, "hung", "Hangs on each bow", hung, "force", note))
    answers += propped_answers(work)
    post = post_use(work)
    if post is not None:
        one = way_of(work).one
        label = f"{one.capitalize()} in the ground uses"
        answers.append(Answer(id="post_use", label=label, reading=share_text(post[0]), value=post[0], unit="share"))
    answers.append(
        length_answer(work, "stands_out", "Foot looked at stands out", furthest_out_m(work), "the one furthest out")
    )
    answers.append(
        count_answer("weathers", "Weathers looked at", len(judged.weathered.combos), f"{len(found.rows)} to the end")
    )
    answers.append(FILM_HOLDS)
    allowed = "allowed" if method_of(work).factors.in_service else "at its limit"
    answers.append(amount_answer(work, "bends_at", "Takes in bending", _takes(work), "torque", allowed))
    return answers


FILM_HOLDS = Answer(
    id="film_holds",
    label="Film and what holds it",
    reading="not known",
    value=0.0,
    unit="share",
    note="nobody rated it: it may give first",
)


def _moved(work: Work, judged: Judged) -> Iterator[Answer]:
    """How far the crown sinks and the bow sways, and whether that shows."""
    (drop_m, sinks_in), (sway_m, sways_in) = most_moved(work, judged)
    shows_m = FLAG * work.design.size.span_m
    flag = f"; more than {work.say(shows_m)} shows in doors and film"
    for name, label, moved_m, moved_in in (
        ("drop", "Crown sinks", drop_m, sinks_in),
        ("sway", "Sways", sway_m, sways_in),
    ):
        note = f"{moved_in}{flag if moved_m > shows_m else ''}" if moved_m > 0 else ""
        yield length_answer(work, name, label, moved_m, note)


def most_moved(work: Work, judged: Judged) -> tuple[tuple[float, str], tuple[float, str]]:
    """How far the crown sinks and the bow sways at the most in service, m, of all weathers, each with that weather.

    Without factors of their own; by the first order on the whole stiffness, taken up by 1/(1 − 1/λ).
    """
    found_, weather = judged.found, judged.weathered
    assert found_ is not None
    by = method_of(work).factors
    factors = service_factors(work, weather, by.favourable)
    critical = found_.factor * by.partial
    grows = 1 / np.maximum(1 - 1 / np.maximum(critical, 1e-9), LEAST_LEFT)
    moved = np.tensordot(factors, found_.moves, axes=1) * grows[:, None]
    crown = int(np.argmax(judged.model.frame.nodes[:, 1]))
    drops, sways = -moved[:, 3 * crown + 1], np.abs(moved[:, 0::3]).max(axis=1)
    words = [combo.words for combo in weather.combos]
    sinks, swings = int(drops.argmax()), int(sways.argmax())
    return (max(float(drops[sinks]), 0.0), words[sinks]), (float(sways[swings]), words[swings])


def _otherwise(work: Work) -> Iterator[Answer]:
    """What it uses with the other habit of its doors in storms."""
    share = otherwise_found(work)
    if share is None:
        return
    shut = work.design.weather.doors == "shut"
    label = "With doors open all the same" if shut else "Doors shut in every storm"
    note = "as if no habit were told" if shut else "one open is an accident: a habit to tell in Weather"
    yield Answer(id="otherwise", label=label, reading=share_text(share), value=share, unit="share", note=note)


def _feet(work: Work) -> Iterator[Answer]:
    """What the ground gives the feet, without any prop."""
    judged = bow_found(work)
    if judged is None or judged.found is None:
        return
    load = "unfactored, of all weathers" if method_of(work).factors.in_service else "factored, as the code has it"
    ground = judged.found.ground
    yield amount_answer(work, "lift", "Lift at a foot", max(float(-ground[:, :, 1].min()), 0.0), "force", load)
    yield amount_answer(work, "down", "Down at a foot", max(float(ground[:, :, 1].max()), 0.0), "force", load)
    yield amount_answer(work, "push", "Sideways at a foot", float(np.abs(ground[:, :, 0]).max()), "force", load)


def _takes(work: Work) -> float:
    """Bending strength of the bow as it counts, N·m."""
    return method_of(work).strength(sections_of(work)[0]).moment_nm


def _times(factor: float) -> str:
    return "never" if factor > 100 else f"{int(factor * 10) / 10:g} ×"


def _used_along(work: Work, judged: Judged, most_m: float) -> list[StripMark]:
    """How much is used every so often along the bow, clear of where it uses most and of its ends."""
    assert judged.found is not None
    length_m, found = tube_m(work), list[StripMark]()
    middles = (judged.model.s_m[1:] + judged.model.s_m[:-1]) / 2
    use, own = judged.found.use[judged.found.worst], np.flatnonzero(judged.model.which == 0)
    for place in range(1, READ_AT):
        at_m = length_m * place / READ_AT
        if abs(at_m - most_m) < length_m / (2 * READ_AT):
            continue
        element = int(own[np.abs(middles[own] - girth_at(work, at_m)).argmin()])
        share = share_text(float(use[element]))
        found.append(work.mark(at_m, f"uses {share}", "head", f"use:{place}", "use"))
    return found


def strips(work: Work) -> list[Strip]:
    """The bow's tube laid straight, with where it uses most of its strength, and where its joints are."""
    judged, length_m = shown_found(work), tube_m(work)
    marks = [work.mark(0.0, "end", "cut", "end:L", "use"), work.mark(length_m, "end", "cut", "end:R", "use")]
    marks += [
        work.mark(at_m, f"joint {number}", "joint", f"joint:{number}", "use")
        for number, at_m in enumerate(split_of(work).joints_m, start=1)
    ]
    if judged is not None and judged.found is not None:
        use = np.where(judged.model.which == 0, judged.found.use[judged.found.worst], -1.0)
        element = int(use.argmax())
        at_m = along_tube(work, float(judged.model.s_m[element : element + 2].mean()))
        most = share_text(float(use[element]))
        marks += _used_along(work, judged, at_m)
        marks.append(work.mark(min(max(at_m, 0.0), length_m), f"uses most, {most}", "crown", "use:most", "use"))
    return [
        Strip(
            id="use",
            title="Bow, laid straight",
            about="tape from its left end · where it uses most",
            material=bow_tube(work).material,
            length_m=length_m,
            marks=tuple(sorted(marks, key=lambda each: each.at_m)),
        )
    ]
