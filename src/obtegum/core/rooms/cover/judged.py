"""Whether a cover reaches, whether it is held, and what wind pulls on it: each judged."""

import math
from collections.abc import Iterator
from functools import partial

from obtegum.core.documents.cover import Hold
from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.findings.skeleton.fixings import fixing_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.cover import words
from obtegum.core.rooms.cover.found import Reach, over_planned_m, reach_of, taped_bows
from obtegum.core.rooms.cover.lines import edges_of, eyelets_of, tracks_m
from obtegum.core.rooms.cover.pulls import asked_n_m, film_pulls, held_n_m
from obtegum.core.rooms.ends.pulled import film_of
from obtegum.core.rooms.strength.words import aided
from obtegum.core.rooms.weather.found import missing
from obtegum.core.values.amount import amount_text

__all__ = ["verdicts"]

_verdict = partial(verdict_on, "cover", part="film")


def verdicts(work: Work) -> list[Verdict]:
    """Whether a roll is wide and long enough, and whether film and fixings bear what wind pulls."""
    if work.design.cover.made == "ask" or work.design.sheets.over_roof:
        return []
    reach = reach_of(work)
    return [_wide(work, reach), *_long(work, reach), *_tied(work), *_tracks(work), *_taped(work), *_strong(work)]


def _wide(work: Work, reach: Reach) -> Verdict:
    """Whether the roll's width reaches over the house and round its fixings."""
    needs = work.say(reach.piece_m, "up")
    if work.design.cover.bought == "made":
        return _made(work, reach)
    two = work.design.cover.pieces == "two"
    if reach.roll_wide_m is None:
        widest = max(roll.wide_m for roll in work.catalogue.rolls if roll.sold_in == work.tape.units)
        limit = work.say(widest, "down")
        sentence = words.wider_than_sold(two, needs, limit)
        return _verdict("cover-wide", "Width", "fails", sentence, needs, limit, reach.piece_m / widest, rank="fits")
    spare_m = reach.spare_m or 0.0
    roll, off = work.say(reach.roll_wide_m, "down"), work.say(abs(spare_m), "up" if spare_m < 0 else "down")
    level: Level = "holds"
    sentence = words.roll_reaches(two, needs, roll, off, _trim(work, reach))
    if spare_m < -1e-9:
        trimmed = spare_m + reach.trim_m
        level = "tight" if trimmed >= 0 else "fails"
        sentence = words.roll_short(two, needs, roll, off, _trim(work, reach), trimmed >= 0)
    # What is left to trim is in what it wants: a roll reaches or it doesn't.
    return _verdict("cover-wide", "Width", level, sentence, needs, roll, None, rank="fits")


def _made(work: Work, reach: Reach) -> Verdict:
    """Whether a cover that is made to measure reaches at the least that it may come."""
    needs, least = work.say(reach.piece_m, "up"), work.say(reach.roll_wide_m or 0.0, "down")
    off = work.say(work.design.cover.off_m, "up")
    level: Level = "holds" if reach.piece_m <= (reach.roll_wide_m or 0.0) + 1e-9 else "fails"
    sentence = words.made_reaches(off, least, needs)
    return _verdict("cover-wide", "Width", level, sentence, needs, least, None, rank="fits")


def _tied(work: Work) -> Iterator[Verdict]:
    """Whether eyelets meet the bows that they are tied to."""
    eyelets = eyelets_of(work)
    if eyelets is None:
        return
    number, limit = f"{eyelets.met}", f"{eyelets.bows}"
    level: Level = "holds" if eyelets.met == eyelets.bows else "tight" if eyelets.met else "fails"
    sentence = words.eyelets(eyelets.met, eyelets.bows, work.say(eyelets.furthest_m, "up"))
    yield _verdict("cover-eyelets", "Eyelets", level, sentence, number, limit, None, rank="fits")


def _tracks(work: Work) -> Iterator[Verdict]:
    """Whether the roof's fixing and the curtain's own both have room on the hip board."""
    room = tracks_m(work)
    if room is None:
        return
    needs, has = work.tube(room[0], "up"), work.tube(room[1], "down")
    ratio = room[0] / room[1]
    sentence = words.two_fixings(needs, has, ratio > 1 + 1e-9)
    level = judge(ratio, work.rules.holds_to)
    yield _verdict("cover-tracks", "Room for two fixings", level, sentence, needs, has, ratio, rank="fits")


