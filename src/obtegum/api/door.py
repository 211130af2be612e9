"""The door for phones on the local network: who is let in by a code, what a device may ask, and who is put out.

A code of six digits is good once and for ten minutes; wrong ones are slowed, and soon void it. A device has a secret of
its own in its cookie, of which only a hash is kept here, beside the data. It reads houses and gives readings.
"""

import hashlib
import hmac
import json
import os
import re
import secrets
import threading
import time
from collections.abc import Callable
from dataclasses import asdict, dataclass
from pathlib import Path

__all__ = ["Device", "Door", "Locked", "NoSuchCode", "may"]

DIGITS, GOOD_S, WRONG_MOST = 6, 600.0, 5
# After so many wrong ones nobody is let in for a while, twice as long each time, s.
LOCK_S, LOCK_MOST_S = 60.0, 3600.0
MOST_DEVICES = 12
HOUSE = r"/api/houses/[^/]+"
# What a device may read: what the bench shows, never a file.
READ = re.compile(
    rf"/api/(houses|token|version|work|files)|{HOUSE}(/(version|cards|spots|bodies|remedies|revisions(/\d+)?|tables/[^/]+|takes/[^/]+|parts/[^/]+|photos/[^/]+))?"
)
# What it may send: readings, ticks, and what takes them back. Edits are looked at where they are taken.
GIVE = re.compile(
    rf"PATCH {HOUSE}|POST {HOUSE}/(ticks|tally|clock|worked|undo|redo|spots|level-shots|trials|photos)"
    rf"|DELETE {HOUSE}/(spots|photos)/[^/]+"
)


class NoSuchCode(Exception):
    """The code is wrong, used or too old."""


class Locked(Exception):
    """Too many wrong codes: nobody is let in for so many seconds."""

    def __init__(self, seconds: float) -> None:
        super().__init__(f"{seconds:.0f}")
        self.seconds = seconds


@dataclass(frozen=True)
class Device:
    """A device that was let in: its name, when, and the hash of its secret."""

    id: str
    name: str
    since: float
    secret: str


def may(method: str, path: str) -> bool:
    """Whether a device may ask this at all."""
    if method in ("GET", "HEAD"):
        return READ.fullmatch(path) is not None
    return GIVE.fullmatch(f"{method} {path}") is not None


def _hash(secret: str) -> str:
    return hashlib.sha256(secret.encode()).hexdigest()


class Door:
    """Where phones come in, at an address of the local network. The clock can be another one in tests."""

    def __init__(self, folder: Path, address: tuple[str, int], clock: Callable[[], float] = time.monotonic) -> None:
        self.address, self._clock, self._lock = address, clock, threading.Lock()
        self._file = folder / "devices.json"
        self._devices = {each.id: each for each in self._kept()}
        self._code, self._until = "", 0.0
        self._wrong, self._locked_until, self._locks = 0, 0.0, 0

    @property
    def url(self) -> str:
        return f"http://{self.address[0]}:{self.address[1]}"

    def _kept(self) -> list[Device]:
        try:
            return [Device(**each) for each in json.loads(self._file.read_text(encoding="utf-8"))]
        except (OSError, ValueError, TypeError):
            return []

    def _keep(self) -> None:
        """Write who is let in, whole or not at all, for its owner's eyes."""
        part = self._file.with_suffix(".part")
        with os.fdopen(os.open(part, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600), "w", encoding="utf-8") as out:
            json.dump([asdict(each) for each in self._devices.values()], out)
            out.flush()
            os.fsync(out.fileno())
        part.replace(self._file)

    def code(self) -> str:
        """A new code; the one before is void. It lifts no lock."""
        with self._lock:
            self._code = "".join(secrets.choice("0123456789") for _ in range(DIGITS))
            self._until, self._wrong = self._clock() + GOOD_S, 0
            return self._code

    def enter(self, digits: str, name: str) -> str:
        """Let a device in by its code; returns its cookie. Raises: NoSuchCode, Locked."""
        with self._lock:
            now = self._clock()
            if now < self._locked_until:
                raise Locked(self._locked_until - now)
            given = re.sub("[^0-9]", "", digits)
            good = bool(self._code) and now < self._until and hmac.compare_digest(given, self._code)
            if not good:
                self._wrong += 1
                if self._wrong >= WRONG_MOST:
                    self._code, self._wrong = "", 0
                    self._locks += 1
                    self._locked_until = now + min(LOCK_S * 2 ** (self._locks - 1), LOCK_MOST_S)
                raise NoSuchCode
            self._code, self._wrong, self._locks = "", 0, 0
            device, secret = secrets.token_hex(4), secrets.token_urlsafe(32)
            self._devices[device] = Device(device, name[:60] or "a device", time.time(), _hash(secret))
            while len(self._devices) > MOST_DEVICES:
                del self._devices[min(self._devices, key=lambda each: self._devices[each].since)]
            self._keep()
            return f"{device}.{secret}"

    def device_of(self, cookie: str) -> Device | None:
        """The device whose cookie that is."""
        name, _, secret = cookie.partition(".")
        device = self._devices.get(name)
        if device is None or not hmac.compare_digest(_hash(secret), device.secret):
            return None
        return device

    @staticmethod
    def token_of(cookie: str) -> str:
        """What a device's own pages send with what they change."""
        return hashlib.sha256(f"page {cookie}".encode()).hexdigest()[:32]

    def devices(self) -> list[Device]:
        """Who is let in, the last first."""
        return sorted(self._devices.values(), key=lambda each: -each.since)

    def put_out(self, device: str) -> bool:
        """Put a device out; whether it was in."""
        with self._lock:
            found = self._devices.pop(device, None)
            if found is not None:
                self._keep()
            return found is not None
