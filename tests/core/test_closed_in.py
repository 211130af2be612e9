"""What closes a house in: film, sheets, leaves, curtains and what holds them, counted again from what is drawn."""

import math
import random
import re
from collections import Counter
from collections.abc import Iterator
from itertools import pairwise
from typing import Any

import numpy as np
import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.drawing.items import Mark, Outline
from obtegum.core.face.goods import by_piece
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.concrete import bags_for
from obtegum.core.house.bench import begin
from obtegum.core.house.bodies import Body, bodies_of
from obtegum.core.house.cards import cards_of
from obtegum.core.house.takes import piece_of, rows_of, takes_of
from obtegum.core.rooms import rooms
from obtegum.core.rooms.hold.found import bag_of
from obtegum.core.values.catalogue import default_catalogue
from tests.core.test_made_of import GROUND, amount, chosen_house, goods_of, members_of, stands, step_of

ENDS: dict[str, tuple[Any, ...]] = {
    "kind": ("framed", "framed", "framed", "covered", "open"),
    "door": ("none", "way", "swing", "double", "sliding", "rollup", "zip"),
    "wide_m": (0.9, 1.4),
    "high_m": (1.8, 2.2),
    "leaf": ("timber", "pipe"),
    "head": ("cut", "cut", "notch", "lap"),
    "stand": ("edge", "edge", "flat", "tube"),
    "sill": ("plate", "none"),
    "fill": ("concrete", "gravel", "tamped"),
    "board": ("none", "board"),
    "rail_m": (None, 0.8),
    "prop": ("none", "jambs"),
    "strut": ("none", "sides"),
    "screws": (0, 4),
    "openings": (
        [],
        [{"what": "fan", "low_m": 2.3}],
        [{"what": "window", "low_m": 1.0}, {"what": "louvre", "wide_m": 0.4, "high_m": 0.4, "low_m": 2.4}],
        [{"what": "flap", "low_m": 2.3}],
    ),
}
CHOICES: dict[str, tuple[Any, ...]] = {
    "boards.hip": ("none", "board", "board"),
    "posts.base": ("none", "board"),
    "cover.edge": ("base", "hip", "hip", "ground"),
    "cover.made": ("apart", "apart", "apart", "gathered"),
    "cover.below": ("tail", "own", "open"),
    "cover.sides": ("track", "track", "batten", "rolled", "clamps", "eyelets", "staples"),
    "cover.right": ("same", "same", "track", "clamps"),
    "cover.ends": ("track", "track", "batten", "clamps", "eyelets"),
    "cover.back": ("same", "same", "batten"),
    "cover.lash": ("none", "each", "zigzag"),
    "cover.pieces": ("one", "one", "two"),
    "weather.cover": ("film", "film", "cloth"),
    "weather.layers": ("one", "one", "two"),
    "sheets.on": ("none", "none", "none", "roof", "ends", "both"),
    "sheets.kind": ("waves", "chambers"),
    "sheets.crests": (1, 2, 3),
    "sides.parts": (1, 2),
    "sides.bar_m": (4.0, 6.0),
    "sides.cords": ("each", "second", "none"),
    "keep.school": ("pegs", "boards"),
    "pad.stone_m": (0.0, 0.1),
    "strength.runs": (1, 3),
    "runs.lie": ("under", "over"),
    "size.length_m": (7.2, 12.0, 18.3),
    "bows.max_spacing_m": (1.2, 1.8),
    **{f"ends.{side}.{name}": choices for name, choices in ENDS.items() for side in ("front", "back")},
}


@pytest.fixture(scope="module")
def closed(request: pytest.FixtureRequest) -> list[Work]:
    chance, many = random.Random(138), 200 if request.config.getoption("--deep") else 40
    found = (chosen_house(CHOICES, lambda path: chance.choice(CHOICES[path])) for _ in range(many))
    return [begin(design, SiteRecord(), default_catalogue()) for design in found]


def bodies_by(work: Work, *heads: str) -> list[Body]:
    return [body for body in bodies_of(work).bodies if body.part.startswith(heads)]


def outlines(work: Work, view: str, *heads: str) -> list[Outline]:
    drawing = next(room.views[view](work) for room in rooms() if view in room.views)
    return [item for item in drawing.items if isinstance(item, Outline) and item.part.startswith(heads)]


