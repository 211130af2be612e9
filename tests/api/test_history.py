"""Undo, redo, history, and two windows on one house."""

from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from obtegum.core.documents.house import SiteRecord
from obtegum.store import NotUndone, Store, gestures, houses, open_store
from obtegum.store.changes import apply_patch, blocked, combine, difference, invert
from tests.conftest import make_house


class Window:
    """A window on a house, as the interface keeps it."""

    def __init__(self, client: TestClient, house: str, name: str) -> None:
        self.client, self.house, self.name = client, house, name
        self.version = self.look()["version"]

    def look(self) -> Any:
        return self.client.get(f"/api/houses/{self.house}", params={"window": self.name}).json()

    def _took(self, answer: Any) -> Any:
        if answer.status_code == 200:
            self.version = answer.json()["version"]
        return answer

    def change(self, measure: str, text: str, gesture: str = "") -> Any:
        edits = [{"measure": measure, "text": text}]
        body = {"version": self.version, "window": self.name, "gesture": gesture, "edits": edits}
        return self._took(self.client.patch(f"/api/houses/{self.house}", json=body))

    def undo(self, way: str = "undo") -> Any:
        return self._took(self.client.post(f"/api/houses/{self.house}/{way}", json={"window": self.name}))

    def reading(self, measure: str) -> str:
        reading: str = self.look()["plan"]["measures"][measure]["reading"]
        return reading


@pytest.fixture
def house(client: TestClient) -> str:
    name: str = client.post("/api/houses", json={"units": "feet"}).json()["id"]
    return name


def test_undo_and_redo_walk_a_window_s_own_gestures(client: TestClient, house: str) -> None:
    here = Window(client, house, "a")
    for measure, text in (("size.span_m", "20"), ("size.length_m", "50"), ("size.shape", "round")):
        assert here.change(measure, text).status_code == 200
    assert here.look()["undo"] == "Shape one arc, any height"
    for _ in range(2):
        assert here.undo().status_code == 200
    readings = [here.reading(measure) for measure in ("size.shape", "size.length_m", "size.span_m")]
    assert readings == ["round_on_legs", "40' 0\"", "20' 0\""]
    assert here.undo("redo").json()["undo"] == "Length 50' 0\""
    assert here.reading("size.length_m") == "50' 0\""
    assert here.undo("redo").json()["redo"] is None
    answer = here.undo("redo")
    assert answer.status_code == 409
    assert answer.json()["detail"] == "This window has nothing to redo."


def test_a_new_change_forgets_what_was_undone(client: TestClient, house: str) -> None:
    here = Window(client, house, "a")
    here.change("size.span_m", "20")
    here.undo()
    here.change("size.length_m", "44")
    assert here.look()["redo"] is None
    assert here.look()["undo"] == "Length 44' 0\""


def test_a_gesture_is_undone_whole(client: TestClient, house: str) -> None:
    here = Window(client, house, "a")
    for text in ("20", "21", "22"):
        here.change("size.span_m", text, gesture="pull")
    here.undo()
    assert here.reading("size.span_m") == "18' 0\""
    here.undo("redo")
    assert here.reading("size.span_m") == "22' 0\""


def test_two_windows_lose_nothing_of_each_other(client: TestClient, house: str) -> None:
    one, other = Window(client, house, "a"), Window(client, house, "b")
    one.change("size.span_m", "20")
    assert other.change("size.length_m", "50").status_code == 200
    assert (other.reading("size.span_m"), other.reading("size.length_m")) == ("20' 0\"", "50' 0\"")
    # Each undoes its own.
    assert one.undo().status_code == 200
    assert (one.reading("size.span_m"), one.reading("size.length_m")) == ("18' 0\"", "50' 0\"")


