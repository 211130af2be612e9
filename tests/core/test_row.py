"""Posts as they were built: how far each is off, what to do with it, and what leaving it costs."""

from typing import Any

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.findings.skeleton.row import bows_built, built_row
from obtegum.core.house.bench import begin
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.rooms.row.tables import TABLES
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from obtegum.exchange.readings import read_readings
from tests.conftest import make_house, verdict

BLOCK = 2 * INCH_M


def built(posts: dict[str, dict[str, float]], levels: dict[str, Any] | None = None, **changes: Any) -> HousePlan:
    return plan_house(*job(posts, levels, **changes), default_catalogue())


def job(posts: dict[str, dict[str, float]], levels: dict[str, Any] | None = None, **changes: Any):  # type: ignore[no-untyped-def]
    record = SiteRecord.model_validate({"row": posts, **({"levels": levels} if levels else {})})
    return make_house(**{"row": {"block_m": BLOCK}, **changes}), record


def bench(posts: dict[str, dict[str, float]], levels: dict[str, Any] | None = None, **changes: Any):  # type: ignore[no-untyped-def]
    return begin(*job(posts, levels, **changes), default_catalogue())


def test_how_far_a_post_is_off_by_hand() -> None:
    # 1 1/2 in to a string that stands off 2 in: half an inch to the outside. 20 1/2 in out of 22: low by the rest. The
    # tape reads 1/4 in more than 2 × 57/15 ft, and the top hangs 0.22 in over 22: 1 in 100.
    told = {
        "gap_m": 1.5 * INCH_M,
        "out_m": 20.5 * INCH_M,
        "along_m": 7.6 * FOOT_M + INCH_M / 4,
        "lean_m": 0.22 * INCH_M,
    }
    [post] = built_row(bench({"L3": told}))
    assert post.out_m == pytest.approx(INCH_M / 2)
    assert post.up_m == pytest.approx(-1.5 * INCH_M)
    assert post.along_m == pytest.approx(INCH_M / 4)
    assert post.lean == pytest.approx(0.01)


def test_a_rod_that_reads_less_stands_too_high() -> None:
    pegs = {f"{side}{bow}": 1.5 for side in "LR" for bow in range(1, 22)}
    posts = {"L1": {"rod_m": 1.5 - 22 * INCH_M - 0.01}}
    [post] = built_row(bench(posts, {"pegs": pegs}))
    assert post.up_m == pytest.approx(0.01)
    # What stands out by tape says nothing where the rod does.
    [other] = built_row(bench({"L1": {"out_m": 0.5}}, {"pegs": pegs}))
    assert other.up_m is None


def test_two_posts_apart_by_more_make_their_bow_wider_and_lower() -> None:
    # Both half an inch out: an inch more of width; the same tube over it stands lower.
    posts = {"L4": {"gap_m": BLOCK - INCH_M / 2}, "R4": {"gap_m": BLOCK - INCH_M / 2}}
    [bow] = bows_built(bench(posts))
    assert bow.span_m == pytest.approx(21 * FOOT_M + INCH_M)
    # Half a circle on legs: what the arc takes more of the tube, π·1/2 in, comes off both legs; the rise gains 1/2 in.
    height = make_house().size.height_m
    assert bow.height_m == pytest.approx(height - 3.141592653589793 * INCH_M / 4 + INCH_M / 2)
    # A post of one side alone says nothing of a bow.
    assert bows_built(bench({"L4": {"gap_m": 0.04}})) == ()


def test_what_is_off_is_told_with_what_to_do_and_what_it_costs() -> None:
    fine = built({"L3": {"gap_m": BLOCK, "out_m": 22 * INCH_M}})
    assert verdict(fine, "row").level == "holds"
    posts = {
        "L3": {"gap_m": BLOCK - 1 * INCH_M, "out_m": 22 * INCH_M},
        "R3": {"gap_m": BLOCK - 1 * INCH_M, "out_m": 23 * INCH_M},
        "L5": {"along_m": 4 * 3.8 * FOOT_M + 2 * INCH_M},
    }
    plan = built(posts)
    row = verdict(plan, "row")
    assert row.level == "tight"
    for words in (
        'post 3 left: bring it in by 1"',
        'post 3 right: drive it on by 1"',
        'post 5 left: bring it back by 2"',
        "the bays beside post 5 measure 3' 11 5/8\" and 3' 7 5/8\"",
        "marks on every run move with it",
        "boards and film follow it",
        "bow 3 stands 21' 2\" wide",
    ):
        assert words in row.sentence, row.sentence
    assert "read its top again" in verdict(built({"L3": {"out_m": 3.0}}), "row").sentence
    assert "dug out of concrete" in verdict(built(posts, hold={"set": "concrete"}), "row").sentence


