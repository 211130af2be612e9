"""What is measured on site, through the store: merged between windows, undone, carried in files and backups."""

import json
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from obtegum.core.documents.bend import TrialBend
from obtegum.core.documents.check_bows import BowCheck
from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.level import Levels, Spot
from obtegum.core.documents.square_up import Taping
from obtegum.exchange.housefile import read_house_file, write_house_file
from obtegum.store import Store, houses, open_store
from obtegum.store.backup import write_backup
from obtegum.store.restore import restore
from tests.api.conftest import page_client
from tests.conftest import house_document, make_house

WHOLE = SiteRecord(
    set_at_m={"peg:L1": 0.0},
    taped=Taping(ab_m=17.37, ac_m=18.5, held="ground"),
    earlier=(Taping(ab_m=17.4),),
    levels=Levels(pegs={"L1": 1.5, "R2": 1.612}, spots={"100:200": Spot(x_m=1, y_m=2, reading_m=1.6)}, closing_m=1.501),
    trial=TrialBend(chord_m=1.8, height_m=0.12, face="outside"),
    bows={"3": BowCheck(width_m=6.41, twist_m=0.01)},
)


@pytest.fixture
def store(tmp_path: Path) -> Iterator[Store]:
    opened = open_store(tmp_path)
    yield opened
    opened.close()


class Window:
    """One browser window at a house."""

    def __init__(self, store: Store, house: str, name: str) -> None:
        self.client = page_client(store)
        self.url, self.name, self.version = f"/api/houses/{house}", name, 1

    def set(self, measure: str, text: str) -> Any:
        body = {"version": self.version, "window": self.name, "edits": [{"measure": measure, "text": text}]}
        answer = self.client.patch(self.url, json=body)
        if answer.status_code == 200:
            self.version = answer.json()["version"]
        return answer

    def undo(self) -> Any:
        return self.client.post(f"{self.url}/undo", json={"window": self.name})


def metric(store: Store, record: SiteRecord | None = None) -> str:
    return houses.add(store, make_house(tape__units="metric"), record or SiteRecord(), "Started").id


def test_two_people_read_pegs_of_one_house_at_once(store: Store) -> None:
    house = metric(store)
    one, other = Window(store, house, "one"), Window(store, house, "other")
    assert one.set("record.levels.pegs.L1", "1.5").status_code == 200
    merged = other.set("record.levels.pegs.R1", "1.6")
    assert merged.json()["record"]["levels"]["pegs"] == {"L1": 1.5, "R1": 1.6}
    # Each takes back its own.
    assert one.undo().json()["record"]["levels"]["pegs"] == {"R1": 1.6}
    assert other.undo().json()["record"]["levels"]["pegs"] == {}


def test_the_same_peg_read_twice_shows_both_readings(store: Store) -> None:
    house = metric(store)
    one, other = Window(store, house, "one"), Window(store, house, "other")
    one.set("record.levels.pegs.L1", "1.5")
    clash = other.set("record.levels.pegs.L1", "1.52")
    assert clash.status_code == 409
    found = clash.json()["clashes"][0]
    assert (found["measure"], found["mine"], found["theirs"]) == ("record.levels.pegs.L1", "1.520 m", "1.500 m")
    bows = other.set("record.bows.2.width_m", "6.4")
    assert bows.status_code == 200


def test_a_bow_measured_in_two_windows_keeps_both_numbers(store: Store) -> None:
    house = metric(store)
    one, other = Window(store, house, "one"), Window(store, house, "other")
    one.set("record.bows.2.width_m", "6.41")
    other.version = one.version
    merged = other.set("record.bows.2.height_m", "3.8").json()["record"]["bows"]["2"]
    assert (merged["width_m"], merged["height_m"]) == (6.41, 3.8)


def test_blank_fields_of_a_taping_come_and_go(store: Store) -> None:
    window = Window(store, metric(store), "w")
    assert window.set("record.taped.ac_m", "18.5").json()["record"]["taped"]["ac_m"] == 18.5
    assert window.set("record.taped.ac_m", "").json()["record"]["taped"]["ac_m"] is None
    refused = window.set("record.taped.ac_m", "nothing")
    assert refused.json()["errors"][0]["measure"] == "record.taped.ac_m"
    assert window.undo().json()["record"]["taped"]["ac_m"] == 18.5


def test_optional_numbers_of_the_design_can_be_blank(store: Store) -> None:
    window = Window(store, metric(store), "w")
    assert window.set("bending.former_m", "2.9").json()["design"]["bending"]["former_m"] == 2.9
    assert window.set("bending.former_m", " ").json()["design"]["bending"]["former_m"] is None
    assert window.set("set_out.second_tape_m", "").json()["design"]["set_out"]["second_tape_m"] is None
    assert window.set("size.span_m", "").status_code == 422


def test_the_record_goes_through_files_and_backups_whole(store: Store, tmp_path: Path) -> None:
    design = make_house()
    assert read_house_file(write_house_file(design, WHOLE)) == (design, WHOLE)
    house = houses.add(store, design, WHOLE, "Started")
    write_backup(store, tmp_path / "all.zip")
    houses.change(store, house.id, houses.Gesture(1), lambda d, r: houses.Edited(d, SiteRecord(), "Emptied"))
    restore(store, tmp_path / "all.zip", lambda *_: None)
    assert houses.get(store, house.id).record == WHOLE


def test_a_house_kept_before_levels_and_bends_opens_with_their_usual_values() -> None:
    bare = house_document()
    del bare["set_out"]["second_tape_m"]
    old = {"format": "obtegum house", "version": 2, "design": bare, "record": {"set_at_m": {"peg:L1": 0.0}}}
    design, record = read_house_file(json.dumps(old))
    assert design.level.rod_m == 4.0
    assert design.bows.joint == "swaged"
    assert design.set_out.second_tape_m is None
    assert record.levels.pegs == {}
    assert record.set_at_m == {"peg:L1": 0.0}


@pytest.mark.parametrize(
    "record",
    [
        {"levels": {"pegs": {"Q1": 1.0}}},
        {"levels": {"pegs": {"L1": 99.0}}},
        {"taped": {"ab_m": 0.0}},
        {"taped": {"held": "aslant"}},
        {"bows": {"0": {"width_m": 3.0}}},
        {"trial": {"chord_m": -1.0}},
        {"levels": {"spots": [{"x_m": 1.0, "y_m": 1.0}]}},
    ],
)
def test_a_record_that_cannot_be_is_refused_in_a_file(record: dict[str, Any]) -> None:
    from obtegum.core.values.trouble import DesignError

    file = {"format": "obtegum house", "version": 2, "design": house_document(), "record": record}
    with pytest.raises(DesignError, match="site record"):
        read_house_file(json.dumps(file))
