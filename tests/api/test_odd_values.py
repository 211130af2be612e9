"""One odd value anywhere in a house that is otherwise whole: a sentence from wherever it comes in."""

import json
import random
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from obtegum.cli import main
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.house.starters import demo_houses, new_house
from obtegum.exchange.housefile import write_house_file
from tests.houses import Maker

# As they stand in the text: out of range, no numbers, numbers as text, other kinds.
ODD = (
    "99999999",
    "-99999999",
    "1e308",
    "-1e308",
    "5e-324",
    "1e999",
    "1" + "0" * 400,
    "1" + "0" * 5000,
    "NaN",
    "-Infinity",
    '"12"',
    '"1e999"',
    '"\\ud800"',
    '"' + "x" * 3000 + '"',
    "null",
    "true",
    "[]",
    "{}",
    "[[[[1]]]]",
)
HERE = "@here@"
CALLS = 1200
Path_ = tuple[str | int, ...]


def leaves(node: Any, path: Path_ = ()) -> Iterator[Path_]:
    """Where each value of a document stands."""
    inner = node.items() if isinstance(node, dict) else enumerate(node) if isinstance(node, list) else ()
    below = [each for key, value in inner for each in leaves(value, (*path, key))]
    yield from below or [path]


def with_odd(document: Any, path: Path_, odd: str) -> str:
    """The document's text with something else in one place."""
    text = json.dumps(document)
    changed = json.loads(text)
    inner = changed
    for key in path[:-1]:
        inner = inner[key]
    inner[path[-1]] = HERE
    return json.dumps(changed).replace(f'"{HERE}"', odd)


def said(answer: Any) -> None:
    """Done, or refused by a sentence."""
    assert answer.status_code < 500, answer.text
    if answer.status_code >= 400:
        detail = answer.json()["detail"]
        assert isinstance(detail, str) and detail.strip().endswith((".", "?")), detail


def test_an_odd_value_gets_a_sentence_everywhere(
    client: TestClient, tmp_path: Path, capsys: pytest.CaptureFixture[str], pytestconfig: pytest.Config
) -> None:
    deep = pytestconfig.getoption("--deep")
    chance = random.Random(3603)
    maker = Maker(chance)
    made = [maker.design() for _ in range(60 if deep else 6)]
    houses: list[tuple[HouseDesign, SiteRecord]] = [(new_house("feet"), SiteRecord()), *demo_houses()]
    houses += [(design, maker.record(design)) for design in made]
    files = [json.loads(write_house_file(*house)) for house in houses]
    designs = [json.loads(design.model_dump_json()) for design, _ in houses]
    in_files = [(file, path) for file in files for path in leaves(file)]
    in_designs = [(design, path) for design in designs for path in leaves(design)]
    heading = {"content-type": "application/json"}
    sentences = 0
    for _ in range(20_000 if deep else CALLS):
        way, odd = chance.choice(("file", "plan", "try", "remedies", "line")), chance.choice(ODD)
        if way == "file":
            answer = client.post("/api/house-files", content=with_odd(*chance.choice(in_files), odd), headers=heading)
            said(answer)
            sentences += answer.status_code >= 400
            continue
        design = with_odd(*chance.choice(in_designs), odd)
        if way == "line":
            file = tmp_path / "odd.json"
            file.write_text(design, encoding="utf-8")
            code = main(["plan", str(file)])
            told = capsys.readouterr()
            assert code in (0, 1) and bool(told.err) == (code == 1), told.err
            sentences += code
            continue
        body = {
            "remedies": f'{{"design": {design}}}',
            "try": f'{{"design": {design}, "edits": [{{"measure": "size.length_m", "text": "40 ft"}}]}}',
        }.get(way, design)
        answer = client.post(f"/api/{way}", content=body, headers=heading)
        said(answer)
        sentences += answer.status_code >= 400
    assert sentences > (20_000 if deep else CALLS) // 2
