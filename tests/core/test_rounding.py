"""Every answer of every step is printed on the safe side of what was computed, or on the nearest mark of a tape."""

import math
import random
from typing import Any

import pytest

from obtegum.core.documents.bend import TrialBend
from obtegum.core.documents.check_bows import BowCheck
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.level import Levels
from obtegum.core.documents.square_up import Taping
from obtegum.core.drawing.step import Answer
from obtegum.core.face.rounding import declare, rounded
from obtegum.core.findings.skeleton.shapes import SHAPE_LABELS, shape_of
from obtegum.core.findings.skeleton.ticks import design_bays
from obtegum.core.formulas.setout.base import diagonal
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.house.starters import demo_houses, new_house
from obtegum.core.rooms import rooms
from obtegum.core.values.amount import AmountKind, amount_step, parse_amount
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, Tape, Units, parse_length, tube_step_m
from obtegum.core.values.trouble import DesignError
from tests.conftest import answer as reading_of
from tests.conftest import make_plan

# Answers that are no number by themselves.
WORDS = {
    "card_house",
    "softest",
    "equal",
    "fixed",
    "slope",
    "order",
    "slides_into",
    "takes",
    "fit_in",
    "fit_over",
    "fit_clamp",
    "film_thick",
}
AMOUNTS: dict[str, AmountKind] = {
    "m3": "volume",
    "m3/s": "flow",
    "kg": "mass",
    "s": "hours",
    "share": "share",
    "Pa": "pressure",
    "N": "force",
    "N/m": "pull",
    "m/s": "speed",
    "N·m": "torque",
    "W": "power",
    "J": "energy",
}


def read(answer: Answer, tape: Tape) -> tuple[float, float]:
    """What an answer says, SI, and the finest step that it could say."""
    if answer.id.startswith(("deep_", "clear_at", "ground_deep")):
        # Snow is read off to the inch or centimetre.
        return parse_length(answer.reading, tape.units), tape.stride_m("small")
    if answer.unit == "m":
        return parse_length(answer.reading, tape.units), tape.step_m
    if answer.unit == "rad":
        return math.radians(float(answer.reading.rstrip("°"))), math.radians(0.1)
    if answer.unit == "m2":
        number = float(answer.reading.split()[0].replace(",", ""))
        return (number * FOOT_M**2, FOOT_M**2) if tape.units == "feet" else (number, 0.1)
    if answer.unit == "K":
        degrees = 5 / 9 if answer.reading.endswith("F") else 1.0
        return float(answer.reading.split()[0]) * degrees, degrees
    if answer.unit == "count":
        return float(answer.reading.replace(",", "")), 1.0
    if answer.reading.endswith(" kg"):
        return float(answer.reading.removesuffix(" kg").replace(",", "")), 1.0
    kind = "load" if answer.reading.endswith((" cu ft", " L")) else AMOUNTS[answer.unit]
    if answer.reading.endswith((" cfm", " m³/h")):
        kind = "air"
    if answer.reading.endswith(" lb") and answer.unit == "kg":
        kind = "hung"
    value = parse_amount(answer.reading.replace(",", ""), kind, tape.units)
    return value, 1e-4 if answer.id == "datum_fall" else amount_step(kind, tape.units)


def some_house(chance: random.Random) -> tuple[HousePlan, HouseDesign]:
    """A house of any shape, sized at random, with readings of every kind on ground that falls; what can be one."""
    while True:
        try:
            return _some_house(chance)
        except DesignError:
            continue


