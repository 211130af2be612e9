"""Days of the calendar as people write them: 2026-05-31. What day it is today, no rule of the job asks."""

from datetime import date, timedelta

__all__ = ["days_later"]


def days_later(day: str, days: int) -> str:
    """The day so many days after one. Raises: ValueError for a day that no calendar has, or whose end it is."""
    try:
        return (date.fromisoformat(day) + timedelta(days=days)).isoformat()
    except OverflowError:
        raise ValueError("the calendar ends before that") from None
