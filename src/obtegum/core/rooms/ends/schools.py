"""Three ways to come to a doorway, what each takes, and what to fix now for what comes later."""

from collections.abc import Iterator

from obtegum.core.documents.ends import Side
from obtegum.core.findings.skeleton.openings import Opened, door_of
from obtegum.core.findings.skeleton.outline import end_bow, end_of, sizes
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.leaf import leaves_of
from obtegum.core.rooms.ends.passing import ways_of
from obtegum.core.values.quantity import area_text

__all__ = ["FLAP_M", "batten_m", "cut_m", "later", "school", "under_cover"]

# Film that is left beyond a cut, to wrap round the frame, m (this bench).
FLAP_M = 0.15
# What a leaf that is carried on its edge takes across a doorway, with hands, m (this bench).
ON_EDGE_M = 0.3


def batten_m(way: Opened) -> float:
    """Batten round a doorway, both jambs and the header, m."""
    return 2 * way.high + way.wide_m


def cut_m(way: Opened) -> float:
    """Cuts in film that was fitted whole: inside the frame by a flap, and slanting into both upper corners, m."""
    return 2 * (way.high - FLAP_M) + (way.wide_m - 2 * FLAP_M) + 2 * FLAP_M * 2**0.5


def _lost_m2(way: Opened) -> float:
    return max(way.wide_m - 2 * FLAP_M, 0.0) * max(way.high - FLAP_M, 0.0)


def school(work: Work, side: Side) -> Iterator[str]:
    """How the doorway is made, in its order, by the way that was chosen, and what it takes."""
    way, end = door_of(work, side), end_of(work, side)
    if way is None:
        return
    say, flap = work.say, work.say(FLAP_M, "up")
    batten = say(batten_m(way), "up")
    if end.school == "framed":
        yield f"Doorway first, film in pieces around it: {batten} of batten, each piece a {flap} flap round its jamb."
        yield "Nothing of the film is lost, and every edge has wood behind it; it has a seam beside each jamb."
    elif end.school == "base":
        yield (
            f"Boards and sill run through whole and are levelled as one; then {say(way.wide_m)} is sawn out between "
            "the jambs, and kept: it is the threshold’s form, or the next patch."
        )
        yield f"Fasten the board to both jambs before the cut, or its ends spring. Then {batten} of batten."
    else:
        area = area_text(_lost_m2(way), work.tape)
        yield f"Film over the whole end first, tight. Batten it to jambs and header: {batten}."
        yield (
            f"Then cut inside the frame: {flap} in from jambs and header, slanting into both upper corners, "
            f"{say(cut_m(way), 'up')} in all; wrap the flaps round and batten them again. {area} of film is lost."
        )


def under_cover(work: Work, side: Side) -> str:
    """Whether leaves made inside the house pass its doorways; empty where there are none."""
    leaves, ways = leaves_of(work, side), ways_of(work)
    if not leaves or not ways:
        return ""
    large = max(leaves, key=lambda leaf: min(leaf.wide_m, leaf.high_m))
    least = min(large.wide_m, large.high_m)
    for name, way in ways:
        if least <= way.high and way.wide_m >= ON_EDGE_M:
            return f"Made under cover, a leaf goes out through the {name} on its edge."
    return "Made under cover, a leaf doesn’t go out through a doorway: make it outside, or before the ends are closed."


def later(work: Work, side: Side) -> Iterator[str]:
    """What to fix now so that an end, a window or a second skin can come later."""
    end, say = end_of(work, side), work.say
    wide, deep = sizes(work, side)
    if end.kind != "framed":
        way, deep_m = say(end.wide_m), say(end.deep_m, "down")
        yield (
            f"For a frame later: set two stubs now, {way} apart clear, {deep_m} deep, capped at the ground; dig after "
            "the ground sheet lies and it is cut twice."
        )
        round_m = say(end_bow(work, side).girth_m, "up")
        yield f"Leave the end bow’s inner side free of clamps for {round_m} of batten, and the last run flush with it."
        return
    yield (
        f"For a window or fan later: two studs {say(0.6)} apart clear beside the door, and a block {say(wide)} wide "
        "between them at its sill and head."
    )
    yield (
        f"For a second skin: battens on both faces need {say(deep + 2 * 0.02, 'up')} from face to face; keep bolts and "
        f"straps within {say(bow_tube(work).od_m, 'down')} of the bow."
    )
