"""What the household does while snow lies."""

from typing import Annotated

from obtegum.core.documents.numbers import Decisions, Number

__all__ = ["Carries"]


class Carries(Decisions):
    """A habit that is declared: from which depth on the roof it is cleared, m."""

    clear_m: Annotated[
        float | None, Number("The roof is cleared at", 0.01, 3.0, bare="floor", hint="snow’s depth on it; blank: never")
    ] = None
