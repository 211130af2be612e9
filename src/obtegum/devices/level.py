"""A laser level whose receiver on the rod answers over the network, one line of text a shot.

The bench sends ``SHOT along across`` (where the rod stands, m; an instrument may ignore it) and the
receiver answers ``READING metres`` or ``NONE reason``. Several shots make a reading: the middle one,
those far from it left out.
"""

import statistics
from dataclasses import dataclass

from obtegum.devices.line import Line, NotUnderstood, numbers
from obtegum.devices.trouble import DeviceError

__all__ = ["LevelError", "LevelLink", "LiveReading", "settle"]

SHOTS = 7
# For all of them together; the longest rod, m.
WITHIN_S, LONGEST_ROD_M = 6.0, 20.0
# Shots further from the middle than this many usual deviations are left out.
FAR = 5.0
LEAST_SPREAD_M = 0.0005
# A rod that is held still shows no more than this.
MOST_SPREAD_M = 0.005


class LevelError(DeviceError):
    """The level gave no reading; the message is a sentence for the person at the rod."""


@dataclass(frozen=True)
class LiveReading:
    """A reading from several shots, the spread of those that counted, m, and how many were left out."""

    reading_m: float
    spread_m: float
    shots: int
    left_out: int


def settle(shots: list[float]) -> LiveReading:
    """One reading from several shots: the mean of those near the middle one.

    Raises: LevelError when fewer than three agree.
    """
    if len(shots) < 3:
        raise LevelError("The laser was seen too seldom. Clear the line of sight and read again.")
    middle = statistics.median(shots)
    usual = max(statistics.median(abs(shot - middle) for shot in shots), LEAST_SPREAD_M)
    kept = [shot for shot in shots if abs(shot - middle) <= FAR * usual]
    if usual > MOST_SPREAD_M or len(kept) < 3:
        raise LevelError("The shots don’t agree. Hold the rod still and plumb, and read again.")
    return LiveReading(statistics.mean(kept), statistics.pstdev(kept), len(shots), len(shots) - len(kept))


class LevelLink:
    """The way to a level at an address."""

    def __init__(self, host: str, port: int) -> None:
        self.host, self.port = host, port

    @property
    def address(self) -> str:
        return f"{self.host}:{self.port}"

    def read(self, along_m: float, across_m: float) -> LiveReading:
        """A reading with the rod at a place. Raises: LevelError with a sentence."""
        shots: list[float] = []
        try:
            with Line(self.host, self.port, WITHIN_S) as line:
                for _ in range(SHOTS):
                    word, _, rest = line.ask(f"SHOT {along_m:.4f} {across_m:.4f}").partition(" ")
                    if word == "READING":
                        shots += numbers([rest], -LONGEST_ROD_M, LONGEST_ROD_M)
                    elif word != "NONE":
                        raise LevelError("The level answered something that is not a reading.")
        except OSError:
            raise LevelError(f"The level at {self.address} can’t be reached. Is it on?") from None
        except NotUnderstood as error:
            raise LevelError(f"The level answered {error}. Look at it, and read again.") from None
        return settle(shots)
