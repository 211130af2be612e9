"""Bows: radius, girth, tube per bow, and every mark on every stick."""

from obtegum.core.bows.sticks import Piece, Split
from obtegum.core.quantity import percent_text
from obtegum.core.shapes import own_measures
from obtegum.core.steps.common import angle_answer, count_answer, length_answer, settled, tube_measures
from obtegum.core.steps.model import Answer, StepPlan
from obtegum.core.steps.rounding import rounded
from obtegum.core.strip import Band, MarkKind, Strip
from obtegum.core.verdict import Verdict, judge
from obtegum.core.work import Work

__all__ = ["plan", "strips", "tube_places", "verdicts"]

SAME = 1e-6
# More play than this and a tube rattles in the other.
SLIDES_M = 0.006


def verdicts(work: Work) -> list[Verdict]:
    """Left-over of the sticks, and where their joints fall."""
    split, most, bows = work.split, work.rules.stick_waste_most_share, work.bays.bows
    waste = work.left_over_m / (work.sticks * split.stick_m)
    ratio = waste / most
    share = percent_text(waste)
    level = judge(ratio, work.rules.holds_to)
    more = " Another stick length is worth a look." if level == "fails" else ""
    stick = work.say(split.stick_m)
    if work.sticks == bows * len(split.pieces):
        left = work.say(work.left_over_m / bows)
        sentence = f"Each bow leaves {left} of its {_sticks(len(split.pieces))} of {stick}: {share}.{more}"
    else:
        left = work.say(work.left_over_m)
        sentence = (
            f"All bows leave {left} of their {_sticks(work.sticks)} of {stick}, short pieces sharing: {share}.{more}"
        )
    found = [
        Verdict(
            id="waste",
            rank="comfort",
            step="bows",
            level=level,
            title="Left-over",
            sentence=sentence,
            number=share,
            limit=f"{most:.0%}".replace("%", " %"),
            ratio=ratio,
            part=f"stick:{split.pieces[-1].name}",
        )
    ]
    found += _sleeve_verdicts(work)
    if split.joint_at_crown:
        found.append(
            Verdict(
                id="crown-joint",
                rank="stands",
                step="bows",
                level="tight",
                title="Joint",
                sentence="A joint lands at the crown, where a plain joint is weakest. Another stick length moves it.",
                number=work.say(split.joint_m),
                limit="off the crown",
                ratio=None,
                part="crown",
            )
        )
    last = len(split.pieces) - 1
    joined = [
        piece
        for place, piece in enumerate(split.pieces)
        if (place > 0 and not piece.corner_before) or (place < last and not piece.corner_after)
    ]
    short = min(joined, key=lambda piece: piece.length_m, default=None)
    if short is not None and short.length_m < work.rules.piece_least_m:
        least = work.say(work.rules.piece_least_m)
        found.append(
            Verdict(
                id="short-piece",
                rank="stands",
                step="bows",
                level="fails",
                title="Short piece",
                sentence=f"Stick {short.name} is only {work.say(short.length_m)}: under {least} it can’t hold a joint.",
                number=work.say(short.length_m, "down"),
                limit=least,
                ratio=work.rules.piece_least_m / short.length_m,
                part=f"stick:{short.name}",
            )
        )
    return found


def _sleeve_verdicts(work: Work) -> list[Verdict]:
    """A sleeve is a piece of tube that the bow slides into; there has to be one."""
    if work.joint.kind != "sleeve" or len(work.split.joints_m) == 0:
        return []
    od_m = work.bow_tube.od_m
    plays = [each.bore_m - od_m for each in work.tubes if each.bore_m > od_m]
    play = min(plays, default=None)
    if play is not None and play <= SLIDES_M:
        return []
    what = (
        "No tube here slides over it"
        if play is None
        else f"The closest tube over it has {work.tube(play, 'up')} of play"
    )
    sentence = f"{what}, so a sleeve of tube won’t hold the joint straight: a coupler, or swaged ends."
    return [
        Verdict(
            id="sleeve",
            rank="stands",
            step="bows",
            level="fails",
            title="Sleeve",
            sentence=sentence,
            number="none" if play is None else work.tube(play, "up"),
            limit=work.tube(SLIDES_M, "down"),
            ratio=None if play is None else play / SLIDES_M,
            part="bow",
        )
    ]