def long_m(path: Any) -> float:
    return sum(math.dist(one, other) for one, other in pairwise(path))


def rim_m(work: Work) -> float:
    """Over the first bow from foot to foot, from its sticks in the round: their chords are 1/8 % short of it."""
    points = [point[1:] for body in bodies_by(work, "bow:1:") for point in body.path]
    over = np.array([point for point in points if point[1] > 1e-6])
    half_m = bow_tube(work).od_m / 2
    feet = [(over[0][0], 0.0), *map(tuple, over), (over[-1][0], 0.0)]
    # The parallel to a line that turns by half a circle is longer by that of its distance.
    turned = math.pi if work.design.size.shape.kind != "peaked" else 0.0
    return long_m(feet) * 1.0012 + half_m * turned


Lengths = list[tuple[str, str, float]]


def edges_of(work: Work) -> Lengths:
    """Each edge of film that something holds: which, by what, how long, m."""
    cover, films = work.design.cover, bodies_by(work, "film:")
    found: Lengths = []
    if films:
        side_m = math.dist(films[0].path[0], films[0].edge[0])
        right = cover.sides if cover.right == "same" else cover.right
        found += [
            ("left side", "buried" if cover.edge == "ground" else cover.sides, side_m),
            ("right side", "buried" if cover.edge == "ground" else right, side_m),
        ]
    for edge, hold in (("front", cover.ends), ("back", cover.ends if cover.back == "same" else cover.back)):
        if cover.made != "gathered" and (films or bodies_by(work, f"{edge}:film")):
            found.append((edge, hold, rim_m(work)))
    return found


def layers(work: Work, edge: str) -> int:
    """Sheets that lie over an edge, by their bodies."""
    films = [body.part for body in bodies_by(work, "film:")]
    two = work.design.cover.pieces == "two"
    roof = len(films) // 2 if two else len(films)
    return roof + len(bodies_by(work, f"{edge}:film"))


def sticks_and_screws(long: float, stick_m: float, each_m: float) -> tuple[int, int]:
    """Sticks of an edge, and screws: at both ends of each, and no two further apart."""
    sticks = max(math.ceil(long / stick_m), 1)
    pieces = [*[stick_m] * (sticks - 1), long - stick_m * (sticks - 1)]
    return sticks, sum(math.ceil(piece / each_m) + 1 for piece in pieces)


def is_near_a_step(long: float, *steps: float) -> bool:
    """Whether a chord's error could tell one stick or screw more or less."""
    return any(abs(long / step - round(long / step)) < 0.02 * max(long / step / 8, 1) for step in steps)


def test_nothing_floats_and_goods_join_what_is_there(closed: list[Work]) -> None:
    told = Counter[str]()
    for work in closed:
        members, names = members_of(work), Counter[str]()
        for part, member in members.items():
            assert member.rests_on and set(member.rests_on) <= {GROUND, *members}, part
            assert stands(members, part), part
        for room in rooms():
            told[step_of(room)] += len(room.goods(work)) + len(room.parts(work))
            for good in room.goods(work):
                names[good.id] += 1
                assert good.seats and good.amount > 0 and good.bought >= good.amount, good.id
                assert good.tool and good.until, good.id
                assert bool(good.spare) != bool(good.unspared), good.id
                assert {name for seat in good.seats for name in seat.joins} <= {GROUND, *members}, good.id
        assert max(names.values()) == 1
    assert {"cover", "sides", "sheets", "ends", "drain", "earth", "set_out", "keep_pegs", "hoist"} <= set(+told)


