"""Changes to a house: lengths typed, pulled or stepped, choices; made whole or refused with what would work."""

from collections.abc import Callable, Collection, Sequence
from functools import cache
from typing import Any

from obtegum.core.documents.job import Job
from obtegum.core.documents.reading import read_design, read_record
from obtegum.core.face.edit import Edit
from obtegum.core.face.fields import Document, Measure, put
from obtegum.core.findings.work import Work
from obtegum.core.house.bench import begin
from obtegum.core.house.measures import find_measure
from obtegum.core.house.offers import naming, nearest_working, other_reading, scanned
from obtegum.core.rooms import rooms
from obtegum.core.values.amount import SIGNED, amount_step, amount_zero, parse_amount
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.quantity import (
    LONGEST_M,
    Bare,
    LengthError,
    Stride,
    Tape,
    parse_length,
    tube_step_m,
)
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["apply_edits", "edits_in_words", "laid_edits"]

# How often what follows is followed in its turn.
FOLLOWED = 6
STRIDES: dict[Stride, int] = {"fraction": 1, "small": 5, "large": 25}


def _stepped(value_m: float, edit: Edit, tape: Tape, bare: Bare) -> float:
    """A value moved by key steps, landing on the tape's own marks; a tube's on what is told apart of tubes."""
    steps, fraction = edit.steps or 0, tape.step_m
    moved = value_m + steps * tape.stride_m(edit.stride)
    if bare == "tube":
        fraction = tube_step_m(tape.units)
        moved = value_m + steps * fraction * STRIDES[edit.stride]
    return max(round(moved / fraction) * fraction, 0.0)


def _length_value(measure: Measure, edit: Edit, job: Job) -> float | None:
    tape = job.design.tape
    if edit.text is not None:
        if measure.optional and not edit.text.strip():
            return None
        try:
            return parse_length(edit.text, tape.units, measure.bare)
        except LengthError as error:
            raise DesignError([Trouble(path=measure.id, sentence=str(error), nearest=error.offer or None)]) from None
    if edit.value_m is not None:
        if abs(edit.value_m) > LONGEST_M:
            raise DesignError([Trouble(path=measure.id, sentence="That is longer than any house.")])
        snap = tape.stride_m("small")
        return max(round(edit.value_m / snap) * snap, 0.0)
    if edit.steps is not None:
        return _stepped(float(measure.now(job) or 0.0), edit, tape, measure.bare)
    raise DesignError([Trouble(path=measure.id, sentence="Nothing was given to change it to.")])


def _amount_value(measure: Measure, edit: Edit, job: Job) -> float | None:
    units = job.design.tape.units
    if edit.text is not None:
        if measure.optional and not edit.text.strip():
            return None
        try:
            value = parse_amount(edit.text, measure.amount, units)
            if measure.amount == "count" and value != round(value):
                raise LengthError("Write a whole number.")
            return round(value) if measure.amount == "count" else value
        except LengthError as error:
            raise DesignError([Trouble(path=measure.id, sentence=str(error))]) from None
    if edit.steps is None:
        raise DesignError([Trouble(path=measure.id, sentence="Nothing was given to change it to.")])
    step, zero = amount_step(measure.amount, units), amount_zero(measure.amount, units)
    count = round((float(measure.now(job) or 0.0) - zero) / step) + edit.steps * STRIDES[edit.stride]
    value = (count if measure.amount in SIGNED else max(count, 0)) * step + zero
    return round(value) if measure.amount == "count" else value


def _choice_value(measure: Measure, edit: Edit, job: Job, catalogue: Catalogue) -> str:
    if edit.text is None:
        raise DesignError([Trouble(path=measure.id, sentence="Nothing was given to change it to.")])
    text = edit.text.strip()
    if measure.kind == "text":
        return text
    if text not in {option.id for option in measure.options(job, catalogue)}:
        raise DesignError([Trouble(path=measure.id, sentence=f"“{text}” is not a choice for {measure.label}.")])
    return text


def _apply(job: Job, edit: Edit, catalogue: Catalogue) -> Job:
    measure = find_measure(edit.measure)
    if measure is None:
        raise DesignError([Trouble(path="", sentence=f"There is no “{edit.measure}” to change.")])
    value: Any
    if measure.kind == "length":
        value = _length_value(measure, edit, job)
    elif measure.kind == "amount":
        value = _amount_value(measure, edit, job)
    else:
        value = _choice_value(measure, edit, job, catalogue)
    return _written(job, measure, value)


def _written(job: Job, measure: Measure, value: Any) -> Job:
    """A job with a measure's value written into it. Raises: DesignError when it can't stand there."""
    if measure.on_site:
        document: Document = {"record": job.record.model_dump()}
        measure.write(document, job, value)
        return Job(job.design, read_record(document["record"], job.design.tape))
    document = job.design.model_dump()
    measure.write(document, job, value)
    try:
        return Job(read_design(document), job.record)
    except DesignError as error:
        raise naming(error, {measure.id}, document, job.design.tape) from None


