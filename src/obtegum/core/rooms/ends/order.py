"""In which order an end is made, and what to fix now for what comes later."""

from collections.abc import Iterator

from obtegum.core.documents.ends import EndWall, Side
from obtegum.core.findings.skeleton.openings import ROLL_M, door_of
from obtegum.core.findings.skeleton.outline import end_of, sizes, stud_board
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.concrete import room_m3
from obtegum.core.rooms.ends.goods import bags_each, in_ground
from obtegum.core.rooms.ends.leaf import (
    DROP_BOLT_M,
    LATCH_ROOM_M,
    Leaf,
    alike,
    hinge_ring,
    jig_inset_m,
    leaves_of,
    track_m,
)
from obtegum.core.rooms.ends.schools import later, school, under_cover
from obtegum.core.rooms.ends.wall import wall_of
from obtegum.core.values.amount import amount_text

__all__ = ["order"]


def order(work: Work, side: Side) -> Iterator[str]:
    """What is done first, and what after; of an end that isn't framed, what lets a frame come later."""
    end = end_of(work, side)
    if end.kind == "framed":
        yield from _feet(work, side, end)
        yield from school(work, side)
        yield from _heads(work, side, end)
        for leaf in leaves_of(work, side)[:1]:
            yield from _leaf(work, side, end, leaf)
        if said := under_cover(work, side):
            yield said
    yield from later(work, side)


def _feet(work: Work, side: Side, end: EndWall) -> Iterator[str]:
    jambs = [stick for stick in wall_of(work, side).sticks if stick.what == "jamb"]
    if jambs:
        deep = work.say(end.deep_m, "down")
        yield f"Jambs first, {deep} in the ground, plumb and braced; their feet before any ground sheet."
        feet = len(in_ground(wall_of(work, side)))
        room = room_m3(end.hole_m, 0.0, end.deep_m) * feet
        if end.fill == "concrete":
            bags = feet * bags_each(work, end)
            yield f"Concrete round {feet} feet: {bags} bags; let it cure before a leaf hangs on it."
        else:
            fill = "soil, tamped every hand’s breadth" if end.fill == "tamped" else "gravel, rammed in layers"
            volume = amount_text(room, "volume", work.tape.units, "up")
            yield f"Their holes filled with {fill}: {volume} for {feet}."
    if door_of(work, side):
        yield "The header between them, level; the doorway squared by its diagonals."
    if end.board == "board":
        yield "End boards on stakes at the ground’s line, studs’ feet behind them; film is fixed to their outside."
    if end.sill == "none":
        yield "No sill: nothing to step over, and the ground sheet is cut and pinned back at each foot."


def _heads(work: Work, side: Side, end: EndWall) -> Iterator[str]:
    tube = bow_tube(work).od_m
    if end.head == "cut":
        yield "Studs under the bow, each to its letter, faces flush with the bow’s, so that film lies in one plane."
        screws = f"{end.screws} screws" if end.screws else "screws"
        yield f"Bevels sawn with the long point toward the crown; a strap over the bow, {screws} into each head."
    elif end.head == "notch":
        yield (
            f"Each stud notched {work.say(tube, 'up')} deep from its outer face, down to its notch’s mark: the bow "
            "lies in it, faces flush, film in one plane. A bolt through tongue and bow, a plate washer under it."
        )
    else:
        yield (
            f"Studs inside the bow, bolted to it with a plate washer. Film stands off them by {work.say(tube, 'up')}: "
            "pack out jambs, header and rails by that, or it flaps."
        )
    if end.head != "cut":
        yield "The holes weaken the end bow: drill level, through the middle, nowhere near a splice."
    if end.rail_m is not None:
        yield "Cross rails between the studs, flush outside, a block or two screws aslant at each end."
    if end.prop != "none":
        yield "Props up to the second bow before the film is pulled: it draws the end in."


def _leaf(work: Work, side: Side, end: EndWall, leaf: Leaf) -> Iterator[str]:
    leaves = leaves_of(work, side)
    if end.leaf == "pipe":
        yield "Leaf of pipe: dry-fit flat, diagonals alike, pin each fitting; the wire pulls from the hinge’s head."
        ring = hinge_ring(work, side)
        if ring is not None:
            other, play = ring
            yield f"Hinges: rings of {other.name} turn on it with {work.tube(play)} of play; pin each against sliding."
        else:
            yield "No pipe of the catalogue turns on that one as a ring: bought hinges, or another pipe."
    else:
        yield (
            "Leaves made flat, squared by their diagonals, the brace up from the hinge’s foot; "
            f"{leaf.gussets} gussets with legs of {work.say(leaf.gusset_m)}, both faces."
        )
    if alike(leaves):
        yield (
            f"Leaves alike: make a jig. Two stop blocks outside each edge, {work.say(jig_inset_m(leaf))} from the "
            f"corners, {work.say(leaf.wide_m)} × {work.say(leaf.high_m)} between them, {work.say(leaf.square_m)} from "
            "corner to corner."
        )
    board, face = stud_board(work, side).wide_m, sizes(work, side)[0]
    if end.leaf == "timber" and leaf.hinged is not None:
        fits = "there is" if board >= LATCH_ROOM_M else f"it has {work.say(board, 'down')}: set a block"
        yield f"A latch wants {work.say(LATCH_ROOM_M)} of the stile: {fits}. The jamb shows {work.say(face, 'down')}."
    if end.door == "double":
        deep = work.say(DROP_BOLT_M)
        yield f"Drop bolts on both leaves, {deep} into sockets of pipe in concrete; one leaf covers the other’s gap."
    if end.door == "sliding":
        goes = "within the bow’s line" if end.track == "within" else "past it, its far end on a post of its own"
        yield f"Track {work.say(track_m(work, side), 'up')} long, {goes}; guides at the foot, a hook against wind."
    if end.door == "rollup":
        yield f"The roll wants {work.say(ROLL_M)} over the way, a guide or cord at each jamb, a pipe in its hem."
    yield "In wind an open leaf is hooked back or shut, never left to swing."