def test_edges_of_film_are_held_from_end_to_end(closed: list[Work]) -> None:
    """Track of 2 m, battens of 3, screws each half metre or foot; a wire a stick and sheet that lies over it."""
    seen = Counter[str]()
    each = {"track": (2.0, 0.5), "batten": (3.0, 0.3), "rolled": (3.0, 0.3)}
    single = {"clamps": ("cover-clip", 0.4), "staples": ("cover-staple", 0.15)}
    for work in closed:
        goods, edges, want = goods_of(work), edges_of(work), Counter[str]()
        ends_m = rim_m(work)
        if is_near_a_step(ends_m, 2.0, 3.0, 0.5, 0.3, 0.4, 0.15):
            continue
        for edge, hold, long in edges:
            if hold in each:
                sticks, screws = sticks_and_screws(long, *each[hold])
                kind = "track" if hold == "track" else "batten"
                want[kind] += sticks * (2 if hold == "rolled" else 1)
                want[f"{kind}-screw"] += screws
                want["wire"] += sticks * layers(work, edge) if hold == "track" else 0
            elif hold in single:
                name, apart_m = single[hold]
                want[name.removeprefix("cover-")] += math.ceil(long / apart_m) + 1
            seen[hold] += 1
        for name in ("track", "wire", "batten", "track-screw", "batten-screw", "clip", "staple"):
            assert amount(goods, f"cover-{name}") == want[name], (name, edges)
        ends = sum(math.ceil(long / 0.5) + 1 for edge, hold, long in edges if hold == "eyelets" and "side" not in edge)
        drawing = next(room.views["sheet"](work) for room in rooms() if "sheet" in room.views)
        marks = [item for item in drawing.items if isinstance(item, Mark) and item.part == "eyelet"]
        assert amount(goods, "cover-eyelet") == len(marks) + ends
        seen["eyelets along"] += len(marks) > 0
    assert {"track", "batten", "rolled", "buried", "clamps", "staples", "eyelets", "eyelets along"} <= set(seen)


def test_bows_are_taped_runs_capped_bays_corded(closed: list[Work]) -> None:
    seen = Counter[str]()
    for work in closed:
        goods, films, bows = goods_of(work), bodies_by(work, "film:"), len(work_bows(work))
        runs = {body.part.split(":")[1] for body in bodies_by(work, "run:")}
        assert amount(goods, "cover-cap") == 2 * len(runs)
        corded = work.design.cover.lash != "none" and films
        assert amount(goods, "cover-cord") == (bows - 1 if corded else 0)
        taped = films and work.design.weather.cover == "film"
        if taped:
            over = {tuple(point[1:]): None for film in films for point in film.path if point[2] != 0.05}
            across = sorted(over, key=lambda point: point[0])
            assert amount(goods, "cover-tape") == pytest.approx(bows * long_m(across), rel=0.02)
        else:
            assert amount(goods, "cover-tape") == 0
        seen.update({"taped": bool(taped), "corded": bool(corded)})
    assert len(+seen) == 2


def work_bows(work: Work) -> set[str]:
    return {body.part.split(":")[1] for body in bodies_by(work, "bow:")}


def test_sticks_of_the_ends_are_strapped_bolted_and_set(closed: list[Work]) -> None:
    """Uprights as they are drawn: whose head is at the bow, and whose foot is in the ground."""
    seen = Counter[str]()
    for work in closed:
        goods, want = goods_of(work), Counter[str]()
        for side in ("front", "back"):
            end, feet = getattr(work.design.ends, side), 0
            for outline in outlines(work, side, f"{side}:"):
                if (
                    outline.part.split(":")[1] in ("strut", "board", "stake")
                    or outline.label.split(", ")[1] not in UPRIGHT
                ):
                    continue
                xs, ys = [at.x for at in outline.path], [at.y for at in outline.path]
                headed = near_bow(work, (min(xs) + max(xs)) / 2, max(ys))
                want["strap" if end.head == "cut" else "bolt"] += headed
                feet += min(ys) < 0
                if end.head == "cut" and end.stand != "tube":
                    want["screw"] += end.screws * headed
                want["screw"] += end.screws * (min(ys) >= 0 and end.stand != "tube")
            hole_m3 = math.pi / 4 * end.hole_m**2 * end.deep_m
            if end.fill == "concrete":
                want["bags"] += feet * bags_for(hole_m3, bag_of(work).yield_m3)
            want["gravel"] += feet * hole_m3 if end.fill == "gravel" else 0  # type: ignore[assignment]
            want["stakes"] += len(outlines(work, side, f"{side}:stake"))
            seen.update({end.head: feet > 0, end.fill: feet > 0, end.sill: True, "stakes": want["stakes"] > 0})
        assert of_name(goods, "end-strap") == want["strap"]
        assert of_name(goods, "end-head-bolt") == of_name(goods, "end-plate-washer") == want["bolt"]
        assert of_name(goods, "end-screw") == want["screw"]
        assert of_name(goods, "end-concrete") == want["bags"]
        assert of_name(goods, "end-gravel") == pytest.approx(want["gravel"])
        assert of_name(goods, "end-stake-screw") == 2 * want["stakes"]
    assert len(+seen) == 9


