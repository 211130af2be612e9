"""What pieces are fastened by, counted: bolts, clamps, screws, couplers, washers; each once, and where it lies."""

import math

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.posts import board_of
from obtegum.core.findings.skeleton.runs import pieces_of, runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.rooms import rooms
from obtegum.core.rooms.braces.found import alike_of, cut_m
from obtegum.core.rooms.fittings.goods import glued_at
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M
from tests.conftest import make_bench, make_house, make_plan

GLUED = {"grid": "glued", "dry": "none", "along_m": 0.02, "branch_m": 0.02, "socket_m": 0.03}


def counted(plan: HousePlan, step: str) -> dict[str, float]:
    """The answers of a step that are counts, by their names."""
    answers = next(each.answers for each in plan.steps if each.id == step)
    return {each.id: each.value for each in answers if each.unit == "count"}


def members(work: Work, begins: str) -> list[tuple[tuple[float, float, float], tuple[float, float, float]]]:
    return [part.ends for room in rooms() for part in room.parts(work) if part.part.startswith(begins)]


def test_clamps_are_listed_where_clamps_fix_a_brace() -> None:
    # Two bays of each side are braced: four braces, eight ends.
    assert counted(make_plan(braces={"bays": 2, "end": "clamp", "clamp_n": 2000.0}), "braces")["brace_clamps"] == 8
    flat = counted(make_plan(braces={"bays": 2}), "braces")
    assert flat["brace_bolts"] == 8
    assert "brace_clamps" not in flat
    # Collars of board are bolted, whatever holds the braces.
    collars = {"ties": "collar", "of": "board", "every": 1}
    both = counted(make_plan(braces={"bays": 2, "end": "clamp", **collars}), "braces")
    assert (both["brace_clamps"], both["brace_bolts"]) == (8, 2 * 16)


def test_an_odd_bay_has_braces_of_its_own() -> None:
    # 38 ft at 4 ft and the rest last: nine bays of 4 ft and one of 2 ft.
    house = {"bows__bays": "fixed", "bows__max_spacing_m": 4 * FOOT_M, "size__length_m": 38 * FOOT_M}
    work = make_bench(braces={"bays": 2}, **house)
    first, odd = alike_of(work)
    assert (first.count, odd.count) == (2, 2)
    brace = first.brace
    rise, across = brace.head[2] - brace.foot[2], brace.head[1] - brace.foot[1]
    assert brace.long_m == pytest.approx(math.hypot(4 * FOOT_M, rise, across))
    assert odd.brace.long_m == pytest.approx(math.hypot(2 * FOOT_M, rise, across))
    plan = make_plan(braces={"bays": 2}, **house)
    step = next(each for each in plan.steps if each.id == "braces")
    cut = {each.id: each.value for each in step.answers if each.id.startswith("brace_cut")}
    assert cut == pytest.approx({"brace_cut": cut_m(work, brace.long_m), "brace_cut_2": cut_m(work, odd.brace.long_m)})
    assert [name for name in step.strips if name.startswith("brace")] == ["brace", "brace-2"]
    assert [each.about for each in plan.strips if each.id.startswith("brace")] == [
        "tape from its end · 2 alike",
        "tape from its end · 2 alike, in the odd bay",
    ]
    assert "2 of " in step.next
    # As long as all are alike there is one of them.
    assert [each.count for each in alike_of(make_bench(braces={"bays": 2}))] == [4]


def test_a_piece_in_fittings_has_a_screw_for_each_end() -> None:
    house = {"runs__of": "pieces", "runs__spare": 0.0, "runs__screws": 1}
    work, found = make_bench(**house), counted(make_plan(**house), "runs")
    assert found["run_screws"] == found["run_clamps"] == 2 * len(pieces_of(work))
    assert len(pieces_of(work)) == len(runs_of(work)) * bays_of(work).count
    # Sticks end to end are held once at each crossing, and by two at each splice.
    long = {"runs__spare": 0.0, "runs__screws": 1, "runs__joint": "coupler"}
    work, found = make_bench(**long), counted(make_plan(**long), "runs")
    splices = len(pieces_of(work)) - len(runs_of(work))
    assert splices > 0
    assert found["run_couplers"] == splices
    assert found["run_screws"] == len(runs_of(work)) * bays_of(work).bows + 2 * splices
    assert counted(make_plan(**{**long, "runs__spare": 0.5}), "runs")["run_couplers"] == math.ceil(1.5 * splices)


def test_a_glued_grid_is_told_once() -> None:
    house = {"fittings": GLUED, "bows__tube": "pvc-1", "runs__of": "pieces", "strength__runs": 3, "runs__stick_m": 6.0}
    work, plan = make_bench(**house), make_plan(**house)
    assert sum(ends for _, ends in glued_at(work)) == counted(plan, "fittings")["fit_glued"]
    assert not {"run_clamps", "run_screws", "run_couplers"} & set(counted(plan, "runs"))


@pytest.mark.parametrize(("stand", "high"), [("driven", "one"), ("driven", "two"), ("board", "one")])
def test_base_boards_lie_against_what_holds_them(stand: str, high: str) -> None:
    house = {"posts__stand": stand, "posts__base": "board", "boards__high": high}
    work = make_bench(**house)
    board, span_m = board_of(work), work.design.size.span_m
    beside = bow_tube(work).od_m if stand == "board" else max(post_tube(work).od_m, bow_tube(work).od_m)
    out_m, top_m = span_m / 2 + beside / 2 + board.thick_m / 2, work.design.posts.reveal_m
    rows = {"board:": top_m - board.wide_m / 2}
    if high == "two":
        rows["lower:"] = top_m - 1.5 * board.wide_m
    found = counted(plan_house(make_house(**house), SiteRecord(), default_catalogue()), "boards")
    bolts = 0
    for name, up_m in rows.items():
        ends = members(work, name)
        assert {(round(abs(end[1]), 6), round(end[2], 6)) for pair in ends for end in pair} == {
            (round(out_m, 6), round(up_m, 6))
        }
        splices = len(ends) // 2 - 1
        held = len(members(work, "stake:")) // 2 if stand == "board" else bays_of(work).bows
        bolts += 2 * (held + splices)
    assert found["base_bolts"] == bolts
    assert found["base_washers"] == 2 * bolts
    if stand == "board":
        behind_m = span_m / 2 + beside / 2 + board.thick_m + post_tube(work).od_m / 2
        assert {round(abs(pair[0][1]), 6) for pair in members(work, "stake:")} == {round(behind_m, 6)}


def test_bolts_of_base_boards_reach() -> None:
    plan = make_plan(posts__base="board")
    long_m = next(each.value for step in plan.steps for each in step.answers if each.id == "base_long")
    work = make_bench(posts__base="board")
    through_m = board_of(work).thick_m + post_tube(work).od_m
    # Two washers of 2 mm, a nut of 0.85 and threads of 0.35 of the bolt; half inches up.
    takes_m = through_m + 0.004 + 1.2 * work.design.boards.bolt_m
    assert takes_m <= long_m < takes_m + 0.0127
    assert long_m / 0.0127 == pytest.approx(round(long_m / 0.0127))
