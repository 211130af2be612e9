"""Judgements in plain words, each with its number, its limit and the reason."""

from collections.abc import Iterable
from typing import Literal

from obtegum.core.values.base import Part

__all__ = [
    "LEVELS",
    "NEVER",
    "RANKS",
    "Level",
    "Rank",
    "Verdict",
    "better",
    "graded",
    "judge",
    "unknown_count",
    "verdict_on",
    "worst",
]

Level = Literal["holds", "tight", "fails", "unknown"]
LEVELS: tuple[Level, ...] = ("holds", "unknown", "tight", "fails")
# What a judgement is about: whether the house stands and nobody is hurt, whether its parts go together, or
# whether it is good to work in and to pay for.
Rank = Literal["stands", "fits", "comfort"]
RANKS: tuple[Rank, ...] = ("stands", "fits", "comfort")
NOTICEABLE = 0.95
# Share of a limit that stands for any beyond what a figure means anything for, and for a limit of nothing.
NEVER = 99.0


class Verdict(Part):
    """One judgement. ``ratio`` is the share of the limit that is used, unrounded, of what is judged by that alone."""

    id: str
    step: str
    level: Level
    rank: Rank = "fits"
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
    rank: Rank = "fits",
) -> Verdict:
    """A verdict of a step; number and limit are readings as printed."""
    return Verdict(
        id=name,
        step=step,
        level=level,
        rank=rank,
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


def graded(share: float, good: float, holds_to: float) -> float:
    """A share of what is usable, brought to the one measure of `judge`: what is good up to another share of it holds up
    to that, and all of it is the limit still."""
    good = min(good, 1.0)
    if share <= good:
        return share / good * holds_to if good > 0 else holds_to
    return holds_to + (share - good) / (1 - good) * (1 - holds_to) if share < 1 else share


def better(one: Verdict, other: Verdict) -> bool:
    """Whether one judgement is better by a level, or noticeably within the same one."""
    first, second = LEVELS.index(one.level), LEVELS.index(other.level)
    if first != second or one.ratio is None or other.ratio is None:
        return first < second
    return one.ratio <= other.ratio * NOTICEABLE


def worst(verdicts: Iterable[Verdict]) -> Verdict | None:
    """The verdict to head a house with: what fails, then what is tight, each by rank and by share of its limit;
    then what is not known of whether it stands; then what holds. What else is not known is counted beside it."""

    def place(verdict: Verdict) -> tuple[int, int, float]:
        rank = -RANKS.index(verdict.rank)
        level = {"fails": 4, "tight": 3, "unknown": 2 if verdict.rank == "stands" else 0, "holds": 1}[verdict.level]
        return level, rank, verdict.ratio or 0.0

    return max(verdicts, key=place, default=None)


def unknown_count(verdicts: Iterable[Verdict]) -> int:
    """How many judgements wait for something that nobody has told yet."""
    return sum(verdict.level == "unknown" for verdict in verdicts)