UPRIGHT = ("stud", "jamb", "trimmer", "short stud")


def of_name(goods: dict[str, Any], name: str) -> float:
    """All of a good, in each of its sizes."""
    return sum(good.amount for key, good in goods.items() if key == name or key.removeprefix(f"{name}-").isdigit())


def near_bow(work: Work, x: float, up_m: float) -> bool:
    """Whether a place of an end is at its bow: within a hand under or over its middle."""
    points = [point[1:] for body in bodies_by(work, "bow:1:") for point in body.path]
    over = [
        low[1] + (high[1] - low[1]) * (x - low[0]) / (high[0] - low[0])
        for low, high in pairwise(sorted(points))
        if low[0] <= x <= high[0] and high[0] > low[0]
    ]
    return bool(over) and abs(max(over) - up_m) < 0.2


def test_leaves_are_hung_and_latched(closed: list[Work]) -> None:
    """By their film as it hangs: three hinges where it is over 2.1 m high or 1.2 wide, but two for a flap."""
    seen = Counter[str]()
    for work in closed:
        goods, want = goods_of(work), Counter[str]()
        for side in ("front", "back"):
            end = getattr(work.design.ends, side)
            ways = [end.door, *(each.what for each in end.openings)] if end.kind == "framed" else []
            leaves = [body for body in bodies_by(work, f"{side}:leaf:") if body.part.endswith(":film")]
            many = {"swing": 1, "double": 2, "sliding": 1, "window": 1, "flap": 1}
            assert len(leaves) == sum(many.get(way, 0) for way in ways)
            hung = [way for way in ways for _ in range(many.get(way, 0))]
            for way, leaf in zip(hung, leaves, strict=True):
                wide, high = math.dist(*leaf.path), math.dist(leaf.path[0], leaf.edge[0])
                if way != "sliding":
                    want["hinge"] += 2 if way == "flap" or (high <= 2.1 and wide <= 1.2) else 3
                want["track"] += 2 * wide if way == "sliding" else 0  # type: ignore[assignment]
                want["latch"] += 1
                want["drop-bolt"] += way == "double"
                want["gusset"] += 8 * (end.leaf == "timber")
                want["elbow"] += 4 * (end.leaf == "pipe")
                seen[way] += 1
            for way in ways:
                want["fan"] += way == "fan"
                want["zip"] += way == "zip"
                want["louvre"] += way == "louvre"
        for name, count in want.items():
            assert of_name(goods, f"end-{name}") == pytest.approx(count), name
    assert {"swing", "double", "sliding", "window", "flap"} <= set(seen)


def test_doorways_are_battened_round(closed: list[Work]) -> None:
    """Both jambs and the header, where the end has film of its own: battens of 3 m, a screw each foot."""
    seen = 0
    for work in closed:
        battens = screws = 0
        for side in ("front", "back"):
            end = getattr(work.design.ends, side)
            if end.kind != "framed" or end.door == "none" or not bodies_by(work, f"{side}:film"):
                continue
            for long in (end.high_m, end.wide_m, end.high_m):
                more, put_in = sticks_and_screws(long, 3.0, 0.3)
                battens, screws = battens + more, screws + put_in
        assert amount(goods_of(work), "end-door-batten") == battens
        assert amount(goods_of(work), "end-door-batten-screw") == screws
        seen += battens > 0
    assert seen > 5


