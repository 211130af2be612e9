"""The shapes side by side at one width, each with what it gives and what it takes."""

import math
from dataclasses import dataclass

from obtegum.core.documents.size import Size
from obtegum.core.drawing.items import Drawing, Item, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import chain_path, line, moved
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.shapes import SHAPE_LABELS, shape_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.headroom import headroom_over
from obtegum.core.formulas.ground.posts import bow_entry
from obtegum.core.formulas.profile import Arc, Chain, ProfileError
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import angle_text, area_text

__all__ = ["Compared", "Section", "compare", "shape_rows", "shapes"]

COLUMNS = 4
APART = 0.62
# Room below each section for its words, in shares of the tallest one.
WORDS = 1.15


@dataclass(frozen=True)
class Section:
    """One shape over the house's width: lengths in m, surface of film in m², room in m³, slope in rad.

    ``slope_rad`` is the slope a quarter of the width in, where snow lies longest; ``bends`` counts the
    different radii that are bent; ``path`` is its centre line to draw.
    """

    kind: str
    label: str
    bow: Chain
    path: tuple[Vertex, ...]
    height_m: float
    headroom_m: float
    girth_m: float
    film_m: float
    surface_m2: float
    volume_m3: float
    slope_rad: float
    bends: int


@dataclass(frozen=True)
class Compared:
    """One of them on the house's posts, and the tube of a bow of it, m."""

    section: Section
    tube_m: float


@found
def sections(work: Work) -> list[Section]:
    """Every shape that can stand over this width."""
    size, made = work.design.size, list[Section]()
    for kind in SHAPE_LABELS:
        shape = size.shape if kind == size.shape.kind else shape_of(kind, size)
        try:
            made.append(_section(work, size.model_copy(update={"shape": shape}), shape.chain(size.span_m)))
        except (ProfileError, ValueError):
            continue
    return made


def _section(work: Work, size: Size, bow: Chain) -> Section:
    od_m, half, kind = bow_tube(work).od_m, size.span_m / 2, size.shape.kind
    inner, outer = bow.offset(-od_m / 2), bow.offset(od_m / 2)
    side_m = min(work.rules.side_bed_from_leg_m, half)
    radii = {round(each.radius_m, 9) for each in bow.segments if isinstance(each, Arc) and kind != "sprung"}
    # Over a corner that stands out the film goes round the tube, half its thickness from the centre.
    film_m = outer.girth_m + sum(max(kink.turn_rad, 0.0) for kink in bow.kinks) * od_m / 2
    quarter = bow.heading(bow.at_x(-half / 2)[0])
    return Section(
        kind=kind,
        label=SHAPE_LABELS[kind],
        bow=bow,
        path=chain_path(bow),
        height_m=size.height_m,
        headroom_m=headroom_over(inner, side_m - half, work.rules.figure_width_m),
        girth_m=bow.girth_m,
        film_m=film_m,
        surface_m2=film_m * size.length_m + 2 * bow.under_m2,
        volume_m3=bow.under_m2 * size.length_m,
        slope_rad=abs(math.remainder(quarter, 2 * math.pi)),
        bends=len(radii),
    )


def compare(work: Work) -> list[Compared]:
    """Every shape that can stand over this width on these posts."""
    design, compared = work.design, list[Compared]()
    for each in sections(work):
        try:
            entry = bow_entry(each.bow, design.size.span_m, design.posts.reveal_m)
        except ValueError:
            continue
        tube_m = each.girth_m - 2 * entry.post_top_s_m + 2 * design.bows.insertion_m
        compared.append(Compared(each, tube_m))
    return compared


def shapes(work: Work) -> Drawing:
    """Sections in two rows, the house's own drawn strong."""
    compared, span = compare(work), work.design.size.span_m
    tallest = max(each.section.height_m for each in compared)
    across, down = span * (1 + APART), tallest * (1 + WORDS)
    own = work.design.size.shape.kind
    items: list[Item] = []
    for place, (each, tube_m) in enumerate((one.section, one.tube_m) for one in compared):
        column, row = place % COLUMNS, place // COLUMNS
        x, y = column * across, -row * down
        path = tuple(moved(vertex, x, y) for vertex in each.path)
        layer = "frame" if each.kind == own else "hidden"
        part = f"shape:{each.kind}"
        items += [
            Outline(
                part=part,
                layer="air",
                material="air",
                closed=True,
                path=path,
                label=each.label,
                picks=("size.shape", each.kind),
            ),
            Outline(
                part=part,
                layer=layer,  # type: ignore[arg-type]
                material=bow_tube(work).material if each.kind == own else "ink",
                path=path,
                width_m=bow_tube(work).od_m if each.kind == own else 0.0,
                label=each.label,
                picks=("size.shape", each.kind),
            ),
            Outline(part=part, layer="ground", material="ink", path=line(x - span * 0.6, y, x + span * 0.6, y)),
        ]
        words = [
            each.label,
            f"{work.say(each.height_m)} high",
            f"side {work.say(each.headroom_m, 'down')}",
            f"tube {work.say(tube_m, 'up')}, {each.bends} bend{'' if each.bends == 1 else 's'}",
        ]
        if each.kind == own:
            words.append("this house")
        items += [
            Note(part=part, x=x, y=y, text=text, above=False, row=number) for number, text in enumerate(words, start=1)
        ]
    return drawn(
        view="shapes",
        title="Shapes",
        summary=f"{len(compared)} shapes over the same width of {work.say(span)}, each at the same scale.",
        items=items,
        beside_m=(span * 0.02, tallest * WORDS, span * 0.02, 0.0),
    )


def shape_rows(work: Work) -> tuple[Row, ...]:
    """What each shape gives and takes."""
    return tuple(row for one in compare(work) for row in _rows(work, one.section, one.tube_m))


def _rows(work: Work, each: Section, tube_m: float) -> list[Row]:
    told = (
        ("height", work.say(each.height_m)),
        ("room at the side bed", work.say(each.headroom_m, "down")),
        ("girth, ground to ground", work.say(each.girth_m)),
        ("tube per bow", work.say(tube_m, "up")),
        ("film, ground to ground", work.say(each.film_m, "up")),
        ("film in all, ends too", area_text(each.surface_m2, work.tape, "up")),
        ("room inside", amount_text(each.volume_m3, "volume", work.tape.units, "down")),
        ("slope a quarter in, where snow lies", angle_text(each.slope_rad)),
        ("different bends", str(each.bends)),
    )
    return [Row(what=f"{each.label[:1].upper()}{each.label[1:]}: {what}", reading=reading) for what, reading in told]
