"""The ways to square a base: offered with what each leaves at the far corners."""

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Option, special
from obtegum.core.findings.skeleton.tapes import ways_to_square
from obtegum.core.formulas.setout.how import method_label
from obtegum.core.formulas.setout.squaring import Method
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.quantity import Tape, length_text

__all__ = ["FIELDS"]


def _about(method: Method, tape: Tape, starts_m: float) -> str:
    """What a way leaves at the far corners and between the diagonals, and what it takes."""
    longest = length_text(max(method.along_m, method.across_m, method.diagonal_m) + starts_m, tape, "up")
    if not method.reaches:
        return f"wants a tape of {longest}"
    corner, diagonals = (length_text(each, tape, "up") for each in (method.skew_m, method.difference_m))
    return f"corner ± {corner}, diagonals ± {diagonals}, {method.people} people, tape to {longest}"


def _methods(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    """Every way to square this base with what it leaves at a far corner, best first."""
    tape, starts_m = job.design.tape, job.design.set_out.starts_m
    ways = [
        Option(id=each.id, label=method_label(each, tape), about=_about(each, tape, starts_m))
        for each in ways_to_square(job.design, catalogue)
    ]
    return (Option(id="best", label=f"the best: {ways[0].label}", about=ways[0].about), *ways)


FIELDS = (special("set_out.method", options=_methods),)
