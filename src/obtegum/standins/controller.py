"""A simulated controller of roll-up sides: a made-up day, a house that warms and cools, sides that follow."""

import math
import random
import socketserver
import threading

__all__ = ["SimulatedController"]

# Of the gap to its balance that the house closes in a minute; what sun warms it by, shut and wide open, K; how far a
# side rolls in a minute, share; minutes that pass with each question.
CLOSES, SHUT_K, OPEN_K, ROLLS, MINUTES = 0.15, 22.0, 3.0, 0.1, 5


class _Asked(socketserver.StreamRequestHandler):
    def handle(self) -> None:
        controller = self.server
        assert isinstance(controller, SimulatedController)
        for line in self.rfile:
            word, *given = line.decode("ascii", "replace").split() or [""]
            try:
                answer = controller.answer(word, [float(each) for each in given])
            except ValueError:
                answer = "NO not understood"
            self.wfile.write(f"{answer}\n".encode("ascii"))


class SimulatedController(socketserver.ThreadingTCPServer):
    """Answers on a port of this machine until it is closed. The seed makes its weather."""

    daemon_threads = True
    allow_reuse_address = True

    def __init__(self, seed: int = 1) -> None:
        super().__init__(("127.0.0.1", 0), _Asked)
        self._luck, self._lock = random.Random(seed), threading.Lock()
        self.minute, self.inside_c, self.up = 8 * 60, 14.0, 0.0
        self.wind_mps = 2.0
        self.points = (24.0, 18.0, 9.0)

    @property
    def port(self) -> int:
        return int(self.server_address[1])

    def start(self) -> None:
        """Serve in the background."""
        threading.Thread(target=self.serve_forever, daemon=True).start()

    def answer(self, word: str, given: list[float]) -> str:
        """One line for one line. Raises: ValueError for what it doesn't understand."""
        with self._lock:
            if word == "SET":
                open_c, shut_c, wind = given
                if shut_c >= open_c or wind <= 0:
                    return "NO such set-points"
                self.points = (open_c, shut_c, wind)
                return f"SET {open_c:.2f} {shut_c:.2f} {wind:.2f}"
            if word == "READ" and not given:
                for _ in range(MINUTES):
                    self._pass()
                return f"NOW {self.inside_c:.1f} {self.outside_c:.1f} {self.wind_mps:.1f} {self.up:.2f} {self.up:.2f}"
            raise ValueError(word)

    @property
    def outside_c(self) -> float:
        """The day's own temperature, warmest in the afternoon, °C."""
        return 14.0 - 7.0 * math.cos((self.minute / 60 - 3) / 24 * math.tau)

    def _pass(self) -> None:
        """One minute of the day."""
        self.minute = (self.minute + 1) % (24 * 60)
        self.wind_mps = min(max(self.wind_mps + self._luck.gauss(0.0, 0.15), 0.0), 8.0)
        sun = max(math.sin((self.minute / 60 - 6) / 12 * math.pi), 0.0)
        balance = self.outside_c + sun * (SHUT_K + (OPEN_K - SHUT_K) * self.up)
        self.inside_c += CLOSES * (balance - self.inside_c)
        open_c, shut_c, wind = self.points
        if self.wind_mps > wind or self.inside_c < shut_c:
            self.up = max(self.up - ROLLS, 0.0)
        elif self.inside_c > open_c:
            self.up = min(self.up + ROLLS, 1.0)
