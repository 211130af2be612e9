"""Plane frames along one line of nodes: stiffness, first order, buckling.

Beam elements with three degrees of freedom a node (x, y, turn), in line, so that the stiffness has five bands beside
its diagonal. Each load case is a row, solved by LAPACK. What axial forces bring to the stiffness is the consistent
geometric stiffness of a beam (6/5 and L/10 terms): see `balance` for the second order.
SciPy is imported where it solves: a bench starts without it.
Source: any text on matrix analysis of framed structures, e.g. McGuire, Gallagher and Ziemian.
"""

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
from numpy.lib.stride_tricks import as_strided
from numpy.typing import NDArray

from obtegum.core.formulas.frame.element import BANDS, BENDING, SWAYING, dense, each_of
from obtegum.core.formulas.frame.loads import Loads
from obtegum.core.formulas.frame.ties import Ties

__all__ = ["Frame", "Solved", "asked_of", "first_order", "forces_of"]

Array = NDArray[np.float64]
# What of a frame hangs on its nodes and not on how stiff it is.
LINES = ("free", "lengths", "turned", "swaying", "_swaying_bands", "_loose_bands")
# Rows of LAPACK's general bands: those beside the diagonal, both ways, and as many that fill in.
GENERAL = 3 * BANDS + 1
# Modes that buckling shapes are mixed of.
MODES = 12
# Rounds of subspace iteration, from waves along the frame to its modes.
ROUNDS = 3


