"""Undo and redo beside a model of them that knows nothing of revisions; four windows at once lose nothing."""

import random
import threading
import time
from dataclasses import dataclass, field
from typing import Any

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.store import NotUndone, Store, gestures, houses
from tests.api.conftest import page_client
from tests.conftest import make_house

# Changes that each window makes, however slow the machine.
LEAST = 6
FIELDS = {
    "span_m": (4.0, 9.0),
    "length_m": (10.0, 30.0),
    "post": (1.2, 2.0),
    "stick": (3.0, 8.0),
    "offset": (0.5, 3.0),
}
PLACES = {
    "span_m": ("size", "span_m"),
    "length_m": ("size", "length_m"),
    "post": ("posts", "length_m"),
    "stick": ("bows", "stick_m"),
    "offset": ("keep", "offset_m"),
}


def read(design: Any, name: str) -> float:
    part, leaf = PLACES[name]
    value: float = getattr(getattr(design, part), leaf)
    return value


def writing(changes: dict[str, float]) -> houses.Edit:
    def edit(design: Any, record: SiteRecord) -> houses.Edited:
        for name, value in changes.items():
            part, leaf = PLACES[name]
            design = design.model_copy(update={part: getattr(design, part).model_copy(update={leaf: value})})
        return houses.Edited(design, record, " ".join(f"{name} {value}" for name, value in changes.items()))

    return edit


@dataclass
class Gesture:
    """What was changed, from what, to what."""

    words: str
    name: str
    old: dict[str, float]
    new: dict[str, float]


@dataclass
class Model:
    """The values, and what each window did and took back, as a person would keep it on paper."""

    values: dict[str, float]
    done: dict[str, list[Gesture]] = field(default_factory=lambda: {"a": [], "b": [], "c": []})
    undone: dict[str, list[Gesture]] = field(default_factory=lambda: {"a": [], "b": [], "c": []})

    def change(self, window: str, changes: dict[str, float], name: str) -> None:
        old = {each: self.values[each] for each in changes if self.values[each] != changes[each]}
        if not old:
            return
        new = {each: changes[each] for each in old}
        self.values |= new
        self.undone[window] = []
        stack = self.done[window]
        words = " ".join(f"{each} {value}" for each, value in changes.items())
        if stack and name and stack[-1].name == name:
            last = stack[-1]
            merged = {**old, **last.old}
            stack[-1] = Gesture(words, name, merged, {**last.new, **new})
        else:
            stack.append(Gesture(words, name, old, new))

    def turn(self, window: str, way: str) -> str | None:
        """Undo or redo; the words of what was turned, or None."""
        source, target = (self.done, self.undone) if way == "undo" else (self.undone, self.done)
        for gesture in reversed(source[window]):
            now, then = (gesture.new, gesture.old) if way == "undo" else (gesture.old, gesture.new)
            # What a gesture left as it was is not its own.
            own = [each for each in gesture.new if gesture.new[each] != gesture.old[each]]
            if all(self.values[each] == now[each] for each in own):
                self.values |= {each: then[each] for each in own}
                source[window].remove(gesture)
                target[window].append(gesture)
                return gesture.words
        return None


@pytest.mark.parametrize("seed", range(5))
def test_undo_and_redo_do_as_the_model(store: Store, seed: int, request: pytest.FixtureRequest) -> None:
    chance = random.Random(seed)
    steps = 800 if request.config.getoption("--deep") else 120
    design = make_house(bows__joint_m=0.1, bows__max_spacing_m=1.0, posts__length_m=1.5, posts__reveal_m=0.5)
    house = houses.add(store, design, SiteRecord(), "Started").id
    model = Model({name: read(design, name) for name in FIELDS})
    names = dict.fromkeys("abc", "")
    for step in range(steps):
        window, what = chance.choice("abc"), chance.choice(["change"] * 5 + ["undo"] * 4 + ["redo"] * 3)
        if what == "change":
            picked = chance.sample(sorted(FIELDS), chance.choice([1, 1, 2]))
            changes = {name: round(chance.uniform(*FIELDS[name]), 1) for name in picked}
            if chance.random() < 0.6:
                names[window] = f"{window}{step}"
            gesture = houses.Gesture(houses.version(store, house), window, names[window])
            houses.change(store, house, gesture, writing(changes))
            model.change(window, changes, names[window])
        else:
            expected = model.turn(window, what)
            try:
                gestures.undo(store, house, houses.Gesture(None, window), what)  # type: ignore[arg-type]
                words = houses.revisions(store, house, 0, 1)[0].words.partition(": ")[2]
            except NotUndone:
                words = None
            assert words == expected, step
        now = houses.get(store, house).design
        assert {name: read(now, name) for name in FIELDS} == model.values, step


def test_four_windows_at_once_lose_nothing(store: Store, request: pytest.FixtureRequest) -> None:
    """Each pulls a field of its own by millimetres, and reads pegs of its own: all of it is there."""
    seconds = 60 if request.config.getoption("--deep") else 4
    house = houses.add(store, make_house(tape__units="metric"), SiteRecord(), "Started").id
    before, clients = houses.get(store, house).design, [page_client(store) for _ in range(4)]
    until = time.monotonic() + seconds
    fields = {name: tuple(name.split(".")) for name in ("keep.offset_m", "level.rod_m", "bows.stick_m", "keep.dig_m")}
    pulls: dict[str, int] = dict.fromkeys(fields, 0)
    pegs: dict[str, float] = {}
    wrong: list[str] = []

    def work(place: int, name: str) -> None:
        client, version, count = clients[place], 1, 0
        while time.monotonic() < until or count < LEAST:
            count += 1
            peg, reading = f"{'LR'[place % 2]}{place // 2 * 8 + count % 8 + 1}", 1 + count / 10_000
            edit = (
                {"measure": name, "steps": 1}
                if count % 2
                else {"measure": f"record.levels.pegs.{peg}", "text": f"{reading:.4f}"}
            )
            body = {"version": version, "window": name, "edits": [edit]}
            answer = client.patch(f"/api/houses/{house}?step=none", json=body)
            if answer.status_code != 200:
                wrong.append(answer.text[:300])
                return
            version = answer.json()["version"]
            if count % 2:
                pulls[name] += 1
            else:
                pegs[peg] = round(reading, 4)

    threads = [threading.Thread(target=work, args=each) for each in enumerate(fields)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert wrong == []
    after = houses.get(store, house)
    for name, (part, leaf) in fields.items():
        moved = getattr(getattr(after.design, part), leaf) - getattr(getattr(before, part), leaf)
        assert abs(moved * 1000 - pulls[name]) < 1, name
    assert after.record.levels.pegs == pytest.approx(pegs)
    assert min(pulls.values()) >= LEAST / 2
