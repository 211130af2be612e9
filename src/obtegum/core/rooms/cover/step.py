"""Cover: does it reach, what is cut where, what holds it, what wind pulls on it."""

import math
from collections.abc import Iterator

from obtegum.core.documents.ends import SIDES
from obtegum.core.drawing.step import Answer, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Band, MarkKind, Strip
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.face.fixings import singly_bought
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.skeleton.openings import opened
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.cover.found import (
    Reach,
    edge_up_m,
    ends_of_left,
    held_by,
    is_taped,
    left_covers,
    order_of,
    pleats,
    reach_of,
    sheet_m2,
    side_eats_m,
    taped_bows,
    taped_m,
)
from obtegum.core.rooms.cover.lines import caps_of, cords_of, edges_of, eyelets_of, lines_of
from obtegum.core.rooms.cover.pulls import cord_n
from obtegum.core.rooms.ends.pulled import film_of
from obtegum.core.rooms.names.found import GAUGE_M, MICRON_M, MIL_M
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import area_text

__all__ = ["plan", "stands", "strips"]

# What lies between film and a bow, by what the bow is of.
TAPED = {
    "steel": "white, along the outside: hot steel burns film through",
    "plastic": "a barrier: bare PVC eats polyethylene film",
}
CAUTION = (
    "What fixes film is fitted from a ladder that stands: nobody holds film up there, knives are closed, and wood that "
    "is treated stays off beds and skin."
)


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    told = work.design.cover.made != "ask"
    return Standing(id="cover", title="Cover", group="Close in", state=settled(found) if told else "open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    cover = work.design.cover
    hip = cover.edge == "hip"
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=_measures(work),
        aside=ASIDE,
        answers=tuple(_answers(work)),
        leads=("cover_wide", "cover_long", "cover_roll", "cover_sticks", "cover_area"),
        views=("sheet", "covered", "held", "along"),
        strips=("cover:across", "cover:along"),
        grips=("boards.hip_m",) if hip else (),
        focus=("left", "film", "bow", "fold", "fix", "held", "eyelet", "span", "height"),
        how=tuple(Told(words=words) for words in _kept(work)),
        how_title="Kept whole",
    )


ASIDE = (
    "cover.roll_long_m", "cover.right", "cover.back", "cover.zones", "cover.summer", "cover.lash", "ends.film",
    "cover.years", "cover.tail_m", "cover.trim_m", "cover.lap_m", "cover.drop_m", "cover.hem_m", "cover.taped_1_m",
    "cover.taped_2_m", "cover.taped_3_m", "cover.pull_1_n", "cover.pull_2_n", "cover.pull_3_n",
    "cover.end_pull_1_n", "cover.end_pull_2_n", "cover.end_pull_3_n", "cover.rim_hem_m", "cover.rope",
    "cover.eyelet_first_m",
)  # fmt: skip


def _measures(work: Work) -> tuple[str, ...]:
    cover = work.design.cover
    gathered, made = cover.made == "gathered", cover.bought == "made"
    hip, two = cover.edge == "hip", cover.pieces == "two"
    holds = {hold for _, hold in edges_of(work)}
    others = not gathered and cover.ends != held_by(work, "left")
    return (
        "cover.made",
        "weather.cover",
        "cover.edge",
        *(("boards.hip", "boards.hip_m", "cover.below") if hip else ()),
        *(("cover.curtain",) if hip and cover.below == "own" else ()),
        *(("cover.sides", "cover.right") if cover.edge != "ground" else ()),
        *(("cover.ends", "cover.back", "cover.drop_m") if not gathered else ("cover.hem_m",)),
        *(("cover.eyelet_m", "cover.eyelet_first_m") if "eyelets" in holds else ()),
        "cover.bought",
        *(("cover.off_m", "cover.rim_hem_m", "cover.rope") if made else ("cover.roll_m", "cover.roll_long_m")),
        "cover.pieces",
        *(("cover.lap_m",) if two else ()),
        *(("ends.film", "cover.years") if work.design.weather.cover == "film" else ("weather.open_share",)),
        "cover.zones",
        "cover.summer",
        "cover.lash",
        "cover.tail_m",
        *(() if made else ("cover.trim_m",)),
        "cover.taped_1_m",
        "cover.taped_2_m",
        "cover.taped_3_m",
        "cover.pull_1_n",
        "cover.pull_2_n",
        "cover.pull_3_n",
        *(("cover.end_pull_1_n", "cover.end_pull_2_n", "cover.end_pull_3_n") if others else ()),
    )


def _next(work: Work) -> str:
    reach = reach_of(work)
    if work.design.sheets.over_roof:
        return "Rigid sheets go over the roof: what they take is told there; film is for houses without them."
    if work.design.cover.edge == "hip" and work.design.boards.hip == "none":
        return "There is no hip board to fix it at: put one up, or fix the sheet at the foot."
    if work.design.cover.made == "ask":
        return "Say how the ends are covered, and whether a roll reaches is judged."
    if reach.roll_wide_m is None or (reach.spare_m or 0.0) < -reach.trim_m:
        return "Nothing is bought yet: what would reach stands with the verdict."
    roll = work.say(reach.roll_wide_m)
    if work.design.cover.bought == "made":
        return "Tape the front, a middle and the back bow over their outsides, and write them: then the order is true."
    return f"Tape one bow over its outside before buying: {work.say(reach.over_m)}. Then a roll {roll} wide."


