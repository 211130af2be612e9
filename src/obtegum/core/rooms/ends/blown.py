"""What wind on a piece of wall by itself asks of an end: studs, header, rails, jambs' feet, what holds the heads, and
the end bow that they all push (rules B15, B20)."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass

from obtegum.core.documents.ends import Side
from obtegum.core.drawing.verdict import NEVER
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bows import girth_at
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.outline import end_of, half_m, sizes, stud_tube
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.links import HOLE_WIDER_M, SCREWS_M, net_along
from obtegum.core.formulas.anchor.pole import GIVES, pole_shear
from obtegum.core.formulas.frame.along import beam_moment, continuous
from obtegum.core.formulas.timber import bent_share, strapped_n, washer_n
from obtegum.core.rooms.ends.wall import Stick, Wall, wall_of
from obtegum.core.rooms.soil.found import ground_of
from obtegum.core.rooms.strength.found import counted, end_alone, joint_share
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.strength.model import sections_of
from obtegum.core.rooms.strength.site import drawn_in
from obtegum.core.rooms.weather.found import method_of

__all__ = ["BOLT_M", "PLATE_M", "Blown", "Most", "bow_pushed", "carried", "wind_on"]

# A strap at each head and foot, and how far its screws go into the stud, m; a plate washer's side, its bolt, and how
# much wider than that its hole is, m (this bench).
STRAP_M, INTO_M, PLATE_M, BOLT_M = 0.001, 0.03, 0.05, 0.008
# Places along a header where its moment is taken.
PLACES = 24
# Pressure on a piece of wall so long and wide, Pa.
Pressure = Callable[[float, float], float]
# Share of its bending strength that a stick uses under a moment, N·m.
Bends = Callable[[float], float]


@dataclass(frozen=True, slots=True)
class Most:
    """The stick of a kind that is asked for most: its letter, and the share of what it bears."""

    letter: str
    share: float


@dataclass(frozen=True, slots=True)
class Blown:
    """Wind on an end wall: its pressure on the stud that bends most, Pa; studs, headers and rails, None where there is
    none; what is asked of the hardest head, N, and of its screws or washer, None where nobody said how many; of a
    jamb's foot, None where the ground isn't known. ``pushes`` is what each head pushes the bow by: across, N."""

    pressure_pa: float
    stud: Most
    header: Most | None
    rail: Most | None
    head_n: float
    head: Most | None
    foot_share: float | None
    pushes: tuple[tuple[float, float], ...]


def carried(work: Work, wall: Wall) -> list[tuple[Stick, float]]:
    """Uprights that reach from foot to bow, and how wide a strip of wall each carries, m; a jamb half its door."""
    plumb, half = wall.whole(), half_m(work, wall.side)
    places = [-half, *(each.ends[0][0] for each in plumb), half]
    return [(each, (places[at + 2] - places[at]) / 2) for at, each in enumerate(plumb)]


@found
def _front(work: Work) -> Blown | None:
    return _wind_on(work, "front")


@found
def _back(work: Work) -> Blown | None:
    return _wind_on(work, "back")


def wind_on(work: Work, side: Side) -> Blown | None:
    """What wind asks of an end; None while the weather isn't known, or given by others."""
    return _front(work) if side == "front" else _back(work)


def _wind_on(work: Work, side: Side) -> Blown | None:
    wall, weather, method = wall_of(work, side), weathered(work), method_of(work)
    if weather is None or weather.q_pa is None or not wall.whole():
        return None
    q_pa, drawn = weather.q_pa, drawn_in(work)

    def pressure(long_m: float, wide_m: float) -> float:
        return method.code.wall_pa(q_pa, long_m * max(wide_m, long_m / 3), drawn)

    wide, bends = sizes(work, side)[0], _bends(work, side)
    service = method.factors.partial
    worst, at_pa, foot = Most("", 0.0), 0.0, 0.0
    heads = list[tuple[str, float, float]]()
    ground = ground_of(work)
    for stick, strip in carried(work, wall):
        free = stick.ends[1][1]
        p = pressure(free, strip)
        share = bends(p * strip * free**2 / 8)
        if share > worst.share:
            worst, at_pa = Most(stick.letter, share), p
        heads.append((stick.letter, stick.ends[0][0], p * strip * free / 2))
        if stick.what == "jamb" and ground is not None:
            # Pushed at its middle height: h = M/P of a stick that its foot and the bow hold.
            push = p * strip * free / 2 / service
            end = end_of(work, side)
            across = end.hole_m if end.fill == "concrete" else wide
            holds = pole_shear(ground, across, end.deep_m, free / 4, GIVES)
            foot = max(foot, push / holds if holds > 0 else NEVER)
    letter, _, head_n = max(heads, key=lambda each: each[2])
    holds_n = _head_holds_n(work, side)
    return Blown(
        pressure_pa=at_pa,
        stud=worst,
        header=_header(wall, bends, pressure),
        rail=_rail(work, wall, bends, pressure),
        head_n=head_n / service,
        head=None if holds_n is None else Most(letter, head_n / service / holds_n),
        foot_share=foot if ground is not None else None,
        pushes=tuple((x, push) for _, x, push in heads),
    )


