"""Bows: radius, girth, tube per bow, and every mark on every stick."""

from obtegum.core.bows.sticks import Piece
from obtegum.core.profile.round import arc_half_angle
from obtegum.core.quantity import angle_text, percent_text
from obtegum.core.steps.common import length_answer, settled
from obtegum.core.steps.model import Answer, StepPlan
from obtegum.core.strip import Band, MarkKind, Strip
from obtegum.core.verdict import Verdict, judge
from obtegum.core.work import Work

__all__ = ["plan", "strips", "tube_places", "verdicts"]

SAME = 1e-6


def verdicts(work: Work) -> list[Verdict]:
    """Left-over of the sticks, and where their joints fall."""
    split, most = work.split, work.rules.stick_waste_most_share
    ratio = split.waste_share / most
    sticks, left = len(split.pieces), work.say(split.left_over_m)
    share = percent_text(split.waste_share)
    level = judge(ratio, work.rules.holds_to)
    more = " Another stick length is worth a look." if level == "fails" else ""
    found = [
        Verdict(
            id="waste",
            step="bows",
            level=level,
            title="Left-over",
            sentence=f"Each bow leaves {left} of its {_sticks(sticks)} of {work.say(split.stick_m)}: {share}.{more}",
            number=share,
            limit=f"{most:.0%}".replace("%", " %"),
            ratio=ratio,
            part=f"stick:{split.pieces[-1].name}",
        )
    ]
    if split.joint_at_crown:
        found.append(
            Verdict(
                id="crown-joint",
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
    short = min(split.pieces, key=lambda piece: piece.length_m)
    if len(split.pieces) > 1 and short.length_m < work.rules.piece_least_m:
        least = work.say(work.rules.piece_least_m)
        found.append(
            Verdict(
                id="short-piece",
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


def _sticks(count: int) -> str:
    return "one stick" if count == 1 else f"{count} sticks"


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    size, split, bows = work.design.size, work.split, work.bays.bows
    half_rad = arc_half_angle(size.span_m, size.height_m - size.leg_m)
    sticks = len(split.pieces)
    answers = (
        length_answer(work, "radius", "Bend radius, to the centre", work.radius_m),
        _centre_answer(work, size.height_m - work.radius_m),
        Answer(
            id="half_angle",
            label="Turns, crown to spring",
            reading=angle_text(half_rad),
            value=half_rad,
            unit="rad",
        ),
        length_answer(work, "girth", "Girth, ground to ground", work.bow.girth_m),
        length_answer(work, "tube", "Tube per bow, sockets in", work.tube_m),
        Answer(
            id="sticks",
            label="Sticks per bow",
            reading=str(sticks),
            value=sticks,
            unit="count",
            note=f"{sticks * bows} for all {bows} bows",
        ),
        Answer(
            id="joints",
            label="Joints per bow",
            reading=str(sticks - 1),
            value=sticks - 1,
            unit="count",
            note="turn every second bow end for end" if split.flipped else "",
        ),
        length_answer(
            work, "left_over", "Left over per bow", split.left_over_m, f"{work.say(split.left_over_m * bows)} in all"
        ),
    )
    return StepPlan(
        id="bows",
        title="Bows",
        group="Frame",
        state=settled(found),
        next="Mark one stick, bend one bow, and check its width before the rest.",
        caution="Cut ends are sharp and bent tube whips: gloves, eyes, two people on a bow.",
        measures=("bow_tube", "stick", "joint"),
        answers=answers,
        views=("across", "along"),
        strips=tuple(f"stick:{piece.name}" for piece in split.pieces),
        grips=("span", "height", "leg"),
        focus=("bow", "radius", "centre", "crown", "bend", "socket", "joint", "span", "height", "leg"),
    )


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
    spring_m = work.along_tube(work.design.size.leg_m)
    at_post = abs(spring_m - insertion_m) < SAME
    top = "post top, bend starts" if at_post else "post top"
    places: list[tuple[float, str, MarkKind, str]] = [
        (insertion_m, top, "socket", "socket:L"),
        (tube_m / 2, "crown", "crown", "crown"),
        (tube_m - insertion_m, top.replace("starts", "ends"), "socket", "socket:R"),
    ]
    if spring_m > insertion_m + SAME:
        places += [
            (spring_m, "bend starts", "bend", "bend:L"),
            (tube_m - spring_m, "bend ends", "bend", "bend:R"),
        ]
    return sorted(places)


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
    if not first:
        places.append((split.joint_m, "joint covers to here", "joint", f"joint:{place}"))
    if not last:
        places.append((piece.length_m - split.joint_m, "next stick to here", "joint", f"joint:{place + 1}"))
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


def _end(piece: Piece, last: bool) -> str:
    return "cut here" if last and piece.left_over_m > SAME else "end"


def _about(work: Work, piece: Piece, last: bool) -> str:
    start = "tape from the plain end"
    if piece.left_over_m <= SAME:
        return f"{start} · a whole stick, nothing to cut"
    off = work.say(piece.left_over_m)
    if last:
        return f"{start} · cut {off} off the swaged end"
    return f"first cut {off} off the plain end · then {start}"


def _bands(work: Work, piece: Piece, first: bool, last: bool) -> list[Band]:
    insertion_m, joint_m = work.design.bows.insertion_m, work.split.joint_m
    spring_m = max(work.along_tube(work.design.size.leg_m), insertion_m)
    bands = []
    if first:
        bands.append(Band(from_m=0.0, to_m=insertion_m, what="in the post", kind="socket"))
    else:
        bands.append(Band(from_m=0.0, to_m=joint_m, what="over the joint", kind="joint"))
    bent_from = max(spring_m - piece.from_m, 0.0)
    bent_to = min(work.tube_m - spring_m - piece.from_m, piece.length_m)
    if bent_to > bent_from:
        bands.append(Band(from_m=bent_from, to_m=bent_to, what="bent", kind="bent"))
    if last:
        bands.append(Band(from_m=piece.length_m - insertion_m, to_m=piece.length_m, what="in the post", kind="socket"))
    else:
        bands.append(Band(from_m=piece.length_m - joint_m, to_m=piece.length_m, what="swaged", kind="joint"))
    return bands