@dataclass(frozen=True, eq=False)
class Frame:
    """Nodes in line, m, and the elements between them: area, m², inertia, m⁴, elastic modulus, Pa; feet are pinned.

    ``nodes`` is (n + 1, 2); ``area``, ``inertia`` and ``elastic`` are (n,). ``held`` names the degrees of freedom that
    can't move, three to a node. ``ties`` are bars between nodes, outside of the bands. ``lean`` (n, 2) is by how much
    the true curve is turned against each element at its ends, rad: what presses there is told along the curve.
    """

    nodes: Array
    area: Array
    inertia: Array
    elastic: Array
    held: tuple[int, ...]
    ties: Ties | None = None
    lean: Array | None = None

    @property
    def count(self) -> int:
        """Elements."""
        return len(self.area)

    def times(self, share: float) -> "Frame":
        """The same frame, less stiff throughout; made once for each share."""
        if share not in self._softer:
            ties = None if self.ties is None else self.ties.times(share)
            softer = self._softer[share] = replace(self, elastic=self.elastic * share, ties=ties)
            # What hangs on its lines alone is found once.
            vars(softer).update({name: getattr(self, name) for name in LINES})
        return self._softer[share]

    @cached_property
    def _softer(self) -> "dict[float, Frame]":
        return {}

    @cached_property
    def free(self) -> NDArray[np.int_]:
        """Degrees of freedom that can move."""
        return np.setdiff1d(np.arange(3 * (self.count + 1)), self.held)

    @cached_property
    def lengths(self) -> Array:
        """Length of each element, m."""
        return np.asarray(np.hypot(*(self.nodes[1:] - self.nodes[:-1]).T))

    @cached_property
    def turned(self) -> Array:
        """(n, 6, 6): from the directions of the house to those of each element."""
        dx, dy = (self.nodes[1:] - self.nodes[:-1]).T / self.lengths
        turned = np.zeros((self.count, 6, 6))
        for at in (0, 3):
            turned[:, at, at], turned[:, at, at + 1] = dx, dy
            turned[:, at + 1, at], turned[:, at + 1, at + 1] = -dy, dx
            turned[:, at + 2, at + 2] = 1.0
        return turned

    @cached_property
    def own_stiff(self) -> Array:
        """(n, 6, 6): elastic stiffness in each element's own directions."""
        length, axial = self.lengths, self.elastic * self.area / self.lengths
        bend = self.elastic * self.inertia / length**3
        stiff = np.zeros((self.count, 6, 6))
        stiff[:, 0, 0] = stiff[:, 3, 3] = axial
        stiff[:, 0, 3] = stiff[:, 3, 0] = -axial
        for a, b, times in BENDING:
            stiff[:, a, b] = stiff[:, b, a] = times(length) * bend
        return stiff

    @cached_property
    def stiff(self) -> Array:
        """(n, 6, 6): elastic stiffness in the directions of the house."""
        return np.asarray(self.turned.transpose(0, 2, 1) @ self.own_stiff @ self.turned)

    @cached_property
    def unit_swaying(self) -> Array:
        """(n, 6, 6): geometric stiffness under a tension of 1 N, in each element's own directions."""
        unit = np.zeros((self.count, 6, 6))
        for a, b, times in SWAYING:
            unit[:, a, b] = unit[:, b, a] = times(self.lengths)
        return unit

    @cached_property
    def swaying(self) -> Array:
        """(n, 6, 6): geometric stiffness under a tension of 1 N, in the directions of the house."""
        return np.asarray(self.turned.transpose(0, 2, 1) @ self.unit_swaying @ self.turned)

    @cached_property
    def mode_swaying(self) -> Array:
        """(n, m, m): what a tension of 1 N in each element stiffens the frame's own modes, whose stiffness is 1."""
        from scipy.linalg import eigh

        stiff, sway = self._with_ties(dense(self._plain_bands)), dense(self._swaying_bands.sum(axis=0))
        along = np.concatenate([[0.0], np.cumsum(self.lengths)]) / self.lengths.sum()
        waves = np.sin(np.pi * np.outer(along, np.arange(1, MODES + 1)))
        shapes = np.zeros((self.count + 1, 3, 2 * MODES))
        shapes[:, 0, :MODES] = shapes[:, 1, MODES:] = waves
        tried = shapes.reshape(-1, 2 * MODES)
        tried[list(self.held)] = 0.0
        for _ in range(ROUNDS):
            tried = np.linalg.qr(self.solved(sway @ tried))[0]
        many = min(MODES, len(self.free))
        mixed = eigh(tried.T @ sway @ tried, tried.T @ stiff @ tried, check_finite=False)[1]
        modes = tried @ mixed[:, -many:]
        ends = self.spread(modes.T).transpose(1, 2, 0)
        return np.asarray(ends.transpose(0, 2, 1) @ self.swaying @ ends)

    @cached_property
    def factor(self) -> Array:
        """Cholesky factor of the elastic stiffness. Raises: numpy.linalg.LinAlgError where it is a mechanism."""
        from scipy.linalg import cholesky_banded

        return np.asarray(cholesky_banded(self._plain_bands.reshape(BANDS + 1, -1), check_finite=False))

    @cached_property
    def outer(self) -> Ties | None:
        """Its ties, where their stiffness lies outside of the bands: a prop from the ground doesn't."""
        if self.ties is None:
            return None
        apart = np.abs(self.ties.dofs[:, None] - self.ties.dofs[None])
        return self.ties if np.any(self.ties.stiff[apart > BANDS]) else None

    @cached_property
    def _reached(self) -> Array:
        """(3n + 3, m): how the frame without outer ties moves under 1 N at each degree of freedom that they hold."""
        from scipy.linalg import cho_solve_banded

        return np.asarray(cho_solve_banded((self.factor, False), self.unit_ties, check_finite=False))

    @cached_property
    def unit_ties(self) -> Array:
        """(3n + 3, m): 1 N at each degree of freedom that outer ties hold."""
        assert self.outer is not None
        unit = np.zeros((3 * (self.count + 1), len(self.outer.dofs)))
        unit[self.outer.dofs, np.arange(len(self.outer.dofs))] = 1.0
        return unit

    def solved(self, asked: Array) -> Array:
        """Displacements (3n + 3, c), m and rad, under the forces that are ``asked`` (3n + 3, c), N and N·m, those of
        what is held 0."""
        from scipy.linalg import cho_solve_banded

        plain = np.asarray(cho_solve_banded((self.factor, False), asked, check_finite=False))
        return plain if self.outer is None else self.held_back(plain, self._reached)

    def held_back(self, plain: Array, reached: Array) -> Array:
        """Displacements (3n + 3, c) with outer ties of those without, ``plain`` (3n + 3, c), where a unit at each tie's
        degree of freedom has ``reached`` (3n + 3, t): u − Y·(I + K·Yd)⁻¹·K·ud (Sherman, Morrison, Woodbury)."""
        assert self.outer is not None
        dofs, stiff = self.outer.dofs, self.outer.stiff
        pull = np.linalg.solve(self._between(reached), stiff @ plain[dofs])
        return np.asarray(plain - reached @ pull)

    def held_sign(self, reached: Array) -> float:
        """The sign that outer ties give the determinant of the stiffness without them, by what a unit at each has
        ``reached`` (3n + 3, t)."""
        return float(np.sign(np.linalg.det(self._between(reached))))

    def _between(self, reached: Array) -> Array:
        assert self.outer is not None
        return np.asarray(np.eye(len(self.outer.dofs)) + self.outer.stiff @ reached[self.outer.dofs])

    def _with_ties(self, dense: Array) -> Array:
        if self.outer is None:
            return dense
        whole = dense.copy()
        whole[np.ix_(self.outer.dofs, self.outer.dofs)] += self.outer.stiff
        return whole

    @cached_property
    def stretch(self) -> Array:
        """(n, 6): what pulls each element for each displacement of its ends, N/m, in the directions of the house."""
        turned = self.turned[:, 3] - self.turned[:, 0]
        return np.asarray((self.elastic * self.area / self.lengths)[:, None] * turned)

    @cached_property
    def _loose_bands(self) -> Array:
        """(3n + 3, 16): 1 where what elements bring counts in general bands, 0 in rows and columns of what is held."""
        loose = np.ones((3 * (self.count + 1), GENERAL))
        for held in self.held:
            for off in range(-BANDS, BANDS + 1):
                if 0 <= held + off < len(loose):
                    loose[held + off, 2 * BANDS - off] = loose[held, 2 * BANDS + off] = 0.0
        return loose

    def in_general_bands(self, stiff: Array) -> Array:
        """(c, 3n + 3, 16): general bands, transposed, of what elements, ``stiff`` (c, n, 6, 6), and near ties bring;
        LAPACK's ``gbsv`` works in them in place."""
        bands = np.zeros((len(stiff), 3 * (self.count + 1), GENERAL))
        flat, one = bands.reshape(len(stiff), -1)[:, 2 * BANDS :], bands.itemsize
        # Row a, column b of an element lies a − b below the diagonal of its column. Neighbours share a node: they are
        # laid one after the other.
        steps = (flat.strides[0], 3 * GENERAL * one, one, (GENERAL - 1) * one)
        laid = as_strided(flat, (len(stiff), self.count, 6, 6), steps)
        for first in (0, 1):
            laid[:, first::2] += stiff[:, first::2]
        if self.ties is not None and self.outer is None:
            rows, columns = np.meshgrid(self.ties.dofs, self.ties.dofs, indexing="ij")
            near = np.abs(rows - columns) <= BANDS
            bands[:, columns[near], 2 * BANDS + (rows - columns)[near]] += self.ties.stiff[near]
        bands *= self._loose_bands
        bands[:, list(self.held), 2 * BANDS] = 1.0
        return bands

    def bent_by(self, bands: Array, asked: Array) -> Array | None:
        """(3n + 3,): displacements under the forces that are ``asked`` (3n + 3,) with a stiffness told by its upper
        bands (b, 3n + 3); None where it isn't positive."""
        from scipy.linalg.lapack import dpbsv

        _, solution, info = dpbsv(bands, asked, overwrite_ab=True)
        return solution.ravel() if info == 0 else None

    def rests(self, axial: Array) -> bool:
        """Whether the frame is stable under axial forces (n,), N: it is where it is without its outer ties."""
        from scipy.linalg.lapack import dpbtrf, dpotrf

        bands = self.banded(axial[None])[0]
        if dpbtrf(bands)[1] == 0:
            return True
        return bool(dpotrf(self._with_ties(dense(bands)), lower=True)[1] == 0)

    def banded(self, axial: Array) -> Array:
        """(c, 6, 3n + 3): upper bands of the stiffness under axial forces (c, n), N, what is held taken out."""
        return np.asarray(self._plain_bands + axial @ self._swaying_bands).reshape(len(axial), BANDS + 1, -1)

    @cached_property
    def _plain_bands(self) -> Array:
        bands = self._in_bands(self.stiff).sum(axis=0).reshape(BANDS + 1, -1)
        if self.ties is not None and self.outer is None:
            for one, of in enumerate(self.ties.dofs):
                for other, to in enumerate(self.ties.dofs):
                    if 0 <= to - of <= BANDS and not {of, to} & set(self.held):
                        bands[BANDS + of - to, to] += self.ties.stiff[one, other]
        bands[BANDS, list(self.held)] = 1.0
        return np.asarray(bands.ravel())

    @cached_property
    def _swaying_bands(self) -> Array:
        """(n, 6·(3n + 3)): what a tension of 1 N in each element brings to the bands."""
        return self._in_bands(self.swaying)

    def _in_bands(self, stiff: Array) -> Array:
        """(n, 6·(3n + 3)): what the stiffness of each element (n, 6, 6) brings to the bands, save at what is held."""
        size, each = 3 * (self.count + 1), np.arange(self.count)
        bands = np.zeros((self.count, BANDS + 1, size))
        for a in range(6):
            for b in range(a, 6):
                bands[each, BANDS + a - b, 3 * each + b] = stiff[:, a, b]
        for at in self.held:
            for off in range(BANDS + 1):
                bands[:, BANDS - off, at] = 0.0
                if at + off < size:
                    bands[:, BANDS - off, at + off] = 0.0
        return bands.reshape(self.count, -1)

    def at_nodes(self, per_metre: Array) -> tuple[Array, Array]:
        """Forces at the nodes (c, 3n + 3), and at each element's held ends (c, n, 6), of loads ``per_metre`` (c, n, 2),
        N/m.

        Loads are along the element's length, in the directions of the house.
        """
        length = self.lengths
        own = each_of(self.turned[:, :2, :2], per_metre)
        ends = np.zeros((per_metre.shape[0], self.count, 6))
        ends[:, :, 0] = ends[:, :, 3] = own[:, :, 0] * length / 2
        ends[:, :, 1] = ends[:, :, 4] = own[:, :, 1] * length / 2
        ends[:, :, 2] = own[:, :, 1] * length**2 / 12
        ends[:, :, 5] = -ends[:, :, 2]
        return self.gathered(each_of(self.turned.transpose(0, 2, 1), ends)), ends

    def gathered(self, ends: Array) -> Array:
        """(c, 3n + 3): what elements' ends (c, n, 6) bring to the nodes."""
        total = np.zeros((ends.shape[0], 3 * (self.count + 1)))
        total[:, :-3] += ends[:, :, :3].reshape(len(ends), -1)
        total[:, 3:] += ends[:, :, 3:].reshape(len(ends), -1)
        return total

    def spread(self, moved: Array) -> Array:
        """(c, n, 6): displacements of each element's ends, of those at the nodes, ``moved`` (c, 3n + 3)."""
        nodes = moved.reshape(len(moved), self.count + 1, 3)
        return np.concatenate([nodes[:, :-1], nodes[:, 1:]], axis=2)


