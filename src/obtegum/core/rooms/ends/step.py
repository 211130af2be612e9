"""Ends: what closes front and back, every stick with its cuts, doors and vents, and what wind asks of them."""

from collections.abc import Iterator

from obtegum.core.documents.ends import HINGED, SIDES, WALKED, EndWall, Side
from obtegum.core.documents.job import Job
from obtegum.core.drawing.step import Answer, Standing, StepPlan, Told
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.skeleton.openings import Opened, opened
from obtegum.core.findings.skeleton.outline import as_built, end_of, stock_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.air import RULE_SHARE, air_of
from obtegum.core.rooms.ends.blown import wind_on
from obtegum.core.rooms.ends.draw import told
from obtegum.core.rooms.ends.fields import shown_opening
from obtegum.core.rooms.ends.leaf import Leaf, leaves_of
from obtegum.core.rooms.ends.order import order
from obtegum.core.rooms.ends.passing import FIGURES, passing
from obtegum.core.rooms.ends.props import props_of
from obtegum.core.rooms.ends.pulled import film_of, pulled_by
from obtegum.core.rooms.ends.strips import strips
from obtegum.core.rooms.ends.wall import end_boards, stakes_m, wall_of
from obtegum.core.rooms.weather.found import method_of
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import area_text

__all__ = ["plan", "stands"]

