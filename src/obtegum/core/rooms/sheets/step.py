"""Rigid sheets: what is ordered, in which order it is laid, where it is screwed, whether it bends and bears."""

import math
from collections.abc import Iterator
from functools import partial

from obtegum.core.documents.hoist import CARRIES_KG
from obtegum.core.drawing.step import Answer, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Band, Strip
from obtegum.core.drawing.verdict import NEVER, Verdict, judge, verdict_on
from obtegum.core.face.answers import amount_answer, angle_answer, count_answer, length_answer, settled
from obtegum.core.face.fixings import with_spares
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.work import Work
from obtegum.core.formulas.stock import bought
from obtegum.core.rooms.sheets import words
from obtegum.core.rooms.sheets.found import (
    PANEL_EACH_M,
    TRIM_M,
    bends_to_m,
    end_sheets,
    expands_m,
    fold_of,
    least_radius_m,
    roof_of,
    screws_of,
    sticks_of,
    supports_m,
    trims_of,
    widest_gap_m,
)
from obtegum.core.rooms.strength.words import AID, aided
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import area_text

__all__ = ["plan", "stands", "strips", "verdicts"]

_verdict = partial(verdict_on, "sheets", part="sheet:1")

CAUTION = (
    "Sheets are sails and slippery: no wind, "
    "nobody walks on them, boards "
    "across runs to kneel on, gloves at cut edges, "
    "eyes covered at the saw."
)
# Screws that fail to hold are why sheets fly: what one bears is its maker's or tested.


def verdicts(work: Work) -> list[Verdict]:
    """Whether sheets bend over the roof, bear between their supports, and whether screws hold them in wind."""
    if not work.design.sheets.over_roof:
        return []
    return [*_bends(work), _bears(work), *_held(work)]


def _bends(work: Work) -> Iterator[Verdict]:
    radius, least = bends_to_m(work), least_radius_m(work)
    if radius is None:
        return
    number = work.say(radius, "down")
    if least is None:
        sentence = words.bend_unknown(number)
        yield _verdict("sheet-bends", "Bend of the sheets", "unknown", sentence, number, "not known", None)
        return
    ratio, limit = least / radius, work.say(least, "up")
    level = judge(ratio, work.rules.holds_to)
    sentence = words.bends_to(number, limit, level == "fails")
    yield _verdict("sheet-bends", "Bend of the sheets", level, sentence, number, limit, ratio)


def _bears(work: Work) -> Verdict:
    gap, sheets = widest_gap_m(work), work.design.sheets
    number = work.say(gap, "up")
    if sheets.span_m is None:
        sentence = words.carry_unknown(number)
        return _verdict(
            "sheet-bears", "Between supports", "unknown", sentence, number, "not known", None, rank="stands"
        )
    ratio, limit = gap / sheets.span_m, work.say(sheets.span_m, "down")
    sentence = f"{words.carry(number, limit)} {AID}"
    level = judge(ratio, work.rules.holds_to)
    return _verdict("sheet-bears", "Between supports", level, sentence, number, limit, ratio, rank="stands")


