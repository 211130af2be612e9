"""Glued fittings: every cut by hand, which way they face, what stays dry; pipes that fit by their true sizes."""

import math
import random
from typing import Any

import pytest

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.drawing.items import Outline
from obtegum.core.face.edit import Edit
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import fitted, split_of, tube_m
from obtegum.core.findings.skeleton.fittings import is_glued, take_ups
from obtegum.core.findings.skeleton.runs import pieces_of, runs_of
from obtegum.core.findings.work import Work
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import plan_house
from obtegum.core.rooms.fittings.draw import grid
from obtegum.core.rooms.fittings.found import cure_of, dry_at, dry_count, fits_of, kinds, sections_of
from obtegum.core.rooms.fittings.goods import glued_at, goods
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import answer, make_bench, make_house, make_plan, verdict
from tests.core.test_sprung import PIPE

CATALOGUE = default_catalogue()
ALONG, BRANCH, SOCKET = 0.6875 * INCH_M, 0.6875 * INCH_M, 0.875 * INCH_M


def glued(**changes: Any) -> HouseDesign:
    """A house whose bows and runs are glued into fittings, made so through its field."""
    design = make_house(**{**PIPE, "strength": {"runs": 3}, **changes})
    return apply_edits(Job(design), [Edit(measure="fittings.grid", text="glued")], CATALOGUE).design


def _begin(design: HouseDesign) -> Work:
    return begin(design, SiteRecord(), CATALOGUE)


def test_girth_is_pipe_and_take_ups() -> None:
    work = _begin(glued())
    pieces, whole = split_of(work).pieces, tube_m(work)
    # Three runs at the quarters: a quarter less one take-up at the ends, less two between.
    lengths = [whole / 4 - ALONG, whole / 4 - 2 * ALONG, whole / 4 - 2 * ALONG, whole / 4 - ALONG]
    assert [piece.length_m for piece in pieces] == pytest.approx(lengths)
    assert sum(lengths) + 3 * 2 * ALONG == pytest.approx(whole)
    assert [takes for _, takes in fitted(work)] == pytest.approx([ALONG] * 3)


def test_a_run_s_piece_is_the_bay_less_two_take_ups_and_the_odd_bay_its_own() -> None:
    design = glued(bows__bays="fixed", bows__max_spacing_m=0.85)
    work = _begin(design)
    bays = bays_of(work)
    lengths = {round(piece.length_m, 9) for piece in pieces_of(work)}
    wanted = {round(bays.bay_m - 2 * BRANCH, 9)}
    if bays.odd_m is not None:
        wanted.add(round(bays.odd_m - 2 * BRANCH, 9))
    assert lengths == wanted and len(wanted) == 2
    assert design.runs.of == "pieces" and design.runs.lie == "through" and design.runs.tube == design.bows.tube


def test_fittings_are_counted_and_joints_too() -> None:
    work = _begin(glued())
    bows, bought = bays_of(work).bows, {good.id: good.amount for good in goods(work)}
    cement = bought.pop("fit-cement")
    assert bought.pop("fit-primer") == cement
    assert bought == {"fit-cross": 3 * (bows - 2), "fit-tee": 6}
    # Each fitting has two joints along the bow; each piece of a run two ends, of which one between sections is dry.
    dry = 3 * (len(sections_of(work)) - 1)
    glued_ends = sum(ends for _, ends in glued_at(work))
    assert dry_count(work) == dry and glued_ends == 2 * 3 * bows + 2 * 3 * (bows - 1) - dry
    assert cement == pytest.approx(glued_ends * math.pi * 1.315 * INCH_M * SOCKET * 0.0016 * 1000)
    # A piece longer than a stick is coupled: one run at the ridge leaves halves of more than two metres.
    long = _begin(glued(strength={"runs": 1}, bows__stick_m=2.0))
    coupled = next(good for good in goods(long) if good.id == "fit-coupling")
    assert coupled.amount == 2 * bays_of(long).bows
    assert all(piece.length_m <= 2.0 for piece in split_of(long).pieces)


def test_sections_chain_by_their_dry_ends() -> None:
    work = _begin(glued(fittings={"section": 3, "dry": "front"}))
    bows = bays_of(work).bows
    assert sections_of(work)[0] == (1, 3) and sections_of(work)[-1][1] == bows
    told = {bay: dry_at(work, bay) for bay in range(1, bows)}
    assert {bay for bay, end in told.items() if end} == {last for _, last in sections_of(work)[:-1]}
    assert set(told.values()) <= {"", "front"}
    none = _begin(glued(fittings={"dry": "none"}))
    assert sections_of(none) == [(1, bows)] and dry_count(none) == 0


def test_tees_on_the_end_bows_face_in() -> None:
    work = _begin(glued())
    stations = bays_of(work).stations_m
    arms = [
        item
        for item in grid(work).items
        if isinstance(item, Outline) and item.part.startswith("fitting:") and item.path[0].y == item.path[1].y
    ]
    for item in arms:
        xs = sorted(vertex.x for vertex in item.path)
        if "bow 1" in item.label.split(", ")[-1].split() and xs[0] < stations[1] / 2:
            assert xs[0] == pytest.approx(stations[0]) and xs[1] > xs[0]
        if item.label.endswith(f"bow {len(stations)}"):
            assert xs[1] == pytest.approx(stations[-1]) and "tee" in item.label
    assert len(arms) == 3 * len(stations)