def test_the_same_value_changed_twice_is_shown_from_both_sides(client: TestClient, house: str) -> None:
    one, other = Window(client, house, "a"), Window(client, house, "b")
    one.change("size.span_m", "20")
    answer = other.change("size.span_m", "25")
    assert answer.status_code == 409
    assert answer.json()["clashes"] == [
        {"measure": "size.span_m", "label": "Width", "mine": "25' 0\"", "theirs": "20' 0\""}
    ]
    assert one.reading("size.span_m") == "20' 0\""
    other.version = answer.json()["current"]["version"]
    assert other.change("size.span_m", "25").status_code == 200


def test_both_windows_wanting_the_same_is_no_clash(client: TestClient, house: str) -> None:
    one, other = Window(client, house, "a"), Window(client, house, "b")
    one.change("size.span_m", "20")
    assert other.change("size.span_m", "20").status_code == 200


def test_undo_is_refused_when_the_value_moved_on(client: TestClient, house: str) -> None:
    one, other = Window(client, house, "a"), Window(client, house, "b")
    one.change("size.span_m", "20")
    other.version = other.look()["version"]
    other.change("size.span_m", "25")
    answer = one.undo()
    assert answer.status_code == 409
    assert "Changed since in another window" in answer.json()["detail"]
    assert one.reading("size.span_m") == "25' 0\""


def test_undo_that_would_not_fit_is_refused(client: TestClient, house: str) -> None:
    one, other = Window(client, house, "a"), Window(client, house, "b")
    one.change("bows.max_spacing_m", "3")
    other.version = other.look()["version"]
    other.change("size.length_m", "3' 6\"")
    answer = one.undo()
    assert answer.status_code == 422
    assert "further apart than the house is long" in answer.json()["detail"]


def test_history_lists_gestures_and_brings_any_back(client: TestClient, house: str) -> None:
    here = Window(client, house, "a")
    here.change("size.span_m", "20", gesture="g")
    here.change("size.span_m", "21", gesture="g")
    here.change("name", "Orchard")
    listed = client.get(f"/api/houses/{house}/revisions", params={"window": "a"}).json()["revisions"]
    assert [each["words"] for each in listed] == ["Name Orchard", "Width 21' 0\"", "Started"]
    assert [each["own"] for each in listed] == [True, True, False]
    assert all(each["drawing"]["items"] for each in listed)
    page = client.get(f"/api/houses/{house}/revisions", params={"start": 1, "most": 1}).json()["revisions"]
    assert [each["version"] for each in page] == [3]
    old = client.get(f"/api/houses/{house}/revisions/1").json()
    assert old["plan"]["measures"]["size.span_m"]["reading"] == "18' 0\""
    back = client.put(f"/api/houses/{house}/revision", json={"to": 1, "window": "a"}).json()
    assert (back["version"], back["design"]) == (5, old["design"])
    here.undo()
    assert here.look()["design"]["name"] == "Orchard"
    assert client.get(f"/api/houses/{house}/revisions/99").status_code == 404


def test_ticks_are_undone_like_everything_else(client: TestClient, house: str) -> None:
    here = Window(client, house, "a")
    body = {"version": here.version, "window": "a", "tick": "peg:L1", "done": True}
    client.post(f"/api/houses/{house}/ticks", json=body)
    assert here.look()["undo"] == "Peg 1 left set"
    here.undo()
    assert here.look()["record"]["set_at_m"] == {}


def test_a_copy_starts_with_nothing_done(client: TestClient, house: str) -> None:
    body = {"version": 1, "window": "a", "tick": "peg:L1", "done": True}
    client.post(f"/api/houses/{house}/ticks", json=body)
    copy = client.post("/api/houses", json={"copy_of": house}).json()
    assert copy["design"]["name"] == "New house, copy"
    assert copy["record"]["set_at_m"] == {}
    assert client.post("/api/houses", json={"copy_of": "nowhere"}).status_code == 404


def test_shelves_take_and_give_back(client: TestClient, house: str) -> None:
    def on(shelf: str) -> int:
        total: int = client.get("/api/houses", params={"shelf": shelf}).json()["total"]
        return total

    for shelf in ("put_away", "deleted", "standing"):
        assert client.put(f"/api/houses/{house}/shelf", json={"shelf": shelf}).json()["version"] == 1
        assert {name: on(name) for name in ("standing", "put_away", "deleted")} == {
            name: int(name == shelf) for name in ("standing", "put_away", "deleted")
        }
    assert client.put(f"/api/houses/{house}/shelf", json={"shelf": "lost"}).status_code == 422


