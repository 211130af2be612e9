"""Judgements in plain words, each with its number, its limit and the reason."""

from collections.abc import Iterable
from typing import Literal

from obtegum.core.part import Part

__all__ = ["LEVELS", "Level", "Verdict", "better", "judge", "verdict_on", "worst"]

Level = Literal["holds", "tight", "fails", "unknown"]
LEVELS: tuple[Level, ...] = ("holds", "unknown", "tight", "fails")
NOTICEABLE = 0.95


class Verdict(Part):
    """One judgement. ``ratio`` is the share of the limit that is used, unrounded."""

    id: str
    step: str
    level: Level
    title: str
    sentence: str
    number: str
    limit: str
    ratio: float | None
    part: str | None = None


def verdict_on(
    step: str,
    name: str,
    title: str,
    level: Level,
    sentence: str,
    number: str = "",
    limit: str = "",
    ratio: float | None = None,
    part: str | None = None,
) -> Verdict:
    """A verdict of a step; number and limit are readings as printed."""
    return Verdict(
        id=name,
        step=step,
        level=level,
        title=title,
        sentence=sentence,
        number=number,
        limit=limit,
        ratio=ratio,
        part=part,
    )


def judge(ratio: float, holds_to: float) -> Level:
    """Holds up to ``holds_to`` of the limit, tight up to all of it, fails above."""
    if ratio <= holds_to + 1e-12:
        return "holds"
    return "tight" if ratio <= 1 + 1e-12 else "fails"


def better(one: Verdict, other: Verdict) -> bool:
    """Whether one judgement is better by a level, or noticeably within the same one."""
    first, second = LEVELS.index(one.level), LEVELS.index(other.level)
    if first != second or one.ratio is None or other.ratio is None:
        return first < second
    return one.ratio <= other.ratio * NOTICEABLE


def worst(verdicts: Iterable[Verdict]) -> Verdict | None:
    """The verdict that matters most: by level, then by share of its limit."""
    return max(verdicts, key=lambda each: (LEVELS.index(each.level), each.ratio or 0.0), default=None)
