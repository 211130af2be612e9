"""Fittings: what is bought, what is cut, what stays dry, which way each faces, and in which order it goes together."""

from collections import Counter
from collections.abc import Iterator
from functools import partial

from obtegum.core.drawing.step import Answer, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Band, Strip, StripMark
from obtegum.core.drawing.verdict import NEVER, Verdict, judge, verdict_on
from obtegum.core.face.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.face.goods import by_piece
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import split_of, tube_m
from obtegum.core.findings.skeleton.fittings import is_glued, take_ups, usual_fitting
from obtegum.core.findings.skeleton.runs import piece_m, pieces_of, runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.fittings import words
from obtegum.core.rooms.fittings.found import (
    COLDEST_C,
    cure_of,
    dry_at,
    dry_count,
    fits_of,
    kinds,
    sections_of,
    shortest_m,
)
from obtegum.core.rooms.fittings.goods import glued_at, goods
from obtegum.core.values.amount import HOUR_S, amount_text, liquid_text

__all__ = ["plan", "stands", "strips", "verdicts"]


_verdict = partial(verdict_on, "fittings", part="fitting:1")

CAUTION = (
    "Primer and cement burn easily and dull the head: open air, no flame, gloves and glasses. Below 4 °C (40 °F) they "
    "don’t hold; saw dust off the beds."
)


def verdicts(work: Work) -> list[Verdict]:
    """Whether fittings are known for this pipe, whether two share a piece too short for both, and the cold."""
    if work.design.fittings.grid == "none":
        return []
    takes = take_ups(work)
    if takes is None:
        name = bow_tube(work).name
        sentence = words.not_known(name)
        return [_verdict("fittings-known", "Fittings", "unknown", sentence, "not known", "", None, rank="fits")]
    return [_short(work, 2 * takes.socket_m), *_cold(work)]


def _short(work: Work, least_m: float) -> Verdict:
    """A piece so short that what goes in at both ends meets."""
    short_m = shortest_m(work)
    ratio = min(least_m / short_m, NEVER)
    level = judge(ratio, work.rules.holds_to)
    short, least = work.say(short_m, "down"), work.say(least_m, "up")
    sentence = words.shortest(short, least, level == "fails")
    return _verdict("fittings-short", "Pieces", level, sentence, short, least, ratio, rank="fits")


def _cold(work: Work) -> list[Verdict]:
    glue_c, units = work.design.fittings.glue_c, work.tape.units
    if glue_c >= COLDEST_C:
        return []
    now, least = amount_text(glue_c, "temperature", units, "down"), amount_text(COLDEST_C, "temperature", units, "up")
    sentence = words.cement_cold(now, least)
    return [_verdict("fittings-cold", "Cement", "fails", sentence, now, least, None, rank="stands")]


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    some = work.design.fittings.grid != "none"
    return Standing(id="fittings", title="Fittings", group="Frame", state=settled(found) if some else "open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    glued = is_glued(work)
    told = work.design.fittings.grid == "glued"
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION if told else "Cut pipe ends are sharp, and a slit clamp snaps on fingers: gloves.",
        measures=(
            "fittings.grid",
            "bows.tube",
            *(("strength.runs", "fittings.dry") if told else ()),
            *(("fittings.section",) if told and work.design.fittings.dry != "none" else ()),
            *(("fittings.glue_c",) if told else ()),
            *(("fittings.along_m", "fittings.branch_m", "fittings.socket_m") if told else ()),
        ),
        aside=("fittings.along_m", "fittings.branch_m", "fittings.socket_m") if take_ups(work) else (),
        answers=tuple(_answers(work)) if glued else tuple(_fit_answers(work)),
        leads=("crosses", "tees", "fit_pieces", "run_between", "fit_in", "fit_over", "fit_clamp"),
        views=("grid", "fits") if glued else ("fits",),
        strips=tuple(each.id for each in strips(work)) or tuple(f"stick:{each.name}" for each in split_of(work).pieces),
        grips=(),
        focus=("fitting", "bow", "run", "dry", "section", "fit"),
        how=tuple(Told(words=said) for said in _order(work)) if glued else (),
        how_title="In this order",
    )