def test_curtains_have_their_bars_clips_and_cords(closed: list[Work]) -> None:
    seen = Counter[str]()
    for work in closed:
        goods, bars, sides = goods_of(work), bodies_by(work, "bar:"), work.design.sides
        lines = dict[str, list[Body]]()
        for bar in bars:
            lines.setdefault(bar.part.rpartition(":")[0], []).append(bar)
        assert len(lines) in (0, 2 * sides.parts)
        assert amount(goods, "side-coupler") == len(bars) - len(lines)
        assert amount(goods, "side-drive") == amount(goods, "side-guide") == len(lines)
        clips = 0
        for line in lines.values():
            clips += math.ceil(math.dist(line[0].path[0], line[-1].path[-1]) / sides.clip_m - 1e-6) + 1
        assert amount(goods, "side-clip") == clips
        cords = len(outlines(work, "curtains", "cord")) if bars else 0
        assert amount(goods, "side-cord") == pytest.approx(2 * cords * (work.design.boards.hip_m + 0.4))
        own = bodies_by(work, "curtain:")
        apart = work.design.cover.below == "own" or work.design.sheets.over_roof
        assert len(own) == (len(lines) if apart else 0)
        if own:
            board_m = max(body.path[-1][0] for body in bodies_by(work, "bow:")) + bow_tube(work).od_m
            assert amount(goods, "side-track") == amount(goods, "side-wire") == 2 * math.ceil(board_m / 2.0 - 1e-6)
        seen.update({"own": bool(own), "bars": bool(bars), "cords": cords > 0})
    assert len(+seen) == 3


def test_sheets_are_screwed_row_by_row(closed: list[Work]) -> None:
    """Crests as far as the sheets reach: all of them in the rows at both eaves, each so many between."""
    seen = Counter[str]()
    for work in closed:
        goods, sheets = goods_of(work), work.design.sheets
        roof = [body for body in bodies_by(work, "sheet:") if body.part.split(":")[1].isdigit()]
        assert bool(roof) == sheets.over_roof
        ends = bodies_by(work, "sheet:front", "sheet:back")
        assert bool(ends) == sheets.over_ends
        wide = [math.dist(body.path[0], body.edge[0]) for body in roof] + [
            abs(body.path[-1][1] - body.path[0][1]) for body in ends
        ]
        taped = sum(wide) if sheets.kind == "chambers" else 0.0
        assert amount(goods, "sheet-tape-tight") == pytest.approx(taped, rel=1e-3)
        if not roof:
            assert "sheet-screw" not in goods
            continue
        along_m = max(body.edge[0][0] for body in roof) - min(body.path[0][0] for body in roof)
        crests = math.floor(along_m / (sheets.pitch_m if sheets.kind == "waves" else 0.3) + 1e-6) + 1
        rows = len(outlines(work, "sheets", "screw:"))
        assert goods["sheet-screw"].amount == 2 * crests + (rows - 2) * math.ceil(crests / sheets.crests)
        seen.update({sheets.kind: True, "more rows": rows > 3})
    assert len(+seen) == 3


def test_strings_reach_from_peg_to_peg(closed: list[Work]) -> None:
    """With half a metre at each end to tie."""
    for work in closed:
        goods, pegs = goods_of(work), {body.part: body for body in bodies_by(work, "off:", "peg:")}
        if work.design.keep.school == "pegs":
            lines = [("A1", "B1"), ("D1", "C1"), ("A2", "D2"), ("B2", "C2")]
            kept = sum(math.dist(pegs[f"off:{one}"].path[0], pegs[f"off:{other}"].path[0]) + 1 for one, other in lines)
            assert amount(goods, "keep-string") == pytest.approx(kept, abs=0.01)
            assert amount(goods, "keep-flag") == 8
        else:
            assert amount(goods, "keep-stake") == 2 * len(bodies_by(work, "off:")) == 16
        last = len(work_bows(work))
        around = [("L1", f"L{last}"), ("R1", f"R{last}"), ("L1", "R1"), (f"L{last}", f"R{last}")]
        base = sum(math.dist(pegs[f"peg:{one}"].path[0], pegs[f"peg:{other}"].path[0]) + 1 for one, other in around)
        assert amount(goods, "base-string") == pytest.approx(base, abs=0.01)


# Which answer tells how many of a good are bought.
TOLD = {
    "cover-wire": "cover_wires",
    "cover-cap": "cover_caps",
    "cover-cord": "cover_cords",
    "side-coupler": "side_couplers",
    "side-clip": "side_clips",
    "side-drive": "side_drives",
    "side-track": "side_tracks",
    "sheet-screw": "sheet_screws",
    "sheet-trim-1": "sheet_trim_1",
    "sheet-trim-2": "sheet_trim_2",
    "stone": "stone",
    "cover-tape": "cover_taped",
    "day-rope": "day_ropes",
    "day-tie": "day_ties",
}


