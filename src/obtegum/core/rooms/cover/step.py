"""Cover: does it reach, what is cut where, what holds it, what wind pulls on it."""

import math
from collections.abc import Iterator
from functools import partial

from obtegum.core.amount import amount_text
from obtegum.core.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.quantity import area_text
from obtegum.core.rooms.bows.tubes import bow_tube
from obtegum.core.rooms.cover.decisions import Hold
from obtegum.core.rooms.cover.found import (
    Reach,
    edge_up_m,
    ends_held_n_m,
    ends_of_left,
    film_pulls,
    fixing_of,
    hands,
    lines_of,
    pleats,
    pulled_n_m,
    reach_of,
    sheet_m2,
    taped_m,
)
from obtegum.core.rooms.ends.pulled import film_of
from obtegum.core.rooms.names.found import GAUGE_M, MICRON_M, MIL_M
from obtegum.core.rooms.strength.words import AID, MADE_UP
from obtegum.core.rooms.weather.found import missing, stood_in
from obtegum.core.rounding import rounded
from obtegum.core.step import Answer, Standing, StepPlan, Told
from obtegum.core.strip import Band, MarkKind, Strip
from obtegum.core.verdict import Level, Verdict, judge, verdict_on
from obtegum.core.work import Work

__all__ = ["plan", "stands", "strips", "verdicts"]

_verdict = partial(verdict_on, "cover", part="sheet")

# What lies between film and a bow, by what the bow is of.
TAPED = {
    "steel": "white, along the outside: hot steel burns film through",
    "plastic": "a barrier: bare PVC eats polyethylene film",
}
CAUTION = (
    "A sheet is a sail: still mornings only, everyone lets go at a word; knives closed; nobody on a ladder holds film; "
    "out of a closed house in the sun."
)
TEST = "Pull a metre of the real thing three times until it gives, and write all three."


def verdicts(work: Work) -> list[Verdict]:
    """Whether a roll is wide and long enough, and whether film and fixings bear what wind pulls."""
    if work.design.cover.made == "ask":
        return []
    reach = reach_of(work)
    return [_wide(work, reach), *_long(work, reach), *_strong(work)]


def _wide(work: Work, reach: Reach) -> Verdict:
    """Whether the roll's width reaches over the house and round its fixings."""
    needs = work.say(reach.piece_m, "up")
    each = "Each of the two pieces" if work.design.cover.pieces == "two" else "The sheet"
    if reach.roll_wide_m is None:
        widest = max(roll.wide_m for roll in work.catalogue.rolls if roll.sold_in == work.tape.units)
        limit = work.say(widest, "down")
        sentence = (
            f"{each} has to be {needs} wide, and the widest roll sold here is {limit}: two pieces joined, a lower side."
        )
        return _verdict("cover-wide", "Width", "fails", sentence, needs, limit, reach.piece_m / widest, rank="fits")
    spare_m = reach.spare_m or 0.0
    roll, off = work.say(reach.roll_wide_m, "down"), work.say(abs(spare_m), "up" if spare_m < 0 else "down")
    ratio = reach.piece_m / reach.roll_wide_m
    level: Level = "holds"
    sentence = (
        f"{each} wants {needs}; the roll is {roll}: {off} over on each side, beside {_trim(work, reach)} to trim."
    )
    if spare_m < -1e-9:
        trimmed = spare_m + reach.trim_m
        level = "tight" if trimmed >= 0 else "fails"
        sentence = f"{each} wants {needs} and the roll is {roll}: {off} short on each side"
        sentence += (
            ", which what was left to trim gives." if trimmed >= 0 else f", more than {_trim(work, reach)} to trim."
        )
    return _verdict("cover-wide", "Width", level, sentence, needs, roll, ratio, rank="fits")


def _trim(work: Work, reach: Reach) -> str:
    return f"the {work.say(reach.trim_m)}"


