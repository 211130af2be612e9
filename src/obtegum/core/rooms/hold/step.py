"""Holds down: how each post is set in its ground, what that holds, and the chain from bow to soil."""

import math
from collections.abc import Iterator

from obtegum.core.documents.hold import PULL_FIELDS
from obtegum.core.drawing.step import Answer, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Strip, StripMark
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.skeleton.posts import least_embedment_m
from obtegum.core.findings.skeleton.settings import SETTINGS, Kind, set_of
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.concrete import CHILLED_C, COVERED, STOOD_ON, hole_for
from obtegum.core.rooms.hold.found import bag_of, chain_of, concrete_top_m, counts, holds_of, plug_top_m
from obtegum.core.rooms.hold.judged import gives_way, kinds, open_question
from obtegum.core.rooms.hold.takes import all_take, cured_on, cures, dug_m, proud_m, slide_m, takes_of
from obtegum.core.rooms.strength.asks import all_asks
from obtegum.core.values.amount import AmountKind, amount_text
from obtegum.core.values.trouble import begun

__all__ = ["plan", "stands", "strips"]

DAY_S = 86400.0
# What the answers of each kind of post begin with, and their labels.
NAMED: dict[Kind, tuple[str, str]] = {
    "row": ("", ""),
    "corner": ("corner_", "corners: "),
    "brace": ("brace_", "braced: "),
}
FROST = "Frost: not poured. What freezes in its first days never holds."
# Set in a hole of a width of its own.
HOLES = {"concrete", "pier", "plate", "tamped", "gravel"}
RIG = "Stand clear of a rig under load, out of the line of chain and bar."


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(
        id="hold",
        title="Holds down",
        group="Frame",
        state="open" if open_question(work) else settled(found),
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """How posts are set, what that takes, and what holds."""
    hold, pulls, many = work.design.hold, work.record.pulls, kinds(work)
    settings = {set_of(work, kind) for kind in many}
    concreted = any(SETTINGS[each].concreted for each in settings)
    gripped = concreted or "plate" in settings or work.design.posts.stand == "slab"
    tests = (
        "record.pulls.set",
        *(
            (
                "record.pulls.deep_m",
                "record.pulls.rig",
                *(("record.pulls.long_m", "record.pulls.short_m") if pulls.rig == "lever" else ()),
                *PULL_FIELDS,
            )
            if pulls.set != "none"
            else ()
        ),
    )
    return StepPlan(
        **stands(work, found),
        next=_next(work, found),
        caution=_caution(work),
        measures=(
            "hold.set",
            "hold.corner_set",
            *(("hold.brace_set",) if counts(work)["brace"] else ()),
            "posts.length_m",
            *(("hold.strap_n",) if work.design.posts.stand == "board" else ("posts.bolt_m", "hold.screws")),
            *(("hold.screw",) if hold.screws else ()),
            *(("hold.bolt_m",) if work.design.posts.bolt_m is not None or hold.grip == "bar" else ()),
            *(("hold.hole_m",) if settings & HOLES else ()),
            *(("hold.trench_m",) if "trench" in settings else ()),
            *(("hold.column_m",) if "pier" in settings else ()),
            *(("hold.plate_m", "hold.plate_up_m") if "plate" in settings else ()),
            *(("hold.backfill",) if settings & {"plate", "tamped", "trench"} else ()),
            *(("hold.wall_m",) if "knee" in settings else ()),
            *(("hold.bag", "hold.bags", "hold.cures_c", "record.poured.on") if concreted else ()),
            *(("hold.grip",) if gripped else ()),
            *tests,
        ),
        aside=("hold.screw", "hold.bolt_m", "hold.bag", "hold.bags", "hold.cures_c", "record.poured.on", *tests),
        answers=tuple(_answers(work)),
        leads=("link", "corner_link", "brace_link", "bags", "asks_lift"),
        views=("chain", "settings", *(("rig",) if pulls.set != "none" else ()), "above"),
        strips=("set",),
        grips=("posts.length_m", "hold.hole_m", "hold.trench_m"),
        how=tuple(Told(words=words) for words in _order(work)),
        how_title="In this order",
        focus=("post", "rig", "ground", "hole", "concrete", "plate", "link", "way", "gravel", "grip", "bow"),
    )


def _caution(work: Work) -> str:
    """What hurts while posts are set so, and while some are pulled at."""
    ways = [SETTINGS[set_of(work, kind)] for kind in kinds(work)]
    said = dict.fromkeys(way.caution for way in ways)
    frost = (FROST,) if any(way.concreted for way in ways) and cures(work, STOOD_ON) is None else ()
    return " ".join((*frost, *said, *((RIG,) if work.record.pulls.set != "none" else ())))


def _order(work: Work) -> Iterator[str]:
    """What is done first and what after, so that nothing is set before it is known to fit."""
    setting, many = set_of(work, "row"), way_of(work).many
    way, posts = SETTINGS[setting], work.design.posts
    yield f"The four at the corners first: squared again, and level across, before any other. {way.tools.capitalize()}."
    yield f"A string from corner to corner, then the other {many} to it, each to its height."
    if setting == "knee":
        yield "The wall plumb, straight and braced first; then each post to its stud, to the string."
    if setting == "rail":
        yield "The rail laid, joined, squared and marked; moved aside to dig, put back, squared again; pins last."
    if not way.holed and setting != "knee":
        yield "A cap on every end that is struck, or the bow won’t go in."
    elif way.holed and setting != "trench":
        slides = work.say(slide_m(work), "down")
        yield f"Holes flat at the bottom: a post keeps its height as it is moved, by {slides} to each side."
    if way.concreted:
        yield "A trial bow across the first pairs, loosely, before any concrete; then pour, and keep them plumb."
        yield _cure(work)
    else:
        yield f"A trial bow across the first pairs, loosely, before the last {many} are in."
    if posts.stop == "bolt":
        yield "The stop bolt through every pair at one height, level across: it sets how deep each bow sits."
    if way.holed and not way.concreted and setting != "gravel":
        yield f"Backfill left {work.say(proud_m(work), 'up')} over the grass; topped up and read again after a winter."
    yield "Doors: a short sleeve in the ground for each bottom bolt, before the threshold is closed."


def _cure(work: Work) -> str:
    """How long concrete is left alone, at the temperature that is told."""
    bows, film = cures(work, STOOD_ON), cures(work, COVERED)
    if bows is None:
        return FROST
    chilled = work.design.hold.cures_c < CHILLED_C
    kept = " Straw and sheet over it, it is near frost." if chilled else " Never poured where frost comes."
    return f"No bow in it for {bows} days, no film and no pull for {film}.{kept}"


def _next(work: Work, found: list[Verdict]) -> str:
    if reason := open_question(work):
        return reason
    if any(each.level == "unknown" for each in found if each.id == "lift" or not gives_way(work)):
        return "Pull at three posts set like these, or choose what is known: see the chain."
    weak = chain_of(work, "row").weakest
    return f"The weakest link is {weak.what}."


def _answers(work: Work) -> Iterator[Answer]:
    units = work.tape.units
    for kind in kinds(work):
        before, words = NAMED[kind]
        for place, link in enumerate(chain_of(work, kind).links, start=1):
            known = link.holds_n is not None
            name = f"{before}link_{place}"
            yield Answer(
                id=name,
                label=begun(f"{words}{link.what}"),
                reading=amount_text(link.holds_n or 0.0, "force", units, rounded(name)) if known else "not known",
                value=link.holds_n or 0.0,
                unit="N",
                note=link.source,
            )
        yield from _takes(work, kind, before, words)
    asks = all_asks(work)
    if asks is not None:
        for name, label, ask in (
            ("asks_lift", "Weather lifts a foot by", asks.lift),
            ("asks_wind", "Wind pushes it sideways by", asks.wind),
            ("asks_still", "Snow pushes it sideways by", asks.still),
            ("asks_down", "Weather presses it down by", asks.down),
        ):
            if name in ("asks_lift", "asks_down") or not gives_way(work):
                yield amount_answer(work, name, label, ask.force_n, "force", ask.words)
    holds = holds_of(work, set_of(work, "row"))
    for name, label, value in (
        ("held_wind", "Ground holds sideways, wind", holds.wind_n),
        ("held_still", "Ground holds sideways, snow", holds.still_n),
        ("held_down", "Ground bears", holds.down_n),
    ):
        if value is not None:
            yield amount_answer(work, name, label, value, "force", holds.source)


def _takes(work: Work, kind: Kind, before: str, words: str) -> Iterator[Answer]:
    """What all posts of a kind take together."""
    setting, count = set_of(work, kind), counts(work)[kind]
    takes, way = all_take(work, kind, setting), SETTINGS[setting]
    yield count_answer(f"{before}set", begun(f"{words}{way_of(work).many}, {way.short}"), count, way.why)
    amounts: tuple[tuple[str, str, float, AmountKind], ...] = (
        ("spoil", "Spoil, as it lies", takes.hole_m3, "load"),
        ("concrete", "Concrete", takes.concrete_m3, "load"),
        ("gravel", "Gravel", takes.gravel_m3, "load"),
    )
    for name, label, value, amount in amounts:
        if value > 0:
            yield amount_answer(work, f"{before}{name}", begun(f"{words}{label}"), value, amount)
    if takes.bags:
        plug = concrete_top_m(work) if setting == "concrete" else 0.0
        each = sorted({takes_of(work, setting, deep_m).bags for deep_m in dug_m(work)[kind]})
        to_each = f"{each[0]}" if len(each) == 1 else f"{each[0]} to {each[-1]}"
        note = f"{to_each} to a hole, {bag_of(work).name.lower()}"
        note += f"; a plug, {work.say(plug)} below the grass" if plug > 0.01 else ""
        yield count_answer(f"{before}bags", begun(f"{words}Bags"), takes.bags, note)
        carbon = takes.carbon_kg
        yield Answer(
            id=f"{before}carbon",
            label=begun(f"{words}Carbon of it"),
            reading=f"{math.ceil(carbon):,} kg",
            value=carbon,
            unit="kg",
            note="0.13 kg for each kg of concrete",
        )
    if (way.concreted and kind == kinds(work)[0]) or (way.concreted and not SETTINGS[set_of(work, "row")].concreted):
        yield from _cured(work)
    if takes.timber_m:
        label = begun(f"{words}Timber of the wall")
        yield length_answer(work, f"{before}timber", label, takes.timber_m, "studs, plates, boards")
    if setting == "concrete" and kind == "row" and work.design.hold.bags is not None:
        bags = work.design.hold.bags
        hole_m = hole_for(bags, bag_of(work).yield_m3, post_tube(work).od_m, max(least_embedment_m(work), 0.01))
        yield length_answer(work, "hole_filled", f"A hole that {bags} bags fill", hole_m, "across, to the grass")
        high_m = max(least_embedment_m(work), 0.0) - concrete_top_m(work)
        yield length_answer(work, "filled", f"{bags} bags come up", high_m, "from the bottom")
    if way.holed and not way.concreted and setting != "gravel":
        yield length_answer(work, f"{before}proud", f"{begun(words)}backfill left proud", proud_m(work), "it settles")
    if setting == "rail":
        yield length_answer(
            work, f"{before}rail", "Base rail", 2 * work.design.size.length_m, "both sides, true and square"
        )
    yield amount_answer(work, f"{before}hours", begun(f"{words}Hours of one"), takes.hours_s, "hours", way.tools)


def _cured(work: Work) -> Iterator[Answer]:
    """How long concrete cures before a bow stands in it, and before film or a pull; until what day."""
    for name, label, maturity in (
        ("bows_after", "Bows in it after", STOOD_ON),
        ("film_after", "Film, pulls after", COVERED),
    ):
        days, until = cures(work, maturity), cured_on(work, maturity)
        note = f"by {until}" if until else "" if days else "it doesn’t cure in frost"
        reading = f"{days} days" if days else "not poured"
        yield Answer(id=name, label=label, reading=reading, value=(days or 0) * DAY_S, unit="s", note=note)


def strips(work: Work) -> list[Strip]:
    """The shallowest hole and what stands in it, from the ground as it is made down; how deep the deepest is."""
    deeps, hold, setting = dug_m(work)["row"] or (0.0,), work.design.hold, set_of(work, "row")
    deep_m, deepest_m = min(deeps), max(deeps)
    alike = deepest_m - deep_m < work.tape.step_m
    how_many = f"{len(deeps)} alike" if alike else f"the shallowest of {len(deeps)}, the deepest {work.say(deepest_m)}"
    marks: list[StripMark] = [
        work.mark(0.0, "grass", "ground", "ground", "set"),
        work.mark(deep_m, f"{way_of(work).one} ends, flat bottom", "cut", "post:foot", "set"),
    ]
    if setting == "plate":
        marks.append(work.mark(max(deep_m - hold.plate_up_m, 0.0), "plate", "joint", "plate", "set"))
    if setting == "concrete" and plug_top_m(work, deep_m) > 0:
        marks.append(work.mark(plug_top_m(work, deep_m), "concrete to here", "ground", "concrete", "set"))
    if setting == "concrete" and hold.grip != "smooth":
        marks.append(work.mark(deep_m * 2 / 3, "bar or clamp", "joint", "grip", "set"))
    return [
        Strip(
            id="set",
            title="Down the hole" if SETTINGS[setting].holed else "Down the post",
            about=f"tape from the grass · {how_many}",
            material="post",
            length_m=max(deep_m, 0.1),
            marks=tuple(sorted(marks, key=lambda each: each.at_m)),
        )
    ]