def test_answers_lists_and_tables_tell_the_same(closed: list[Work]) -> None:
    seen = Counter[str]()
    for work in closed:
        told = [room for room in rooms() if step_of(room) in ("cover", "sides", "sheets", "earth", "hoist")]
        answers = {answer.id: answer.value for room in told for answer in room.planned(work).answers}
        goods, members = goods_of(work), members_of(work)
        head, *rows = rows_of(work)
        by_name = {str(row[2]): dict(zip(head, row, strict=True)) for row in rows}
        assert set(by_name) == {*members, *goods}
        for name, good in goods.items():
            if name in TOLD:
                assert answers[TOLD[name]] == pytest.approx(good.bought), name
                seen[name] += 1
            assert float(str(by_name[name]["amount"])) == pytest.approx(good.amount, rel=1e-5)
        for room in rooms():
            taken = takes_of(work, room)
            assert sum(len(line.parts) for line in taken.members) == len(room.parts(work))
            for good, line in zip(room.goods(work), taken.goods, strict=True):
                if good.unit == "piece":
                    assert line.amount == f"{good.bought:,.0f}"
        sticks = amount(goods, "cover-track", "cover-batten")
        assert answers.get("cover_sticks", 0) == sticks
        names = ("track-screw", "batten-screw", "clip", "staple", "eyelet")
        singly = sum(by_piece(goods[f"cover-{name}"]) for name in names if f"cover-{name}" in goods)
        assert answers["cover_screws"] == singly
    assert set(seen) == set(TOLD)


# Drawings of ways beside each other, of loads and of what is reckoned: nothing that this house takes.
COMPARED = ("shapes", "layouts", "settings", "fits", "held", "shaping", "carries", "made", "form", "set", "rig")
# Ground, floor and beds, the inside of a tube, what is left of a roll.
NOT_TAKEN = ("ground", "floor", "bed", "pad", "left", "soil", "dug", "post:bore", "bow:end", "strain")


def drawn_parts(work: Work) -> Iterator[tuple[str, str]]:
    for room in rooms():
        for view, draw in room.views.items():
            if view not in COMPARED:
                for item in draw(work).items:
                    if getattr(item, "layer", "") in ("frame", "air"):
                        yield view, str(getattr(item, "part", ""))


def test_what_is_drawn_is_taken(closed: list[Work]) -> None:
    """Whatever a drawing shows in frame or skin is a member or a good, and tells what it is when it is pressed."""
    seen = Counter[str]()
    for work in closed[:24]:
        for view, part in dict.fromkeys(drawn_parts(work)):
            if part.startswith(NOT_TAKEN):
                continue
            try:
                assert piece_of(work, part).what
            except LookupError:
                raise AssertionError((view, part)) from None
            seen[part.split(":")[0]] += 1
    assert {"film", "bow", "post", "front", "back", "bar", "curtain", "sheet", "hip", "fix", "off"} <= set(seen)


def test_words_and_cards_tell_the_amounts_of_the_list(closed: list[Work]) -> None:
    """Bags, tape and gravel as the numbered work and the field cards say them, against the goods."""
    seen = Counter[str]()
    for work in closed:
        goods = goods_of(work)
        for room in rooms():
            if step_of(room) not in ("cover", "ends"):
                continue
            step = room.standing(work)["id"]
            said = [told.words for told in room.planned(work).how]
            said += [f"{card.says} {card.note}" for card in cards_of(work, step)]
            # On site and on the bench the same is said.
            for words in said:
                if found := re.search(r"(\d+) feet: (\d+) bags", words):
                    side = work.design.ends.shown
                    seats = [seat for seat in goods["end-concrete"].seats if seat.joins[0].startswith(f"{side}:")]
                    assert (len(seats), sum(seat.amount for seat in seats)) == tuple(map(int, found.groups()))
                    seen["bags"] += 1
                if "Over each bow: tape" in words:
                    assert work.say(goods["cover-tape"].bought, "up") in words
                    seen["tape"] += 1
    assert seen["bags"] > 2 and seen["tape"] > 2
