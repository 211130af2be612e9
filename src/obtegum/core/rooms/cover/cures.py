"""A cover that doesn't reach, film that wind tears."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, down, lengthened, up
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.cover.found import reach_of
from obtegum.core.rooms.cover.lines import tracks_m

__all__ = ["CURES"]


def _wide(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Another roll, a higher edge, two pieces, less to trim, a lower house."""
    cover, size, reach = work.design.cover, work.design.size, reach_of(work)
    if cover.roll_m is not None:
        yield (chosen("cover.roll_m", ""),)
        for roll in work.catalogue.rolls:
            if roll.sold_in == work.tape.units and roll.wide_m > cover.roll_m:
                yield (lengthened("cover.roll_m", roll.wide_m),)
    if cover.edge == "ground":
        yield (chosen("cover.edge", "base"),)
    if cover.sides in ("buried", "rolled"):
        yield (chosen("cover.sides", "track"),)
    if cover.edge == "base":
        yield (chosen("posts.base", "board"),)
        hip_m = up(work, min(size.leg_m, size.height_m * 0.4)) or up(work, size.height_m * 0.3)
        yield (chosen("boards.hip", "board"), lengthened("boards.hip_m", hip_m), chosen("cover.edge", "hip"))
    if cover.edge == "hip":
        if cover.below == "tail":
            yield (chosen("cover.below", "own"),)
        for more_m in (0.15, 0.3):
            yield (lengthened("boards.hip_m", up(work, work.design.boards.hip_m + more_m)),)
    if cover.pieces == "one":
        yield (chosen("cover.pieces", "two"),)
    short_m = reach.piece_m - (reach.roll_wide_m or 0.0)
    if reach.roll_wide_m is not None and 0 < short_m / 2 < size.leg_m:
        leg_m = down(work, size.leg_m - short_m / 2)
        if leg_m >= work.design.posts.reveal_m:
            yield (lengthened("size.shape.leg_m", leg_m),)


def _long(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """A longer roll, ends covered apart."""
    cover = work.design.cover
    yield (chosen("cover.roll_long_m", ""),)
    if cover.made == "gathered":
        yield (chosen("cover.made", "apart"),)
    for roll in work.catalogue.rolls:
        if roll.sold_in == work.tape.units:
            yield from ((lengthened("cover.roll_long_m", each),) for each in roll.long_m)
            return


def _torn(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Thicker film, closer bows."""
    films = sorted(work.catalogue.films, key=lambda each: each.thick_m)
    yield from ((chosen("ends.film", each.name),) for each in films[-3:])
    yield (lengthened("bows.max_spacing_m", down(work, work.design.bows.max_spacing_m * 0.75)),)


def _eyelets(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Eyelets at a whole part of the bay, the first over the first bow."""
    cover, bay_m = work.design.cover, bays_of(work).bay_m
    for parts in range(1, 7):
        if bay_m / parts <= cover.eyelet_m + 1e-9 or parts == 1:
            yield (lengthened("cover.eyelet_m", bay_m / parts), chosen("cover.eyelet_first_m", ""))
    yield (chosen("cover.eyelet_first_m", ""),)


def _tracks(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """A wider hip board; the same sheet rolled up."""
    room = tracks_m(work)
    for board in sorted(work.catalogue.boards.values(), key=lambda each: each.wide_m):
        if room is not None and board.sold_in == work.tape.units and board.wide_m >= room[0]:
            yield (chosen("boards.board", board.id),)
    yield (chosen("cover.below", "tail"),)


CURES: dict[str, Cure] = {
    "cover-wide": _wide,
    "cover-long": _long,
    "cover-film": _torn,
    "cover-eyelets": _eyelets,
    "cover-tracks": _tracks,
}
