"""A bow that doesn’t go into its post."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, down, lengthened, up
from obtegum.core.findings.skeleton.posts import fewer_sticks, play_of, slop
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import all_tubes, bow_tube, post_tube
from obtegum.core.findings.work import Work

__all__ = ["CURES"]


def _entry(work: Work, verdict: Verdict) -> Iterator[Edits]:
    size, reveal_m = work.design.size, work.design.posts.reveal_m
    stand = work.design.posts.stand
    if not way_of(work).socketed:
        yield (chosen("posts.stand", "curve"),)
    elif play_of(work) is None and stand == "stub":
        sold = [tube for tube in work.catalogue.tubes.values() if tube.sold_in == work.tape.units]
        bars = sorted((bar for bar in sold if bar.over_m < bow_tube(work).bore_m), key=lambda bar: -bar.over_m)
        yield from ((chosen("posts.tube", bar.id),) for bar in bars if bar.material == "steel")
        return
    elif play_of(work) is None:
        sold = [tube for tube in all_tubes(work) if tube.sold_in == work.tape.units]
        stuff = [tube for tube in sold if tube.material == post_tube(work).material]
        posts = sorted((tube for tube in stuff if tube.bore_m > bow_tube(work).od_m), key=lambda tube: tube.bore_m)
        bows = sorted(
            (tube for tube in sold if tube.od_m < post_tube(work).bore_m and tube.material == bow_tube(work).material),
            key=lambda tube: -tube.od_m,
        )
        yield from ((chosen("posts.tube", tube.id),) for tube in posts[:2])
        yield from ((chosen("bows.tube", tube.id),) for tube in bows[:2])
        return
    if slop(work) > work.rules.holds_to:
        yield from _fuller(work)
        return
    plumb_leg_m = up(work, max(size.leg_m, reveal_m))
    yield (chosen("size.shape", "round_on_legs"), lengthened("size.shape.leg_m", plumb_leg_m))
    if size.leg_m < reveal_m and size.leg_m > 0:
        yield (lengthened("posts.reveal_m", down(work, size.leg_m)),)


def _fuller(work: Work) -> Iterator[Edits]:
    """What leaves the bow less play: a stub that fills it, a post that it fills, or more of it in there."""
    bow, reveal_m = bow_tube(work), work.design.posts.reveal_m
    sold = [tube for tube in all_tubes(work) if tube.sold_in == work.tape.units and tube.material == "steel"]
    if work.design.posts.stand == "stub":
        bars = [bar for bar in work.catalogue.tubes.values() if bar.form == "bar" and bar.sold_in == work.tape.units]
        within = sorted((each for each in (*sold, *bars) if each.over_m < bow.bore_m), key=lambda each: -each.over_m)
        yield from ((chosen("posts.tube", tube.id),) for tube in within[:2])
    else:
        around = sorted((tube for tube in sold if tube.bore_m > bow.od_m), key=lambda tube: tube.bore_m)
        yield from ((chosen("posts.tube", tube.id),) for tube in around[:2])
    longer_m = up(work, work.design.bows.insertion_m * slop(work) / work.rules.holds_to)
    yield (lengthened("bows.insertion_m", max(longer_m, reveal_m if work.design.posts.stand == "stub" else 0.0)),)


def _bare(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """A bow that comes down over its stub to the ground; a stub that stands out no further than it goes in."""
    yield (lengthened("bows.insertion_m", work.design.posts.reveal_m),)
    yield (lengthened("posts.reveal_m", work.design.bows.insertion_m),)
    yield from _fuller(work)


def _saw(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """One more from a stick, or sticks that need no such care."""
    stock_m = work.design.posts.stock_m
    fewer = None if stock_m is None else fewer_sticks(work, stock_m)
    if fewer is not None:
        yield (lengthened("posts.length_m", down(work, fewer.length_m)),)


CURES: dict[str, Cure] = {"saw": _saw, "entry": _entry, "bare-stub": _bare}
