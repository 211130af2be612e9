"""One post in the ground, close up: how deep it goes, what stands out, and the bow in its mouth."""

from obtegum.core.drawing.items import Dimension, Drawing, Handle, Item, Mark, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import box, chain_path, line, moved
from obtegum.core.findings.skeleton.feet import foot_outlines
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.posts import embedment_m, entry_of, least_embedment_m, uneven
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.values.quantity import angle_text

__all__ = ["one_post"]

BESIDE_M = 0.8
BELOW_M = 0.12
ABOVE_M = 0.4


def one_post(work: Work) -> Drawing:
    """The left post in section; x from its centre, y = 0 on the ground."""
    posts, reveal_m = work.design.posts, work.design.posts.reveal_m
    bottom = -embedment_m(work) - max(-least_embedment_m(work), 0.0) - BELOW_M
    od, wall = post_tube(work).od_m, post_tube(work).wall_m
    ground = Outline(
        part="ground",
        layer="ground",
        material="soil",
        closed=True,
        path=box(-BESIDE_M, bottom, BESIDE_M, 0.0),
        label="ground, where it is highest" if uneven(work) else "ground",
    )
    way = way_of(work)
    around = foot_outlines(work, "L", 0.0, "post:L", way.one)
    if posts.stand in ("driven", "slab"):
        walls = [box(x, -embedment_m(work), x + wall, reveal_m) for x in (-od / 2, od / 2 - wall)]
        bore = Outline(
            part="post:bore",
            layer="air",
            material="air",
            closed=True,
            path=box(-od / 2, -embedment_m(work), od / 2, reveal_m),
        )
        cut = [
            Outline(part="post:L", layer="frame", material="post", closed=True, path=path, label=way.one)
            for path in walls
        ]
        foot = [*(each for each in around if each.part != "post:L"), bore, *_bow(work), *cut]
    else:
        foot = [*_bow(work), *around] if posts.stand == "stub" else [*around, *_bow(work)]
    items: list[Item] = [ground, *foot, *_lowest(work), *_marks(work), *_dimensions(work)]
    return drawn(
        view="post",
        title=f"One {way.one}",
        summary=(
            f"A {way.one} {work.say(posts.length_m)} long, {work.say(embedment_m(work), 'down')} of it in "
            f"{_ground_words(work)}; {way.inside}, {work.say(work.design.bows.insertion_m)}."
        ),
        items=items,
        table=_table(work),
    )


def _beside(work: Work) -> float:
    """How far from the post's middle words stand, clear of the figure of a bow that goes below the ground."""
    deep = work.design.posts.reveal_m < work.design.bows.insertion_m
    return post_tube(work).od_m / 2 + (0.3 if deep else 0.05)


def _ground_words(work: Work) -> str:
    return "the highest ground" if uneven(work) else "the ground"


def _lowest(work: Work) -> list[Item]:
    """The ground at the post that has the least of itself in it."""
    if not uneven(work):
        return []
    beside = _beside(work)
    y, least = least_embedment_m(work) - embedment_m(work), work.say(max(least_embedment_m(work), 0.0), "down")
    return [
        Outline(
            part="ground:lowest",
            layer="hidden",
            material="ink",
            path=line(-BESIDE_M, y, BESIDE_M, y),
            label="ground, where it is lowest",
        ),
        Note(part="ground:lowest", x=beside, y=y, text=f"lowest: {least}", anchor="start", above=False),
    ]


def _bow(work: Work) -> list[Outline]:
    """The bow's end inside the post, and the first of it above, leaning as it leans."""
    half, reveal_m = work.design.size.span_m / 2, work.design.posts.reveal_m
    top_m, posts = entry_of(work).post_top_s_m, work.design.posts
    if posts.stand == "curve":
        # It laps the stub on the inside, from where its end comes to.
        top_m = max(top_m - work.design.bows.insertion_m, 0.0)
    above = centre_line(work).part(top_m, min(top_m + ABOVE_M, centre_line(work).girth_m / 2))
    aside = bow_tube(work).od_m if posts.stand == "curve" else 0.0
    path = tuple(moved(vertex, half + aside) for vertex in chain_path(above))
    end_m = reveal_m - work.design.bows.insertion_m
    inside = line(entry_of(work).offset_m, end_m, entry_of(work).offset_m, reveal_m)
    pieces = (("bow:end", inside, f"{way_of(work).one}: {way_of(work).inside}"), ("bow", path, "bow"))
    return [
        Outline(
            part=part,
            layer="frame",
            material=bow_tube(work).material,
            path=piece,
            width_m=bow_tube(work).od_m,
            label=label,
        )
        for part, piece, label in (pieces[1:] if aside else pieces)
    ]