def apply_edits(job: Job, edits: Sequence[Edit], catalogue: Catalogue) -> Job:
    """A job with changes made in order, checked after each, and able to make a house at the end.

    Raises: DesignError with a sentence for the first change that can't be made, and for a single length
    with the nearest one that works.
    """
    return laid_edits(job, edits, catalogue)[0]


def laid_edits(
    job: Job, edits: Sequence[Edit], catalogue: Catalogue, before: Work | None = None, nearest: bool = True
) -> tuple[Job, Work]:
    """The same, with the bench that the house lies on then; it begins from ``before``.

    What was wrong with the house before refuses no change of anything else.
    Raises: DesignError, whose sentence names the nearest that works unless nobody asks for that.
    """
    wrong_before = cache(lambda: _wrong(job, catalogue, before))
    try:
        changed = job
        for edit in edits:
            changed = _apply(changed, edit, catalogue)
        return _sound(changed, {edit.measure for edit in edits}, wrong_before, catalogue, before)
    except DesignError as error:
        if len(edits) != 1 or not nearest:
            raise
        raise _nearest(job, edits[0], error, wrong_before, catalogue, before) from None


def _wrong(job: Job, catalogue: Catalogue, before: Work | None) -> frozenset[str]:
    """The decisions that can't stand as they are: of a house from outside, which nothing has followed yet."""
    try:
        _followed(job, catalogue, before)
    except DesignError as error:
        return frozenset(trouble.path for trouble in error.troubles)
    return frozenset()


def _sound(
    job: Job,
    edited: Collection[str],
    wrong_before: Callable[[], frozenset[str]],
    catalogue: Catalogue,
    before: Work | None = None,
) -> tuple[Job, Work]:
    """The job with what follows from its decisions, after a change of some of them. Raises: DesignError."""
    try:
        return _followed(job, catalogue, before)
    except DesignError as error:
        if wrong_before().difference(edited).issuperset(each.path for each in error.troubles):
            return job, begin(job.design, job.record, catalogue, before)
        raise naming(error, edited, job.design.model_dump(), job.design.tape) from None


def _followed(job: Job, catalogue: Catalogue, before: Work | None) -> tuple[Job, Work]:
    """The job with what follows from its decisions, if it makes a house, and its bench. Raises: DesignError."""
    work = begin(job.design, job.record, catalogue, before)
    # What follows in one room may be what it follows from in another.
    for _ in range(FOLLOWED):
        following = [(path, value) for room in rooms() for path, value in room.derived(work).items()]
        if not following:
            break
        document = job.design.model_dump()
        for path, value in following:
            put(document, path, value)
        design = read_design(document)
        if design == job.design:
            break
        job = Job(design, job.record)
        work = begin(job.design, job.record, catalogue, work)
    troubles = [trouble for room in rooms() for trouble in room.impossible(job)]
    if troubles:
        raise DesignError(troubles)
    return job, work


def _nearest(
    job: Job,
    edit: Edit,
    error: DesignError,
    wrong_before: Callable[[], frozenset[str]],
    catalogue: Catalogue,
    before: Work | None,
) -> DesignError:
    """What is wrong with a length, and how far it can go from what it is now: found by halving, and tried."""
    measure, tape = find_measure(edit.measure), job.design.tape
    if measure is None or measure.kind != "length":
        return error
    try:
        now_m, wanted_m = measure.now(job), _length_value(measure, edit, job)
    except DesignError:
        return error
    if wanted_m is None:
        return error

    def wrong(value_m: float) -> Trouble | None:
        try:
            _sound(_written(job, measure, value_m), {measure.id}, wrong_before, catalogue, before)
        except DesignError as found:
            return found.troubles[0]
        return None

    if now_m is None and measure.number is not None:
        # A blank one has nothing to start from: any value that works will do.
        now_m = next((each for each in scanned(measure.number, wanted_m) if wrong(each) is None), None)
    if now_m is None:
        return error
    first = error.troubles[0]
    found = nearest_working(wrong, now_m, wanted_m, first, measure.id, tape)
    other = other_reading(edit.text or "", measure.id, tape, wrong)
    if other is None:
        return DesignError([found])
    return DesignError(
        [found.model_copy(update={"sentence": f"{found.sentence} Did you mean {other}?", "other": other})]
    )


def edits_in_words(job: Job, edits: Sequence[Edit], catalogue: Catalogue) -> str:
    """Changes as the history tells them, from the job that they led to: ``Width 22' 6"``."""
    told = {}
    for edit in edits:
        measure = find_measure(edit.measure)
        assert measure is not None
        state = measure.state(job, catalogue)
        chosen = next((option.label for option in state.options if option.id == state.reading), state.reading)
        told[state.id] = f"{state.label} {chosen or 'blank'}"
    return ", ".join(told.values())
