"""Spring it, heat it, or take another pipe: what each locks in, what snow it leaves room for, and what it takes."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

from obtegum.core.documents.size import SprungPipe
from obtegum.core.drawing.items import Drawing, Item, Material, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import box, circle, line
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bows import stick_count
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import all_tubes, bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile import Arc
from obtegum.core.rooms.bend.heated import batches_of, is_heated
from obtegum.core.rooms.strength.plastic import SnowRating, locked_1_m
from obtegum.core.values.amount import HOUR_S, amount_text
from obtegum.core.values.catalogue import Tube
from obtegum.core.values.physics import GRAVITY_MPS2
from obtegum.core.values.quantity import percent_text

__all__ = ["Shaped", "shaping", "ways_to_shape"]

# Fresh snow, N/m³, by which depths are told (75 kg/m³), and less than which nothing lies, m.
FRESH_N_M3, FINGER_M = 75 * GRAVITY_MPS2, 0.01
# How many pipes thicker and thinner than one's own are looked at.
EITHER_WAY = 2
# The drawing: how wide a bar is that is all of its yield, how high, how far apart, and a ring's size, m.
BAR_M, HIGH_M, APART_M, RING_M, LEFT_M = 4.0, 0.17, 0.66, 0.2, 0.6
HALF_OF_YIELD, MOST_BARS = 0.5, 1.15


@dataclass(frozen=True, slots=True)
class Shaped:
    """One way to come to this shape: the pipe, sprung or bent hot; its strain, and what share of its yield that is when
    new and after a season; the even snow it is rated for then, Pa; what all bows weigh, kg, and cost, where told."""

    tube: Tube
    springs: bool
    own: bool
    strain: float
    new: float
    later: float
    rated_new_pa: float
    rated_later_pa: float
    kg: float
    price: float | None

    @property
    def words(self) -> str:
        return f"{self.tube.name}, {'sprung' if self.springs else 'bent hot'}"


@found
def ways_to_shape(work: Work) -> tuple[Shaped, ...]:
    """One's own pipe sprung and hot, and others near it, by what snow they leave room for after a season."""
    own = bow_tube(work)
    alike = sorted(
        (each for each in all_tubes(work) if each.resin == own.resin and each.sold_in == own.sold_in and each.resin),
        key=lambda each: (each.od_m, each.wall_m),
    )
    at = next((place for place, each in enumerate(alike) if each.id == own.id), 0)
    near = alike[max(at - EITHER_WAY, 0) : at + EITHER_WAY + 1]
    rated = [(tube, SnowRating(work, tube)) for tube in near]
    found_ = [_shaped(work, tube, rating, springs) for tube, rating in rated for springs in (True, False)]
    # What is thinner than one's own is sprung, not heated.
    found_ = [
        each for each in found_ if each.springs or (each.tube.od_m >= own.od_m and each.tube.wall_m >= own.wall_m)
    ]
    return tuple(sorted(found_, key=lambda each: (-each.rated_later_pa, each.later, each.kg)))


def _shaped(work: Work, tube: Tube, rating: SnowRating, springs: bool) -> Shaped:
    own, resin = bow_tube(work), work.catalogue.resins[tube.resin]
    strain = tube.od_m / 2 * _bent_1_m(work) if springs else 0.0
    share = strain * tube.elastic_pa / tube.yield_pa
    bending, kg = work.design.bending, _kg_m(work, tube) * stick_count(work) * work.design.bows.stick_m
    price = None
    if bending.stick_price is not None:
        price = stick_count(work) * bending.stick_price * _kg_m(work, tube) / _kg_m(work, own)
        if not springs and bending.hour_price is not None and is_heated(work):
            price += batches_of(work).all_s / HOUR_S * bending.hour_price
    return Shaped(
        tube=tube,
        springs=springs,
        own=tube.id == own.id and springs != is_heated(work),
        strain=strain,
        new=share,
        later=share * resin.faded_share,
        rated_new_pa=rating.rated_pa(springs, later=False),
        rated_later_pa=rating.rated_pa(springs, later=True),
        kg=kg,
        price=price,
    )


def _bent_1_m(work: Work) -> float:
    """The tightest that springing would bend a pipe to this shape, 1/m."""
    if isinstance(work.design.size.shape, SprungPipe):
        return locked_1_m(work)
    arcs = (segment for segment in centre_line(work).segments if isinstance(segment, Arc))
    return max((1 / arc.radius_m for arc in arcs), default=0.0)


def _kg_m(work: Work, tube: Tube) -> float:
    return (
        math.pi * (tube.od_m - tube.wall_m) * tube.wall_m * work.catalogue.resins[tube.resin].weight_n_m3 / GRAVITY_MPS2
    )


