"""A controller of roll-up sides that answers over the network, one line of text a question.

The bench sends ``SET open shut wind`` (°C, °C, m/s), which the controller answers by ``SET`` and what it took, and
``READ``, answered by ``NOW inside outside wind left right`` (°C, °C, m/s, how far up each side is as a share). It keeps
to what it was told when the bench is gone.
"""

from dataclasses import dataclass

from obtegum.devices.line import Line, NotUnderstood, numbers
from obtegum.devices.trouble import DeviceError

__all__ = ["ControllerError", "ControllerLink", "Now", "SetPoints"]

WITHIN_S = 3.0
# What can be measured or set, °C and m/s; a side is up by a share.
LEAST, MOST, UP = -80.0, 150.0, 1.0


class ControllerError(DeviceError):
    """The controller did nothing that is known; the message is a sentence."""


@dataclass(frozen=True)
class SetPoints:
    """Opens over and shuts under these, °C; shuts in wind over that, m/s."""

    open_c: float
    shut_c: float
    wind_mps: float


@dataclass(frozen=True)
class Now:
    """What it measures, °C and m/s, and how far up each side is, share."""

    inside_c: float
    outside_c: float
    wind_mps: float
    left: float
    right: float


class ControllerLink:
    """The way to a controller at an address."""

    def __init__(self, host: str, port: int) -> None:
        self.host, self.port = host, port

    def tell(self, points: SetPoints) -> None:
        """Have it keep to set-points. Raises: ControllerError where it doesn't take them as sent."""
        asked = [round(each, 2) for each in (points.open_c, points.shut_c, points.wind_mps)]
        word, took = self._ask("SET " + " ".join(f"{each:.2f}" for each in asked))
        if word != "SET" or not all(abs(one - other) <= 0.005 for one, other in zip(took, asked, strict=True)):
            raise ControllerError("The controller took other set-points than were sent. Look at it before you leave.")

    def read(self) -> Now:
        """What it measures now. Raises: ControllerError with a sentence."""
        word, values = self._ask("READ", 5)
        if word != "NOW" or not all(0 <= each <= UP for each in values[3:]) or values[2] < 0:
            raise ControllerError("The controller answered something that is not a measurement.")
        return Now(*values)

    def _ask(self, line: str, count: int = 3) -> tuple[str, list[float]]:
        try:
            with Line(self.host, self.port, WITHIN_S) as link:
                word, *told = link.ask(line).split() or [""]
            found = numbers(told, LEAST, MOST)
        except OSError:
            raise ControllerError(f"The controller at {self.host}:{self.port} can’t be reached. Is it on?") from None
        except NotUnderstood as error:
            raise ControllerError(f"The controller answered {error}. Look at it, and ask again.") from None
        if len(found) != count:
            raise ControllerError("The controller’s answer is cut short. Ask again.")
        return word, found
