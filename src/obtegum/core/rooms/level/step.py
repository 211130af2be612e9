"""Level: what the rod reads at every peg, the fall, the datum, and the reading on every finished post top."""

import math
from functools import partial

from obtegum.core.drawing.step import Action, Answer, Standing, StepPlan
from obtegum.core.drawing.strip import Entered, Strip, StripMark
from obtegum.core.drawing.verdict import NEVER, Verdict, judge, verdict_on
from obtegum.core.face.answers import length_answer, ticked_off
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of, pegs_of
from obtegum.core.findings.skeleton.ground import Stand
from obtegum.core.findings.skeleton.levels import lie_of, odd_readings, place_words, stand_of
from obtegum.core.findings.skeleton.stands import foot_name, foot_of, plumb_m, way_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.ground.levels import turned_falls
from obtegum.core.formulas.setout.base import Peg, peg_words
from obtegum.core.formulas.setout.squaring import BEYOND
from obtegum.core.rooms.level import words
from obtegum.core.rooms.level.answers import least_in_ground
from obtegum.core.values.quantity import percent_text

__all__ = ["plan", "stands", "strips", "verdicts"]

_verdict = partial(verdict_on, "level")

MOST_NAMED = 3


def verdicts(work: Work) -> list[Verdict]:
    """Whether the readings can be trusted, and whether every post has enough in the ground."""
    levels = work.record.levels
    if not levels.pegs:
        return []
    found = [*_closing_verdicts(work), *_suspect_verdicts(work)]
    stand = stand_of(work)
    if stand is not None:
        found += [*_sight_verdicts(work, stand), _embedment_verdict(work, stand)]
    return found


def _closing_verdicts(work: Work) -> list[Verdict]:
    """The first peg read again: a level that was knocked shows, which no single reading would."""
    levels = work.record.levels
    first = next(iter(levels.pegs))
    where = peg_words(first)
    if levels.closing_m is None:
        lie = lie_of(work)
        if lie is None or lie.missing:
            return []
        sentence = words.read_once_more(where)
        return [_verdict("closing", "Closing", "unknown", sentence, part=f"post:{first}")]
    off = abs(levels.closing_m - levels.pegs[first])
    limit_m = BEYOND * math.sqrt(2) * work.design.level.reading_error_m
    level = judge(off / limit_m, work.rules.holds_to)
    number, limit = work.say(off, "up"), work.say(limit_m, "down")
    where = where.capitalize()
    sentence = words.level_moved(where, number, limit) if level == "fails" else words.closes(where, number)
    return [_verdict("closing", "Closing", level, sentence, number, limit, off / limit_m, f"post:{first}")]


def _suspect_verdicts(work: Work) -> list[Verdict]:
    found, slipped = odd_readings(work)
    if slipped is not None:
        off = work.say(abs(slipped.off_m))
        sentence = words.slipped(peg_words(slipped.name), off, slipped.off_m > 0, slipped.what)
        part = f"post:{slipped.name}"
        return [_verdict("rod-slipped", "Rod", "fails", sentence, work.say(abs(slipped.off_m)), part=part)]
    if not found:
        return []
    told = [(place_words(work, each.name), work.say(abs(each.off_m)), each.what) for each in found[:MOST_NAMED]]
    sentence = words.off_the_line(told, len(found) - len(told))
    worst = found[0]
    part = worst.name if worst.name.startswith("spot:") else f"post:{worst.name}"
    return [_verdict("outlier", "Odd readings", "tight", sentence, work.say(abs(worst.off_m)), part=part)]


def _sight_verdicts(work: Work, stand: Stand) -> list[Verdict]:
    """Post tops above the line of sight can't be read on."""
    high = max(stand.feet.values(), key=lambda foot: foot.top_m)
    if high.top_m <= 0:
        return []
    over, (one, many) = work.say(high.top_m, "up"), foot_of(work)
    sentence = words.sight_below(over, many, one)
    return [_verdict("sight", "Sight", "tight", sentence, over, part=f"post:{high.name}")]