def _held(work: Work) -> Iterator[Verdict]:
    screws, sheets, units = screws_of(work), work.design.sheets, work.tape.units
    if screws.lifted_n is None:
        sentence = words.lift_unknown()
        yield _verdict("sheet-screws", "Screws in wind", "unknown", sentence, "not known", rank="stands")
        return
    asked = amount_text(screws.lifted_n, "force", units, "up")
    if sheets.screw_n is None:
        sentence = aided(work, words.screw_unknown(asked))
        yield _verdict("sheet-screws", "Screws in wind", "unknown", sentence, asked, "not known", None, rank="stands")
        return
    ratio, limit = screws.lifted_n / sheets.screw_n, amount_text(sheets.screw_n, "force", units, "down")
    sentence = aided(work, words.screw_lifted(asked, limit))
    level = judge(ratio, work.rules.holds_to)
    yield _verdict("sheet-screws", "Screws in wind", level, sentence, asked, limit, min(ratio, NEVER), rank="stands")


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    some = work.design.sheets.on != "none"
    return Standing(id="sheets", title="Rigid sheets", group="Close in", state=settled(found) if some else "open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    sheets, some = work.design.sheets, work.design.sheets.on != "none"
    waves = sheets.kind == "waves"
    measures = (
        "sheets.on",
        *(
            (
                "sheets.kind",
                "sheets.wide_m",
                *(("sheets.long_m",) if work.design.sheets.over_roof else ()),
                *(("sheets.pitch_m", "sheets.lap_waves") if waves else ("sheets.thick_m", "sheets.gap_m")),
                *(("sheets.radius_m", "sheets.span_m", "sheets.screw_n") if work.design.sheets.over_roof else ()),
                "sheets.crests",
                "sheets.storm",
                "sheets.lap_m",
                "sheets.eaves_m",
                "sheets.over_m",
                "sheets.kg_m2",
            )
            if some
            else ()
        ),
    )
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=measures,
        aside=("sheets.lap_m", "sheets.eaves_m", "sheets.over_m", "sheets.kg_m2", "sheets.gap_m"),
        answers=tuple(_answers(work)) if some else (),
        leads=("sheet_count", "sheet_long", "sheet_screws", "sheet_ends"),
        views=("sheets", "end_sheets", "along"),
        strips=tuple(each.id for each in strips(work)) or ("floor",),
        grips=(),
        focus=("sheet", "lap", "screw", "run", "bow"),
        how=tuple(Told(words=said) for said in _order(work)) if some else (),
        how_title="In this order",
    )


def _next(work: Work) -> str:
    sheets = work.design.sheets
    if sheets.on == "none":
        return "Film needs none of this: rigid sheets are for roofs or ends that aren’t to be covered anew."
    if not work.design.sheets.over_roof:
        return "Mark each end’s sheets from its middle outward, and number them before the first is cut."
    lee = "back" if sheets.storm == "front" else "front"
    return f"The first sheet lies square at the {lee} end, low on the left: string its edge, all others follow it."


def _answers(work: Work) -> Iterator[Answer]:
    sheets, tape, roof = work.design.sheets, work.tape, roof_of(work)
    if work.design.sheets.over_roof:
        note = f"{roof.columns} along, {roof.up} over the roof"
        yield count_answer("sheet_count", "Sheets over the roof", roof.count, note)
        yield length_answer(
            work, "sheet_long", "Each cut, long", roof.piece_m, f"lapped {work.say(roof.lap_m)} up the roof"
        )
        yield length_answer(work, "sheet_last", "Last column, wide", roof.last_m, "cut along a valley; or lap it more")
        whole = bought(roof.count * [roof.piece_m], sheets.long_m, work.rules.kerf_m)
        area = whole * sheets.wide_m * sheets.long_m
        yield Answer(
            id="sheet_area",
            label="Sheets bought",
            reading=area_text(area, tape, rounded("sheet_area")),
            value=area,
            unit="m2",
            note=f"of a roof of {area_text(roof.over_m * roof.along_m, tape, 'nearest')}",
        )
        kg = sheets.wide_m * roof.piece_m * sheets.kg_m2
        yield amount_answer(
            work, "sheet_mass", "One of them", kg, "hung", f"{max(math.ceil(kg / CARRIES_KG), 2)} carry it"
        )
        screws = screws_of(work)
        places = "" if sheets.kind == "waves" else f", places {work.say(PANEL_EACH_M)} apart (this bench)"
        note = (
            f"{screws.edge_row} in each row at an edge, {screws.inner_row} "
            f"between; {len(supports_m(work))} rows{places}; spares with them"
        )
        yield count_answer("sheet_screws", "Screws with washers", with_spares(screws.count), note)
        if screws.lifted_n is not None:
            yield amount_answer(
                work, "sheet_lifted", "Wind lifts a screw by", screws.lifted_n, "force", "at the worst place"
            )
        grows = expands_m(work)
        yield length_answer(
            work, "sheet_grows", "A sheet grows", grows, "cold night to hot roof: holes wider by half of it"
        )
        fold = fold_of(work)
        if fold is not None:
            yield angle_answer("sheet_fold", "Cap’s angle at the ridge", fold.angle_rad)
            yield length_answer(work, "sheet_fold_at", "Ridge, from either edge", fold.at_m, "over the outside")
    if work.design.sheets.over_ends:
        ends = end_sheets(work)
        yield count_answer("sheet_ends", "Sheets on the ends", len(ends), "each with its heights in the table")
        longest = max(each.high_m for each in ends)
        yield length_answer(work, "sheet_end_high", "The longest of them", longest, "before its own overhang")
    for place, trim in enumerate(trims_of(work), start=1):
        note = f"{trim.lengths} of {work.say(trim.long_m, 'up')}, sticks of {work.say(TRIM_M)}, lapped"
        yield count_answer(f"sheet_trim_{place}", trim.what.capitalize(), sticks_of(trim), note)