@dataclass(frozen=True, eq=False)
class Solved:
    """What loads do to a frame, a row a case.

    ``moved`` (c, 3n + 3) are displacements, m and rad; ``axial`` (c, n) N, tension positive; ``moment`` (c, n, 2) at
    both ends of each element, N·m, ``shear`` (c, n), ``ends`` (c, n, 2) the axial force at both ends, N; ``feet``
    (c, 2, 2) what the ground gives, left and right, N to the right and up. ``stands`` (c,) is whether it came to
    rest; ``off`` (c,) the share of the load out of balance.
    """

    moved: Array
    axial: Array
    moment: Array
    shear: Array
    ends: Array
    feet: Array
    stands: NDArray[np.bool_]
    off: Array


def forces_of(frame: Frame, moved: Array, loads: Loads, axial: Array | None, stands: NDArray[np.bool_]) -> Solved:
    """Member end forces from displacements ``moved`` (c, 3n + 3), m and rad; ``axial`` (c, n), N, are those whose
    geometric stiffness counts, None for first order; ``stands`` (c,) is kept."""
    own = each_of(frame.turned, frame.spread(moved))
    forces = each_of(frame.own_stiff, own)
    if axial is not None:
        forces += axial[:, :, None] * each_of(frame.unit_swaying, own)
    forces -= loads.ends
    # What is left at the nodes is what the ground gives; where nothing holds them it should be nothing.
    left = frame.gathered(each_of(frame.turned.transpose(0, 2, 1), forces)) - loads.nodal
    applied = np.stack([loads.total[:, 0::3].sum(axis=1), loads.total[:, 1::3].sum(axis=1)], axis=1)
    if frame.ties is not None:
        held = moved[:, frame.ties.dofs] @ frame.ties.stiff
        left[:, frame.ties.dofs] += held
        # What stands on the ground takes its share of the load there.
        applied -= np.stack([held[:, frame.ties.dofs % 3 == way].sum(axis=1) for way in (0, 1)], axis=1)
    free = frame.free
    feet = left[:, [[0, 1], [left.shape[1] - 3, left.shape[1] - 2]]]
    scale = np.maximum(np.abs(loads.total.reshape(len(moved), -1, 3)[:, :, :2]).sum(axis=(1, 2)), 1e-6)
    out = np.maximum(np.abs(left[:, free[free % 3 < 2]]).max(axis=1), np.abs(feet.sum(axis=1) + applied).max(axis=1))
    return Solved(
        moved=moved,
        axial=(forces[:, :, 3] - forces[:, :, 0]) / 2,
        moment=np.stack([-forces[:, :, 2], forces[:, :, 5]], axis=2),
        shear=(forces[:, :, 1] - forces[:, :, 4]) / 2,
        ends=_along_curve(frame, forces),
        feet=feet,
        stands=stands,
        off=out / scale,
    )


def _along_curve(frame: Frame, forces: Array) -> Array:
    """(c, n, 2): force at both ends of each element along the true curve there, N, tension positive."""
    along, across = forces[:, :, [0, 3]], forces[:, :, [1, 4]]
    if frame.lean is not None:
        along = along * np.cos(frame.lean) + across * np.sin(frame.lean)
    return np.asarray(along * np.array([-1.0, 1.0]))


def asked_of(frame: Frame, total: Array) -> Array:
    """(c, 3n + 3): the forces ``total`` (c, 3n + 3), N and N·m, with none at what is held."""
    right = total.copy()
    right[:, frame.held] = 0.0
    return right


def first_order(frame: Frame, loads: Loads) -> Solved:
    """Displacements and forces on the undeformed frame. Raises: numpy.linalg.LinAlgError where it is a mechanism."""
    moved = np.asarray(frame.solved(asked_of(frame, loads.total).T).T)
    return forces_of(frame, moved, loads, None, np.ones(len(moved), dtype=bool))
