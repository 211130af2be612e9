"""A plan as plain text: the answers, the verdicts, and every mark of every strip."""

from collections.abc import Iterable, Sequence

from obtegum.core.house.plan import HousePlan

__all__ = ["plan_text"]


def plan_text(plan: HousePlan) -> str:
    """The plan to read in a terminal or print on a narrow printer."""
    lines = [f"{plan.name}, {plan.size}", ""]
    for step in plan.steps:
        lines += [step.title, *_columns((each.label, each.reading, each.note) for each in step.answers)]
        lines += [f"  {step.caution}"] if step.caution else []
        lines.append("")
    lines += ["Verdicts"]
    lines += [f"  {verdict.level:8}{verdict.title}: {verdict.sentence}" for verdict in plan.verdicts]
    for strip in plan.strips:
        lines += ["", f"{strip.title} ({strip.about})"]
        lines += _columns((mark.what, mark.reading, mark.note) for mark in strip.marks)
    return "\n".join([*lines, "", plan.planning_aid])


def _columns(rows: Iterable[Sequence[str]]) -> list[str]:
    kept = [list(row) for row in rows]
    widths = [max((len(row[place]) for row in kept), default=0) for place in range(2)]
    return [f"  {what:{widths[0]}}  {reading:>{widths[1]}}  {note}".rstrip() for what, reading, note in kept]
