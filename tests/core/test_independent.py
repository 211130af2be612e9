"""Plans of random houses worked again by other means, from what is drawn, printed and marked alone.

Nothing here calls a rule of the bench: lengths along the bow are walked in small steps over the arcs of its
drawing, the bow as bent is integrated from the marks of its sticks, pegs and levels are added up.
"""

import math
import random
from collections.abc import Iterator
from itertools import pairwise
from typing import Any

import pytest

from obtegum.core.drawing.items import Outline, Vertex
from obtegum.core.drawing.strip import Strip
from obtegum.core.house.plan import HousePlan
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import parse_length
from tests.core.test_rounding import some_house

Point = tuple[float, float]
STEPS = 400


def along(path: tuple[Vertex, ...]) -> list[Point]:
    """Points along a path, close together; its arcs turn clockwise."""
    points = [(path[0].x, path[0].y)]
    for one, other in pairwise(path):
        if not other.radius_m:
            points += [
                (one.x + (other.x - one.x) * k / STEPS, one.y + (other.y - one.y) * k / STEPS)
                for k in range(1, STEPS + 1)
            ]
            continue
        # The centre lies on the right hand of the chord, on its left where the arc is more than half a circle.
        dx, dy, r = other.x - one.x, other.y - one.y, other.radius_m
        half = math.hypot(dx, dy) / 2
        off = math.sqrt(max(r * r - half * half, 0.0)) * (-1 if other.large else 1)
        cx, cy = (one.x + other.x) / 2 + dy / (2 * half) * off, (one.y + other.y) / 2 - dx / (2 * half) * off
        begin, end = math.atan2(one.y - cy, one.x - cx), math.atan2(other.y - cy, other.x - cx)
        turn = (begin - end) % (2 * math.pi)
        points += [
            (cx + r * math.cos(begin - turn * k / STEPS), cy + r * math.sin(begin - turn * k / STEPS))
            for k in range(1, STEPS + 1)
        ]
    return points


def long(points: list[Point]) -> float:
    return sum(math.dist(one, other) for one, other in pairwise(points))


def outline(plan: HousePlan, view: str, part: str) -> Outline:
    drawing = next(each for each in plan.drawings if each.view == view)
    return next(item for item in drawing.items if isinstance(item, Outline) and item.part == part)


def strips(plan: HousePlan, start: str) -> list[Strip]:
    return [each for each in plan.strips if each.id.startswith(start)]


def values(plan: HousePlan, step: str) -> dict[str, float]:
    found = next(each for each in plan.steps if each.id == step)
    return {each.id: each.value for each in found.answers}


def designs(pytestconfig: pytest.Config) -> Iterator[tuple[HousePlan, Any]]:
    chance = random.Random(300)
    for _ in range(300 if pytestconfig.getoption("--deep") else 24):
        yield some_house(chance)


def test_bows_and_sticks_worked_again(pytestconfig: pytest.Config) -> None:
    for plan, design in designs(pytestconfig):
        bow, bows, posts = along(outline(plan, "across", "bow").path), values(plan, "bows"), design.posts
        half = design.size.span_m / 2
        assert bow[0] == pytest.approx((-half, 0.0), abs=1e-9)
        assert bow[-1] == pytest.approx((half, 0.0), abs=1e-9)
        girth = long(bow)
        assert girth == pytest.approx(bows["girth"], rel=2e-5)
        assert max(y for _, y in bow) == pytest.approx(plan.measures["size.shape.height_m"].value_m, abs=1e-5)
        # From the left post's top over the crown to the right one's, and what stands in both posts.
        above = [k for k, (_, y) in enumerate(bow) if y >= posts.reveal_m]
        first = above[0]
        (x0, y0), (x1, y1) = bow[first - 1], bow[first]
        share = (posts.reveal_m - y0) / (y1 - y0) if y1 != y0 else 0.0
        foot = long(bow[:first]) + math.dist((x0, y0), (x1, y1)) * share
        tube = girth - 2 * foot + 2 * design.bows.insertion_m
        assert tube == pytest.approx(bows["tube"], rel=3e-5)
        # Sticks less their overlaps make the tube; none is longer than it is sold.
        sticks = strips(plan, "stick:")
        overlap = 0.0 if design.bows.joint in ("coupler", "sleeve") else design.bows.joint_m
        joined = sum(each.length_m for each in sticks) - bows["joints"] * overlap
        assert joined == pytest.approx(bows["tube"], abs=1e-9)
        assert all(each.length_m <= design.bows.stick_m + 1e-9 for each in sticks)
        # Every mark is printed at its place, to the nearest step of the tape.
        for strip in sticks:
            for mark in strip.marks:
                printed = parse_length(mark.reading, plan.tape.units)
                assert abs(printed - mark.at_m) <= plan.tape.step_m / 2 + 1e-9