def _answers(work: Work) -> Iterator[Answer]:
    reach, cover, tape = reach_of(work), work.design.cover, work.tape
    if work.design.sheets.over_roof:
        yield from _fixings(work)
        return
    as_taped = "the largest as taped" if taped_bows(work) else "tape it on a bow that stands"
    yield length_answer(work, "cover_over", "Over the outside, fixing to fixing", reach.over_m, as_taped)
    pieces = "each of two pieces" if cover.pieces == "two" else "with what fixings take, to pull by and to trim"
    yield length_answer(work, "cover_wide", "Sheet, wide", reach.piece_m, pieces)
    yield length_answer(work, "cover_long", "Sheet, long", reach.long_m, "both pieces" if cover.pieces == "two" else "")
    if cover.bought == "made":
        yield from _ordered(work)
    elif reach.roll_wide_m is not None:
        long = "" if reach.roll_long_m is None else f"{work.say(reach.roll_long_m)} long"
        yield length_answer(work, "cover_roll", "Roll", reach.roll_wide_m, f"wide, {long}")
        if (reach.left_m or 0.0) > 0:
            ends = ends_of_left(work)
            leaves = _leaves(work)
            keep = f"keep it: {ends} end{'s' if ends > 1 else ''} come off it" if ends else f"keep it: {leaves}"
            covers = math.floor((reach.roll_long_m or 0.0) / reach.long_m + 1e-9)
            note = f"{covers} covers a roll; {keep}" if covers > 1 else keep
            yield length_answer(work, "cover_left", "Left of the roll", reach.left_m or 0.0, note)
    area_m2, kg = sheet_m2(work)
    mass = amount_text(kg, "hung", tape.units, "up")
    yield Answer(
        id="cover_area", label="Sheet as cut", reading=area_text(area_m2, tape, rounded("cover_area")), value=area_m2,
        unit="m2", note=mass,
    )  # fmt: skip
    gathered = pleats(work)
    if gathered is not None:
        spare_m, count = gathered
        note = f"{count} pleats half a foot deep, folded so that they face down"
        yield length_answer(work, "pleat_spare", "Too much at the foot of an end", spare_m, note)
    if work.design.weather.cover == "film":
        yield _thick(work)
    yield from _fixings(work)
    cords = cords_of(work)
    if cords is not None:
        yield count_answer("cover_cords", "Cords over the top", cords.count, f"{work.say(cords.each_m, 'up')} each")
        pulled = cord_n(work)
        if pulled is not None:
            note = "if all of the lift comes on it; film and fixings are judged without them"
            yield amount_answer(work, "cover_cord_pull", "Wind pulls a cord by", pulled, "force", note)
    eyelets = eyelets_of(work)
    if eyelets is not None:
        note = f"the first {work.say(eyelets.first_m)} from its end"
        yield count_answer("cover_eyelets", "Eyelets, each side", eyelets.count, note)


def _fixings(work: Work) -> Iterator[Answer]:
    """What fixes its edges, what goes over the bows, and what is dug for it."""
    lines = lines_of(work)
    sticks = sum(line.sticks for line in lines)
    if sticks:
        cuts = {line.where: work.say(line.laid.cut_m) for line in lines if line.sticks}
        note = ", ".join(f"last of the {where} {cut}" for where, cut in list(cuts.items())[::2])
        yield count_answer("cover_sticks", "Sticks of it", sticks, note)
    singly = singly_bought((line.fixing.id, line.pieces) for line in lines)
    yield count_answer("cover_screws", "Screws, clamps, staples", singly, "spares with them")
    wires = sum(line.sticks * line.layers for line in lines if line.fixing.id == "track")
    if wires:
        yield count_answer("cover_wires", "Spring wires", wires, "one a stick and layer, an end’s own film with them")
    if is_taped(work):
        yield length_answer(work, "cover_taped", "Tape over the bows", taped_m(work), TAPED[bow_tube(work).material])
    dug = sum(line.dug_m3 for line in lines)
    if dug:
        yield amount_answer(work, "cover_dug", "Trench to dig", dug, "volume", "a foot wide and deep")
    yield count_answer(
        "cover_caps", "Ends of runs to cap", caps_of(work), "and each bolt’s head outside round, or taped"
    )


def _thick(work: Work) -> Answer:
    thick_m = film_of(work).thick_m
    return Answer(
        id="film_thick",
        label="Film, thick",
        reading=f"{thick_m / MIL_M:.1f} mil",
        value=thick_m,
        unit="m",
        note=f"{thick_m / MICRON_M:.0f} microns, {thick_m / GAUGE_M:.0f} gauge: one and the same",
    )


