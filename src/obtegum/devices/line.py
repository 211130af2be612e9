"""Lines of text asked of an instrument and answered: one deadline for all of them, and a limit to what one holds."""

import math
import socket
from time import monotonic
from types import TracebackType

__all__ = ["Line", "NotUnderstood", "numbers"]

# What an answer holds at the most, bytes.
MOST = 200


class NotUnderstood(ValueError):
    """What was answered isn't what was asked for, or never ends."""


class Line:
    """An open line to an instrument. Raises: OSError where it can't be reached, or not in time."""

    def __init__(self, host: str, port: int, within_s: float) -> None:
        self._until = monotonic() + within_s
        self._socket = socket.create_connection((host, port), within_s)
        self._came = b""

    def __enter__(self) -> "Line":
        return self

    def __exit__(self, kind: type[BaseException] | None, error: BaseException | None, at: TracebackType | None) -> None:
        self._socket.close()

    def ask(self, words: str) -> str:
        """The line that is answered, without its end. Raises: OSError, NotUnderstood."""
        self._wait()
        self._socket.sendall(f"{words}\n".encode())
        while b"\n" not in self._came:
            if len(self._came) > MOST:
                raise NotUnderstood("something without an end")
            self._wait()
            more = self._socket.recv(MOST)
            if not more:
                raise NotUnderstood("something that is cut short")
            self._came += more
        answer, _, self._came = self._came.partition(b"\n")
        if len(answer) > MOST:
            raise NotUnderstood("something that is too long")
        return answer.decode(errors="replace").strip()

    def _wait(self) -> None:
        left_s = self._until - monotonic()
        if left_s <= 0:
            raise TimeoutError
        self._socket.settimeout(left_s)


def numbers(words: list[str], least: float, most: float) -> list[float]:
    """Numbers of an answer. Raises: NotUnderstood for what is none, or can't be measured here."""
    try:
        found = [float(each) for each in words]
    except ValueError:
        raise NotUnderstood("something that is no number") from None
    if not all(math.isfinite(each) and least <= each <= most for each in found):
        raise NotUnderstood("a number that nothing here can be")
    return found
