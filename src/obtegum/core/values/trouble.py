"""What is wrong with an input, said so that the person who typed it knows what to do."""

import re
from typing import Annotated, TypeVar

from pydantic import AfterValidator

from obtegum.core.values.base import Part

__all__ = ["DesignError", "Trouble", "as_typed", "begun", "listed", "running"]

Thing = TypeVar("Thing")


def as_typed(printed: str | None) -> str | None:
    """A printed value as it can be typed: without the commas of its thousands, which may be a decimal sign there."""
    return printed and re.sub(r"(?<=\d),(?=\d{3})", "", printed)


class Trouble(Part):
    """One input that can't be used: where, a sentence, and the nearest value that works.

    ``reason`` is the part of the sentence that speaks of no value, where it can stand by itself; ``nearest`` can be
    typed as it is written; ``other`` what a number without a unit may have meant in another one.
    """

    path: str
    sentence: str
    reason: str = ""
    nearest_m: float | None = None
    nearest: Annotated[str | None, AfterValidator(as_typed)] = None
    other: str | None = None


class DesignError(ValueError):
    """A house that can't be planned as given."""

    def __init__(self, troubles: list[Trouble]) -> None:
        super().__init__(" ".join(trouble.sentence for trouble in troubles))
        self.troubles = troubles


def begun(words: str) -> str:
    """Words as a sentence begins with them."""
    return words[:1].upper() + words[1:]


def running(words: str) -> str:
    """A label or sentence as it runs on in a sentence: what begins with a corner's letter keeps it."""
    return words if re.match(r"[A-Z] to [A-Z]\b", words) else f"{words[:1].lower()}{words[1:]}"


def listed(thing: Thing | None, kind: str, name: str, path: str) -> Thing:
    """What the catalogue has of a ``kind`` by its ``name``. Raises: DesignError where it has none of that name."""
    if thing is None:
        raise DesignError([Trouble(path=path, sentence=f"There is no {kind} “{name}” in the catalogue.")])
    return thing
