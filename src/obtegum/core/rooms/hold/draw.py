"""The chain from bow to soil at one post, and every way to set it side by side, to one scale."""

from obtegum.core.drawing.items import Dimension, Drawing, Handle, Item, Material, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import box, line
from obtegum.core.findings.skeleton.posts import least_embedment_m
from obtegum.core.findings.skeleton.settings import SETTINGS, set_of
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.hold.found import bag_of, chain_of, concrete_top_m, holds_of, plate_deep_m, pulled
from obtegum.core.rooms.hold.takes import THICK_M, all_take
from obtegum.core.rooms.strength.asks import all_asks
from obtegum.core.values.amount import amount_text

__all__ = ["chain", "settings"]

BESIDE_M, BELOW_M, ABOVE_M = 0.75, 0.2, 0.35
PLATE_THICK_M, BAR_M, RAIL_M, STUD_M = 0.012, 0.16, 0.12, 0.089
# How far apart the ways stand beside each other, m.
APART_M = 0.62


def _deep_m(work: Work) -> float:
    return max(least_embedment_m(work), 0.05)


def _solid(part: str, material: Material, x0: float, y0: float, x1: float, y1: float, label: str) -> Outline:
    return Outline(part=part, layer="frame", material=material, closed=True, path=box(x0, y0, x1, y1), label=label)


def _post(work: Work, setting: str, x: float, tag: str = "") -> list[Item]:
    """One post as it is set, its middle at ``x``, y = 0 on the ground."""
    hold, deep_m, half = work.design.hold, _deep_m(work), post_tube(work).over_m / 2
    wide, items = hold.hole_m / 2, list[Item]()
    if setting == "trench":
        wide = hold.trench_m / 2
    if SETTINGS[setting].holed:
        sides = ((x - wide, 0.0), (x - wide, -deep_m), (x + wide, -deep_m), (x + wide, 0.0))
        path = tuple(Vertex(x=at, y=y) for at, y in sides)
        items.append(Outline(part=f"hole{tag}", layer="hidden", material="ink", path=path, label="hole"))
    if SETTINGS[setting].concreted:
        top = hold.column_m if setting == "pier" else -concrete_top_m(work)
        items.append(_solid(f"concrete{tag}", "concrete", x - wide, -deep_m, x + wide, top, "concrete"))
    if setting == "gravel":
        items.append(_solid(f"gravel{tag}", "board", x - wide, -deep_m, x + wide, 0.0, "gravel"))
    items.append(
        _solid(f"post:L{tag}", "post", x - half, -deep_m, x + half, work.design.posts.reveal_m, way_of(work).one)
    )
    if setting == "plate":
        at, side = -plate_deep_m(work), hold.plate_m / 2
        items.append(_solid(f"plate{tag}", "post", x - side, at - PLATE_THICK_M, x + side, at, "plate"))
    if setting == "knee":
        stud, high = half + STUD_M, hold.wall_m
        items.append(_solid(f"wall{tag}", "board", x - stud, THICK_M, x - half, high - THICK_M, "stud"))
        for at in (0.0, high - THICK_M):
            items.append(_solid(f"wall{tag}", "board", x - stud, at, x - half, at + THICK_M, "plate of the wall"))
    if setting == "screw":
        for turn in range(3):
            at = -deep_m + 0.06 + 0.07 * turn
            reach = half + 0.05 - 0.012 * (2 - turn)
            items.append(_solid(f"post:L{tag}", "post", x - reach, at, x + reach, at + 0.01, "screw"))
    if setting == "rail":
        items.append(_solid(f"plate{tag}", "post", x - RAIL_M, -RAIL_M / 2, x + RAIL_M, RAIL_M / 2, "base rail"))
    if hold.grip == "bar" and setting in ("concrete", "pier", "plate"):
        at = -deep_m * 2 / 3 if setting != "plate" else -plate_deep_m(work) - 0.02
        items.append(_solid(f"grip{tag}", "ink", x - BAR_M / 2, at - 0.006, x + BAR_M / 2, at + 0.006, "bar"))
    return items


def _ground(low: float, x0: float, x1: float) -> Outline:
    return Outline(
        part="ground", layer="ground", material="soil", closed=True, path=box(x0, low, x1, 0.0), label="ground"
    )


