"""Loads to move, as the cost of a remedy is told."""

from collections.abc import Sequence

from obtegum.core.face.faces import Need
from obtegum.core.findings.skeleton.levels import lie_of
from obtegum.core.findings.work import Work

__all__ = ["needs"]


def needs(work: Work) -> Sequence[Need]:
    """The loads of the pad."""
    lie = lie_of(work)
    moved = lie.moved if lie else None
    return (Need(what="load", amount=moved.loads if moved else 0),)