CAUTION = (
    "Goggles and ears at saw and nailer. A leaf is a sail: hang it on a calm day, two to it, hooked before you let go. "
    "Sheet and glass edges cut: gloves. A closed house heats up in minutes of sun: work in it early, doors open."
)
# What is asked of a framed end besides its door, openings and studs; folded away.
ASIDE = ("stand", "stud", "stud_tube", "head", "screws", "screw", "sill", "board", "seam_m", "rail_m", "prop")
OF_DOOR = ("header", "deep_m", "fill", "hole_m", "school")
OF_LEAF = ("leaf", "leaf_tube", "take_m", "built")


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    framed = any(wall_of(work, side).sticks for side in SIDES)
    return Standing(id="ends", title="Ends", group="Close in", state=settled(found) if framed else "open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers, of the end that is shown."""
    side = work.design.ends.shown
    end = end_of(work, side)
    framed = end.kind == "framed"
    asked = _asked(work, end, side) if framed else ["kind"]
    asked += ["film", *(("stake_m",) if end.film == "stake" else ())]
    aside = _aside(end) if framed else []
    aside += ["strut", *(("strut_m",) if end.strut == "sides" else ())] if end.film != "ask" else []
    folded = tuple(f"ends.{side}.{name}" for name in aside)
    folded += ("ends.film", "ends.tight_n_m") if end.film != "ask" else ()

    def named(each: str) -> str:
        return each if "." in each else f"ends.{side}.{each}"

    passes = ("ends.passes",) if framed and end.door != "none" else ()
    covered = ("cover.made",) if end.kind == "covered" else ()
    opens = ("weather.doors",) if opened(work, side) and method_of(work).knows_habits else ()
    return StepPlan(
        **stands(work, found),
        next=_next(work, side),
        caution=CAUTION,
        measures=("ends.shown", *(named(each) for each in asked), *covered, *folded, *passes, *opens),
        aside=(*folded, *passes, *opens),
        answers=tuple(_answers(work, side)),
        leads=("end_sticks", "leaf", "passes"),
        views=(side, "front" if side == "back" else "back", "across"),
        strips=_tapes(work, side) or ("floor",),
        grips=tuple(f"ends.{side}.{name}" for name in _grips(work, end)),
        focus=("front", "back", "opening", "passes", "grower", "bow"),
        how=tuple(Told(words=words) for words in order(work, side)),
        how_title="In this order" if framed else "So that it can come later",
    )


def _tapes(work: Work, side: Side) -> tuple[str, ...]:
    """The tapes of the end that is shown, and at last the other one's wall."""
    names = [each.id for each in strips(work)]
    other = "back" if side == "front" else "front"
    return tuple(name for name in names if name.startswith(f"end:{side}")) + tuple(
        name for name in names if name == f"end:{other}"
    )


def _asked(work: Work, end: EndWall, side: Side) -> list[str]:
    """What is asked at once of a framed end."""
    place = shown_opening(Job(work.design, work.record))
    found = ["kind", "apart_m", "ends.at"]
    if place is None:
        found += ["door", *(("wide_m", "high_m", "left_m") if end.door != "none" else ())]
        found += ["hung"] if end.door in ("swing", "sliding") else []
        found += ["track"] if end.door == "sliding" else []
        return found
    at = f"ends.{side}.openings.{place}"
    found.append(f"{at}.what")
    if place < len(end.openings):
        low = () if end.openings[place].what in WALKED else ("low_m",)
        found += [f"{at}.{name}" for name in ("wide_m", "high_m", *low, "left_m")]
    return found


def _aside(end: EndWall) -> list[str]:
    unasked = {"stud"} if end.stand == "tube" else {"stud_tube"}
    if end.head != "cut" or end.stand == "tube":
        unasked |= {"screws", "screw"}
    found = [name for name in ASIDE if name not in unasked]
    walked = end.door != "none" or any(each.what in WALKED for each in end.openings)
    if walked or end.sill == "none":
        found += [name for name in OF_DOOR if end.door != "none" or name not in ("header", "school")]
    if end.fill != "concrete" and "hole_m" in found:
        found.remove("hole_m")
    if end.door in ("swing", "double", "sliding") or any(each.what in HINGED for each in end.openings):
        found += [name for name in OF_LEAF if (name in ("leaf_tube", "take_m")) <= (end.leaf == "pipe")]
        if end.leaf == "pipe":
            found.remove("built")
    return found


def _grips(work: Work, end: EndWall) -> list[str]:
    place = shown_opening(Job(work.design, work.record))
    if place is None:
        return ["high_m", "wide_m", "left_m"]
    return [f"openings.{place}.{name}" for name in ("high_m", "wide_m", "left_m", "low_m")]


def _next(work: Work, side: Side) -> str:
    wall = wall_of(work, side)
    if end_of(work, side).kind == "covered":
        return f"Gather the film over the {side}’s bow, weight or bury its edge, and cut no door before it is tight."
    if not wall.sticks:
        return f"Frame the {side}, or leave it open."
    return f"Mark where the {len(wall.sticks)} sticks of the {side} stand, from the left post’s middle; then cut them."


def _answers(work: Work, side: Side) -> Iterator[Answer]:
    yield from _air(work)
    yield from _film(work, side)
    wall = wall_of(work, side)
    if not wall.sticks:
        return
    board, built = stock_of(work, side), as_built(work, side)
    taped = "" if built is None else f"; cut to the bow as its posts stand, {work.say(built.span_m)} wide"
    note = f"{board.name}, lettered from the left{taped}"
    yield count_answer("end_sticks", f"Sticks of the {side}", len(wall.sticks), note)
    leaves, boards = leaves_of(work, side), end_boards(work, side)
    metres = sum(stick.long_m for stick in wall.sticks) + sum(high - low for low, high in boards)
    metres += sum(prop.long_m for prop in props_of(work, side))
    if end_of(work, side).leaf == "timber":
        metres += sum(piece.count * piece.long_m for leaf in leaves for piece in leaf.pieces)
    yield length_answer(work, "end_timber", "Timber in them", metres, "leaves with it" if leaves else "")
    for stick in wall.sticks:
        yield _stick(work, f"stick_{stick.letter}", f"{stick.letter}, {stick.what}", stick.long_m, told(work, stick))
    for prop in props_of(work, side):
        yield _stick(work, f"prop_{prop.letter}", f"Prop of {prop.letter}", prop.long_m, "hole to hole")
    if boards:
        yield count_answer("end_stakes", "Stakes at the end boards", len(stakes_m(work, side)), "a hand from each end")
    yield from _leaves(work, side, leaves, wall.openings)
    yield from _through(work, side)
    blown = wind_on(work, side)
    if blown is not None:
        note = "on a piece of wall by itself"
        yield amount_answer(work, "end_wind", "Wind on a stud", blown.pressure_pa, "pressure", note)
        yield amount_answer(work, "end_head", "Wind at the hardest head", blown.head_n, "force")


def _stick(work: Work, name: str, label: str, long_m: float, note: str) -> Answer:
    return Answer(id=name, label=label, reading=work.say(long_m), value=long_m, unit="m", note=note)


def _air(work: Work) -> Iterator[Answer]:
    """What opens, against the floor."""
    air = air_of(work)
    rule = amount_text(RULE_SHARE, "share", work.tape.units)
    note = f"rule of thumb {rule} with the sides, which come with the skin"
    yield amount_answer(work, "air_share", "Both ends open, of the floor", air.share, "share", note)
    for side in SIDES:
        alone = "open alone it is a bag to the wind" if air.bag[side] else "too little to make a bag of the house"
        area, name = air.free_m2[side], f"air_{side}"
        reading, note = area_text(area, work.tape, rounded(name)), f"{alone}; Snow and wind counts an end open"
        yield Answer(id=name, label=f"Air through the {side}", reading=reading, value=area, unit="m2", note=note)
    if air.fan is not None:
        yield amount_answer(
            work, "fan_moves", "A fan for this floor moves", air.fan_m3_s, "air", "by EP406, at sea level"
        )


def _film(work: Work, side: Side) -> Iterator[Answer]:
    """What film pulls, and what answers it."""
    pulled, units = pulled_by(work, side), work.tape.units
    if pulled is None:
        return
    note = f"{film_of(work).name}, in the wind that counts" if work.design.weather.cover == "film" else "as cloth"
    yield amount_answer(work, "film_pull", f"Film pulls the {side} by", pulled.tension_n_m, "pull", note)
    if pulled.stake_n is not None:
        note = "nobody rated a stake: pull at one"
        yield amount_answer(work, "stake_pull", "Pulls the stake, at the most", pulled.stake_n, "force", note)
    if pulled.strut is not None:
        takes = pulled.strut.takes_n
        note = "not known for this tube" if takes is None else f"takes {amount_text(takes, 'force', units, 'down')}"
        yield length_answer(work, "strut_long", "A strut, hole to hole", pulled.strut.long_m, "one each side")
        yield amount_answer(work, "strut_pressed", "Presses a strut", pulled.strut.pressed_n, "force", note)


def _leaves(work: Work, side: Side, leaves: tuple[Leaf, ...], openings: tuple[Opened, ...]) -> Iterator[Answer]:
    for number, leaf in enumerate(leaves, start=1):
        named = "door" if leaf.name == "door" else f"opening {leaf.name}"
        tail = f"_{number}"
        yield length_answer(work, f"leaf_wide{tail}", f"Leaf {number}, wide", leaf.wide_m, f"of the {named}")
        yield length_answer(work, f"leaf_high{tail}", f"Leaf {number}, high", leaf.high_m)
        yield length_answer(work, f"square{tail}", f"Leaf {number}, diagonals, both", leaf.square_m)
        for place, piece in enumerate(leaf.pieces):
            label = f"Leaf {number}: {piece.what}" + (f", {piece.count} of" if piece.count > 1 else "")
            yield length_answer(work, f"leafcut_{10 * number + place}", label, piece.long_m)
        if leaf.hinged is not None:
            note = f"{leaf.hinged.count} of them, {work.say(leaf.hinged.apart_m)} apart at the outside"
            yield amount_answer(
                work, f"hinge{tail}", f"Leaf {number} pulls at its hinges", leaf.hinged.pull_n, "force", note
            )


def _through(work: Work, side: Side) -> Iterator[Answer]:
    """Who goes through the doorway, and with how much to spare."""
    for what in FIGURES:
        room = passing(work, side, what)
        if room is not None:
            over = (
                f"{work.say(room.over_m, 'down')} over"
                if room.over_m >= 0
                else f"{work.say(-room.over_m, 'up')} too low"
            )
            yield Answer(
                id=f"passes_{what}", label=f"{room.words.capitalize()}, at each side",
                reading=work.say(room.beside_m, "down") if room.beside_m >= 0 else "doesn’t pass",
                value=room.beside_m, unit="m", note=over,
            )  # fmt: skip