def _next(work: Work) -> str:
    if work.design.fittings.grid == "none":
        return "What slides into this pipe, over it, or grips it: by true sizes, not by names."
    if not is_glued(work):
        return "Measure a fitting of this pipe, and write what it takes up."
    socket = work.say(take_ups(work).socket_m)  # type: ignore[union-attr]
    return f"Cut by the tape, mark every end {socket} in, and push one bow together dry before any cement is opened."


def _answers(work: Work) -> Iterator[Answer]:
    takes, bought = take_ups(work), {good.id: by_piece(good) for good in goods(work) if good.unit == "piece"}
    assert takes is not None
    yield count_answer("crosses", "Crosses", bought.get("fit-cross", 0), "on the bows within")
    yield count_answer("tees", "Tees", bought.get("fit-tee", 0), "on both end bows, all facing inward")
    if "fit-ridge" in bought:
        yield count_answer("ridge_fittings", "Fittings at the ridge", bought["fit-ridge"], "one a bow")
    coupled = bought.get("fit-coupling", 0)
    yield count_answer("couplings", "Couplings", coupled, "where a piece is longer than a stick")
    pieces = Counter(round(piece.length_m, 6) for piece in split_of(work).pieces)
    told = ", ".join(f"{count * bays_of(work).bows} of {work.say(long_m)}" for long_m, count in sorted(pieces.items()))
    yield count_answer("fit_pieces", "Pieces of the bows", len(split_of(work).pieces) * bays_of(work).bows, told)
    up_m = 2 * sum(takes_m for _, _, takes_m in kinds(work))
    yield length_answer(work, "fit_takes", "Fittings take up, of a bow", up_m, f"pipe {work.say(tube_m(work) - up_m)}")
    bays = bays_of(work)
    note = f"{len(runs_of(work))} a bay"
    if bays.odd_m is not None:
        note += f"; {work.say(piece_m(work, bays.odd_m))} in the odd bay"
    yield length_answer(work, "run_between", "Piece of a run, in a bay", piece_m(work, bays.bay_m), note)
    yield length_answer(work, "fit_socket", "Each end goes in", takes.socket_m, _whence(work))
    note = f"{dry_count(work)} stay dry, screwed; cement {_cement(work)}, and as much primer"
    yield count_answer("fit_glued", "Joints to glue", sum(ends for _, ends in glued_at(work)), note)
    minutes, hours = cure_of(work.design.fittings.glue_c)
    yield amount_answer(
        work, "fit_cure", "Leave it alone for", hours * HOUR_S, "hours", f"handled after {minutes:.0f} min"
    )


def _cement(work: Work) -> str:
    return liquid_text(sum(good.amount for good in goods(work) if good.id == "fit-cement"), work.tape.units)


def _whence(work: Work) -> str:
    fittings, usual = work.design.fittings, usual_fitting(work)
    measured = [each for each in (fittings.along_m, fittings.branch_m, fittings.socket_m) if each is not None]
    return "as you measured" if len(measured) == 3 or usual is None else "usual for its size: measure one of yours"


def _fit_answers(work: Work) -> Iterator[Answer]:
    """The best pipe to go inside, over, and to cut clamps from."""
    labels = {"inside": ("fit_in", "Best inside it"), "over": ("fit_over", "Best over it")}
    labels["clamp"] = ("fit_clamp", "Clamps cut from")
    for kind, (name, label) in labels.items():
        some = [each for each in fits_of(work) if each.kind == kind]
        best = next((each for each in some if each.good), some[0] if some else None)
        if best is not None:
            by = work.tube(best.by_m, "up" if kind != "clamp" else "down")
            note = f"{by} of play" if kind != "clamp" else f"{by} of grip"
            yield Answer(id=name, label=label, reading=best.tube.name, value=best.by_m, unit="m", note=note)
        elif kind == "clamp":
            over = next((each for each in fits_of(work) if each.kind == "over" and each.tube.resin), None)
            loose = (
                f"{over.tube.name} is loose by {work.tube(over.by_m, 'down')}: line it" if over else "no pipe near it"
            )
            yield Answer(id=name, label=label, reading="none grips", value=0.0, unit="m", note=loose)


