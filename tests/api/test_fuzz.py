"""Whatever legal houses, retries and double clicks do: no answer breaks, and what is kept can always be opened.

A seeded share by default, 20,000 calls with ``--deep``.
"""

import random
import threading
import uuid
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest

from obtegum.core.house.starters import demo_houses
from obtegum.exchange.housefile import HouseFile
from obtegum.store import houses, open_store
from tests.api.conftest import page_client
from tests.api.legal import Legal

STEPS = [
    *("size", "inside", "shapes", "set-out", "square-up", "keep-pegs", "level", "earth", "drain"),
    *("posts", "bows", "bend", "check-bows"),
]
TEXTS = [
    *("20", "6.5", "2.25 m", "7' 4 1/2", "0", "-3", "wide", "", " ", "1e9", "999999", "0.001", "88 in", "1:100", "5 %"),
    *("3,5", "12.3456789", "½", "40 cm", "300 m", "0.3", "19' 11 15/16\"", "9" * 40),
]


class Somebody:
    """Does one thing after the other in a yard, as its seed says, and looks whether it can still be opened."""

    def __init__(self, folder: Path, seed: int) -> None:
        self.chance = random.Random(seed)
        self.store = open_store(folder)
        houses.add_if_empty(self.store, demo_houses(), "Started")
        self.client = page_client(self.store)
        self.legal = Legal(HouseFile.model_json_schema(), self.chance)
        self.calls = 0
        self.kept = 0
        self.files = [self.client.get(f"/api/houses/{house}/file").json() for house in self.yard()]

    def yard(self, shelf: str = "standing") -> list[str]:
        found = self.ask("GET", f"/api/houses?shelf={shelf}&most=100").json()
        assert [each["why"] for each in found["houses"] if each["yard"] is None] == []
        return [each["id"] for each in found["houses"]]

    def ask(self, method: str, path: str, **call: Any) -> Any:
        answer = self.client.request(method, path, **call)
        self.calls += 1
        assert answer.status_code < 500, (method, path, call, answer.text[:400])
        if answer.status_code >= 400:
            assert answer.json()["detail"], (method, path, call)
        return answer

    def change(self, method: str, path: str, **call: Any) -> Any:
        """A change, some of them sent again, some twice at once; repeats come to the same."""
        headers = {**call.pop("headers", {}), "idempotency-key": uuid.uuid4().hex}
        way = self.chance.random()
        if way < 0.1:
            answers: list[Any] = []
            threads = [
                threading.Thread(target=lambda: answers.append(self.ask(method, path, headers=headers, **call)))
                for _ in range(2)
            ]
            for thread in threads:
                thread.start()
            for thread in threads:
                thread.join()
            assert len(answers) == 2, (method, path, call)
        else:
            answers = [self.ask(method, path, headers=headers, **call) for _ in range(2 if way < 0.25 else 1)]
        codes = {answer.status_code for answer in answers}
        assert len(codes) == 1, (method, path, call, codes)
        if codes <= {200, 201}:
            first, *again = (answer.json() for answer in answers)
            assert all((each["id"], each["version"]) == (first["id"], first["version"]) for each in again)
            self.kept += 1
            self.opens(first["id"])
        return answers[0]

    def opens(self, house: str) -> None:
        """What was kept can be opened, in the step that comes to mind."""
        answer = self.ask("GET", f"/api/houses/{house}", params={"step": self.chance.choice(STEPS), "window": "w"})
        assert answer.status_code == 200, answer.text[:400]

    def one(self) -> None:
        """One thing."""
        house = self.chance.choice(self.yard())
        doing: list[tuple[Callable[[str], Any], int]] = [
            *((self.edit, 40), (self.file, 12), (self.readings, 6), (self.spot, 8), (self.tick, 6)),
            *((self.undo, 14), (self.history, 6), (self.shelf, 3), (self.tables, 3), (self.backup, 1)),
        ]
        act = self.chance.choices([each for each, _ in doing], [weight for _, weight in doing])[0]
        act(house)

    def version(self, house: str) -> int:
        now: int = self.ask("GET", f"/api/houses/{house}/version").json()["version"]
        return max(now - self.chance.choice([0, 0, 0, 1, 4]), 1)

    def window(self) -> str:
        return self.chance.choice(["a", "b", ""])

    def edit(self, house: str) -> None:
        shown = self.chance.choice(STEPS)
        plan = self.ask("GET", f"/api/houses/{house}", params={"step": shown}).json()["plan"]
        measures = [*plan["measures"].values()]
        edits = []
        for _ in range(self.chance.choice([1, 1, 1, 2, 5])):
            measure = self.chance.choice(measures)
            name = self.chance.choice(
                [measure["id"]] * 9
                + ["record.levels.pegs.R3", "record.bows.2.width_m", "record.bows.3.twist_m", "nonsense"]
            )
            edit: dict[str, Any] = {"measure": name}
            if measure["options"]:
                edit["text"] = self.chance.choice(measure["options"])["id"]
            elif self.chance.random() < 0.4:
                steps = self.chance.choice([1, -1, 3, -40, 400, 10_000])
                edit |= {"steps": steps, "stride": self.chance.choice(["fraction", "small", "large"])}
            elif self.chance.random() < 0.2:
                edit["value_m"] = self.chance.choice([0.0, self.chance.uniform(0, 30), 1e308, -1e308, 5e-324])
            else:
                edit["text"] = self.chance.choice([*TEXTS, f"{self.chance.uniform(0, 30):.3f}"])
            edits.append(edit)
        body = {"version": self.version(house), "window": self.window(), "edits": edits}
        self.change("PATCH", f"/api/houses/{house}", json=body, params={"step": self.chance.choice(STEPS)})

    def file(self, house: str) -> None:
        file = self.chance.choice(self.files)
        schema = self.legal.schema
        times = self.chance.choice([1, 2, 4, 12])
        made = self.legal.draw(schema) if self.chance.random() < 0.1 else self.legal.changed(file, schema, times)
        self.change("POST", "/api/house-files", json=made, params={"step": self.chance.choice(STEPS)})

    def readings(self, house: str) -> None:
        lines = [f"{self.chance.choice('LR')}{self.chance.randint(1, 20)},{self.chance.choice(['1.5', '5 ft', 'x'])}"]
        lines += [f"{self.chance.randint(-4, 40)},{self.chance.randint(-4, 9)},1.{self.chance.randint(1, 999)}"] * 3
        text = "\n".join(self.chance.sample(lines, self.chance.randint(1, len(lines))))
        path, sent = f"/api/houses/{house}/readings", {"content-type": "text/csv"}
        self.change("POST", path, content=text, headers=sent, params={"window": self.window()})

    def spot(self, house: str) -> None:
        spots = self.ask("GET", f"/api/houses/{house}/spots").json()["spots"]
        if spots and self.chance.random() < 0.4:
            params = {"version": self.version(house), "window": self.window()}
            self.change("DELETE", f"/api/houses/{house}/spots/{self.chance.choice(spots)['id']}", params=params)
            return
        place = {name: self.chance.choice(TEXTS) for name in ("along", "across", "rod")}
        self.change("POST", f"/api/houses/{house}/spots", json={"version": 1, "window": self.window(), **place})

    def tick(self, house: str) -> None:
        tick = f"{self.chance.choice(['peg', 'post'])}:{self.chance.choice('LR')}{self.chance.randint(1, 30)}"
        body = {
            "version": self.version(house),
            "window": self.window(),
            "tick": tick,
            "done": self.chance.random() < 0.7,
        }
        self.change("POST", f"/api/houses/{house}/ticks", json=body)
        if self.chance.random() < 0.2:
            body = {"version": self.version(house), "window": self.window()}
            self.change("POST", f"/api/houses/{house}/acts/tape-anew", json=body)

    def undo(self, house: str) -> None:
        way = self.chance.choice(["undo", "undo", "redo"])
        self.change("POST", f"/api/houses/{house}/{way}", json={"window": self.window()})

    def history(self, house: str) -> None:
        lines = self.ask("GET", f"/api/houses/{house}/revisions", params={"most": 50}).json()["revisions"]
        assert all(each["drawing"] for each in lines)
        version = self.chance.choice(lines)["version"]
        answer = self.ask("GET", f"/api/houses/{house}/revisions/{version}", params={"step": self.chance.choice(STEPS)})
        assert answer.status_code == 200
        if self.chance.random() < 0.5:
            self.change("PUT", f"/api/houses/{house}/revision", json={"to": version, "window": self.window()})

    def shelf(self, house: str) -> None:
        shelf = self.chance.choice(["put_away", "deleted"])
        self.ask("PUT", f"/api/houses/{house}/shelf", json={"shelf": shelf})
        if len(self.yard()) < 3 or self.chance.random() < 0.3:
            self.ask("PUT", f"/api/houses/{house}/shelf", json={"shelf": "standing"})
        elif shelf == "deleted":
            self.ask("DELETE", f"/api/houses/{house}")
        while len(self.yard()) > 12:
            self.ask("PUT", f"/api/houses/{self.yard()[-1]}/shelf", json={"shelf": "deleted"})
            self.ask("DELETE", "/api/houses")

    def tables(self, house: str) -> None:
        kinds = ["file", "pegs.csv", "levels.csv", "tapings.csv", "sticks.csv", "setting-out.geojson"]
        kind = self.chance.choice([*kinds, "setting-out.dxf", "sheet.pdf"])
        assert self.ask("GET", f"/api/houses/{house}/{kind}").status_code == 200

    def backup(self, house: str) -> None:
        before = self.yard()
        file = self.ask("GET", "/api/backup").content
        answer = self.ask("POST", "/api/backup", content=file, headers={"content-type": "application/zip"}).json()
        assert (answer["left_out"], answer["unplanned"]) == ([], [])
        assert self.yard() == before

    def opens_whole(self) -> None:
        """Every house with every drawing and every table."""
        for house in self.yard():
            assert self.ask("GET", f"/api/houses/{house}").status_code == 200


@pytest.mark.parametrize("seed", range(4))
def test_nothing_breaks_and_all_that_is_kept_opens(tmp_path: Path, seed: int, request: pytest.FixtureRequest) -> None:
    calls = 5000 if request.config.getoption("--deep") else 90
    somebody = Somebody(tmp_path / "data", seed)
    while somebody.calls < calls:
        somebody.one()
    somebody.opens_whole()
    # Some of what was tried was kept: not all of it is refused.
    assert somebody.kept > calls / 40
    somebody.store.close()