def test_set_out_worked_again(pytestconfig: pytest.Config) -> None:
    for plan, design in designs(pytestconfig):
        tube = {"posts": design.posts.tube, "bows": design.bows.tube}.get(design.set_out.to)
        more = default_catalogue().tubes[tube].od_m if tube else 0.0
        length, width = design.size.length_m + more, design.size.span_m + more
        told = values(plan, "set-out")
        assert told["diagonal"] ** 2 == pytest.approx(length**2 + width**2)
        for side in "LR":
            (strip,) = strips(plan, f"peg:{side}")
            places = [mark.at_m for mark in strip.marks]
            assert places[0] == 0.0
            assert places[-1] == pytest.approx(length)
            # Between near faces the bays are those between centres; the last peg stands at the strings' corner.
            bays = [other - one for one, other in pairwise([*places[:-1], places[-1] - more])]
            assert max(bays) <= design.bows.max_spacing_m + 1e-9
            assert max(bays) - min(bays) < 1e-9
            assert len(places) == math.ceil(design.size.length_m / design.bows.max_spacing_m - 1e-9) + 1
            for mark in strip.marks:
                assert abs(parse_length(mark.reading, plan.tape.units) - mark.at_m) <= plan.tape.step_m / 2 + 1e-9
        for kept in strips(plan, "kept:"):
            wanted = (length if kept.id in ("kept:AB", "kept:DC") else width) + 2 * design.keep.offset_m
            assert kept.marks[-1].at_m == pytest.approx(wanted)


def integrated(pieces: list[tuple[float, float]]) -> tuple[float, float]:
    """Width between the ends and greatest height over them of pieces, each a length and a curvature, laid on."""
    x = y = 0.0
    heading, points = math.pi / 2, [(0.0, 0.0)]
    for length, curvature in pieces:
        count = max(int(length / 0.004), 1)
        for _ in range(count):
            step = length / count
            heading -= curvature * step / 2
            x, y = x + step * math.cos(heading), y + step * math.sin(heading)
            heading -= curvature * step / 2
            points.append((x, y))
    span, tilt = math.hypot(x, y), math.atan2(y, x)
    return span, max(-px * math.sin(tilt) + py * math.cos(tilt) for px, py in points)


def test_the_bow_as_bent_worked_again(pytestconfig: pytest.Config) -> None:
    """One radius, a former of its own: straight but for what the pulls bend, and that to the radius that is left."""
    done = 0
    for plan, design in designs(pytestconfig):
        bend = values(plan, "bend")
        if design.size.shape.kind not in ("round", "round_on_legs") or "came_out" not in bend:
            continue
        sticks, pulls = strips(plan, "stick:"), {each.id[-1]: each for each in strips(plan, "pulls:")}
        overlap = 0.0 if design.bows.joint in ("coupler", "sleeve") else design.bows.joint_m
        start, bent = 0.0, []
        for stick in sticks:
            if stick.id[-1] in pulls:
                bent += [(start + band.from_m, start + band.to_m) for band in pulls[stick.id[-1]].bands]
            start += stick.length_m - overlap
        # From foot to foot: the post below its socket is straight and plumb, as the leg is.
        foot = design.posts.reveal_m - design.bows.insertion_m
        at, pieces = 0.0, [(foot, 0.0)]
        for low, high in bent:
            pieces += [(low - at, 0.0), (high - low, 1 / bend["came_out"])]
            at = high
        pieces += [(values(plan, "bows")["tube"] - at, 0.0), (foot, 0.0)]
        if design.size.leg_m < design.posts.reveal_m:
            continue
        # A corner between leg and arc stays as it is.
        kink = math.pi / 2 - values(plan, "bows")["half_angle"]
        if abs(kink) > 1e-9:
            continue
        span, height = integrated(pieces)
        assert span == pytest.approx(bend["made_span"], abs=2e-4)
        assert height == pytest.approx(bend["made_height"], abs=2e-4)
        done += 1
    assert done >= 3


def test_levels_worked_again(pytestconfig: pytest.Config) -> None:
    for plan, design in designs(pytestconfig):
        if design.pad.kind != "as_it_lies" or design.level.tops != "level":
            continue
        grounds = {mark.part: mark for side in "LR" for mark in strips(plan, f"level:{side}")[0].marks}
        rods = {part: parse_length(mark.reading, plan.tape.units) for part, mark in grounds.items()}
        highest = min(rods.values())
        level = values(plan, "level")
        # Printed readings are good to half a step each.
        assert level["top_reading"] == pytest.approx(highest - design.posts.reveal_m, abs=plan.tape.step_m)
        lowest = max(rods.values())
        least = design.posts.length_m - design.posts.reveal_m - (lowest - highest)
        assert level["embedment_least"] == pytest.approx(least, abs=plan.tape.step_m * 1.1)