def _sticks(count: int) -> str:
    return "one stick" if count == 1 else f"{count} sticks"


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    split, bows = work.split, work.bays.bows
    sticks = len(split.pieces)
    house = work.sticks
    bundle = work.design.bows.bundle
    bundles = -(-house // bundle)
    spare = f", {bundles * bundle - house} to spare" if bundle > 1 else ""
    answers = (
        *_bend_answers(work),
        *_corner_answers(work),
        length_answer(work, "girth", "Girth, ground to ground", work.bow.girth_m, "along the bow, over the top"),
        length_answer(work, "tube", "Tube per bow, sockets in", work.tube_m),
        count_answer("sticks", "Sticks per bow", sticks, f"{house} for all {bows} bows"),
        count_answer(
            "joints",
            "Joints per bow",
            len(split.joints_m),
            "turn every second bow end for end" if split.flipped else work.joint.name,
        ),
        count_answer(
            "bundles",
            "Sticks to buy" if bundle == 1 else f"Bundles of {bundle}",
            bundles,
            f"{house} sticks{spare}",
        ),
        _left_over(work),
        *_uncut(work),
        *_slides(work),
    )
    return StepPlan(
        id="bows",
        title="Bows",
        group="Frame",
        state=settled(found),
        next="Mark one stick, bend one bow, and check its width before the rest.",
        caution="Cut ends are sharp and bent tube whips: gloves, eyes, two people on a bow.",
        measures=(
            "bow_tube",
            *tube_measures(work.design.bows.tube),
            "making",
            "stick",
            "joint_kind",
            "joint",
            "bundle",
        ),
        answers=answers,
        leads=("radius", "tube", "sticks", "bundles"),
        views=("across", "along"),
        strips=tuple(f"stick:{piece.name}" for piece in split.pieces),
        grips=("span", "height", "leg", *own_measures(work.design.size.shape)),
        focus=("bow", "radius", "centre", "crown", "bend", "socket", "joint", "span", "height", "leg"),
    )


def _uncut(work: Work) -> list[Answer]:
    """How high the house would stand if no stick were cut."""
    height_m = work.uncut_height_m
    if height_m is None or abs(height_m - work.design.size.height_m) < work.tape.step_m:
        return []
    return [length_answer(work, "uncut", "Uncut sticks would stand it", height_m, "high, at this width")]


def _slides(work: Work) -> list[Answer]:
    """The tubes that this one slides into, and those that slide into it, each with the play between them."""
    tube, tubes = work.bow_tube, [each for each in work.tubes if each.sold_in == work.tape.units]
    into = [(each, each.bore_m - tube.od_m) for each in tubes if 0 < each.bore_m - tube.od_m <= SLIDES_M]
    takes = [(each, tube.bore_m - each.od_m) for each in tubes if 0 < tube.bore_m - each.od_m <= SLIDES_M]
    found = []
    for name, label, pairs in (("slides_into", "Slides into", into), ("takes", "Takes inside", takes)):
        if pairs:
            best, play = min(pairs, key=lambda pair: pair[1])
            others = ", ".join(each.name for each, _ in pairs if each is not best)
            note = f"{work.tube(play, rounded(name))} of play" + (f"; also {others}" if others else "")
            found.append(Answer(id=name, label=label, reading=best.name, value=play, unit="m", note=note))
    return found


def _left_over(work: Work) -> Answer:
    """Left over a bow, or in all where short pieces share a stick."""
    in_all = work.say(work.left_over_m)
    if work.sticks == work.bays.bows * len(work.split.pieces):
        return length_answer(work, "left_over", "Left over per bow", work.split.left_over_m, f"{in_all} in all")
    return length_answer(work, "left_over", "Left over in all", work.left_over_m)


def _bend_answers(work: Work) -> list[Answer]:
    """Each radius that is bent: to the tube's centre, where its centre lies, and how far it turns."""
    kinds, found = work.bend_kinds, list[Answer]()
    names = [""] if len(kinds) == 1 else [", shoulder", ", crown"]
    for number, (arc, name) in enumerate(zip(kinds, names, strict=False)):
        tail = "" if number == 0 else f"_{number + 1}"
        found.append(length_answer(work, f"radius{tail}", f"Bend radius{name}, to the centre", arc.radius_m))
        half = abs(arc.cx) < 1e-9
        turn = arc.turn_rad / 2 if half else arc.turn_rad
        label = "Turns, crown to spring" if half and len(kinds) == 1 else f"Turns{name}{', each way' if half else ''}"
        if len(kinds) == 1:
            found.append(_centre_answer(work, arc.cy))
        found.append(angle_answer(f"half_angle{tail}", label, turn))
    return found


def _corner_answers(work: Work) -> list[Answer]:
    """The ridge and the elbows, each by how far it turns from straight."""
    middle_m, found = work.bow.girth_m / 2, list[Answer]()
    for number, kink in enumerate(kink for kink in work.corners if kink.s_m <= middle_m + 1e-7):
        ridge = abs(kink.s_m - middle_m) < 1e-7
        label = "Ridge plate turns" if ridge else f"Elbow {number + 1} turns, each side"
        turn = abs(kink.turn_rad)
        found.append(angle_answer(f"corner_{number + 1}", label, turn))
    return found


def _centre_answer(work: Work, centre_m: float) -> Answer:
    side = "above" if centre_m >= 0 else "below"
    return Answer(
        id="centre",
        label=f"Centre, {side} the ground",
        reading=work.say(abs(centre_m)),
        value=centre_m,
        unit="m",
    )


def tube_places(work: Work) -> list[tuple[float, str, MarkKind, str]]:
    """Every place to mark along a whole bow's tube, m from its end in the left post."""
    insertion_m, tube_m = work.design.bows.insertion_m, work.tube_m
    edges = _bend_edges(work)
    at_post = bool(edges) and abs(edges[0][0] - insertion_m) < SAME
    top = f"post top, {edges[0][1]}" if at_post else "post top"
    bottom = f"post top, {edges[-1][1]}" if at_post else "post top"
    ridge = any(abs(kink.s_m - work.bow.girth_m / 2) < SAME for kink in work.corners)
    places: list[tuple[float, str, MarkKind, str]] = [
        (insertion_m, top, "socket", "socket:L"),
        (tube_m / 2, "ridge" if ridge else "crown", "crown", "crown"),
        (tube_m - insertion_m, bottom, "socket", "socket:R"),
    ]
    count = len(edges)
    for number, (at_m, what) in enumerate(edges):
        if insertion_m + SAME < at_m < tube_m - insertion_m - SAME:
            from_left = number < count / 2
            nth = number + 1 if from_left else count - number
            part = f"bend:{'L' if from_left else 'R'}{'' if nth == 1 else nth}"
            places.append((at_m, what, "bend", part))
    return sorted(places)


def _bend_edges(work: Work) -> list[tuple[float, str]]:
    """Where bends start and end along the tube; between two that touch, where the radius changes."""
    found: list[tuple[float, str]] = []
    for bend in work.bends:
        start, end = work.along_tube(bend.start_m), work.along_tube(bend.end_m)
        if found and abs(found[-1][0] - start) < SAME:
            found[-1] = (start, "radius changes")
        else:
            found.append((start, "bend starts"))
        found.append((end, "bend ends"))
    return found


def strips(work: Work) -> list[Strip]:
    """Each stick of a bow laid straight, with its marks from the plain end."""
    return [_stick_strip(work, place) for place in range(len(work.split.pieces))]


def _stick_strip(work: Work, place: int) -> Strip:
    split = work.split
    piece = split.pieces[place]
    first, last = place == 0, place == len(split.pieces) - 1
    where = f"stick:{piece.name}"
    places = [
        (at - piece.from_m, what, kind, part)
        for at, what, kind, part in tube_places(work)
        if piece.from_m - SAME <= at <= piece.to_m + SAME
    ]
    # What falls on an end of the stick is told by the end itself.
    places = [each for each in places if SAME < each[0] < piece.length_m - SAME or each[2] == "socket"]
    cover_m = work.joint.cover_m
    covers = "joint covers to here" if work.joint.overlap_m else f"{work.joint.name} to here"
    if not first and not piece.corner_before:
        places.append((cover_m, covers, "joint", f"joint:{_joint_number(split, place - 1)}"))
    if not last and not piece.corner_after:
        what = "next stick to here" if work.joint.overlap_m else covers
        places.append((piece.length_m - cover_m, what, "joint", f"joint:{_joint_number(split, place)}"))
    places.append((piece.length_m, _end(piece, last), "cut", f"end:{piece.name}"))
    return Strip(
        id=where,
        title=f"Stick {piece.name}" if len(split.pieces) > 1 else "The stick",
        about=_about(work, piece, last),
        material=work.bow_tube.material,
        length_m=piece.length_m,
        marks=tuple(work.mark(at, what, kind, part, where) for at, what, kind, part in sorted(places)),
        bands=tuple(_bands(work, piece, first, last)),
    )


def _joint_number(split: Split, place: int) -> int:
    """The number of the joint after a piece, corners not counted."""
    return sum(not piece.corner_after for piece in split.pieces[: place + 1])


def _end(piece: Piece, last: bool) -> str:
    return "cut here" if last and piece.left_over_m > SAME else "end"


def _about(work: Work, piece: Piece, last: bool) -> str:
    start = "tape from the plain end"
    if piece.left_over_m <= SAME:
        return f"{start} · a whole stick, nothing to cut"
    off = work.say(piece.left_over_m)
    if piece.corner_after or piece.corner_before:
        return f"{start} · {off} left over"
    if last:
        return f"{start} · cut {off} off the swaged end"
    return f"first cut {off} off the plain end · then {start}"


def _bands(work: Work, piece: Piece, first: bool, last: bool) -> list[Band]:
    insertion_m, cover_m = work.design.bows.insertion_m, work.joint.cover_m
    bands = []
    if first:
        bands.append(Band(from_m=0.0, to_m=insertion_m, what="in the post", kind="socket"))
    elif not piece.corner_before:
        bands.append(Band(from_m=0.0, to_m=cover_m, what="over the joint", kind="joint"))
    for bend in work.bends:
        low = max(work.along_tube(bend.start_m), insertion_m) - piece.from_m
        high = min(work.along_tube(bend.end_m), work.tube_m - insertion_m) - piece.from_m
        low, high = max(low, 0.0), min(high, piece.length_m)
        if high - low > SAME:
            bands.append(Band(from_m=low, to_m=high, what="bent", kind="bent"))
    if last:
        bands.append(Band(from_m=piece.length_m - insertion_m, to_m=piece.length_m, what="in the post", kind="socket"))
    elif not piece.corner_after:
        what = "swaged" if work.joint.kind in ("swaged", "crown_plate") else "in the joint"
        bands.append(Band(from_m=piece.length_m - cover_m, to_m=piece.length_m, what=what, kind="joint"))
    return bands
