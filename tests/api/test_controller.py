"""The controller of roll-up sides: the simulated one through the same link as a real one, and what goes wrong."""

import socket
import threading
import time
from collections.abc import Iterator
from pathlib import Path

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.devices.controller import ControllerError, ControllerLink, SetPoints
from obtegum.devices.level import LevelError, LevelLink
from obtegum.standins.controller import SimulatedController
from obtegum.store import houses, open_store
from tests.api.conftest import page_client
from tests.conftest import make_house


@pytest.fixture
def controller() -> Iterator[SimulatedController]:
    running = SimulatedController(seed=3)
    running.start()
    yield running
    running.shutdown()
    running.server_close()


def answering(reply: bytes) -> int:
    """A port where one question is answered so."""
    listener = socket.create_server(("127.0.0.1", 0))

    def serve() -> None:
        line, _ = listener.accept()
        with line, line.makefile("rb") as asked:
            asked.readline()
            line.sendall(reply)
        listener.close()

    threading.Thread(target=serve, daemon=True).start()
    return int(listener.getsockname()[1])


def test_sides_follow_the_set_points_through_a_day(controller: SimulatedController) -> None:
    link = ControllerLink("127.0.0.1", controller.port)
    link.tell(SetPoints(24.0, 18.0, 9.0))
    day = [link.read() for _ in range(24 * 12)]
    assert {round(each.left, 1) for each in day} >= {0.0, 1.0}
    # Shut where it is cold, and all the way up through the heat of the day.
    assert all(each.left == 0.0 for each in day if each.inside_c < 12)
    hottest = max(each.inside_c for each in day)
    link.tell(SetPoints(44.0, 40.0, 9.0))
    shut = [link.read() for _ in range(24 * 12)]
    assert max(each.inside_c for each in shut) > hottest + 5
    # Wind over its set-point shuts them, however warm it is.
    link.tell(SetPoints(10.0, 5.0, 0.1))
    windy = [link.read() for _ in range(24)]
    assert all(each.left == 0.0 for each in windy[3:] if each.wind_mps > 0.3)


def test_set_points_that_make_no_sense_are_not_taken(controller: SimulatedController) -> None:
    link = ControllerLink("127.0.0.1", controller.port)
    with pytest.raises(ControllerError, match="no number"):
        link.tell(SetPoints(18.0, 24.0, 9.0))
    assert controller.points == (24.0, 18.0, 9.0)


@pytest.mark.parametrize(
    ("reply", "words"),
    [
        (b"SET 30.00 18.00 9.00\n", "other set-points"),
        (b"SET 24.00\n", "cut short"),
        (b"NO idea at all\n", "no number"),
        (b"NO 24 18 9\n", "other set-points"),
        (b"SET nan nan nan\n", "nothing here can be"),
        (b"SET 24.00 18.00 inf\n", "nothing here can be"),
        (b"SET 24.00 1e308 9.00\n", "nothing here can be"),
        (b"\n", "other set-points|cut short"),
    ],
)
def test_what_it_took_is_read_back(reply: bytes, words: str) -> None:
    with pytest.raises(ControllerError, match=words):
        ControllerLink("127.0.0.1", answering(reply)).tell(SetPoints(24.0, 18.0, 9.0))


@pytest.mark.parametrize(
    ("reply", "words"),
    [
        (b"NOW 21.0 12.0 3.0 0.0 50.0\n", "not a measurement"),
        (b"NOW 21.0 12.0 3.0 0.0 -0.1\n", "not a measurement"),
        (b"NOW 21.0 12.0 -3.0 0.0 0.5\n", "not a measurement"),
        (b"NOW nan 12.0 3.0 0.0 0.5\n", "nothing here can be"),
        (b"NOW 1e308 12.0 3.0 0.0 0.5\n", "nothing here can be"),
        (b"NOW 21.0\n", "cut short"),
    ],
)
def test_what_can_not_be_measured_is_no_measurement(reply: bytes, words: str) -> None:
    with pytest.raises(ControllerError, match=words):
        ControllerLink("127.0.0.1", answering(reply)).read()


def babbling(piece: bytes, every_s: float) -> tuple[int, list[int]]:
    """A port where one piece after the other is sent for ever, and how many bytes were."""
    listener, sent = socket.create_server(("127.0.0.1", 0)), [0]

    def serve() -> None:
        line, _ = listener.accept()
        with line:
            while True:
                try:
                    line.sendall(piece)
                except OSError:
                    return
                sent[0] += len(piece)
                time.sleep(every_s)

    threading.Thread(target=serve, daemon=True).start()
    return int(listener.getsockname()[1]), sent


def test_a_flood_is_cut_off_and_a_drip_is_not_waited_for(monkeypatch: pytest.MonkeyPatch) -> None:
    port, sent = babbling(b"9" * 65536, 0.0)
    with pytest.raises(ControllerError, match="without an end"):
        ControllerLink("127.0.0.1", port).read()
    # No more than what lies in the network between the two.
    assert sent[0] < 50_000_000
    for name, link, error in (
        ("controller", ControllerLink, ControllerError), ("level", LevelLink, LevelError),
    ):  # fmt: skip
        port, _ = babbling(b"9", 0.05)
        monkeypatch.setattr(f"obtegum.devices.{name}.WITHIN_S", 0.3)
        with pytest.raises(error, match="can’t be reached"):
            link("127.0.0.1", port).read(*((1.0, 2.0) if name == "level" else ()))  # type: ignore[operator]


def test_a_house_is_sent_and_read_through_the_api(controller: SimulatedController, tmp_path: Path) -> None:
    store = open_store(tmp_path)
    client = page_client(store, sides=ControllerLink("127.0.0.1", controller.port))
    house = make_house(sides={"drive": "motor", "open_c": 28.0, "shut_c": 20.0, "wind_mps": 8.0})
    kept = houses.add(store, house, SiteRecord(), "Started")
    sent = client.put(f"/api/houses/{kept.id}/controller").json()
    assert controller.points == (28.0, 20.0, 8.0)
    # In a house in feet: 28 °C is 82 °F; wind shuts it no later than told.
    assert "over 82 °F" in sent["said"] and "over 17 mph" in sent["said"]
    read = dict(client.get(f"/api/houses/{kept.id}/controller").json()["rows"])
    assert set(read) == {"Inside", "Outside", "Wind", "Left side up", "Right side up"}
    assert read["Inside"].endswith("°F") and read["Left side up"].endswith("%")
    assert houses.get(store, kept.id).version == kept.version
    store.close()


def test_without_one_it_is_said(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    kept = houses.add(store, make_house(), SiteRecord(), "Started")
    for client, words in (
        (page_client(store), "No controller is linked"),
        (page_client(store, sides=ControllerLink("127.0.0.1", 1)), "can’t be reached"),
    ):
        answer = client.get(f"/api/houses/{kept.id}/controller")
        assert answer.status_code == 424 and words in answer.json()["detail"]
    store.close()