def _order(work: Work) -> Iterator[str]:
    """How sheets are laid."""
    sheets = work.design.sheets
    lee = "back" if sheets.storm == "front" else "front"
    if work.design.sheets.over_roof:
        yield (
            f"From the {lee} end, away from storms: each sheet’s free edge then lies under the next one, lee to storm."
        )
        yield "Low before high: the upper one laps over the lower. Begun at the other corner, laps can’t be put right."
    if sheets.kind == "waves":
        yield "Holes on crests, wider than the screw by half of what a sheet grows; washers pulled snug, not flat."
        yield f"Each crest at both edges, each {_nth(sheets.crests)} between: corners go first where screws are few."
    else:
        yield (
            "Flutes run up the roof, the marked face "
            "to the sun; upper ends taped "
            "tight, lower ends with tape that breathes."
        )
        yield "Edges stand in their profiles with room to grow; nothing is drilled within a hand of a panel’s edge."
    if fold_of(work) is not None and work.design.sheets.over_roof:
        yield "Both slopes end short of the ridge by a thumb; the cap goes on last, over closures."
    if work.design.sheets.over_ends:
        yield "Ends: from the middle outward, each cut to its own heights, under the trim of the rim."


def _nth(each: int) -> str:
    return {1: "crest", 2: "second", 3: "third", 4: "fourth"}[each]


def strips(work: Work) -> list[Strip]:
    """Along the eave: where each column begins, as it is laid; over the roof: edges, laps and rows of screws."""
    if not work.design.sheets.over_roof:
        return []
    roof, sheets = roof_of(work), work.design.sheets
    step = sheets.wide_m - roof.side_lap_m
    lee = "back" if sheets.storm == "front" else "front"
    along = [work.mark(0.0, "edge", "cut", "sheet:1", "sheets:along")]
    bands = list[Band]()
    for column in range(1, roof.columns):
        at = column * step
        along.append(work.mark(at, f"column {column + 1}", "joint", f"column:{column + 1}", "sheets:along"))
        if roof.side_lap_m > 0:
            bands.append(Band(from_m=at, to_m=at + roof.side_lap_m, what="lap", kind="joint"))
    along.append(work.mark(roof.along_m, "edge", "cut", "sheet", "sheets:along"))
    over = [
        work.mark(at, "screws", "peg", f"screw:{place}", "sheets:over")
        for place, at in enumerate(supports_m(work), start=1)
    ]
    ends = [(0.0, "edge", "sheet:low"), (roof.over_m, "edge", "sheet:high")]
    over += [work.mark(at, what, "cut", part, "sheets:over") for at, what, part in ends]
    return [
        Strip(
            id="sheets:along",
            title="Along the eave",
            about=f"tape from the {lee} end",
            material="film",
            length_m=roof.along_m,
            marks=tuple(along),
            bands=tuple(bands),
        ),
        Strip(
            id="sheets:over",
            title="Over the roof",
            about="tape from the left edge, over the outside",
            material="film",
            length_m=roof.over_m,
            marks=tuple(sorted(over, key=lambda mark: mark.at_m)),
        ),
    ]
