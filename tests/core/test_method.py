"""Methods of reckoning: each by its code's own figures, asked by what follows and never by their name."""

import ast
from collections import defaultdict
from collections.abc import Iterator
from dataclasses import replace
from pathlib import Path

import pytest

import obtegum.core
from obtegum.core.formulas import method as methods
from obtegum.core.formulas.method import EUROPEAN, METHODS, PRESSURES_GIVEN, US
from obtegum.core.formulas.weather.place import Place
from obtegum.core.rooms.weather.found import method_of
from obtegum.core.values import physics
from tests.conftest import make_bench, make_plan
from tests.core.test_strength import told

CORE = Path(obtegum.core.__file__).parent


def modules() -> Iterator[tuple[str, ast.Module]]:
    for path in sorted(CORE.rglob("*.py")):
        yield path.relative_to(CORE).as_posix(), ast.parse(path.read_text())


def test_nothing_compares_the_name_of_a_method() -> None:
    """But for its own definition, and the choice by which it is told."""
    names, own = {"us", "eu", "given", "ultimate"}, {"formulas/method.py", "documents/weather.py"}
    found = [
        f"{name}:{node.lineno}"
        for name, tree in modules()
        if name not in own
        for node in ast.walk(tree)
        if isinstance(node, ast.Constant) and node.value in names
    ]
    assert found == []


def test_a_fourth_method_is_a_value_and_nothing_else(monkeypatch: pytest.MonkeyPatch) -> None:
    """The European one by another name plans as it does by its own; with another factor of wind it asks for more."""
    european = make_plan(**told(method="eu"))
    monkeypatch.setitem(methods.USUAL, "feet", replace(EUROPEAN, id="fourth"))
    assert make_plan(**told(method="units")).verdicts == european.verdicts
    windier = replace(EUROPEAN, id="fourth", factors=replace(EUROPEAN.factors, wind=1.8))
    monkeypatch.setitem(methods.USUAL, "feet", windier)
    usual, more = (
        [each for each in plan.verdicts if each.ratio is not None and each.step == "strength"]
        for plan in (european, make_plan(**told(method="units")))
    )
    assert max(each.ratio or 0 for each in more) > max(each.ratio or 0 for each in usual)


def test_the_method_is_that_of_the_units_until_another_is_told() -> None:
    assert method_of(make_bench(**told(method="units"))) is US
    assert method_of(make_bench(**told(method="units"), tape__units="metric")) is EUROPEAN
    assert method_of(make_bench(**told(method="eu"))) is EUROPEAN
    assert method_of(make_bench(weather={"method": "given"}, tape__units="metric")) is PRESSURES_GIVEN
    assert set(METHODS) == {"us", "eu", "given"}


def test_factors_in_service_by_hand() -> None:
    """ASCE 7-16 2.4.1: 0.6 W is in service already; EN 1990: 1.5 over 1.5 is all of the characteristic wind."""
    assert US.factors.service_wind == 0.6 and US.factors.in_service
    assert EUROPEAN.factors.service_wind == 1.0 and not EUROPEAN.factors.in_service
    assert EUROPEAN.factors.partial == 1.5 and EUROPEAN.factors.dead == 1.35 and EUROPEAN.factors.steadies == 0.9
    assert PRESSURES_GIVEN.factors.service_wind == 1.0


def test_the_gust_that_is_felt_by_hand() -> None:
    """US: without Kd. EN: vb 26 m/s is qp(10) = 0.625·26²·(1 + 7/ln 200)·(0.19·ln 200)² in open country."""
    place = Place(speed_mps=45.0)
    assert US.code.gust_mps(place, 0.6) == pytest.approx(45 * (0.6 * 0.85) ** 0.5)
    assert EUROPEAN.code.gust_mps(Place(speed_mps=26.0, openness="woods"), 1.0) == pytest.approx(39.92, abs=0.05)
    assert PRESSURES_GIVEN.code.gust_mps(place, 1.0) is None


def test_pressures_as_given_say_nothing_of_ends_and_walls() -> None:
    with pytest.raises(ValueError, match="ends"):
        PRESSURES_GIVEN.code.ends(500.0, None)  # type: ignore[arg-type]
    with pytest.raises(ValueError, match="wall"):
        PRESSURES_GIVEN.code.wall_pa(500.0, 1.0, 0.0)


# Constants of physics and of codes, each with the one module that may write its figure down.
FIGURES = {
    9.80665: "values/physics.py",
    9.81: "",
    7850.0: "values/physics.py",
    235e6: "values/physics.py",
    360e6: "values/physics.py",
    1.225: "values/physics.py",
    200e9: "formulas/method.py",
    210e9: "formulas/method.py",
    1.67: "formulas/frame/steel.py",
    770.0: "formulas/weather/asce_wind.py",
    0.613: "formulas/film.py",
    3600.0: "values/amount.py",
}


def test_each_constant_is_written_down_once() -> None:
    found = [
        f"{node.value!r} in {name}:{node.lineno}"
        for name, tree in modules()
        for node in ast.walk(tree)
        if isinstance(node, ast.Constant) and isinstance(node.value, int | float)
        if node.value in FIGURES and FIGURES[node.value] != name
    ]
    assert found == []
    assert physics.STEEL_KG_M3 == physics.DENSITY_KG_M3["steel"] == 7850.0


# Names that stand for one kind of thing in many modules, each with its own figure: how near is the same, how a sheet
# is laid out, and tables of two codes that happen to agree.
OF_ITS_OWN = {"SAME", "SAME_M", "SQUARE_RAD", "WHOLE", "PLACES", "MOST_TOLD", "MOST_ROUNDS", "BARE", "WINDWARD"}


def test_no_rule_is_defined_a_second_time() -> None:
    """A constant of one name and one figure in two modules is a rule that could be changed in one of them alone."""
    defined = defaultdict[tuple[str, str], set[str]](set)
    for name, tree in modules():
        if not name.startswith("rooms/") or name.rsplit("/", 1)[1] in ("found.py", "step.py", "judged.py", "cures.py"):
            for key in constants(tree):
                defined[key].add(name)
    twice = {key: sorted(where) for key, where in defined.items() if len(where) > 1 and key[0] not in OF_ITS_OWN}
    assert twice == {}


def constants(tree: ast.Module) -> Iterator[tuple[str, str]]:
    for node in tree.body:
        if not isinstance(node, ast.Assign):
            continue
        names = node.targets[0].elts if isinstance(node.targets[0], ast.Tuple) else [node.targets[0]]
        values = node.value.elts if len(names) > 1 and isinstance(node.value, ast.Tuple) else [node.value]
        for one, value in zip(names, values, strict=False):
            if isinstance(one, ast.Name) and isinstance(value, ast.Constant) and isinstance(value.value, int | float):
                yield one.id, ast.unparse(value)
