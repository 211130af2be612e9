"""How long a connection may take over what it sends: half a request holds nothing open for good."""

import asyncio

import h11
from uvicorn.protocols.http.h11_impl import H11Protocol

__all__ = ["PatientProtocol"]

HEADERS_S = 10.0


class PatientProtocol(H11Protocol):
    """HTTP/1.1 that drops a connection whose request doesn't get past its headers in time."""

    _waiting: asyncio.TimerHandle | None = None

    def connection_made(self, transport: asyncio.Transport) -> None:  # type: ignore[override]
        super().connection_made(transport)
        self._wait()

    def data_received(self, data: bytes) -> None:
        super().data_received(data)
        # A request that has come this far is the guard's to time.
        if self.conn.their_state is h11.IDLE:
            self._wait()
        else:
            self._calm()

    def connection_lost(self, exc: Exception | None) -> None:
        self._calm()
        super().connection_lost(exc)

    def _wait(self) -> None:
        # Not begun anew with each byte: a request that comes letter by letter is late too.
        if self._waiting is None:
            self._waiting = self.loop.call_later(HEADERS_S, self._drop)

    def _calm(self) -> None:
        if self._waiting is not None:
            self._waiting.cancel()
            self._waiting = None

    def _drop(self) -> None:
        self._waiting = None
        if self.conn.their_state is h11.IDLE and not self.transport.is_closing():
            self.transport.close()