def _some_house(chance: random.Random) -> tuple[HousePlan, HouseDesign]:
    units: Units = chance.choice(("feet", "metric"))
    design: Any = new_house(units).model_dump()
    size = design["size"]
    size["span_m"], size["length_m"] = chance.uniform(3.5, 8.0), chance.uniform(6.0, 30.0)
    house = new_house(units).model_copy(
        update={
            "size": new_house(units).size.model_copy(update={"span_m": size["span_m"], "length_m": size["length_m"]})
        }
    )
    size["shape"] = shape_of(chance.choice(list(SHAPE_LABELS)), house.size).model_dump()
    design["tape"] |= {"inch_parts": chance.choice((8, 16, 32)), "mm_step": chance.choice((1, 2, 5))}
    design["set_out"] |= {"to": chance.choice(("centres", "posts", "bows")), "tape_m": chance.choice((8.0, 30.0))}
    design["bows"] |= {"stick_m": chance.choice((5.0, 6.0, 6.4)), "max_spacing_m": chance.uniform(0.8, 2.0)}
    design["pad"] |= {"kind": chance.choice(("as_it_lies", "regrade", "raise")), "raise_m": 0.2, "stone_m": 0.07}
    design["bending"] |= {"former_m": chance.choice((None, size["span_m"] * 0.4)), "tail_m": chance.uniform(0, 0.4)}
    if chance.random() < 0.5:
        design["boards"] |= {"hip": "board", "hip_m": chance.uniform(0.9, 1.3)}
        design["cover"] |= {
            "made": chance.choice(("apart", "gathered")),
            "edge": chance.choice(("base", "hip", "ground")),
            "below": chance.choice(("tail", "own")),
            "sides": chance.choice(("track", "buried", "eyelets")),
            "bought": chance.choice(("roll", "made")),
            "lash": chance.choice(("none", "each")),
        }
        design["sheets"] |= {
            "on": chance.choice(("none", "none", "both")),
            "kind": chance.choice(("waves", "chambers")),
        }
        design["air"] |= {"cold_c": chance.uniform(-20.0, 0.0), "warm_c": chance.uniform(2.0, 18.0), "vent": "fans"}
        design["air"]["fan_m3_s"] = chance.uniform(1.0, 8.0)
        design["weather"]["layers"] = chance.choice(("one", "two"))
    design["level"]["tops"] = chance.choice(("level", "fall"))
    read_design = type(house).model_validate(design)
    bows, length, width = design_bays(read_design).bows, size["length_m"], size["span_m"]
    off = [chance.uniform(-0.006, 0.006) for _ in range(6)]
    across = diagonal(length, width)
    lines = dict(zip(("ab", "dc", "ad", "bc", "ac", "bd"), (length, length, width, width, across, across), strict=True))
    taped = Taping(**{f"{line}_m": at + more for (line, at), more in zip(lines.items(), off, strict=True)})
    pegs = {
        f"{side}{bow}": 1.5 + 0.01 * bow + chance.uniform(-0.05, 0.05) for side in "LR" for bow in range(1, bows + 1)
    }
    record = SiteRecord(
        taped=taped,
        earlier=(taped,),
        levels=Levels(pegs=pegs, closing_m=pegs["L1"]),
        trial=TrialBend(chord_m=1.0, height_m=0.06),
        bows={"1": BowCheck(width_m=width + 0.01, height_m=2.0), "2": BowCheck(width_m=width - 0.02)},
    )
    return plan_house(read_design, record, default_catalogue()), read_design


def test_every_answer_is_printed_on_the_safe_side(pytestconfig: pytest.Config) -> None:
    chance, seen = random.Random(20), set[str]()
    plans = [plan_house(*each, default_catalogue(), slow=True) for each in demo_houses()] + [make_plan()]
    plans += [some_house(chance)[0] for _ in range(300 if pytestconfig.getoption("--deep") else 36)]
    for plan in plans:
        for answer in (each for step in plan.steps for each in step.answers):
            way = rounded(answer.id)
            seen.add(answer.id)
            if answer.id in WORDS or answer.id.startswith("move_") or answer.reading in ("none", "not known"):
                continue
            says, step = read(answer, plan.tape)
            where, value = (answer.id, answer.reading, answer.value), abs(answer.value)
            if way == "nearest":
                assert abs(says - value) <= step / 2 * (1 + 1e-6) + 1e-9, where
            else:
                over = (says - value) * (1 if way == "up" else -1)
                assert -1e-6 * max(step, 1e-3) <= over < step * (1 + 1e-6), where
    # All that is listed is told somewhere, or is of houses that none of these are.
    assert {"embedment_least", "headroom", "tube", "lever", "skew", "stone", "banks", "drain_flow", "restart"} <= seen
    assert {"side_high", "sheet_long", "order_wide", "day_gust", "fans_count", "drips", "layers_pull"} <= seen


def test_nobody_adds_an_answer_without_saying_how_it_is_rounded() -> None:
    # Two rooms that round one name otherwise are found out.
    told = {rounded(name) for room in rooms() for name in room.down | room.up | room.nearest}
    assert told == {"down", "up", "nearest"}
    with pytest.raises(ValueError, match="“headroom” is rounded two ways"):
        declare(["headroom"], "up")
    assert (rounded("former_2"), rounded("move_B"), rounded("taping_12"), rounded("corner_3")) == (
        ("nearest", "nearest", "up", "nearest")
    )
    with pytest.raises(LookupError, match="how “snow” is rounded"):
        rounded("snow")


def test_play_between_tubes_is_never_told_as_more() -> None:
    """1.530 − 1.375 = 0.155 in; a tube of 42.4 mm in a bore of 48.3 − 2·2.6 = 43.1 mm has 0.7 mm."""
    step = next(each for each in make_plan().steps if each.id == "bows")
    found = next(each for each in step.answers if each.id == "slides_into")
    assert float(found.note.split('"')[0]) * 0.0254 <= found.value + 1e-9
    assert found.value - float(found.note.split('"')[0]) * 0.0254 < tube_step_m("feet")


def test_a_length_of_pipe_is_printed_one_way() -> None:
    # What is bought of a sprung bow is what is sprung.
    for span_m in (2.9, 3.0, 3.1, 3.17):
        shape = {"kind": "sprung", "leg_m": 0.5, "pipe_m": 4.9 * span_m / 3}
        plan = make_plan(tape__units="metric", size__span_m=span_m, size__shape=shape, bows__tube="pvc-1")
        assert reading_of(plan, "bows", "tube") == reading_of(plan, "bend", "pipe")