def _order(work: Work) -> Iterator[str]:
    """How it goes together: flat, bow by bow, then sections, then the row."""
    takes, fittings = take_ups(work), work.design.fittings
    assert takes is not None
    runs, sections = len(runs_of(work)), sections_of(work)
    minutes, _ = cure_of(fittings.glue_c)
    yield f"One bow dry on the floor: every end pushed in to its mark, {work.say(takes.socket_m)}; its length taped."
    yield (
        "Bows within, flat on the floor: cement a piece, twist it home, hold it while one counts to thirty. All "
        "branches of a bow lie square to it, both ways."
    )
    yield f"The two end bows: tees in place of crosses, all {runs} branches on one side, the side that will face in."
    if fittings.dry == "none":
        yield "Stand bow 1; glue the pieces of the runs into it, then bow 2 onto them, and so on: nothing comes apart."
    else:
        each = fittings.section
        end, other = ("back", "front") if fittings.dry == "back" else ("front", "back")
        yield (
            f"Sections of {each} bow{'s' if each > 1 else ''}, {len(sections)} in all: the pieces of a run are glued "
            f"at both ends within a section; between sections only at the {other} end."
        )
        yield f"Stand the sections one after another: the {end} ends slide in dry, to their mark; one screw holds each."
    yield f"Nothing is pulled or sprung before {minutes:.0f} minutes; sprung into its feet only when it has cured."


def strips(work: Work) -> list[Strip]:
    """A whole bow with its fittings, and a piece of a run in its bay."""
    takes = take_ups(work)
    if not is_glued(work) or takes is None:
        return []
    where, whole_m = "fit:bow", tube_m(work)
    marks, bands = list[StripMark](), list[Band]()
    for number, (what, at_m, takes_m) in enumerate(kinds(work), start=1):
        marks.append(work.mark(at_m, what, "peg", f"fitting:{number}", where))
        bands.append(Band(from_m=at_m - takes_m, to_m=at_m + takes_m, what="fitting", kind="joint"))
    bow = Strip(
        id=where,
        title="On each bow",
        about="tape from the bow’s left end · middles of the fittings",
        material="plastic" if bow_tube(work).material == "plastic" else "steel",
        length_m=whole_m,
        marks=tuple(marks),
        bands=tuple(bands),
    )
    return [bow, _between(work, takes.socket_m)]


def _between(work: Work, socket_m: float) -> Strip:
    where, piece = "fit:run", pieces_of(work)[0]
    long_m, bay = piece.length_m, next((bay for bay in range(1, bays_of(work).bows) if dry_at(work, bay)), 0)
    dry = dry_at(work, bay) if bay else ""
    ends = ("dry" if dry == "front" else "glued", "dry" if dry == "back" else "glued")
    said = f" · between sections its {dry} end stays dry" if dry else ""
    marks = (
        work.mark(socket_m, f"home to here, {ends[0]}", "joint", f"run:{piece.run}:{piece.number}", where),
        work.mark(long_m - socket_m, f"home to here, {ends[1]}", "joint", f"fitting:{len(kinds(work))}", where),
        work.mark(long_m, "cut", "cut", "fitting:1", where),
    )
    bands = tuple(
        Band(from_m=low, to_m=low + socket_m, what="in the fitting", kind="joint") for low in (0.0, long_m - socket_m)
    )
    return Strip(
        id=where,
        title="Piece of a run",
        about=f"tape from its front end · {len(pieces_of(work))} in all{said}",
        material="plastic" if bow_tube(work).material == "plastic" else "steel",
        length_m=long_m,
        marks=marks if long_m > 2 * socket_m else marks[2:],
        bands=bands if long_m > 2 * socket_m else (),
    )
