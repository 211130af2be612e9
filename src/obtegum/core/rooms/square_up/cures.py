"""A square base of another size than its name."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen
from obtegum.core.findings.skeleton.bays import strung
from obtegum.core.findings.work import Work
from obtegum.core.rooms.square_up.found import size_off
from obtegum.core.values.quantity import length_text

__all__ = ["CURES"]


def _other_size(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """The size that a square base was taped at."""
    share, size = 1 + (size_off(work) or 0.0), work.design.size
    planned = dict(zip(("size.length_m", "size.span_m"), strung(work), strict=True))
    outside_m = planned["size.length_m"] - size.length_m
    taken = {name: value * share - outside_m for name, value in planned.items()}
    yield tuple(chosen(name, length_text(value, work.tape)) for name, value in taken.items())


CURES: dict[str, Cure] = {"other-size": _other_size}
