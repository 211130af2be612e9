"""Film between bows as a cable: what wind makes it pull along the house."""

import numpy as np

__all__ = ["film_pull_n_m"]


def film_pull_n_m(stiff_n_m: float, pressure_pa: float, bay_m: float, tight_n_m: float) -> float:
    """What a strip of film a metre wide pulls at both its ends, N/m, pressed on or lifted between two bows.

    A shallow parabola that stretches: T³ − T0·T² = E·t·p²·b²/24, sag p·b²/(8·T) (cable theory). ``stiff_n_m`` is E·t,
    ``tight_n_m`` what it pulls before any wind.
    """
    roots = np.roots([1.0, -tight_n_m, 0.0, -stiff_n_m * (pressure_pa * bay_m) ** 2 / 24])
    # One root is real and over T0: the left side rises from there on.
    return float(max(root.real for root in roots if abs(root.imag) < 1e-6 * max(abs(root), 1.0)))