def test_own_take_ups_and_pipe_that_has_none() -> None:
    own = _begin(glued(fittings={"along_m": 0.03, "branch_m": 0.028, "socket_m": 0.02}))
    takes = take_ups(own)
    assert takes is not None and (takes.along_m, takes.branch_m, takes.socket_m) == (0.03, 0.028, 0.02)
    assert pieces_of(own)[0].length_m == pytest.approx(bays_of(own).bay_m - 2 * 0.028)
    unknown = make_plan(**{**PIPE, "bows__tube": "pe-32", "fittings": {"grid": "glued"}})
    assert verdict(unknown, "fittings-known").level == "unknown"
    assert not is_glued(make_bench(**{**PIPE, "bows__tube": "pe-32", "fittings": {"grid": "glued"}}))


def test_a_take_up_longer_than_its_piece_is_refused_and_a_short_piece_told() -> None:
    with pytest.raises(DesignError, match="take up all of the pipe"):
        split_of(_begin(glued(fittings={"along_m": 0.2}, strength={"runs": 15})))
    crowded = glued(strength={"runs": 15}, fittings={"socket_m": 0.2})
    said = verdict(plan_house(crowded, SiteRecord(), CATALOGUE), "fittings-short")
    assert said.level == "fails" and "fewer runs" in said.sentence


def test_the_ridge_s_own_fitting_takes_up_its_arms() -> None:
    shape = {"kind": "sprung", "leg_m": 0.5, "pipe_m": 4.6, "ridge": "elbow", "elbow": 45.0, "arm_m": 0.02}
    work = _begin(glued(size__shape=shape, strength={"runs": 2}))
    whole, places = tube_m(work), fitted(work)
    assert [at_m for at_m, _ in places] == pytest.approx([whole / 3, whole / 2, 2 * whole / 3])
    assert [takes for _, takes in places] == pytest.approx([ALONG, 0.02, ALONG])
    ridge = next(good for good in goods(work) if good.id == "fit-ridge")
    assert ridge.amount == bays_of(work).bows
    assert [what for what, _, _ in kinds(work)][1] == "ridge fitting"
    # Without a grid the arms still come off both halves.
    plain = make_bench(**{**PIPE, "size__shape": {**shape, "ridge": "tee"}})
    halves = [piece for piece in split_of(plain).pieces if piece.corner_before or piece.corner_after]
    assert halves[0].to_m == pytest.approx(tube_m(plain) / 2 - 0.02)


def test_cement_by_how_cold_it_is() -> None:
    assert cure_of(20) == (15, 6) and cure_of(10) == (20, 12) and cure_of(-5) == (30, 48)
    cold = apply_edits(Job(glued()), [Edit(measure="fittings.glue_c", text="30 °F")], CATALOGUE).design
    plan = plan_house(cold, SiteRecord(), CATALOGUE)
    assert verdict(plan, "fittings-cold").level == "fails"
    assert answer(plan, "fittings", "fit_cure") == "48 h"


def test_what_fits_is_told_by_true_sizes() -> None:
    fits = {each.tube.id: each for each in fits_of(make_bench(**PIPE))}
    # One inch: 1.315 outside, 1.049 inside; the next size over it has a bore of 1.38.
    assert fits["pvc-1-1-4"].kind == "over" and fits["pvc-1-1-4"].by_m == pytest.approx(0.065 * INCH_M)
    assert fits["pvc-1-2"].kind == "inside" and fits["pvc-1-2"].by_m == pytest.approx(0.209 * INCH_M)
    assert "pvc-3-4" not in fits
    metric = {each.tube.id: each for each in fits_of(make_bench(**{**PIPE, "bows__tube": "pvcu-32"}))}
    # 40 × 3.0 has a bore of 34 over 32; 25 × 1.9 lies 2.2 inside 27.2.
    assert metric["pvcu-40"].by_m == pytest.approx(0.002) and metric["pvcu-40"].good
    assert metric["pe-40"].kind == "over" and metric["pvcu-25"].by_m == pytest.approx(0.0022)
    grips = fits_of(make_bench(**{**PIPE, "bows__tube": "own:1", "own_tubes": [{"od_m": 0.036, "wall_m": 0.002}]}))
    assert any(each.kind == "clamp" and each.by_m > 0 for each in grips) or all(
        each.tube.sold_in == "feet" for each in grips
    )


def test_random_houses_of_fittings_add_up() -> None:
    chance, seen = random.Random(12), 0
    while seen < 12:
        shape = {"kind": "sprung", "leg_m": 0.5, "pipe_m": chance.uniform(4.3, 6.0)}
        changes = {
            "size__shape": shape,
            "strength": {"runs": chance.randint(1, 7)},
            "bows__tube": chance.choice(["pvc-1", "pvc-1-1-4", "pvcu-32", "pvc-3-4"]),
            "bows__stick_m": chance.uniform(1.5, 6.0),
            "bows__max_spacing_m": chance.uniform(0.5, 1.4),
        }
        try:
            work = _begin(glued(**changes))
            split = split_of(work)
        except DesignError:
            continue
        seen += 1
        taken = 2 * sum(takes for _, takes in fitted(work))
        assert sum(piece.length_m for piece in split.pieces) + taken == pytest.approx(tube_m(work))
        assert all(piece.length_m <= split.stick_m + 1e-9 for piece in split.pieces)
        # Every run meets its fitting, and no piece reaches into one.
        for run in runs_of(work):
            assert any(abs(at_m - run.at_m) < 1e-6 for at_m, _ in fitted(work))
            assert not any(piece.from_m < run.at_m < piece.to_m for piece in split.pieces)