def chain(work: Work) -> Drawing:
    """One post, and beside it each link that the house hangs on, from the bow down, with what it holds."""
    setting, deep_m, units = set_of(work, "row"), _deep_m(work), work.tape.units
    reveal_m, half = work.design.posts.reveal_m, post_tube(work).over_m / 2
    insertion_m, bow = work.design.bows.insertion_m, bow_tube(work)
    found = chain_of(work, "row")
    items: list[Item] = [
        _ground(-deep_m - BELOW_M, -BESIDE_M, BESIDE_M),
        *_post(work, setting, 0.0),
        Outline(
            part="bow", layer="frame", material=bow.material, width_m=bow.od_m, label="bow",
            path=line(0.0, reveal_m - insertion_m, 0.0, reveal_m + ABOVE_M),
        ),
        Dimension(part="embedment", x0=-half, y0=-deep_m, x1=-half, y1=0.0, text=work.say(deep_m, "down")),
        Handle(measure="posts.length_m", x=-half, y=-deep_m, dx=0.0, dy=-1.0, lane=1.0, lane_dx=-1.0),
    ]  # fmt: skip
    if SETTINGS[setting].holed:
        across = "trench_m" if setting == "trench" else "hole_m"
        at = getattr(work.design.hold, across) / 2
        items.append(Handle(measure=f"hold.{across}", x=at, y=-deep_m * 0.15, dx=0.5, dy=0.0))
    places = _places(work, len(found.links))
    rows = list[Row]()
    for place, (link, y) in enumerate(zip(found.links, places, strict=True), start=1):
        holds = amount_text(link.holds_n, "force", units, "down") if link.holds_n is not None else "not known"
        weakest = link is found.weakest and len(found.links) > 1 and link.holds_n is not None
        said = f"{place}. {holds}{', the weakest' if weakest else ''}"
        items.append(Note(part=f"link:{place}", x=BESIDE_M * 0.4, y=y, text=said, anchor="start", above=False))
        items.append(
            Note(part=f"link:{place}", x=BESIDE_M * 0.4, y=y, text=link.what, anchor="start", above=False, row=1)
        )
        rows.append(Row(what=link.what, reading=f"{holds}; {link.source}"))
    asks = all_asks(work)
    lifts = amount_text(asks.lift.force_n, "force", units, "up") if asks else ""
    if asks:
        items.append(Note(part="link:0", x=0.0, y=reveal_m + ABOVE_M + 0.05, text=f"wind lifts by {lifts}"))
        rows.append(Row(what="wind lifts by", reading=lifts))
    asked = f"Wind lifts this foot by {lifts}." if asks else "What wind lifts it by isn’t known yet."
    return drawn(
        view="chain",
        title="From bow to soil",
        summary=f"{asked} {len(found.links)} links hold it, {found.weakest.what} the least.",
        items=items,
        beside_m=(0.05, 0.0, 0.5, 0.1),
        table=tuple(rows),
    )


def _places(work: Work, count: int) -> list[float]:
    """How high each link's words stand, from the socket down into the soil."""
    top, low = work.design.posts.reveal_m, -_deep_m(work) * 0.75
    if count == 1:
        return [low]
    return [top + (low - top) * place / (count - 1) for place in range(count)]


def settings(work: Work) -> Drawing:
    """Every way to set these posts beside each other, to one scale, with what each holds and takes."""
    deep_m, units, many = _deep_m(work), work.tape.units, len(SETTINGS)
    items: list[Item] = [_ground(-deep_m - BELOW_M, -APART_M * 0.55, APART_M * (many - 0.45))]
    rows, asks = list[Row](), all_asks(work)
    for place, (setting, way) in enumerate(SETTINGS.items()):
        x, tag = place * APART_M, f":{setting}"
        items += _post(work, setting, x, tag)
        tested, _ = pulled(work, setting, "up")
        lift_n = tested if tested is not None else holds_of(work, setting).lift_n
        holds = amount_text(lift_n, "force", units, "down") if lift_n is not None else "test it"
        own = setting == set_of(work, "row")
        top = work.design.posts.reveal_m + 0.12
        items.append(Note(part=f"way{tag}", x=x, y=top, text=f"{way.short}{' ✓' if own else ''}"))
        takes = all_take(work, "row", setting)
        hours = amount_text(takes.hours_s, "hours", units, "up")
        bags = f"{takes.bags} bags" if takes.bags else ""
        items += [
            Note(part=f"way{tag}", x=x, y=-deep_m - BELOW_M, text=words, above=False, row=row)
            for row, words in enumerate((holds, hours, bags))
            if words
        ]
        said = [
            f"holds {holds} against lift" if lift_n is not None else "no sourced value: test it",
            f"{hours} in all",
            *([f"{takes.bags} bags, {bag_of(work).name.lower()}"] if takes.bags else []),
            *([f"{amount_text(takes.hole_m3, 'load', units, 'up')} of spoil"] if takes.hole_m3 else []),
            *([f"{amount_text(takes.gravel_m3, 'load', units, 'up')} of gravel"] if takes.gravel_m3 else []),
            *([f"{work.say(takes.timber_m, 'up')} of timber"] if takes.timber_m else []),
            f"people choose it when {way.why}",
            f"undone: {way.undo}",
        ]
        rows.append(Row(what=way.name, reading="; ".join(said)))
    if asks:
        middle, high = APART_M * (many - 1) / 2, work.design.posts.reveal_m + 0.3
        words = f"wind lifts each by {amount_text(asks.lift.force_n, 'force', units, 'up')}"
        items.append(Note(part="way", x=middle, y=high, text=words))
    lifts = f"wind lifts each by {amount_text(asks.lift.force_n, 'force', units, 'up')}" if asks else "wind isn’t known"
    return drawn(
        view="settings",
        title="Ways to set it",
        summary=f"{many} ways to set the {way_of(work).many}, {work.say(deep_m, 'down')} deep; {lifts}.",
        items=items,
        beside_m=(0.05, 0.3, 0.05, 0.1),
        table=tuple(rows),
    )