def shaping(work: Work) -> Drawing:
    """A bar for each way, as long as its yield: what is locked in today, what a season leaves of that, and half of it,
    by which snow is rated; each pipe drawn as thick as it is beside the others."""
    ways = ways_to_shape(work) if bow_tube(work).resin else ()
    items, rows = list[Item](), list[Row]()
    largest = max((each.tube.od_m for each in ways), default=1.0)
    for place, each in enumerate(ways):
        y, part = -APART_M * place, f"way:{place + 1}"
        items += _ring(each, part, y, RING_M / largest)
        items += _bar(each, part, y)
        first, second = _said(work, each)
        items += [
            Note(part=part, x=LEFT_M, y=y + HIGH_M + 0.06, text=first, anchor="start"),
            Note(part=part, x=LEFT_M + BAR_M + 0.15, y=y + HIGH_M, text=second[0], anchor="start", above=False),
            Note(part=part, x=LEFT_M + BAR_M + 0.15, y=y + HIGH_M, text=second[1], anchor="start", above=False, row=1),
        ]
        rows.append(Row(what=first, reading="; ".join(second)))
    if ways:
        said = "light: locked in today · dark: after a season · snow is rated to the middle, half of the pipe’s yield"
        items.append(Note(part="way:key", x=0.0, y=-APART_M * len(ways) + HIGH_M, text=said, anchor="start"))
    return drawn(
        view="shaping",
        title="Spring, heat, thicker",
        summary=f"{len(ways)} ways to this shape, those first that leave most room for snow after a season.",
        items=items,
        beside_m=(0.2, 0.1, 2.7, 0.2),
        table=tuple(rows),
    )


def _locked(each: Shaped) -> Iterator[tuple[float, float, Material, str]]:
    """What is locked in today, and what of it a season leaves: its share, how high it is drawn, of what."""
    if each.springs:
        yield each.new, 1.0, "board", "locked in today"
        yield each.later, 0.45, "ink", "after a season"


def _ring(each: Shaped, part: str, y: float, scale: float) -> list[Item]:
    """The pipe cut across, all to one scale."""
    middle = y + HIGH_M / 2
    parts: tuple[tuple[Material, float], ...] = (("plastic", each.tube.od_m), ("air", each.tube.bore_m))
    return [
        Outline(
            part=part,
            layer="frame",
            material=material,
            closed=True,
            path=circle(0.25, middle, radius_m * scale),
            label=each.words if number == 0 else "bore",
        )
        for number, (material, radius_m) in enumerate(parts)
    ]


def _bar(each: Shaped, part: str, y: float) -> list[Item]:
    picks = ("bows.tube", each.tube.id) if each.springs else ("strength.plastic", "heated")
    whole = box(LEFT_M, y, LEFT_M + BAR_M, y + HIGH_M)
    found_: list[Item] = [
        Outline(part=part, layer="air", material="air", closed=True, path=whole, label=each.words, picks=picks)
    ]
    for share, high, material, label in _locked(each):
        path = box(LEFT_M, y, LEFT_M + BAR_M * min(share, MOST_BARS), y + HIGH_M * high)
        found_.append(Outline(part=part, layer="frame", material=material, closed=True, path=path, label=label))
    half = LEFT_M + BAR_M * HALF_OF_YIELD
    edge = (line(half, y - 0.05, half, y + HIGH_M + 0.05), "half of its yield: snow is rated to here")
    return [
        *found_,
        Outline(part=part, layer="construction", material="ink", path=edge[0], label=edge[1]),
        Outline(part=part, layer="construction", material="ink", path=whole, label="all of its yield"),
    ]


def _said(work: Work, each: Shaped) -> tuple[str, tuple[str, str]]:
    own = " · this house" if each.own else ""
    strain = f", stretched {percent_text(each.strain, 2, 'up')}" if each.springs else ", nothing locked in"
    snow = f"fresh snow {_deep(work, each.rated_later_pa)} later"
    if each.springs:
        snow = f"fresh snow {_deep(work, each.rated_new_pa)} new, {_deep(work, each.rated_later_pa)} later"
    cost = amount_text(each.kg, "hung", work.tape.units, "up")
    if each.price is not None:
        cost += f", costs {math.ceil(each.price):,}"
    return f"{each.words}{strain}{own}", (snow, cost)


def _deep(work: Work, pressure_pa: float) -> str:
    deep_m = pressure_pa / FRESH_N_M3
    return work.about(deep_m) if deep_m >= FINGER_M else "none"