def _embedment_verdict(work: Work, stand: Stand) -> Verdict:
    weakest, least_m = stand.weakest, work.design.level.least_in_ground_m
    has, least = work.say(max(weakest.embedment_m, 0.0), "down"), work.say(least_m)
    where = foot_name(work, weakest.name)
    if stand.missing:
        sentence = words.least_so_far(len(stand.missing), len(stand.places), where, stand.padded, has)
        return _verdict(
            "embedment", "In the ground", "unknown", sentence, has, least, part=f"post:{weakest.name}", rank="stands"
        )
    ratio = least_m / weakest.embedment_m if weakest.embedment_m > 0 else NEVER
    level = judge(ratio, work.rules.holds_to)
    fill_m = min(weakest.fill_m, weakest.length_m - weakest.reveal_m)
    fill = work.say(fill_m) if weakest.fill_m > 0 else ""
    sentence = words.least_in_ground(where.capitalize(), stand.padded, has, fill, least, level)
    return _verdict("embedment", "In the ground", level, sentence, has, least, ratio, f"post:{weakest.name}", "stands")


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    read = sum(f"{peg.side}{peg.bow}" in work.record.levels.pegs for peg in pegs_of(work))
    return Standing(
        id="level",
        title="Level",
        group="Place",
        state=ticked_off(found, read, len(pegs_of(work))),
        done=read,
        of=len(pegs_of(work)),
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    levels, design = work.record.levels, work.design
    string = design.level.tool == "string"
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        next_part=_next_part(work),
        caution="Look up before a rod goes up: power lines. Have buried ones marked before you dig or drive.",
        measures=(
            "level.tool",
            *(() if string else ("level.rod_m",)),
            "level.reading_error_m",
            *(("record.levels.closing_m",) if levels.pegs else ()),
            "level.tops",
            "posts.length_m",
            "posts.reveal_m",
            "level.least_in_ground_m",
        ),
        answers=tuple(_answers(work)),
        leads=("top_reading", "fall", "embedment_least"),
        views=("falls", "profile"),
        strips=("level:L", "level:R", *(("tops:L", "tops:R") if lie_of(work) else ())),
        aside=("level.reading_error_m", "posts.length_m", "posts.reveal_m", "level.least_in_ground_m"),
        grips=(),
        walk=tuple(f"record.levels.pegs.{peg.side}{peg.bow}" for peg in _walk(work)),
        focus=("post", "ground", "datum", "contour", "spots", "spot", "corner", "line", "end", "floor"),
        actions=(
            Action(id="spots", label="Spots between the pegs", opens="spots"),
            Action(id="read-in", label="Paste or open readings", opens="readings"),
        ),
    )


def _walk(work: Work) -> list[Peg]:
    """The pegs up the left side and back down the right, as one walks."""
    left = [peg for peg in pegs_of(work) if peg.side == "L"]
    right = [peg for peg in pegs_of(work) if peg.side == "R"]
    return [*left, *reversed(right)]


def _next_peg(work: Work) -> Peg | None:
    """The next peg to read."""
    read = work.record.levels.pegs
    return next((peg for peg in _walk(work) if f"{peg.side}{peg.bow}" not in read), None)


def _says(work: Work, name: str) -> str:
    """What to do at a peg, or what was read there."""
    reading = work.record.levels.pegs.get(name)
    if reading is not None:
        return f"{peg_words(name).capitalize()} was read: {work.say(reading)}. Type to read it again."
    verb = "hold the rod on the ground at" if work.design.level.tool == "rod" else "measure down from the string at"
    return f"Next: {verb} {peg_words(name)}."


def _next_part(work: Work) -> str | None:
    peg = _next_peg(work)
    if peg is not None:
        return f"post:{peg.side}{peg.bow}"
    stand = stand_of(work)
    return f"post:{stand.weakest.name}" if stand else None


def _next(work: Work) -> str:
    peg, levels = _next_peg(work), work.record.levels
    if peg is not None:
        return _says(work, f"{peg.side}{peg.bow}")
    if levels.closing_m is None:
        return f"Next: read {peg_words(next(iter(levels.pegs)))} once more."
    stand = stand_of(work)
    assert stand is not None
    tops, way = {work.say(foot.top_reading_m) for foot in stand.feet.values()}, way_of(work)
    do = way.set.replace(" it", f" {'every' if len(tops) == 1 else 'each'} {way.one}", 1)
    if len(tops) == 1:
        return f"{do} until the rod on its top reads {tops.pop()}."
    return f"{do} until the rod on its top reads as on the tape below."


def _answers(work: Work) -> list[Answer]:
    stand = stand_of(work)
    if stand is None:
        return []
    heights = stand.heights
    places = [stand.places[name] for name in heights]
    down = max(heights.values()) - min(heights.values())
    found = [length_answer(work, "fall", "Highest to lowest peg", down)]
    tops = sorted({foot.top_reading_m for foot in stand.feet.values()})
    if stand.datum.fall == 0:
        found.append(length_answer(work, "top_reading", f"Rod on every {foot_of(work)[0]}’s top", tops[0]))
    else:
        fall = stand.datum.fall
        toward = "B" if fall > 0 else "A"
        found.append(
            Answer(
                id="datum_fall",
                label=f"Tops fall toward {toward}",
                reading=percent_text(abs(fall), 2, rounded("datum_fall")),
                value=abs(fall),
                unit="share",
                note=f"{work.say(abs(fall) * work.design.size.length_m)} over the house",
            )
        )
    reveals = [foot.reveal_m for foot in stand.feet.values()]
    found.append(length_answer(work, "reveal_least", "Stands out, least", min(reveals)))
    found.append(length_answer(work, "reveal_most", "Stands out, most", max(reveals)))
    found.append(least_in_ground(work))
    slope = turned_falls(places, list(heights.values()))
    if slope is not None:
        found += _turned(work, stand, *slope)
    return found


