"""Pictures of the work: made small and bare, kept with their card, in the backup; hostile ones refused in words."""

import io
import json
import random
import struct
import zipfile
import zlib
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from PIL import Image
from PIL.ExifTags import GPS, IFD, Base

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.house.plan import plan_house
from obtegum.core.values.catalogue import default_catalogue
from obtegum.exchange.photo import SIDE_PX
from obtegum.store import Store, houses
from obtegum.store.backup import BackupError, opened, write_backup
from obtegum.store.restore import delete_for_good, restore
from tests.conftest import make_house

JPEG = {"content-type": "image/jpeg"}
CARD = {"step": "level", "card": "record.levels.pegs.L1", "window": "w"}


@pytest.fixture
def url(store: Store) -> str:
    return f"/api/houses/{houses.add(store, make_house(tape__units='metric'), SiteRecord(), 'Started').id}"


def photograph(width: int = 2400, height: int = 1800, kind: str = "JPEG") -> bytes:
    """A picture, red above and blue below, held on its side, that tells where it was taken and by whom."""
    image = Image.new("RGB", (width, height), "blue")
    image.paste("red", (0, 0, width, height // 2))
    exif = Image.Exif()
    exif[Base.Orientation] = 6
    exif[Base.Artist] = "somebody"
    exif.get_ifd(IFD.GPSInfo)[GPS.GPSLatitude] = (51.0, 30.0, 26.0)
    out = io.BytesIO()
    image.save(out, kind, exif=exif, **({"comment": b"a secret"} if kind == "JPEG" else {}))
    return out.getvalue()


def sent(client: TestClient, url: str, body: bytes, kind: str = "image/jpeg", **asked: Any) -> Any:
    return client.post(f"{url}/photos", params=CARD | asked, content=body, headers={"content-type": kind})


def on_card(client: TestClient, url: str) -> list[dict[str, str]]:
    cards = client.get(f"{url}/cards", params={"step": "level"}).json()["cards"]
    return list(next(card for card in cards if card["measure"] == CARD["card"])["photos"])


@pytest.mark.parametrize("kind", ["JPEG", "PNG", "WEBP"])
def test_a_picture_is_kept_small_upright_and_bare_with_what_its_card_read(
    client: TestClient, store: Store, url: str, kind: str
) -> None:
    edit = {"version": 1, "window": "w", "edits": [{"measure": CARD["card"], "text": "1.52"}]}
    assert client.patch(url, json=edit).status_code == 200
    body = photograph(kind=kind)
    assert b"somebody" in body
    answer = sent(client, url, body, f"image/{kind.lower()}", taken_s=86_400)
    assert answer.status_code == 200, answer.text
    (photo,) = on_card(client, url)
    assert photo["told"].endswith(": 1.520 m") and photo["taken"].startswith("1970-01-0")
    kept = client.get(photo["href"])
    assert kept.headers["content-type"] == "image/jpeg" and "immutable" in kept.headers["cache-control"]
    assert not any(word in kept.content for word in (b"somebody", b"secret", b"Exif", b"GPS", b"http"))
    with Image.open(io.BytesIO(kept.content)) as image:
        # Turned upright: what was above is to the right now.
        assert image.size == (SIDE_PX * 3 // 4, SIDE_PX) and not image.getexif()
        right, left = image.getpixel((image.width - 10, 800)), image.getpixel((10, 800))
    assert isinstance(right, tuple) and isinstance(left, tuple)
    assert right[0] > 200 > 50 > right[2] and left[2] > 200 > 50 > left[0]
    # One press undoes it; made again, the picture is there still.
    client.post(f"{url}/undo", json={"window": "w"})
    assert on_card(client, url) == []
    client.post(f"{url}/redo", json={"window": "w"})
    assert on_card(client, url) == [photo]


def test_pictures_are_taken_out_kept_once_and_go_out_as_files(client: TestClient, store: Store, url: str) -> None:
    assert client.get(f"{url}/photos.zip").status_code == 404
    body = photograph(40, 30)
    for _ in range(2):
        assert sent(client, url, body).status_code == 200
    assert sent(client, url, body, card="record.levels.pegs.L2").status_code == 200
    assert len(on_card(client, url)) == 1
    with zipfile.ZipFile(io.BytesIO(client.get(f"{url}/photos.zip").content)) as pack:
        *pictures, listed = sorted(pack.namelist())
        assert len(pictures) == 2 and listed == "photos.csv"
        lines = pack.read(listed).decode().splitlines()
        assert lines[0] == "file,taken,shows" and [line.split(",")[0] for line in lines[1:]] == pictures
        assert all(pack.read(name).startswith(b"\xff\xd8\xff") for name in pictures)
    # The house as a file goes without them, in and out.
    file = client.get(f"{url}/file").json()
    assert file["record"]["photos"] == {}
    file["record"]["photos"] = {"0" * 32: {"card": "x", "told": "x", "image": "1" * 32, "taken_s": 0}}
    anew = client.post("/api/house-files", json=file).json()
    assert houses.get(store, anew["id"]).record.photos == {}
    (photo,) = on_card(client, url)
    gone = client.delete(f"{url}/photos/{photo['id']}", params={"window": "w"})
    assert gone.status_code == 200 and gone.json()["undo"].endswith("taken out")
    assert on_card(client, url) == []
    again = client.delete(f"{url}/photos/{photo['id']}", params={"window": "w"})
    assert again.status_code == 422 and "already" in again.text
    strange = sent(client, url, body, card="record.levels.pegs.Z9")
    assert strange.status_code == 422 and "isn’t there any more" in strange.json()["errors"][0]["sentence"]
    assert sent(client, url, body, step="nothing").status_code == 422
    assert sent(client, "/api/houses/none", body).status_code == 404


def png(width: int, height: int, rows: bytes) -> bytes:
    """A PNG of one bit a point that says how large it is, whatever is in it."""

    def chunk(name: bytes, data: bytes) -> bytes:
        return struct.pack(">I", len(data)) + name + data + struct.pack(">I", zlib.crc32(name + data))

    head = struct.pack(">IIBBBBB", width, height, 1, 0, 0, 0, 0)
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", head) + chunk(b"IDAT", zlib.compress(rows)) + chunk(b"IEND", b"")


HOSTILE = {
    "a bomb that says so": png(60_000, 60_000, b""),
    "a bomb of 200 million points in 25 kB": png(20_000, 10_000, bytes(2501 * 10_000)),
    "text": b"This is no picture.",
    "nothing": b"",
    "a page": b"<html><script>alert(1)</script></html>",
    "a drawing": b'<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>',
    "another kind": b"GIF89a\x01\x00\x01\x00\x80\x00\x00\x00\x00\x00\xff\xff\xff,\x00\x00\x00\x00\x01\x00\x01\x00\x00",
    "cut short": photograph()[:2000],
    "a head alone": b"\xff\xd8\xff\xe0\x00\x10JFIF\x00",
    "rows that are missing": png(600, 600, bytes(10)),
}


@pytest.mark.parametrize("what", HOSTILE)
def test_what_is_no_picture_is_refused_with_a_sentence(client: TestClient, store: Store, url: str, what: str) -> None:
    answer = sent(client, url, HOSTILE[what])
    assert answer.status_code == 422, answer.text
    (error,) = answer.json()["errors"]
    assert error["sentence"].startswith("That ") and error["sentence"].endswith(".")
    assert client.get(f"{url}/version").json() == {"version": 1} and on_card(client, url) == []


def test_a_file_of_200_mb_and_wrong_types_are_refused_before_they_are_read(client: TestClient, url: str) -> None:
    told = client.post(f"{url}/photos", params=CARD, content=b"x", headers=JPEG | {"content-length": "200000000"})
    assert told.status_code == 413 and "16 MB" in told.json()["detail"]
    for kind in ("image/svg+xml", "text/html", "application/json", "image/gif", ""):
        refused = sent(client, url, photograph(40, 30), kind)
        assert refused.status_code == 415 and "image/jpeg" in refused.json()["detail"], kind


def test_damaged_pictures_never_break_the_bench(client: TestClient, url: str) -> None:
    """Bytes turned at random in the middle of good ones: taken or refused, never an error of the server's."""
    chance = random.Random(21)
    for kind in ("JPEG", "PNG", "WEBP"):
        good = photograph(64, 48, kind)
        for _ in range(25):
            body = bytearray(good)
            for _ in range(chance.randrange(1, 12)):
                body[chance.randrange(len(body))] = chance.randrange(256)
            assert sent(client, url, bytes(body), f"image/{kind.lower()}").status_code in (200, 422)


def planned(design: HouseDesign, record: SiteRecord) -> None:
    plan_house(design, record, default_catalogue())


def changed(file: Path, to: Path, **members: bytes | None) -> Path:
    """A copy of a backup with members replaced, or left out, by how their names begin."""
    with zipfile.ZipFile(file) as old, zipfile.ZipFile(to, "w") as new:
        for info in old.infolist():
            start = info.filename.split(".")[0].split("/")[0]
            body = members.get(start, old.read(info))
            if body is not None:
                new.writestr(info.filename, body)
    return to


def test_pictures_are_in_the_backup_and_come_back(client: TestClient, store: Store, url: str, tmp_path: Path) -> None:
    assert sent(client, url, photograph(400, 300)).status_code == 200
    (photo,) = on_card(client, url)
    image = client.get(photo["href"]).content
    file = tmp_path / "all.zip"
    write_backup(store, file)
    house_id = url.rsplit("/", 1)[1]
    houses.shelve(store, house_id, "deleted")
    delete_for_good(store, (house_id,))
    assert client.get(photo["href"]).status_code == 404
    assert restore(store, file, planned).houses == 1
    assert on_card(client, url) == [photo] and client.get(photo["href"]).content == image
    # One that is missing, or is another, is told before anything is replaced.
    for body, words in ((None, "missing"), (b"\xff\xd8\xff another", "damaged"), (b"x" * 5_000_000, "damaged")):
        broken = changed(file, tmp_path / "broken.zip", images=body)
        with pytest.raises(BackupError, match=words):
            restore(store, broken, planned)
    assert client.get(photo["href"]).content == image
    # A backup from before there were pictures is read as it was.
    with opened(file) as backup:
        manifest = {**backup.manifest, "version": 2}
    del manifest["images"]
    old = changed(file, tmp_path / "old.zip", images=None, manifest=json.dumps(manifest).encode())
    assert restore(store, old, planned).houses == 1
    assert client.get(photo["href"]).status_code == 404
    with zipfile.ZipFile(io.BytesIO(client.get(f"{url}/photos.zip").content)) as pack:
        assert pack.namelist() == ["photos.csv"] and b"not here any more" in pack.read("photos.csv")
