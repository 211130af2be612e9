"""How a code has a frame analysed to the second order: amplified load, softened steel, imperfection, least factor."""

from dataclasses import dataclass

__all__ = ["AISC", "EUROCODE", "Stability"]


@dataclass(frozen=True, slots=True)
class Stability:
    """Direct analysis or second order at design load.

    The frame is solved at ``amplify`` of its load on ``soft`` of its stiffness, forces over ``amplify`` again.
    ``sway``: initial imperfection, of what presses; ``leans``: beside wind too, not only in calm weather. ``least``:
    critical load factor from which on it buckles. ``yields``: stiffness falls by τb as axial force nears yield.
    """

    amplify: float
    soft: float
    sway: float
    least: float
    leans: bool
    yields: bool


# AISC 360-16: 1.6 of allowable load on 0.8 of the stiffness (C2.1, C2.3); sway 0.002 (C2.2b).
AISC = Stability(amplify=1.6, soft=0.8, sway=0.002, least=2.0, leans=False, yields=True)
# EN 1993-1-1, 5.2 and 5.3.2: design load on the whole stiffness; sway 1/200.
EUROCODE = Stability(amplify=1.0, soft=1.0, sway=0.005, least=1.0, leans=True, yields=False)
