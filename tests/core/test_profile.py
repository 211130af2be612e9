"""Bow centre lines against closed forms and an independent numerical integration."""

import math
from itertools import pairwise

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from obtegum.core.formulas.profile import Arc, Chain, Line, round_bow
from obtegum.core.formulas.profile.round import arc_half_angle, arc_radius

spans = st.floats(1.5, 20)
legs = st.floats(0, 4)
shares = st.floats(0.05, 1.0)


def sampled(chain: Chain, count: int = 800) -> list[tuple[float, float]]:
    """Points along the chain, corners among them."""
    ends = chain.starts_m
    places = [a + (b - a) * place / count for a, b in pairwise(ends) for place in range(count)]
    return [chain.point(s) for s in (*places, chain.girth_m)]


def test_half_a_circle_on_legs_by_hand() -> None:
    bow = round_bow(6.0, 1.0, 4.0)
    assert bow.girth_m == pytest.approx(2 * 1.0 + math.pi * 3.0, abs=1e-12)
    assert bow.point(0) == pytest.approx((-3, 0))
    assert bow.point(bow.girth_m / 2) == pytest.approx((0, 4), abs=1e-12)
    assert bow.point(bow.girth_m) == pytest.approx((3, 0), abs=1e-12)
    assert bow.kinks == ()
    assert bow.under_m2 == pytest.approx(6.0 * 1.0 + math.pi * 9 / 2, abs=1e-12)


def test_a_flat_arc_by_hand() -> None:
    # Span 8, rise 2: R = (16 + 4)/4 = 5, half-angle = 2·atan(1/2) = 53.13°.
    assert arc_radius(8, 2) == pytest.approx(5)
    assert math.degrees(arc_half_angle(8, 2)) == pytest.approx(53.1301, abs=1e-4)
    bow = round_bow(8, 1, 3)
    corner = bow.kinks[0]
    assert math.degrees(corner.turn_rad) == pytest.approx(90 - 53.1301, abs=1e-4)
    assert corner.s_m == pytest.approx(1)


def test_a_tall_arc_bulges_and_kinks_outward() -> None:
    bow = round_bow(4, 1, 4)
    assert math.degrees(arc_half_angle(4, 3)) > 90
    assert bow.kinks[0].turn_rad < 0
    assert max(x for x, _ in sampled(bow)) > 2


@given(spans, legs, shares)
def test_girth_and_area_agree_with_sampling(span: float, leg: float, share: float) -> None:
    bow = round_bow(span, leg, leg + share * span)
    points = sampled(bow)
    length = sum(math.dist(a, b) for a, b in pairwise(points))
    area = sum((b[0] - a[0]) * (a[1] + b[1]) / 2 for a, b in pairwise(points))
    assert bow.girth_m == pytest.approx(length, rel=1e-5)
    assert bow.under_m2 == pytest.approx(area, rel=1e-4)


@given(spans, legs, shares, st.floats(0, 1))
def test_points_lie_where_headings_lead(span: float, leg: float, share: float, place: float) -> None:
    bow = round_bow(span, leg, leg + share * span)
    s, step = place * bow.girth_m, 1e-6
    assume(all(abs(s - kink.s_m) > 1e-3 for kink in bow.kinks) and step < s < bow.girth_m - step)
    (x0, y0), (x1, y1) = bow.point(s - step), bow.point(s + step)
    turned = math.atan2(y1 - y0, x1 - x0) - bow.heading(s)
    assert math.sin(turned) == pytest.approx(0, abs=1e-5)
    assert math.cos(turned) > 0


@given(spans, legs, shares, st.floats(-0.49, 0.49))
def test_crossings_lie_on_the_bow(span: float, leg: float, share: float, place: float) -> None:
    bow = round_bow(span, leg, leg + share * span)
    x = place * span
    found = bow.at_x(x)
    assert len(found) == 1
    assert bow.point(found[0])[0] == pytest.approx(x, abs=1e-9)
    y = leg + share * span * 0.6
    left, *_, right = bow.at_y(y)
    assert bow.point(left)[1] == pytest.approx(y, abs=1e-9)
    assert left + right == pytest.approx(bow.girth_m, abs=1e-8)


def test_parts_and_offsets() -> None:
    bow = round_bow(6, 1, 4)
    part = bow.part(0.5, 3.0)
    assert part.girth_m == pytest.approx(2.5)
    assert part.point(0) == pytest.approx(bow.point(0.5))
    assert part.point(2.5) == pytest.approx(bow.point(3.0))
    inner = bow.offset(-0.1)
    assert inner.girth_m == pytest.approx(2 + math.pi * 2.9)
    assert inner.point(0) == pytest.approx((-2.9, 0))
    with pytest.raises(ValueError, match="nothing"):
        bow.part(20, 21)
    with pytest.raises(ValueError, match="tight"):
        Arc(0, 0, 0.1, math.pi, math.pi).offset(-0.2)


def test_what_is_no_bow_is_refused() -> None:
    for span, leg, height in ((0, 0, 1), (5, 2, 2), (5, -1, 2)):
        with pytest.raises(ValueError, match="round bow"):
            round_bow(span, leg, height)


def test_level_and_plumb_lines_cross_where_they_should() -> None:
    level = Line(0, 1, 4, 1)
    assert level.at_x(1) == [1]
    assert level.at_y(1) == []
    assert level.under_m2 == 4
    assert Chain((level,)).at_x(5) == []