def _leaves(work: Work) -> str:
    """What is left of a roll, in doors that come off it."""
    doors = [each for side in SIDES for each in opened(work, side) if each.walked]
    if not doors:
        return "patches, and a door later"
    count = left_covers(work, max(each.wide_m for each in doors), max(each.high_m for each in doors))
    return f"{count} door{'s' if count != 1 else ''} come{'' if count != 1 else 's'} off it" if count else "patches"


def _ordered(work: Work) -> Iterator[Answer]:
    """What is written on the order of a cover made to measure."""
    order, cover = order_of(work), work.design.cover
    hem = f"hem {work.tube(cover.rim_hem_m)}{', with a rope in it' if cover.rope == 'rope' else ''}"
    made = f"finished, {hem}, to within {work.say(cover.off_m)}"
    yield length_answer(work, "order_wide", "Order it, wide", order.wide_m, made)
    pieces = f"{order.pieces} of them; " if order.pieces > 1 else ""
    yield length_answer(work, "order_long", "Order it, long", order.long_m, f"{pieces}ridge and inside face marked")


def _kept(work: Work) -> Iterator[str]:
    """What keeps a cover whole, before it goes on and after."""
    cover, film = work.design.cover, work.design.weather.cover == "film"
    if work.design.sheets.over_roof:
        return
    what = "Film" if film else "Cloth"
    yield f"{what} lies on nothing sharp: runs’ ends capped, heads round, couplers and welds filed and taped."
    if is_taped(work):
        yield f"Over each bow: tape, {TAPED[bow_tube(work).material]}. {work.say(taped_m(work), 'up')} of it."
    if film:
        yield "The side that its print names goes in: it is made to shed drops, or to bear sun, on one face."
    if cover.made == "gathered":
        yield "Pleats face down, so that each sheds water over the next; one that opens upward fills."
    if film:
        yield "A zip is stuck on in the warm and shut before the film is pulled tight; it creeps off cold film."
        yield "A hole is patched the same day, inside and out, on dry film: wind makes a foot of an inch."
    else:
        yield "A hole is sewn or clipped the same day: wind runs it along the knit."
    yield "After the first hot week it is pulled anew by what was left for that; then before each winter."
    if "track" in {hold for _, hold in edges_of(work)}:
        yield "Wires are pressed in by turns, bend by bend; where film is changed, wires with rust are new too."
    off = "snow season and gales find it bare" if work.design.weather.film == "off" else "snow finds it on"
    states = {
        "same": "all stays on",
        "ends": "the ends come off",
        "cloth": "cloth lies in place of film",
        "off": "all is off",
    }
    yield f"In the hot months {states[cover.summer]}; in winter {off}. What it carries is told for both."


def strips(work: Work) -> list[Strip]:
    """The sheet's width laid flat with its cuts and lines, and its length with the bows under it."""
    reach, cover = reach_of(work), work.design.cover
    where = "cover:across"
    wide = reach.roll_wide_m if reach.roll_wide_m is not None else reach.piece_m
    whole = wide if cover.pieces == "one" else 2 * wide - 2 * cover.lap_m
    middle = whole / 2
    half = reach.over_m / 2
    eats = side_eats_m(work)
    places = [(0.0, "edge", "cut", "fold:1"), (middle, "ridge", "crown", "fold:4"), (whole, "edge", "cut", "fold:7")]
    for sign, name, number in ((-1, "left", 2), (1, "right", 6)):
        line = "hip board" if edge_up_m(work) > 0 and cover.edge == "hip" else "fixing"
        places.append((middle + sign * half, f"{name} {line}", "joint", f"fold:{number}"))
    if cover.pieces == "two":
        places += [(middle - cover.lap_m, "lap", "joint", "fold:3"), (middle + cover.lap_m, "lap", "joint", "fold:5")]
    marks = [work.mark(at, what, kind, part, where) for at, what, kind, part in sorted(places) if 0 <= at <= whole]  # type: ignore[arg-type]
    bands = [
        Band(from_m=max(low, 0.0), to_m=min(high, whole), what=what, kind="joint")
        for low, high, what in (
            (middle - half - eats, middle - half, "in the fixing"),
            (middle + half, middle + half + eats, "in the fixing"),
        )
        if high > 0 and low < whole
    ]
    across = Strip(
        id=where, title="Across the sheet", about="tape from its left edge, laid flat · folded, it lies on its ridge",
        material="film", length_m=whole, marks=tuple(marks), bands=tuple(bands),
    )  # fmt: skip
    return [across, _along(work, reach)]


def _along(work: Work, reach: Reach) -> Strip:
    where, cover, size = "cover:along", work.design.cover, work.design.size
    pieces = 2 if cover.pieces == "two" else 1
    long_m = reach.long_m / pieces
    start = (long_m - size.length_m) / 2
    places: list[tuple[float, str, MarkKind, str]] = [
        (0.0, "cut", "cut", "film:1"),
        (start, "first bow", "peg", "bow:1"),
        (start + size.length_m, "last bow", "peg", "fold:4"),
        (long_m, "cut", "cut", "fix"),
    ]
    return Strip(
        id=where,
        title="Along it",
        about="tape from the end that comes off the roll first",
        material="film",
        length_m=long_m,
        marks=tuple(work.mark(at, what, kind, part, where) for at, what, kind, part in places),
    )