def _long(work: Work, reach: Reach) -> list[Verdict]:
    if reach.roll_long_m is None:
        return []
    needs, roll = work.say(reach.long_m, "up"), work.say(reach.roll_long_m, "down")
    left = reach.left_m or 0.0
    if left >= -1e-9:
        sentence = (
            f"Of a roll of {roll} it takes {needs}: {work.say(left, 'down')} is left for ends, doors and patches."
        )
        return [
            _verdict(
                "cover-long", "Length", "holds", sentence, needs, roll, reach.long_m / reach.roll_long_m, rank="fits"
            )
        ]
    sentence = f"It takes {needs} of the roll, which is {roll}: {work.say(-left, 'up')} short."
    return [
        _verdict("cover-long", "Length", "fails", sentence, needs, roll, reach.long_m / reach.roll_long_m, rank="fits")
    ]


def _strong(work: Work) -> Iterator[Verdict]:
    pulls = film_pulls(work)
    if pulls is None:
        why = missing(work)
        asked = why[0].words if why else "The weather isn’t told."
        yield _verdict("cover-pulled", "Film in wind", "unknown", f"What wind pulls isn’t known. {asked}", "not known")
        return
    units, made_up = work.tape.units, f"{MADE_UP} " if stood_in(work) else ""
    side = amount_text(pulls.side_n_m, "pull", units, "up")
    number, limit = f"{math.ceil(pulls.share * 100 - 1e-9)} %", "100 %"
    end = amount_text(pulls.end_n_m, "pull", units, "up")
    said = f"{made_up}Wind pulls {side} on each side’s fixing and {end} at the ends;"
    ratio = min(pulls.share, 99.0)
    if work.design.weather.cover == "cloth":
        sentence = f"{said} nobody rated cloth: its maker’s figure says whether it bears that. {AID}"
        yield _verdict("cover-film", "Cloth in wind", "unknown", sentence, side, "not known", None, rank="stands")
    else:
        sentence = f"{said} {film_of(work).name} film uses {number} of what it bears in its last year. {AID}"
        level = judge(ratio, work.rules.holds_to)
        yield _verdict("cover-film", "Film in wind", level, sentence, number, limit, ratio, rank="stands")
    told = work.design.cover
    yield _held(work, "cover-held", "Fixing at the sides", told.sides, pulls.side_n_m, pulled_n_m(work))
    if told.made == "apart":
        yield _held(work, "cover-ends", "Fixing at the ends", told.ends, pulls.end_n_m, ends_held_n_m(work))


def _held(work: Work, id_: str, title: str, by: Hold, pulls_n: float, holds_n: float | None) -> Verdict:
    """Whether a fixing holds what wind pulls on a metre of it."""
    units, made_up = work.tape.units, f"{MADE_UP} " if stood_in(work) else ""
    name, asked = fixing_of(work, by).name, amount_text(pulls_n, "pull", units, "up")
    if holds_n is None:
        of = TEST if by == work.design.cover.sides else "What was pulled at is the sides’; this takes its own test."
        sentence = f"{made_up}Nobody knows what {name} holds here; wind pulls {asked} on it. {of} {AID}"
        return _verdict(id_, title, "unknown", sentence, asked, "not known", None, rank="stands")
    held, ratio = amount_text(holds_n, "pull", units, "down"), min(pulls_n / max(holds_n, 1.0), 99.0)
    sentence = f"{made_up}{name.capitalize()} holds {held} by half of the least pull; wind pulls {asked}. {AID}"
    return _verdict(id_, title, judge(ratio, work.rules.holds_to), sentence, asked, held, ratio, rank="stands")


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    told = work.design.cover.made != "ask"
    return Standing(id="cover", title="Cover", group="Close in", state=settled(found) if told else "open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    told = work.design.cover
    hip = told.edge == "hip"
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=(
            "cover.made",
            "cover.edge",
            *(("boards.hip", "boards.hip_m", "cover.below") if hip else ()),
            "cover.sides",
            *(("cover.ends", "cover.drop_m") if told.made != "gathered" else ("cover.hem_m",)),
            "cover.pieces",
            *(("cover.lap_m",) if told.pieces == "two" else ()),
            "cover.roll_m",
            "cover.roll_long_m",
            "ends.film",
            "cover.tail_m",
            "cover.trim_m",
            "cover.pull_1_n",
            "cover.pull_2_n",
            "cover.pull_3_n",
        ),
        aside=(
            "cover.roll_long_m", "ends.film", "cover.tail_m", "cover.trim_m", "cover.lap_m", "cover.drop_m",
            "cover.hem_m", "cover.pull_1_n", "cover.pull_2_n", "cover.pull_3_n",
        ),
        answers=tuple(_answers(work)),
        leads=("cover_wide", "cover_long", "cover_roll", "cover_sticks", "cover_area"),
        views=("sheet", "covered", "along"),
        strips=("cover:across", "cover:along"),
        grips=("boards.hip_m",) if hip else (),
        focus=("sheet", "left", "film", "bow", "fold", "fix", "span", "height"),
        how=tuple(Told(words=words) for words in _order(work)),
        how_title="On the day",
    )  # fmt: skip


