"""A simulated laser level: made-up sloping ground, noise, slow drift, and now and then a bad shot."""

import random
import socketserver
import threading

from obtegum.core.house.starters import made_up_ground

__all__ = ["SimulatedLaser"]

NOISE_M = 0.0008
DRIFT_M = 0.000002
BAD_SHARE = 0.06


class _Receiver(socketserver.StreamRequestHandler):
    def handle(self) -> None:
        laser = self.server
        assert isinstance(laser, SimulatedLaser)
        for line in self.rfile:
            word, *places = line.decode("ascii", "replace").split()
            try:
                along, across = (float(place) for place in places)
                shot = laser.shot(along, across) if word == "SHOT" else None
            except ValueError:
                shot = None
            answer = "NONE no laser seen" if shot is None else f"READING {shot:.4f}"
            self.wfile.write(f"{answer}\n".encode("ascii"))


class SimulatedLaser(socketserver.ThreadingTCPServer):
    """Answers shots on a port of this machine until it is closed. The seed makes its luck."""

    daemon_threads = True
    allow_reuse_address = True

    def __init__(self, seed: int = 1) -> None:
        super().__init__(("127.0.0.1", 0), _Receiver)
        self._luck, self._taken, self._lock = random.Random(seed), 0, threading.Lock()

    @property
    def port(self) -> int:
        return int(self.server_address[1])

    def start(self) -> None:
        """Serve in the background."""
        threading.Thread(target=self.serve_forever, daemon=True).start()

    def shot(self, along_m: float, across_m: float) -> float | None:
        """One shot, m: true ground with noise and drift; sometimes off by a hand, sometimes nothing."""
        with self._lock:
            self._taken += 1
            reading = made_up_ground(along_m, across_m) + self._luck.gauss(0.0, NOISE_M) + DRIFT_M * self._taken
            chance = self._luck.random()
        if chance < BAD_SHARE / 2:
            return None
        return reading + 0.09 if chance < BAD_SHARE else reading
