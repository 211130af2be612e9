"""Plastic pipe: what springing locks in, what is left, and the three figures, by hand."""

import math
from dataclasses import replace
from typing import Any

import numpy as np
import pytest

from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.rooms.strength.found import bow_found
from obtegum.core.rooms.strength.plastic import locked_pa, plastic_found
from obtegum.core.values.catalogue import default_catalogue
from tests.conftest import make_bench, make_plan, verdict
from tests.core.test_strength import told

PIPE = {
    "bows__making": "parts", "bows__tube": "pvc-1-1-4", "posts__tube": "post-2-3-8", "bows__max_spacing_m": 0.6,
    "size__span_m": 2.4, "size__shape": {"kind": "round_on_legs", "leg_m": 0.6},
}  # fmt: skip


def pipe(weather: dict[str, Any] | None = None, **strength: Any) -> dict[str, Any]:
    return {**told(**(weather or {})), **PIPE, "strength": {"plastic": "heated", **strength}}


def test_springing_locks_in_by_hand_and_fades() -> None:
    # E·OD/2 over a radius of 1.2 m, 2.76 GPa: of 42.2 mm, 48.5 MPa; a season leaves 0.4 of it; heat leaves nothing.
    bench = make_bench(**pipe(plastic="sprung"))
    wanted = 2.76e9 * bow_tube(bench).od_m / 2 / 1.2
    assert locked_pa(bench) == pytest.approx(wanted)
    assert locked_pa(make_bench(**pipe(plastic="sprung", season="later"))) == pytest.approx(0.4 * wanted)
    assert locked_pa(make_bench(**pipe())) == 0
    found = plastic_found(bench)
    assert found is not None and not found.left
    assert "springing leaves nothing" in verdict(make_plan(**pipe(plastic="sprung")), "frame").sentence


def test_what_warmth_leaves() -> None:
    warmth = default_catalogue().resins["pvc"].warmth
    assert [warmth(c) for c in (10, 23, 32, 38, 49, 60)] == pytest.approx([1, 1, 0.75, 0.62, 0.4, 0.22])
    assert [warmth(c) for c in range(0, 80, 5)] == sorted((warmth(c) for c in range(0, 80, 5)), reverse=True)


def test_the_snow_it_is_rated_for_brings_it_to_half_of_its_yield() -> None:
    bench = make_bench(**pipe())
    found = plastic_found(bench)
    assert found is not None
    # Far below its buckling, a half circle on stiff stubs bends by a share of p·b·R²; here only that it is no more than
    # what the lasting modulus lets stand: 3·E·I/R³ on each metre of the bow, over the bay.
    tube = bow_tube(bench)
    inertia = math.pi / 64 * (tube.od_m**4 - (tube.od_m - 2 * tube.wall_m) ** 4)
    gives_way = 3 * 0.97e9 * inertia / 1.2**3 / bays_of(bench).bay_m
    assert 0 < found.rated_pa < 2 * gives_way
    # Stouter pipe, closer bows and cooler pipe are rated for more.
    closer, hotter, later = (
        plastic_found(make_bench(**parts))
        for parts in (
            {**pipe(), "bows__max_spacing_m": 0.4}, pipe(hot_c=45.0), pipe(plastic="sprung", season="later"),
        )
    )  # fmt: skip
    assert closer and hotter and later
    assert closer.rated_pa > found.rated_pa > hotter.rated_pa
    assert found.rated_pa > later.rated_pa
    rated = [plastic_found(make_bench(**pipe(hot_c=float(c)))) for c in (20, 30, 40, 50, 60)]
    pressures = [each.rated_pa for each in rated if each is not None]
    assert pressures == sorted(pressures, reverse=True)
    assert len(pressures) == 5


def test_under_snow_plastic_is_tight_at_best_and_says_its_habit() -> None:
    light = pipe({"ground_snow_pa": 15.0, "wind_mps": 12.0})
    found = plastic_found(make_bench(**light))
    assert found is not None and found.snow_pa > 0
    said = verdict(make_plan(**light), "frame")
    assert said.level in ("tight", "fails")
    assert "prop it" in said.sentence and "No code rates it" in said.sentence
    assert bow_found(make_bench(**light)) is None
    heavy = verdict(make_plan(**pipe()), "frame")
    assert heavy.level == "fails"
    assert heavy.ratio == pytest.approx(np.clip(plastic_found(make_bench(**pipe())).ratio, 0, 99))  # type: ignore[union-attr]


def test_what_yields_in_a_drift_is_never_called_tight() -> None:
    found = plastic_found(make_bench(**pipe({"ground_snow_pa": 15.0, "wind_mps": 12.0})))
    assert found is not None
    # However little lies evenly: past its yield in any weather is past its limit.
    assert replace(found, snow_pa=1.0, rated_pa=100.0, wind_yields=0.1, yields=1.2).ratio == pytest.approx(1.2)
    assert replace(found, snow_pa=1.0, rated_pa=100.0, wind_yields=0.1, yields=0.4).ratio == pytest.approx(0.4)