def _bends(work: Work, side: Side) -> Bends:
    """How much of its bending strength a stick of an end uses: a board, or a tube with its wall as it counts."""
    (wide, deep), tube, method = sizes(work, side), stud_tube(work, side), method_of(work)
    if tube is None:
        return lambda moment: bent_share(moment, wide, deep, method.bending_pa(deep))
    section = counted(work, tube)
    try:
        strength = method.strength(section)
    except ValueError:
        # A wall that no code covers bears nothing that could be told.
        return lambda moment: NEVER
    return lambda moment: moment / strength.moment_nm


def _head_holds_n(work: Work, side: Side) -> float | None:
    """What a stud's head bears across the wall, N, allowable: its screws, or the washer of its bolt; None where nobody
    said."""
    end = end_of(work, side)
    if stud_tube(work, side) is not None:
        return None
    if end.head == "cut":
        return end.screws * strapped_n(SCREWS_M[end.screw], INTO_M, STRAP_M) if end.screws else None
    return washer_n(PLATE_M, BOLT_M)


def _header(wall: Wall, bends: Bends, pressure: Pressure) -> Most | None:
    """The header that bends most: half of what is below it, and the studs that stand on it (or half of the film)."""
    found_ = Most("", -1.0)
    for one in wall.sticks:
        if one.what != "header":
            continue
        (left, low), (right, _) = one.corners[0], one.corners[1]
        opening = next(each for each in wall.openings if (each.left, each.high) == (left, low))
        long = right - left
        p = pressure(long, long / 3)
        stood = [
            (each.corners[0][0] + each.wide_m / 2 - left, each.long_m)
            for each in wall.sticks
            if each.what == "short stud"
            and abs(each.corners[0][1] - low - one.wide_m) < 1e-6
            and left < each.ends[0][0] < right
        ]
        spread = p * opening.high_m / 2
        top = max((each.ends[1][1] for each in wall.whole()), default=low) - low
        points = list[tuple[float, float]]()
        if stood:
            gaps = [0.0, *(x for x, _ in stood), long]
            points = [
                (x, pressure(tall, (gaps[at + 2] - gaps[at]) / 2) * (gaps[at + 2] - gaps[at]) / 2 * tall / 2)
                for at, (x, tall) in enumerate(stood)
            ]
        else:
            spread += p * top / 2
        moment = max(beam_moment(long, spread, points, long * place / PLACES) for place in range(1, PLACES))
        share = bends(moment)
        if share > found_.share:
            found_ = Most(one.letter, share)
    return found_ if found_.share >= 0 else None


def _rail(work: Work, wall: Wall, bends: Bends, pressure: Pressure) -> Most | None:
    """The cross rail that bends most, between two studs."""
    strip = end_of(work, wall.side).rail_m
    rails = [one for one in wall.sticks if one.what == "rail"]
    if strip is None or not rails:
        return None
    shares = ((bends(pressure(one.long_m, strip) * strip * one.long_m**2 / 8), one.letter) for one in rails)
    share, letter = max(shares)
    return Most(letter, share)


def bow_pushed(work: Work, side: Side) -> tuple[float, float] | None:
    """Share of its strength that the end bow uses: by its own weather and by the heads that push it out of its plane,
    added up; and the second of the two alone. None while something isn't known.

    Round tube takes √(Mx² + My²); the sum is no less (rule B15).
    """
    blown, bow = wind_on(work, side), end_alone(work)
    if blown is None or bow is None or bow.found is None:
        return None
    section = sections_of(work)[0]
    try:
        strength = method_of(work).strength(section)
    except ValueError:
        return None
    left = joint_share(work)
    if end_of(work, side).head != "cut":
        # Its heads are bolted through it, in the direction that they push.
        net = net_along(section.plastic_m3, BOLT_M + HOLE_WIDER_M, section.wall_m, section.od_m)
        left = min(left, net / section.plastic_m3)
    pushed = _aside(work, side, blown) / (strength.moment_nm * left)
    return bow.ratio + pushed, pushed


def _aside(work: Work, side: Side, blown: Blown) -> float:
    """The largest moment out of its plane, N·m: heads as point loads between the places where runs hold it, the bow
    laid straight and pinned at its feet."""
    bow = centre_line(work)
    held = [0.0, bow.girth_m]
    if work.design.braces.bays != 0 and work.design.runs.of != "laths":
        held = sorted({*held, *(girth_at(work, run.at_m) for run in runs_of(work))})
    loads = sorted(_on_girth(work, side, blown))
    return continuous(held, loads)


def _on_girth(work: Work, side: Side, blown: Blown) -> Iterator[tuple[float, float]]:
    """Where each head is along the bow, m of girth, as far across as it is on the bow as planned."""
    bow, size = centre_line(work), work.design.size
    share = size.span_m / 2 / half_m(work, side)
    for x, push in blown.pushes:
        found_ = bow.at_x(x * share)
        if found_:
            yield max(found_, key=lambda s_m: bow.point(s_m)[1]), push
