"""A step as one page for a phone: nothing is fetched, nothing runs, it reads in the sun and prints."""

import re
from html import escape

from obtegum.core.drawing.step import Answer, StepPlan
from obtegum.core.house.plan import HousePlan

__all__ = ["step_html"]

STYLE = """
body { margin: 0 auto; max-width: 34rem; padding: 1rem; font: 1.1rem/1.4 system-ui, sans-serif; color: #000;
  background: #fff; }
h1 { font-size: 1.5rem; margin: 0; }
dl { margin: 1rem 0; border-top: 2px solid #000; }
dl div { display: flex; flex-wrap: wrap; justify-content: space-between; gap: 0 1rem; padding: .5rem 0;
  border-bottom: 1px solid #000; }
dd { margin: 0; font-size: 1.4rem; font-weight: 700; }
dd + dd { flex: 1 1 100%; font-size: 1rem; font-weight: 400; }
ol { padding-left: 1.4rem; }
li { margin: .4rem 0; }
.care { border: 3px solid #000; padding: .6rem; font-weight: 700; }
"""


def step_html(plan: HousePlan, step: StepPlan, title: str, date: str) -> str:
    """A step's leading answers, what to do, its caution and the planning-aid line."""
    leads = [each for each in step.answers if each.id.startswith(step.leads)]
    rest = [each for each in step.answers if each not in leads]
    told = "".join(f"<li>{escape(each.words)}</li>" for each in step.how)
    return (
        '<!doctype html><html lang="en"><head><meta charset="utf-8">'
        '<meta name="viewport" content="width=device-width, initial-scale=1">'
        f"<title>{escape(plan.name)}: {escape(title)}</title><style>{_tight(STYLE)}</style></head><body><main>"
        f"<h1>{escape(title)}</h1><p>{escape(plan.name)}, {escape(plan.size)} · {escape(date)}</p>"
        f'<p class="care">{escape(step.caution)}</p>{_listed(leads)}'
        f"<h2>{escape(step.how_title)}</h2><ol>{told}</ol>{_listed(rest)}"
        f"<p>{escape(plan.planning_aid)}</p></main></body></html>"
    )


def _listed(answers: list[Answer]) -> str:
    rows = "".join(
        f"<div><dt>{escape(each.label)}</dt><dd>{escape(each.reading)}</dd>"
        + (f"<dd>{escape(each.note)}</dd>" if each.note else "")
        + "</div>"
        for each in answers
    )
    return f"<dl>{rows}</dl>" if rows else ""


def _tight(text: str) -> str:
    return re.sub(r"\s+", " ", text).strip()