def test_blows_say_which_to_pull_at_and_never_what_one_holds() -> None:
    posts = {"L2": {"blows": 40}, "L3": {"blows": 12}, "R5": {"blows": 18}, "R9": {"blows": 25}}
    plan = built(posts, soil={"kind": "clay"})
    step = next(each for each in plan.steps if each.id == "row")
    assert next(each.reading for each in step.answers if each.id == "softest") == "L3 R5 R9"
    plain = built({}, soil={"kind": "clay"})
    held = [next(each for each in one.steps if each.id == "hold").answers for one in (plan, plain)]
    assert held[0] == held[1]
    # A post that isn't struck has no blows to tell.
    dug = built({}, hold={"set": "concrete"})
    assert "row:L:blows" not in next(each for each in dug.steps if each.id == "row").strips


def test_a_bow_that_no_longer_goes_in_fails() -> None:
    wide = {name: {"gap_m": BLOCK - 0.04} for name in ("L2", "R2")}
    assert verdict(built(wide), "real-bows").level == "tight"
    far = {name: {"gap_m": 0.0} for name in ("L2", "R2")}
    plan = built(far, row={"block_m": 0.3})
    assert verdict(plan, "real-bows").level == "fails"
    assert "ream its hole" in verdict(plan, "real-bows").sentence
    assert verdict(built({"L2": {"gap_m": BLOCK}, "R2": {"gap_m": BLOCK}}), "real-bows").level == "holds"


def test_the_row_goes_out_and_comes_in_again() -> None:
    posts = {"L3": {"gap_m": 0.049, "out_m": 0.56}, "R7": {"along_m": 5.215, "lean_m": 0.004, "blows": 31}}
    design, record = job(posts)
    table = next(each for each in TABLES if each.name == "row")
    rows = table.rows(begin(design, record, default_catalogue()))
    text = "\n".join(",".join(str(cell) for cell in row) for row in rows)
    back, said = read_readings(text, Job(design))
    assert "2 posts" in said
    assert back.row == record.row


def test_every_post_is_an_item_of_its_own() -> None:
    posts = {"L3": {"gap_m": BLOCK - INCH_M}}
    table = next(each for each in TABLES if each.name == "posts")
    head, *rows = table.rows(bench(posts, hold={"set": "driven", "corner_set": "concrete"}))
    assert len(rows) == 32
    kinds = [row[head.index("set_as")] for row in rows]
    assert (kinds.count("concrete"), kinds.count("driven")) == (4, 28)
    third = next(row for row in rows if row[0] == "L3")
    assert float(third[head.index("outside_m")]) == pytest.approx(INCH_M, abs=1e-6)
    # A post of 48 in that stands out by 22 has 26 in the ground.
    assert float(third[head.index("in_ground_m")]) == pytest.approx(26 * INCH_M, abs=1e-6)
    assert float(third[head.index("station_m")]) == pytest.approx(7.6 * FOOT_M, abs=1e-6)


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("post,gap\nL99,0.05", "there is no peg L99"),
        ("post,gap\nL3,-0.05", "can’t be what was read"),
        ("post,gap\nL3,0.05\nL3,0.06", "already read on line 2"),
        ("post,gap\nL3,", "nothing is told"),
        ("post,gap\nL3,wide", "Can't read"),
        ("post,blows\nL3,many", "no number of blows"),
    ],
)
def test_faulty_rows_are_told_by_their_lines(text: str, says: str) -> None:
    with pytest.raises(DesignError) as refused:
        read_readings(text, Job(make_house()))
    assert says in str(refused.value)


def test_rows_are_drawn_against_their_strings() -> None:
    plan = built({"L3": {"gap_m": BLOCK - INCH_M}, "R3": {"gap_m": BLOCK + INCH_M}})
    drawing = next(each for each in plan.drawings if each.view == "row")
    assert "× " in drawing.title
    strings = {item.part: item.path[0].y for item in drawing.items if item.kind == "outline"}
    posts = {item.part: item for item in drawing.items if item.kind == "mark"}
    # Outside of its string on the left; the right one stands inside, so above its own.
    assert posts["post:L3"].y > strings["string:L"]
    assert posts["post:L4"].y == pytest.approx(strings["string:L"])
    assert posts["post:R3"].y > strings["string:R"]
    assert (posts["post:L3"].state, posts["post:L4"].state) == ("moved", "open")
