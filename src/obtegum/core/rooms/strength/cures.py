"""A bow that doesn't stand up to its weather."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, down, lengthened
from obtegum.core.face.ties import tie_edits
from obtegum.core.findings.skeleton.tubes import all_tubes, bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.strength.model import prop_board
from obtegum.core.rooms.weather.found import method_of

__all__ = ["CURES"]

CLOSER = (0.8, 0.65, 0.5)


def _frame(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Closer bows, stronger tube, a lower house, another shape, cleared sides, the film off for the winter."""
    design = work.design
    if verdict.level == "unknown":
        return
    if design.bows.bays != "counted":
        yield from (
            (lengthened("bows.max_spacing_m", down(work, design.bows.max_spacing_m * share)),) for share in CLOSER
        )
    now = bow_tube(work)
    tubes = [each for each in all_tubes(work) if each.sold_in == design.tape.units and each.material == now.material]
    stronger = sorted((each for each in tubes if each.od_m > now.od_m), key=lambda each: each.od_m)
    thicker = sorted(
        (each for each in tubes if each.od_m == now.od_m and each.wall_m > now.wall_m), key=lambda each: each.wall_m
    )
    yield from ((chosen("bows.tube", tube.id),) for tube in thicker[:1])
    posts = sorted((each for each in tubes), key=lambda each: each.bore_m)
    for tube in stronger[:3]:
        around = next((each for each in posts if each.bore_m > tube.od_m), None)
        yield (chosen("bows.tube", tube.id), *((chosen("posts.tube", around.id),) if around else ()))
    yield from _ties(work)
    if design.strength.bracket == "none":
        yield (chosen("strength.bracket", "plates"),)
    if design.strength.prop == "none":
        yield (chosen("strength.prop", "each"),)
        yield (chosen("strength.prop", "each"), chosen("strength.prop_every", "2"))
    size, reveal_m = design.size, design.posts.reveal_m
    lower_m = down(work, max(size.leg_m / 2, reveal_m))
    if lower_m < size.leg_m:
        yield (lengthened("size.shape.leg_m", lower_m),)
    yield from ((chosen("size.shape", kind),) for kind in ("gothic", "three_centred") if kind != size.shape.kind)
    if design.weather.sides == "free":
        yield (chosen("weather.sides", "cleared"),)
    if design.weather.cover == "film" and method_of(work).of_site:
        yield (chosen("weather.cover", "cloth"), chosen("weather.cloth", "dry"))
    if design.weather.film == "on":
        yield (chosen("weather.film", "off"),)


def _ridge(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """A prop under each crown; an odd number of runs, so that one lies at the ridge."""
    yield (chosen("strength.prop_every", "1"),)
    if verdict.number == "none" and work.design.strength.runs % 2 == 0:
        yield (chosen("strength.runs", str(work.design.strength.runs + 1)),)


def _ties(work: Work) -> Iterator[Edits]:
    """A collar on each bow, or a truss."""
    for kind in ("collar", "truss"):
        edits = tie_edits(work, kind)
        if edits:
            yield edits


def _prop(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Stouter props, or one under each crown."""
    now, near = prop_board(work), work.design.tape.units
    boards = [each for each in work.catalogue.boards.values() if each.sold_in == near and each.thick_m > now.thick_m]
    for board in sorted(boards, key=lambda each: each.thick_m * each.wide_m)[:3]:
        yield (chosen("strength.prop_board", board.id),)
    if work.design.strength.prop_every > 1:
        yield (chosen("strength.prop_every", "1"),)


CURES: dict[str, Cure] = {"frame": _frame, "prop": _prop, "prop-ridge": _ridge}