edits = st.lists(
    st.tuples(st.sampled_from("ab"), st.sampled_from(["change", "undo", "redo"]), st.integers(4, 12)), max_size=14
)


@settings(max_examples=25, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(edits)
def test_undoing_everything_of_both_windows_leads_back(store: Store, edits: list[tuple[str, str, int]]) -> None:
    """Window a changes the width only, b the length only: each way back is open."""
    start = make_house(size__span_m=5.0, size__length_m=20.0)
    house = houses.add(store, start, SiteRecord(), "Started")
    paths = {"a": "span_m", "b": "length_m"}
    for window, what, value in edits:
        now = houses.get(store, house.id)
        if what == "change":

            def edit(design: Any, record: Any, window: str = window, value: int = value) -> houses.Edited:
                size = design.size.model_copy(update={paths[window]: float(value)})
                return houses.Edited(design.model_copy(update={"size": size}), record, "changed")

            houses.change(store, house.id, houses.Gesture(now.version, window), edit)
        else:
            try:
                gestures.undo(store, house.id, houses.Gesture(None, window), what)  # type: ignore[arg-type]
            except NotUndone:
                assert gestures.undoable(store, house.id, window)[0 if what == "undo" else 1] is None
    for window in "ab":
        while gestures.undoable(store, house.id, window)[0] is not None:
            gestures.undo(store, house.id, houses.Gesture(None, window))
    assert houses.get(store, house.id).design == start


def test_differences_invert_and_combine() -> None:
    before = (make_house(), SiteRecord())
    middle = (make_house(size__span_m=6.0), SiteRecord(set_at_m={"peg:L1": 0.0}))
    after = (make_house(size__span_m=7.0, size__shape={"kind": "round", "leg_m": 0.6, "height_m": 3.0}), SiteRecord())
    patch = combine([difference(before, middle), difference(middle, after)])
    assert patch["size.span_m"] == (before[0].size.span_m, 7.0)
    assert "record.set_at_m.peg:L1" not in patch
    assert apply_patch(before, patch) == after
    assert blocked(before, patch) == []
    assert apply_patch(after, invert(patch)) == before
    assert "size.span_m" in blocked(middle, patch)


def test_what_can_be_undone_is_told_alike_however_long_the_day_was(
    store: Store, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Only what came since is read; and it is what a store that has just been opened would say."""
    house = houses.add(store, make_house(), SiteRecord(), "Started")

    def edited(at: int, window: str) -> None:
        wanted = houses.Edited(make_house(size__length_m=9 + at / 10), SiteRecord(), f"Length {at}")
        houses.change(store, house.id, houses.Gesture(None, window, f"g{at}"), lambda *_: wanted)

    read = list[int]()
    take = gestures._Own.take

    def counted(own: gestures._Own, row: gestures._Made) -> None:
        read.append(row.version)
        take(own, row)

    monkeypatch.setattr(gestures._Own, "take", counted)
    said = list[tuple[str | None, str | None]]()
    for at in range(1, 60):
        edited(at, "a" if at % 3 else "b")
        for window in ("a", "b"):
            said.append(gestures.undoable(store, house.id, window))
        if at % 10 == 0:
            gestures.undo(store, house.id, houses.Gesture(None, "b" if at % 3 == 0 else "a"))
    # Each revision was looked at once for its window.
    assert len(read) == len(set(read)) <= houses.version(store, house.id)
    fresh = open_store(store.folder)
    for window in ("a", "b"):
        assert gestures.undoable(fresh, house.id, window) == gestures.undoable(store, house.id, window)
    fresh.close()
    store.lately.forget()
    assert gestures.undoable(store, house.id, "a")[0] is not None and len(said) == 118