def _next(work: Work) -> str:
    reach = reach_of(work)
    if work.design.cover.edge == "hip" and work.design.boards.hip == "none":
        return "There is no hip board to fix it at: put one up, or fix the sheet at the foot."
    if work.design.cover.made == "ask":
        return "Say how the ends are covered, and whether a roll reaches is judged."
    if reach.roll_wide_m is None or (reach.spare_m or 0.0) < -reach.trim_m:
        return "Nothing is bought yet: what would reach stands with the verdict."
    roll = work.say(reach.roll_wide_m)
    return f"Tape one bow over its outside before buying: {work.say(reach.over_m)}. Then a roll {roll} wide."


def _answers(work: Work) -> Iterator[Answer]:
    reach, told, tape = reach_of(work), work.design.cover, work.tape
    yield length_answer(
        work, "cover_over", "Over the outside, fixing to fixing", reach.over_m, "tape it on a bow that stands"
    )
    pieces = "each of two pieces" if told.pieces == "two" else "with what fixings take, to pull by and to trim"
    yield length_answer(work, "cover_wide", "Sheet, wide", reach.piece_m, pieces)
    yield length_answer(work, "cover_long", "Sheet, long", reach.long_m, "both pieces" if told.pieces == "two" else "")
    if reach.roll_wide_m is not None:
        long = "" if reach.roll_long_m is None else f"{work.say(reach.roll_long_m)} long"
        yield length_answer(work, "cover_roll", "Roll", reach.roll_wide_m, f"wide, {long}")
        if (reach.left_m or 0.0) > 0:
            ends = ends_of_left(work)
            keep = (
                "keep it: doors, patches" if not ends else f"keep it: {ends} end{'s' if ends > 1 else ''} come off it"
            )
            covers = math.floor((reach.roll_long_m or 0.0) / reach.long_m + 1e-9)
            note = f"{covers} covers a roll; {keep}" if covers > 1 else keep
            yield length_answer(work, "cover_left", "Left of the roll", reach.left_m or 0.0, note)
    area_m2, kg = sheet_m2(work)
    mass = amount_text(kg, "hung", tape.units, "up")
    carriers = max(math.ceil(kg / CARRIES_KG), 2)
    yield Answer(
        id="cover_area", label="Sheet as cut", reading=area_text(area_m2, tape, rounded("cover_area")), value=area_m2,
        unit="m2", note=f"{mass}: {carriers} carry it",
    )  # fmt: skip
    yield count_answer("cover_people", "Hands on it, at the least", hands(work), "in gusts of 5 m/s (11 mph), no more")
    gathered = pleats(work)
    if gathered is not None:
        spare_m, count = gathered
        note = f"{count} pleats half a foot deep, folded so that they face down"
        yield length_answer(work, "pleat_spare", "Too much at the foot of an end", spare_m, note)
    thick_m = film_of(work).thick_m
    yield Answer(
        id="film_thick",
        label="Film, thick",
        reading=f"{thick_m / MIL_M:.1f} mil",
        value=thick_m,
        unit="m",
        note=f"{thick_m / MICRON_M:.0f} microns, {thick_m / GAUGE_M:.0f} gauge: one and the same",
    )
    lines = lines_of(work)
    sticks = sum(line.sticks for line in lines)
    if sticks:
        cuts = {line.where: work.say(line.cut_m) for line in lines if line.sticks}
        note = ", ".join(f"last of the {where} {cut}" for where, cut in list(cuts.items())[::2])
        yield count_answer("cover_sticks", "Sticks of it", sticks, note)
    yield count_answer("cover_screws", "Screws, clamps, staples", sum(line.pieces for line in lines), "without spares")
    wires = sum(line.sticks for line in lines if line.fixing.id == "track")
    if wires:
        layers = 2 if work.design.weather.layers == "two" else 1
        yield count_answer("cover_wires", "Spring wires", wires * layers, "one a stick and layer")
    tube = bow_tube(work)
    if tube.material == "steel" or tube.resin != "pe":
        yield length_answer(work, "cover_taped", "Tape over the bows", taped_m(work), TAPED[tube.material])
    dug = sum(line.dug_m3 for line in lines)
    if dug:
        yield amount_answer(work, "cover_dug", "Trench to dig", dug, "volume", "a foot wide and deep, both sides")