def _turned(work: Work, stand: Stand, along: float, across: float) -> list[Answer]:
    """How much the ground falls under the house as it lies, and turned a quarter, on the best plane."""
    size, posts = work.design.size, work.design.posts
    # Tops on one fall take up what falls along the house; only what falls across it is left to the posts.
    length_m = 0.0 if work.design.level.tops == "fall" else size.length_m
    now_m = abs(along) * length_m + abs(across) * size.span_m
    turned_m = abs(across) * length_m + abs(along) * size.span_m
    # What the ground lies lower than its best plane takes as much away however the house lies.
    gaps = [stand.natural.at(stand.places[name][0]) - height for name, height in stand.heights.items()]
    rough_m = max(max(gaps) - now_m, 0.0)
    left = work.say(max(plumb_m(work) - posts.reveal_m - turned_m - rough_m, 0.0), "down")
    return [
        Answer(
            id="slope",
            label="Ground falls",
            reading=" and ".join(
                f"{percent_text(abs(each), 1, rounded('slope'))} {way}"
                for each, way in ((along, "along"), (across, "across"))
            ),
            value=math.hypot(along, across),
            unit="share",
            note="to B and D" if along >= 0 and across >= 0 else _toward(along, across),
        ),
        length_answer(
            work,
            "turned",
            "Fall for the posts, turned a quarter",
            turned_m,
            f"as it lies {work.say(now_m)}; about {left} in the ground then",
        ),
    ]


def _toward(along: float, across: float) -> str:
    return f"to {'B' if along >= 0 else 'A'} and {'D' if across >= 0 else 'A'}"


def strips(work: Work) -> list[Strip]:
    """Both sides with the rod's reading at each peg, and with the reading on each post's top."""
    stand, tops = stand_of(work), {"L": "Left tops", "R": "Right tops"}
    on_tops = [] if stand is None else [_tops_strip(work, stand, side, tops[side]) for side in ("L", "R")]
    return [*_on_the_ground(work), *on_tops]


@found
def _on_the_ground(work: Work) -> list[Strip]:
    """Both sides with the rod's reading at each peg."""
    rod = "the rod" if work.design.level.tool == "rod" else "the depth below the string"
    titles = {"L": "Left pegs", "R": "Right pegs"}
    return [_ground_strip(work, side, titles[side], f"{rod} on the ground at each") for side in ("L", "R")]


def _strip(work: Work, name: str, title: str, about: str, marks: list[StripMark]) -> Strip:
    return Strip(
        id=name, title=title, about=about, material="string", length_m=bays_of(work).stations_m[-1], marks=tuple(marks)
    )


def _ground_strip(work: Work, side: str, title: str, about: str) -> Strip:
    where, marks = f"level:{side}", []
    for peg in (peg for peg in pegs_of(work) if peg.side == side):
        name = f"{side}{peg.bow}"
        reading = work.record.levels.pegs.get(name)
        told = "" if reading is None else work.say(reading)
        verb = "Rod at" if work.design.level.tool == "rod" else "String down to"
        entry = Entered(measure=f"record.levels.pegs.{name}", label=f"{verb} {peg_words(name)}", reading=told)
        marks.append(
            StripMark(
                id=f"{where}/{name}",
                part=f"post:{name}",
                at_m=peg.station_m,
                reading=told or "–",
                what=f"peg {peg.bow}",
                kind="peg",
                state="open" if reading is None else "set",
                entry=entry,
                says=_says(work, name),
            )
        )
    return _strip(work, where, title, about, marks)


def _tops_strip(work: Work, stand: Stand, side: str, title: str) -> Strip:
    where, marks = f"tops:{side}", []
    for peg in (peg for peg in pegs_of(work) if peg.side == side and f"{side}{peg.bow}" in stand.feet):
        foot = stand.feet[f"{side}{peg.bow}"]
        marks.append(
            StripMark(
                id=f"{where}/{foot.name}",
                part=f"post:{foot.name}",
                at_m=peg.station_m,
                reading=work.say(foot.top_reading_m),
                what=f"{foot_of(work)[0]} {peg.bow} out {work.say(foot.reveal_m)}",
                kind="socket",
                says=f"{foot_name(work, foot.name).capitalize()}: its top, where the rod reads this.",
            )
        )
    return _strip(work, where, title, "what the rod reads on each finished top, and how far it stands out", marks)