def _marks(work: Work) -> list[Item]:
    reveal_m = work.design.posts.reveal_m
    end_m = reveal_m - work.design.bows.insertion_m
    across = -1.5707963267948966
    beside = _beside(work)
    name = post_tube(work).name.lower()
    # The name stands clear of the line of the lowest ground, in the longer of the two stretches that it makes.
    low, deep = max(least_embedment_m(work), 0.0), embedment_m(work)
    name_y = -deep / 2 if not uneven(work) else low / 2 - deep if low > deep / 2 else (low - deep) / 2
    return [
        Mark(part="ground", symbol="socket", x=0.0, y=0.0, heading_rad=across, label="ground line"),
        Mark(part="bow:end", symbol="socket", x=0.0, y=end_m, heading_rad=across, label=way_of(work).end),
        Mark(part="socket:L", symbol="socket", x=0.0, y=reveal_m, heading_rad=across, label="top"),
        Note(part="post:L", x=beside, y=name_y, text=name, anchor="start", above=False),
        Note(
            part="socket:L",
            x=beside,
            y=reveal_m + ABOVE_M / 2,
            text=bow_tube(work).name.lower(),
            anchor="start",
            above=False,
        ),
    ]


def _dimensions(work: Work) -> list[Item]:
    reveal_m, insertion_m = work.design.posts.reveal_m, work.design.bows.insertion_m
    left, right = -post_tube(work).od_m / 2, post_tube(work).od_m / 2
    deep = embedment_m(work)
    return [
        Dimension(
            part="reveal", x0=left, y0=0.0, x1=left, y1=reveal_m, text=work.say(reveal_m), measure="posts.reveal_m"
        ),
        Handle(measure="posts.reveal_m", x=left, y=reveal_m, dx=0.0, dy=1.0, lane=1.0, lane_dx=-1.0),
        Dimension(part="embedment", x0=left, y0=-deep, x1=left, y1=0.0, text=work.say(deep, "down")),
        Handle(measure="posts.length_m", x=left, y=-deep, dx=0.0, dy=-1.0, lane=1.0, lane_dx=-1.0),
        Dimension(
            part="socket:L",
            x0=right,
            y0=reveal_m,
            x1=right,
            y1=reveal_m - insertion_m,
            text=work.say(insertion_m),
        ),
        Handle(measure="bows.insertion_m", x=right, y=reveal_m - insertion_m, dx=0.0, dy=-1.0, lane=1.0, lane_dx=1.0),
    ]


def _fits(work: Work) -> list[tuple[str, str]]:
    """What goes into what, by its true size."""
    stand, post, bow = work.design.posts.stand, post_tube(work), bow_tube(work)
    if stand == "stub":
        what = "Outside of the bar, over its ribs" if post.form == "bar" else "Outside of the stub"
        return [(what, work.tube(post.over_m, "up")), ("Bore of the bow’s tube", work.tube(bow.bore_m, "down"))]
    if stand in ("board", "curve"):
        return [("Outside of the bow’s tube", work.tube(bow.od_m, "up"))]
    return [
        (f"Bore of the {way_of(work).one}", work.tube(post.bore_m, "down")),
        ("Outside of the bow’s tube", work.tube(bow.od_m, "up")),
    ]


def _table(work: Work) -> tuple[Row, ...]:
    posts = work.design.posts
    rows = [
        (way_of(work).length, work.say(posts.length_m)),
        ("Stands out of the ground", work.say(posts.reveal_m)),
        (f"In {_ground_words(work)}", work.say(embedment_m(work), "down")),
        *([("In the lowest ground", work.say(max(least_embedment_m(work), 0.0), "down"))] if uneven(work) else []),
        (way_of(work).inside.capitalize(), work.say(work.design.bows.insertion_m)),
        *_fits(work),
        (f"Bow off the {way_of(work).one}’s centre at the top", work.say(abs(entry_of(work).offset_m), "up")),
        ("Bow’s lean at the top", angle_text(entry_of(work).lean_rad, "up")),
    ]
    return tuple(Row(what=what, reading=reading) for what, reading in rows)
