"""Names that steps bring to the house: each is one step's alone, and told before anything is made by it.

A name that ends in ``-`` or ``:`` stands for all that begin so.
"""

from collections.abc import Iterable, Mapping, Sequence

__all__ = ["declared", "unique"]

_OPEN = ("-", ":")


def _is(name: str, of: str) -> bool:
    return name.startswith(of) if of.endswith(_OPEN) else name == of


def declared(names: Iterable[str], of: Sequence[str], what: str) -> None:
    """Raises: LookupError for a verdict's, strip's or drawing's name that its step hasn't told."""
    for name in names:
        if not any(_is(name, each) for each in of):
            raise LookupError(f"the {what} “{name}” isn’t among those that are told beforehand")


def unique(kind: str, names: Mapping[str, Iterable[str]]) -> None:
    """Names of a kind by the step that brings them. Raises: ValueError for one that two steps bring, or one brings
    twice."""
    brought = [(name, step) for step, each in names.items() for name in each]
    for place, (name, step) in enumerate(brought):
        for other, by in brought[:place]:
            if _is(name, other) or _is(other, name):
                raise ValueError(f"{by} and {step} both bring the {kind} “{name}”")
