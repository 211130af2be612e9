"""Too low, or a corner at the leg’s top: longer legs, another shape, longer posts."""

from collections.abc import Iterator

from obtegum.core.documents.size import SprungPipe
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import COMFORT, Cure, Edits, chosen, lengthened, up
from obtegum.core.findings.skeleton.bows import split_of
from obtegum.core.findings.work import Work

__all__ = ["CURES"]


def _headroom(work: Work, verdict: Verdict) -> Iterator[Edits]:
    size = work.design.size
    room_m = size.figure.height_m / (verdict.ratio or 1.0)
    if isinstance(size.shape, SprungPipe):
        yield from _sprung_higher(work, size.shape, size.figure.height_m - room_m)
        return
    longer_sticks = [each for each in work.catalogue.stock.sticks_m[work.tape.units] if each > split_of(work).stick_m]
    for share in (COMFORT, 1.0):
        missing_m = size.figure.height_m / share - room_m
        if missing_m <= 0:
            continue
        leg_m = up(work, size.leg_m + missing_m)
        longer: Edits = (lengthened("size.shape.leg_m", leg_m),)
        if size.shape.kind == "round":
            longer = (lengthened("size.shape.height_m", up(work, size.height_m + leg_m - size.leg_m)), *longer)
        yield longer
        # Where the sticks are full, longer legs want longer sticks.
        yield from ((*longer, lengthened("bows.stick_m", stick_m)) for stick_m in longer_sticks[:2])
    if size.shape.kind == "round":
        yield (chosen("size.shape", "round_on_legs"),)
        # A rise of more than half the width would lean outward at the legs.
        for more in (0.05, 0.1, 0.2):
            height_m = up(work, size.height_m + more * size.span_m)
            if height_m <= size.leg_m + size.span_m / 2:
                yield (lengthened("size.shape.height_m", height_m),)


def _sprung_higher(work: Work, shape: SprungPipe, missing_m: float) -> Iterator[Edits]:
    """More pipe, a wider house of more pipe, posts that stand out further."""
    size, posts = work.design.size, work.design.posts
    for more in (1.05, 1.1, 1.2, 1.35):
        pipe = lengthened("size.shape.pipe_m", up(work, shape.pipe_m * more))
        yield (pipe,)
        yield (lengthened("size.span_m", up(work, size.span_m * more)), pipe)
    for share in (1.0, 1 / COMFORT):
        lift_m = up(work, max(missing_m, work.tape.step_m) * share)
        if shape.feet != "loose":
            longer = lengthened("posts.length_m", posts.length_m + lift_m)
            yield (longer, lengthened("posts.reveal_m", posts.reveal_m + lift_m))


def _low_side(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Too low at the side: longer legs, another shape, a narrower side bed, longer posts."""
    size, inside = work.design.size, work.design.inside
    yield from _headroom(work, verdict)
    for kind in ("round_on_legs", "three_centred", "gothic"):
        if kind != size.shape.kind:
            yield (chosen("size.shape", kind),)
    wider = chosen("inside.along_walls", "path" if inside.along_walls == "bed" else "bed")
    yield (wider,)
    # Posts that stand further out lift the whole bow, where its leg lets them.
    ratio = verdict.ratio or 1.0
    room_m = (size.figure.height_m if verdict.id == "path-room" else inside.crop_m) / ratio
    lift_m = up(work, room_m * (ratio / COMFORT - 1))
    if lift_m > 0:
        leg: Edits = (lengthened("size.shape.leg_m", size.leg_m + lift_m),)
        if size.shape.kind != "round_on_legs":
            leg = (lengthened("size.shape.height_m", size.height_m + lift_m), *leg)
        posts = work.design.posts
        yield (
            *leg,
            lengthened("posts.length_m", posts.length_m + lift_m),
            lengthened("posts.reveal_m", posts.reveal_m + lift_m),
        )


def _leg_top(work: Work, verdict: Verdict) -> Iterator[Edits]:
    size = work.design.size
    yield (chosen("size.shape", "round_on_legs"),)
    leg_m = size.height_m - size.span_m / 2
    if leg_m >= work.design.posts.reveal_m:
        yield (chosen("size.shape", "round_on_legs"), lengthened("size.shape.leg_m", leg_m))
    yield (lengthened("size.span_m", 2 * (size.height_m - size.leg_m)), chosen("size.shape", "round_on_legs"))


CURES: dict[str, Cure] = {"headroom": _headroom, "path-room": _low_side, "crop-room": _low_side, "leg-top": _leg_top}
