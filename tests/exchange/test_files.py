"""Files out and in: a house, its tables, everything as one backup."""

import csv
import io
import json
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from obtegum.core.documents.house import SiteRecord
from obtegum.core.values.trouble import DesignError
from obtegum.exchange.housefile import HouseFile, read_house_file, write_house_file
from obtegum.exchange.tables import table_csv
from tests.api.conftest import client, store  # noqa: F401
from tests.conftest import house_document, make_bench, make_house

ROOT = Path(__file__).parents[2]
JSON = {"content-type": "application/json"}


def whole() -> dict[str, Any]:
    data: dict[str, Any] = json.loads(write_house_file(make_house(), SiteRecord(set_at_m={"peg:L1": 0.0})))
    return data


def test_a_house_goes_out_and_comes_in_whole() -> None:
    design, record = make_house(name="Quince “walk” ½"), SiteRecord(set_at_m={"post:R3": 2.0})
    assert read_house_file(write_house_file(design, record)) == (design, record)


def test_an_older_file_is_brought_up_to_date() -> None:
    document = {**house_document(), "schema_version": 1}
    assert read_house_file(json.dumps(document)) == (make_house(), SiteRecord())


def test_spots_of_an_older_file_get_their_places() -> None:
    """Version 2 kept spots as a list; one read twice at one place counts as read the second time."""
    spots = [{"x_m": 1.0, "y_m": 2.0, "reading_m": 1.6}, {"x_m": 1.001, "y_m": 2.0, "reading_m": 1.7}]
    document = {**whole(), "version": 2, "record": {"levels": {"spots": spots}}}
    _, record = read_house_file(json.dumps(document))
    assert {name: spot.reading_m for name, spot in record.levels.spots.items()} == {"100:200": 1.7}
    document["record"]["levels"]["spots"][0]["x_m"] = "here"
    with pytest.raises(DesignError, match="site record"):
        read_house_file(json.dumps(document))


def deep(levels: int) -> str:
    return '{"format": "obtegum house", "version": 2, "design": ' + "[" * levels + "]" * levels + "}"


@pytest.mark.parametrize(
    ("text", "part"),
    [
        ("", "cut short"),
        (json.dumps(whole())[:-40], "cut short"),
        ("\ufeff{}", "cut short"),
        (b"\xff\xfe\x00", "cut short"),
        ("[]", "not a house"),
        ("{}", "not a house"),
        ('{"format": "other", "version": 2}', "not a house"),
        (json.dumps({**whole(), "version": 4}), "newer Obtegum"),
        (json.dumps({**whole(), "version": "2"}), "which version"),
        (json.dumps({**whole(), "version": True}), "which version"),
        (json.dumps({**whole(), "colour": "red"}), "not known here"),
        (json.dumps({**whole(), "design": None}), "no house in it"),
        (json.dumps({**whole(), "design": house_document(size__span_m="wide")}), "length in metres"),
        (json.dumps({**whole(), "design": house_document(size__length_m=600, bows__max_spacing_m=0.3)}), "at the most"),
        (json.dumps({**whole(), "record": {"set_at_m": {"peg:L1": "near"}}}), "site record"),
        (json.dumps({**whole(), "record": {"set_at_m": {"shed": 1}}}), "site record"),
        (json.dumps({**whole(), "design": house_document(size__span_m=float("nan"))}), "NaN"),
        (json.dumps({**whole(), "design": house_document(size__span_m=float("-inf"))}), "-Infinity"),
        (deep(10_000), "nested deeper"),
        (" " * 16_000_001, "larger than 16 MB"),
    ],
)
def test_what_is_no_house_file_is_refused_with_a_sentence(text: str | bytes, part: str) -> None:
    with pytest.raises(DesignError) as refusal:
        read_house_file(text)
    assert part in str(refusal.value)


def test_a_refused_file_leaves_nothing_behind(client: TestClient) -> None:  # noqa: F811
    for text in ("{", deep(10_000), json.dumps({**whole(), "version": 9})):
        answer = client.post("/api/house-files", content=text, headers=JSON)
        assert answer.status_code == 422
        assert answer.json()["detail"].endswith(".")
    assert client.post("/api/house-files", content=b" " * 100_000_000, headers=JSON).status_code == 413
    tube = json.dumps({**whole(), "design": house_document(bows__tube="rope")})
    assert "rope" in client.post("/api/house-files", content=tube, headers=JSON).json()["detail"]
    assert client.get("/api/houses").json()["total"] == 0


def test_files_are_served_and_read_back(client: TestClient) -> None:  # noqa: F811
    house = client.post("/api/house-files", content=json.dumps(whole()), headers=JSON).json()
    answer = client.get(f"/api/houses/{house['id']}/file")
    assert "attachment" in answer.headers["content-disposition"]
    again = client.post("/api/house-files", content=answer.content, headers=JSON).json()
    assert again["design"] == house["design"]
    assert again["record"] == house["record"]
    for name in ("pegs.csv", "sticks.csv"):
        table = client.get(f"/api/houses/{house['id']}/{name}")
        assert table.headers["content-type"].startswith("text/csv")
        assert "reading" in table.text.splitlines()[0]


def test_the_published_schema_is_the_one_in_use(client: TestClient) -> None:  # noqa: F811
    published = json.loads((ROOT / "docs" / "house-file.schema.json").read_text(encoding="utf-8"))
    assert published == HouseFile.model_json_schema()
    assert client.get("/api/schema/house-file").json() == published


def test_tables_hold_every_reading() -> None:
    bench = make_bench()
    pegs = list(csv.DictReader(io.StringIO(table_csv("pegs", bench))))
    assert len(pegs) == 32
    assert pegs[1] == {
        "side": "left",
        "bow": "2",
        "corner": "",
        "reading": "3' 9 5/8\"",
        "station_m": "1.158240",
        "from_middle_m": "-3.200400",
        "to_far_corner_m": "16.215360",
        "set_at_m": "",
    }
    marks = list(csv.DictReader(io.StringIO(table_csv("sticks", bench))))
    assert {mark["stick"] for mark in marks} == {"Stick A", "Stick B"}
    assert marks[0]["reading"] == '6"'