# By how much bows as taped may be unlike, or unlike the plan, m (this bench).
UNLIKE_M = 0.1


def _taped(work: Work) -> Iterator[Verdict]:
    """Whether the bows as they stand are alike, and as planned."""
    taped = taped_bows(work)
    if not taped:
        return
    planned = over_planned_m(work)
    off = max(max(taped), planned) - min(min(taped), planned)
    number, limit, ratio = work.say(off, "up"), work.say(UNLIKE_M, "down"), off / UNLIKE_M
    level = judge(ratio, work.rules.holds_to)
    sentence = words.bows_differ(number, ratio > 1)
    if level == "fails":
        # What is told may be a slip, and nothing is cut by it yet.
        yield _verdict("cover-taped", "Bows as taped", "tight", sentence, number, limit, None, rank="fits")
        return
    yield _verdict("cover-taped", "Bows as taped", level, sentence, number, limit, ratio, rank="fits")


def _trim(work: Work, reach: Reach) -> str:
    return f"the {work.say(reach.trim_m)}"


def _long(work: Work, reach: Reach) -> list[Verdict]:
    if reach.roll_long_m is None or work.design.cover.bought == "made":
        return []
    needs, roll = work.say(reach.long_m, "up"), work.say(reach.roll_long_m, "down")
    left = reach.left_m or 0.0
    if left >= -1e-9:
        sentence = words.roll_leaves(roll, needs, work.say(left, "down"))
        return [_verdict("cover-long", "Length", "holds", sentence, needs, roll, None, rank="fits")]
    sentence = words.roll_too_short(needs, roll, work.say(-left, "up"))
    return [
        _verdict("cover-long", "Length", "fails", sentence, needs, roll, reach.long_m / reach.roll_long_m, rank="fits")
    ]


def _strong(work: Work) -> Iterator[Verdict]:
    pulls = film_pulls(work)
    if pulls is None:
        why = missing(work)
        sentence = words.pull_unknown(why[0].words if why else "")
        yield _verdict("cover-pulled", "Film in wind", "unknown", sentence, "not known")
        return
    units = work.tape.units
    side = amount_text(pulls.side_n_m, "pull", units, "up")
    number, limit = f"{math.ceil(pulls.share * 100 - 1e-9)} %", "100 %"
    end = amount_text(pulls.end_n_m, "pull", units, "up")
    ratio = min(pulls.share, NEVER)
    if work.design.weather.cover == "cloth":
        sentence = aided(work, words.cloth_unrated(side, end))
        yield _verdict("cover-film", "Cloth in wind", "unknown", sentence, side, "not known", None, rank="stands")
    else:
        sentence = aided(work, words.film_uses(side, end, film_of(work).name, number))
        level = judge(ratio, work.rules.holds_to)
        yield _verdict("cover-film", "Film in wind", level, sentence, number, limit, ratio, rank="stands")
    seen = set[tuple[str, Hold]]()
    for where, hold in edges_of(work):
        kind = where.split()[1]
        if (kind, hold) in seen or (kind == "end" and work.design.cover.zones != "film"):
            continue
        seen.add((kind, hold))
        id_ = HELD[where]
        title = f"Fixing at the {kind}s" if id_ in ("cover-held", "cover-ends") else f"Fixing at the {where}"
        yield _held(work, id_, title, hold, asked_n_m(pulls, where), held_n_m(work, hold))


HELD = {
    "left side": "cover-held",
    "right side": "cover-held-right",
    "front end": "cover-ends",
    "back end": "cover-ends-back",
}


def _held(work: Work, id_: str, title: str, by: Hold, pulls_n: float, holds_n: float | None) -> Verdict:
    """Whether a fixing holds what wind pulls on a metre of it."""
    units = work.tape.units
    name, asked = fixing_of(work, by).name, amount_text(pulls_n, "pull", units, "up")
    if holds_n is None:
        own = by in (work.design.cover.sides, work.design.cover.ends)
        sentence = aided(work, words.fixing_unknown(name, asked, own))
        return _verdict(id_, title, "unknown", sentence, asked, "not known", None, rank="stands")
    held, ratio = amount_text(holds_n, "pull", units, "down"), min(pulls_n / max(holds_n, 1.0), NEVER)
    sentence = aided(work, words.fixing_holds(held, name, asked))
    return _verdict(id_, title, judge(ratio, work.rules.holds_to), sentence, asked, held, ratio, rank="stands")
