"""A step of the work as the bench shows it: inputs, answers, what to look at, what to do next."""

from typing import Literal, NotRequired, TypedDict

from obtegum.core.values.base import Part

__all__ = ["Action", "Answer", "Standing", "StepPlan", "StepState", "Told"]

StepState = Literal["open", "going", "checked", "done", "look"]
Group = Literal["Place", "Frame", "Close in", "Build", "Keep"]


class Standing(TypedDict):
    """What a step is called, and how far it has come: all that is told of one that isn't shown."""

    id: str
    title: str
    group: Group
    state: StepState
    done: NotRequired[int]
    of: NotRequired[int]


class Answer(Part):
    """A computed number with its label. ``value`` is in SI and unrounded; ``reading`` is printed."""

    id: str
    label: str
    reading: str
    value: float
    unit: Literal[
        "m", "rad", "m2", "m3", "m3/s", "kg", "s", "count", "share", "Pa", "N", "N/m", "m/s", "N·m", "W", "J", "K"
    ]
    note: str = ""


class Told(Part):
    """One thing to do, in words, and the view that draws it."""

    words: str
    view: str | None = None


class Action(Part):
    """Something to press in a step, besides its fields: it opens a side of that name (`web/src/bench/side/`),
    or it is one of the room's acts."""

    id: str
    label: str
    opens: str | None = None


class Sheet(Part):
    """A sheet that the page draws itself, by its file's name, and what it is called."""

    id: str
    title: str


class StepPlan(Part):
    """One step: what can be set, what came out, which drawings and strips show it.

    ``grips`` are the measures to take hold of on the drawing; ``focus`` names the parts (or how
    their names begin) that the step is about: the rest is drawn faint.
    ``aside`` names those of the measures that are folded away until they are asked for.
    ``leads`` names the answers (or how their names begin) that are carried to the site; the rest is folded.
    ``pages`` are sheets besides its drawings that the page draws itself (`web/src/bench/pages/`), the first one shown.
    ``walk`` names the ticks or entries in the order in which one comes to them.
    """

    id: str
    title: str
    group: Group
    state: StepState
    next: str
    next_part: str | None = None
    caution: str
    measures: tuple[str, ...]
    answers: tuple[Answer, ...]
    leads: tuple[str, ...]
    views: tuple[str, ...]
    strips: tuple[str, ...]
    grips: tuple[str, ...]
    focus: tuple[str, ...]
    walk: tuple[str, ...] = ()
    aside: tuple[str, ...] = ()
    how: tuple[Told, ...] = ()
    how_title: str = ""
    actions: tuple[Action, ...] = ()
    pages: tuple[Sheet, ...] = ()
    done: int = 0
    of: int = 0

    @classmethod
    def brief(cls, standing: Standing) -> "StepPlan":
        """A step that isn't shown."""
        return cls(
            **standing,
            next="",
            caution="",
            measures=(),
            answers=(),
            leads=(),
            views=(),
            strips=(),
            grips=(),
            focus=(),
        )
