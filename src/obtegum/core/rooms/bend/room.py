"""Bend: the former, what springs back, the pulls and their marks, the trial bend, and the house that it makes."""

from obtegum.core.face.faces import Answers, Caution, File, Next, Page, Picture, Stick
from obtegum.core.face.room import Room
from obtegum.core.rooms.bend import step
from obtegum.core.rooms.bend.cures import CURES
from obtegum.core.rooms.bend.draw import made, pull_drawings
from obtegum.core.rooms.bend.fields import FIELDS
from obtegum.core.rooms.bend.form import TABLES, form_drawing
from obtegum.core.rooms.bend.shaping import shaping

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=(
        "as-bent",
        "bend-tight",
        "cold-bend",
        "heat-tight",
        "no-set",
        "spring",
        "spring-lean",
        "spring-post",
        "tails-long",
    ),
    strips=step.strips,
    strip_names=("heat:", "pulls:", "spring:"),
    views={"made": made, "shaping": shaping, "form": form_drawing},
    work_drawings=pull_drawings,
    drawing_names=("pull:",),
    fields=FIELDS,
    cures=CURES,
    tables=TABLES,
    files=(
        File(
            name="form.dxf",
            label="The form",
            about="DXF in metres, true size, arcs as arcs",
            long=True,
            views=("form",),
        ),
        *(
            File(
                name=f"form-true-size.pdf?paper={paper}",
                label=f"The form at true size, {words}",
                about="PDF in sheets to stick together",
                long=True,
                tiled="form",
            )
            for paper, words in (("letter", "Letter"), ("a4", "A4"))
        ),
    ),
    down=frozenset({"tightest", "cool_end"}),
    up=frozenset(
        {"lever", "thrust", "held_out", "foot_moment", "strain", "used", "heated", "sand", "hot_hours", "pipe"}
    ),
    nearest=frozenset(
        {
            "form",
            "batches",
            "joiners",
            "foot_lean",
            "keeps",
            "former",
            "came_out",
            "trial",
            "springback",
            "made_span",
            "made_height",
            "pulls",
        }
    ),
    pages=(
        Page(
            "Bend",
            (
                Caution("bend"),
                Picture("made", 0.36),
                Answers(("bend",)),
                Stick("pulls:"),
                Stick("spring:"),
                Stick("heat:"),
                Next("bend", loud=False),
            ),
            first=0.45,
        ),
    ),
)