# What one person carries of a sheet, kg (this bench).
CARRIES_KG = 15.0


def _order(work: Work) -> Iterator[str]:
    """The day of the cover."""
    told, reach = work.design.cover, reach_of(work)
    yield "Before: all screws of the frame tight, steel that film touches taped, ends and bolt heads rounded or capped."
    free = work.say(work.design.size.length_m + 2 * told.drop_m)
    yield f"Free ground beside the house, {free} long: unroll there, inside face up."
    yield "Gather it in folds as thick as an arm, a tie each few bows; pull it over by ropes, all together."
    first = "front end, pulled hard; back end; then the sides from the middle outward"
    if told.made == "gathered":
        first = "the sides from the middle outward; the ends last, pleats folded so that they face down"
    yield f"Fix it: {first}. On a mild day, 15 to 25 °C: film that is fitted cold hangs loose in summer."
    yield f"Trim what hangs over last, and leave {work.say(told.tail_m)} to pull by when it slackens."
    if reach.left_m and reach.left_m > 1.0:
        yield "The off-cut is dated and kept dark: it makes ends, a door, or patches of the same age."


def strips(work: Work) -> list[Strip]:
    """The sheet's width laid flat with its cuts and lines, and its length with the bows under it."""
    reach, told = reach_of(work), work.design.cover
    where = "cover:across"
    wide = reach.roll_wide_m if reach.roll_wide_m is not None else reach.piece_m
    whole = wide if told.pieces == "one" else 2 * wide - 2 * told.lap_m
    middle = whole / 2
    half = reach.over_m / 2
    eats = fixing_of(work, told.sides).eats_m
    places = [(0.0, "edge", "cut", "fold:1"), (middle, "ridge", "crown", "fold:4"), (whole, "edge", "cut", "fold:7")]
    for sign, name, number in ((-1, "left", 2), (1, "right", 6)):
        line = "hip board" if edge_up_m(work) > 0 and told.edge == "hip" else "fixing"
        places.append((middle + sign * half, f"{name} {line}", "joint", f"fold:{number}"))
    if told.pieces == "two":
        places += [(middle - told.lap_m, "lap", "joint", "fold:3"), (middle + told.lap_m, "lap", "joint", "fold:5")]
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
    where, told, size = "cover:along", work.design.cover, work.design.size
    pieces = 2 if told.pieces == "two" else 1
    long_m = reach.long_m / pieces
    start = (long_m - size.length_m) / 2
    places: list[tuple[float, str, MarkKind, str]] = [
        (0.0, "cut", "cut", "sheet"),
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
