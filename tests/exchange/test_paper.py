"""Geometry on paper: arcs end where their paths do, words keep numbers and fractions apart."""

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.drawing.items import Drawing
from obtegum.core.drawing.paths import chain_path
from obtegum.core.formulas.profile import round_bow
from obtegum.exchange.paper import SCALES, _Frame, _path, apart, scale_for
from tests.conftest import make_plan


class Recorder:
    """A canvas that remembers the points its path passes through."""

    def __init__(self) -> None:
        self.points: list[tuple[float, float]] = []
        self.closed = False

    def beginPath(self) -> "Recorder":  # noqa: N802
        return self

    def moveTo(self, x: float, y: float) -> None:  # noqa: N802
        self.points.append((x, y))

    def lineTo(self, x: float, y: float) -> None:  # noqa: N802
        self.points.append((x, y))

    def arcTo(self, x1: float, y1: float, x2: float, y2: float, start: float, extent: float) -> None:  # noqa: N802
        cx, cy, radius = (x1 + x2) / 2, (y1 + y2) / 2, (x2 - x1) / 2
        for share in (0.0, 0.5, 1.0):
            angle = math.radians(start + extent * share)
            self.points.append((cx + radius * math.cos(angle), cy + radius * math.sin(angle)))

    def close(self) -> None:
        self.closed = True


def frame(scale: int = 50) -> tuple[_Frame, Drawing]:
    drawing = next(each for each in make_plan().drawings if each.view == "across")
    return _Frame(drawing, scale, 40, 40), drawing


@given(st.floats(1.5, 20), st.floats(0, 4), st.floats(0.05, 1.0))
def test_a_bow_on_paper_passes_where_the_bow_does(span: float, leg: float, share: float) -> None:
    bow = round_bow(span, leg, leg + share * span)
    page, _ = frame()
    recorder: Any = Recorder()
    _path(recorder, page, chain_path(bow), closed=False)
    for wanted in (bow.point(0.0), bow.point(bow.girth_m / 2), bow.point(bow.girth_m)):
        x, y = page.at(*wanted)
        assert min(math.hypot(px - x, py - y) for px, py in recorder.points) < 1e-4


def test_closed_parts_are_closed() -> None:
    page, _ = frame()
    recorder: Any = Recorder()
    _path(recorder, page, chain_path(round_bow(4, 1, 3)), closed=True)
    assert recorder.closed


def test_a_metre_is_a_metre_at_the_printed_scale() -> None:
    page, _ = frame(50)
    (x0, y0), (x1, _) = page.at(0, 0), page.at(1, 0)
    # One metre at 1 : 50 is 2 cm, which is 56.69 points.
    assert x1 - x0 == pytest.approx(56.6929, abs=1e-3)
    assert page.at(0, 1)[1] - y0 == pytest.approx(56.6929, abs=1e-3)


def test_scales_are_the_usual_ones_and_the_last_one_is_kept_to() -> None:
    _, drawing = frame()
    assert list(SCALES) == sorted(SCALES)
    assert scale_for(drawing, 10, 10) == SCALES[-1]
    assert scale_for(drawing, 10_000, 10_000) == SCALES[0]


def test_numbers_and_fractions_stand_apart() -> None:
    assert apart("fence post 1 5/8 in") == "fence post 1\u00a0 5/8 in"
    assert apart("60' 8 15/16\"") == "60' 8\u00a0 15/16\""
    assert apart("two words") == "two words"
