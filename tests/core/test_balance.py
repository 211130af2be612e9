"""The second order led along a path from no load at all in whole matrices, and where there is no rest."""

from dataclasses import replace

import numpy as np
import pytest

from obtegum.core.formulas.frame import balance
from obtegum.core.formulas.frame.balance import second_order
from obtegum.core.formulas.frame.buckling import critical_factors
from obtegum.core.formulas.frame.loads import Loads, loads_on
from obtegum.core.formulas.frame.solve import Frame, first_order
from obtegum.core.formulas.frame.ties import Bar, tied
from tests.core.test_frame import arch, lopsided, plan_load
from tests.core.test_ties import trussed


def propped(frame: Frame, at: int) -> Frame:
    """The same with a strut from the ground, leaning: its stiffness lies within the bands."""
    x, y = frame.nodes[at]
    ground = {"ground": (float(x) + 0.3, 0.0)}
    ties = tied(frame.nodes, {}, [Bar((at, "ground"), 2e5 * float(y))], ground)
    found = replace(frame, ties=ties)
    assert found.outer is None
    return found


def collared(frame: Frame) -> Frame:
    found = replace(frame, ties=trussed(frame, 7, 10)[0])
    assert found.outer is found.ties
    return found


FRAMES = {"plain": arch(24), "prop": propped(arch(24), 10), "truss": collared(arch(24))}


def whole(frame: Frame, blocks: np.ndarray) -> np.ndarray:
    """The whole matrix of elements and ties, row by row and column by column, of what can move."""
    size = 3 * (frame.count + 1)
    total = np.zeros((size, size))
    for place, block in enumerate(blocks):
        total[3 * place : 3 * place + 6, 3 * place : 3 * place + 6] += block
    if frame.ties is not None:
        for one, of in enumerate(frame.ties.dofs):
            for other, to in enumerate(frame.ties.dofs):
                total[of, to] += frame.ties.stiff[one, other]
    return total[np.ix_(frame.free, frame.free)]


def pulls_of(frame: Frame, moved: np.ndarray, ends: np.ndarray) -> np.ndarray:
    """What pulls each element: its stretch along its own line, less what its load takes."""
    pulls = np.zeros(frame.count)
    for place in range(frame.count):
        along = (frame.nodes[place + 1] - frame.nodes[place]) / frame.lengths[place]
        longer = along @ (moved[3 * place + 3 : 3 * place + 5] - moved[3 * place : 3 * place + 2])
        pulls[place] = frame.elastic[place] * frame.area[place] / frame.lengths[place] * longer
    return pulls - (ends[:, 3] - ends[:, 0]) / 2


def led(frame: Frame, loads: Loads, steps: int) -> tuple[np.ndarray, bool]:
    """Displacements under one load, step by step from none, by the slow way: stiffness under the last axial forces,
    half of each change taken. Whether it came to rest, stiffness positive all along."""
    size = 3 * (frame.count + 1)
    moved, pulls = np.zeros(size), np.zeros(frame.count)
    for share in np.arange(1, steps + 1) / steps:
        ends, asked = share * loads.ends[0], share * loads.total[0]
        for _ in range(400):
            stiff = whole(frame, frame.stiff + pulls[:, None, None] * frame.swaying)
            if np.linalg.eigvalsh(stiff)[0] <= 0:
                return moved, False
            moved[frame.free] = np.linalg.solve(stiff, asked[frame.free])
            now = pulls_of(frame, moved, ends)
            if np.abs(now - pulls).max() < 1e-9 * np.abs(now).max():
                break
            pulls = (pulls + now) / 2
        else:
            return moved, False
    return moved, True


@pytest.mark.parametrize("name", FRAMES)
@pytest.mark.parametrize("share", [0.3, 0.7, 0.9])
def test_it_rests_where_a_path_from_no_load_comes_to_rest(name: str, share: float) -> None:
    frame = FRAMES[name]
    unit = lopsided(frame)
    buckles = critical_factors(frame, first_order(frame, loads_on(frame, unit)).axial)[0]
    loads = loads_on(frame, share * buckles * unit)
    first = first_order(frame, loads)
    found = second_order(frame, loads, first)
    moved, rests = led(frame, loads, 6)
    assert rests and found.stands[0] and found.off[0] < 1e-7
    np.testing.assert_allclose(found.moved[0], moved, atol=2e-5 * np.abs(moved).max())
    # Far more than the first order says, near the end; a prop takes over instead.
    if name != "prop":
        assert np.abs(found.moved).max() > (1.05 if share < 0.5 else 1.5) * np.abs(first.moved).max()


@pytest.mark.parametrize("name", FRAMES)
def test_past_what_it_bears_it_does_not_stand(name: str) -> None:
    frame = FRAMES[name]
    unit = plan_load(frame, 1000.0)
    buckles = critical_factors(frame, first_order(frame, loads_on(frame, unit)).axial)[0]
    stood = list[bool]()
    for share in (0.5, 0.8, 1.3, 4.0):
        loads = loads_on(frame, share * buckles * unit)
        stood.append(bool(second_order(frame, loads, first_order(frame, loads)).stands[0]))
        assert stood[-1] is led(frame, loads, 6)[1]
    assert stood[0] and not stood[2] and not stood[3]


def test_what_finds_no_rest_at_once_is_led_there_over_half_its_load(monkeypatch: pytest.MonkeyPatch) -> None:
    # Past what its first order would bear: as it leans, less presses it.
    frame, tried, at_once = FRAMES["plain"], list[int](), balance._led
    unit = lopsided(frame)
    buckles = critical_factors(frame, first_order(frame, loads_on(frame, unit)).axial)[0]
    loads = loads_on(frame, np.concatenate([0.2 * unit, 1.5 * unit]) * buckles)

    def counted(frame: Frame, right: np.ndarray, *more: np.ndarray) -> object:
        tried.append(len(right))
        return at_once(frame, right, *more)

    monkeypatch.setattr(balance, "_led", counted)
    found = second_order(frame, loads, first_order(frame, loads))
    assert tried == [1, 1, 1] and found.stands.all() and found.off.max() < 1e-7
    moved, rests = led(frame, loads_on(frame, 1.5 * buckles * unit), 12)
    assert rests
    np.testing.assert_allclose(found.moved[1], moved, atol=1e-6 * np.abs(moved).max())


def test_one_that_holds_beside_one_that_does_not() -> None:
    # Each load by itself, whatever stands beside it.
    frame = FRAMES["plain"]
    unit = lopsided(frame)
    buckles = critical_factors(frame, first_order(frame, loads_on(frame, unit)).axial)[0]
    shares = np.array([0.5, 3.0, 0.8])
    loads = loads_on(frame, shares[:, None, None] * buckles * unit)
    found = second_order(frame, loads, first_order(frame, loads))
    assert found.stands.tolist() == [True, False, True]
    alone = loads_on(frame, 0.8 * buckles * unit)
    np.testing.assert_allclose(second_order(frame, alone, first_order(frame, alone)).moved[0], found.moved[2])
