"""Studs and headers that bend too far, heads that pull off, jambs that stand too shallow, ways too narrow."""

from collections.abc import Iterator

from obtegum.core.documents.ends import SIDES, Side
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, down, lengthened, up
from obtegum.core.findings.skeleton.braces import brace_tube
from obtegum.core.findings.skeleton.outline import end_of
from obtegum.core.findings.skeleton.tubes import all_tubes
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.passing import BESIDE_M, OVER_M, passing

__all__ = ["CURES"]

# How high a strut meets the end bow, of the crown.
STRUT_AT = 0.5
# A doorway’s side from the house’s middle, where a prop stands behind it, m.
PROP_M = 0.15
CLOSER, DEEPER_M, MORE_SCREWS = (0.75, 0.5, 0.35), (0.2, 0.4, 0.8), (6, 8, 12)
STOUTER = {"feet": ("board-2x6", "board-2x8"), "metric": ("board-47x150mm", "board-47x200mm")}


def _studs(side: Side) -> Cure:
    """Turned on edge, closer, stouter: for studs, header and rails alike, and for what they push the bow by."""

    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        end = end_of(work, side)
        turned: Edits = (chosen(f"ends.{side}.stand", "edge"),) if end.stand == "flat" else ()
        closer = [(lengthened(f"ends.{side}.apart_m", end.apart_m * share),) for share in CLOSER]
        stouter = [(chosen(f"ends.{side}.stud", board),) for board in STOUTER[work.tape.units]]
        if turned:
            yield turned
        if end.stand == "tube":
            yield from closer
            return
        for each in (*closer, *stouter):
            yield (*turned, *each)
        yield (*turned, *stouter[0], *closer[1])

    return cure


def _headers(side: Side) -> Cure:
    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        end = end_of(work, side)
        turned: Edits = (chosen(f"ends.{side}.stand", "edge"),) if end.stand == "flat" else ()
        if turned:
            yield turned
        for board in STOUTER[work.tape.units]:
            yield (*turned, chosen(f"ends.{side}.stud", board))
        if end.door != "none":
            for share in CLOSER:
                yield (lengthened(f"ends.{side}.wide_m", end.wide_m * share),)

    return cure


def _heads(side: Side) -> Cure:
    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        end = end_of(work, side)
        if end.head == "cut":
            for count in MORE_SCREWS:
                if count > end.screws:
                    yield (chosen(f"ends.{side}.screws", str(count)),)
        for share in CLOSER:
            yield (lengthened(f"ends.{side}.apart_m", end.apart_m * share),)

    return cure


def _bows(side: Side) -> Cure:
    """More runs hold the end bow; studs closer push it by less each."""

    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        if verdict.level == "unknown":
            return
        runs = work.design.strength.runs
        for more in (runs + 2, runs + 4):
            yield (chosen("strength.runs", str(more)),)
        for share in CLOSER:
            yield (lengthened(f"ends.{side}.apart_m", end_of(work, side).apart_m * share),)

    return cure


def _films(side: Side) -> Cure:
    """A strut on each side; more runs; film that ends on the bow instead of at a stake."""

    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        end, runs, at = end_of(work, side), work.design.strength.runs, f"ends.{side}"
        strut: Edits = (
            chosen(f"{at}.strut", "sides"),
            lengthened(f"{at}.strut_m", up(work, STRUT_AT * work.design.size.height_m)),
        )
        if end.strut == "none":
            yield strut
        if verdict.level == "unknown":
            return
        for more in (2, 4, 6):
            yield (chosen("strength.runs", str(runs + more)),)
            if end.strut == "none":
                yield (*strut, chosen("strength.runs", str(runs + more)))
        if end.film == "stake":
            yield (chosen(f"{at}.film", "bow"),)

    return cure


def _struts(side: Side) -> Cure:
    """Met higher up, or of stouter tube."""

    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        height_m, now = work.design.size.height_m, brace_tube(work)
        for share in (0.5, 0.6, 0.7, 0.8):
            if share * height_m > end_of(work, side).strut_m:
                yield (lengthened(f"ends.{side}.strut_m", up(work, share * height_m)),)
        stouter = [
            each for each in all_tubes(work)
            if each.material == "steel" and each.sold_in == work.tape.units and each.od_m > now.od_m
        ]  # fmt: skip
        for tube in sorted(stouter, key=lambda each: each.od_m)[:4]:
            yield (chosen("braces.tube", tube.id),)

    return cure


def _aside(side: Side) -> Cure:
    """The doorway to one side of the prop."""

    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        half_m, end = work.design.size.span_m / 2, end_of(work, side)
        yield (lengthened(f"ends.{side}.left_m", up(work, half_m + PROP_M)),)
        yield (lengthened(f"ends.{side}.left_m", down(work, half_m - PROP_M - end.wide_m)),)

    return cure


def _jambs(side: Side) -> Cure:
    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        if verdict.level == "unknown":
            return
        end = end_of(work, side)
        poured: Edits = () if end.fill == "concrete" else (chosen(f"ends.{side}.fill", "concrete"),)
        if poured:
            yield poured
        deeper = [lengthened(f"ends.{side}.deep_m", up(work, end.deep_m + more)) for more in DEEPER_M]
        for each in deeper:
            yield (each,)
            if poured:
                yield (*poured, each)

    return cure


def _passes(side: Side) -> Cure:
    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        end, room = end_of(work, side), passing(work, side, work.design.ends.passes)
        if room is None:
            return
        lacks = max(BESIDE_M - room.beside_m, 0.0), max(OVER_M - room.over_m, 0.0)
        wider: Edits = (lengthened(f"ends.{side}.wide_m", up(work, end.wide_m + 2 * lacks[0])),) if lacks[0] else ()
        higher: Edits = (lengthened(f"ends.{side}.high_m", up(work, end.high_m + lacks[1])),) if lacks[1] else ()
        yield (*wider, *higher)

    return cure


CURES: dict[str, Cure] = {
    f"{name}-{side}": make(side)
    for side in SIDES
    for name, make in (
        ("stud", _studs),
        ("header", _headers),
        ("rail", _studs),
        ("head", _heads),
        ("endbow", _bows),
        ("film", _films),
        ("filmrun", _films),
        ("filmstrut", _struts),
        ("propway", _aside),
        ("jamb", _jambs),
        ("passes", _passes),
    )
}
