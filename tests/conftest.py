"""Houses that several tests work on."""

from typing import Any

import pytest
from hypothesis import settings

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.reading import read_design
from obtegum.core.findings.work import Work
from obtegum.core.house.bench import begin
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M

# No test asserts a time; the machine that runs them may be busy.
settings.register_profile("calm", deadline=None, max_examples=40)
settings.register_profile("deep", deadline=None, max_examples=250)
settings.load_profile("calm")


def pytest_addoption(parser: pytest.Parser) -> None:
    parser.addoption("--deep", action="store_true", help="all of what is else done for a seeded share")
    parser.addoption("--kills", default=None, help="how often the kill test kills its server (8, or 500 with --deep)")


def pytest_configure(config: pytest.Config) -> None:
    settings.load_profile("deep" if config.getoption("--deep") else "calm")


# What takes longest is begun first, and what waits for a browser before what keeps a processor busy: so none is idle at
# the end.
LONG = (
    "kill/test_at_every_write",
    "browser/test_cards",
    "browser/test_frames",
    "kill/test_kill",
    "browser/test_typing",
    "browser/",
    "api/test_fuzz",
    "api/",
    "core/test_any_house",
    "core/test_remedies",
    "core/test_found",
    "core/test_ends",
    "core/test_rounding",
)


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    def turn(item: pytest.Item) -> int:
        return next((place for place, name in enumerate(LONG) if f"tests/{name}" in item.nodeid), len(LONG))

    items.sort(key=turn)


def house_document(**changes: Any) -> dict[str, Any]:
    """A 21 ft × 57 ft house, half a circle on 2 ft legs, 22 in reveal, 6 in insertion.

    Changes name a place with dots written as double underscores: ``size__span_m=6.0``.
    """
    document: dict[str, Any] = {
        "name": "Test house",
        "tape": {"units": "feet"},
        "size": {
            "span_m": 21 * FOOT_M,
            "length_m": 57 * FOOT_M,
            "shape": {"kind": "round_on_legs", "leg_m": 2 * FOOT_M},
            "figure": {"height_m": 69 * INCH_M, "from_left_m": 3 * FOOT_M},
        },
        "set_out": {"tape_m": 100 * FOOT_M, "second_tape_m": 100 * FOOT_M},
        "posts": {"tube": "post-1-5-8", "length_m": 48 * INCH_M, "reveal_m": 22 * INCH_M},
        "bows": {
            "tube": "rail-1-3-8",
            "insertion_m": 6 * INCH_M,
            "max_spacing_m": 4 * FOOT_M,
            "stick_m": 21 * FOOT_M,
            "joint_m": 5 * INCH_M,
        },
    }
    for place, value in changes.items():
        *parents, leaf = place.split("__")
        inner = document
        for name in parents:
            inner = inner.setdefault(name, {})
        inner[leaf] = value
    return document


def make_house(**changes: Any) -> HouseDesign:
    return read_design(house_document(**changes))


def make_plan(record: SiteRecord | None = None, **changes: Any) -> HousePlan:
    return plan_house(make_house(**changes), record or SiteRecord(), default_catalogue())


def make_bench(record: SiteRecord | None = None, **changes: Any) -> Work:
    return begin(make_house(**changes), record or SiteRecord(), default_catalogue())


def answer(plan: HousePlan, step: str, name: str) -> str:
    """The printed reading of an answer."""
    found = next(each for each in plan.steps if each.id == step)
    return next(each.reading for each in found.answers if each.id == name)


def verdict(plan: HousePlan, name: str) -> Any:
    return next((each for each in plan.verdicts if each.id == name), None)


@pytest.fixture
def plan() -> HousePlan:
    return make_plan()
