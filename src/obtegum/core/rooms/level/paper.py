"""The ground, and for every peg what the rod reads on it and on its finished post."""

from obtegum.core.face.faces import Answers, Caution, Next, Page, Picture, Ruled

__all__ = ["PAGES"]

HEADING = "pegs: rod on the ground, rod on the finished top"
PAGES = (
    Page(
        "Level",
        (
            Caution("level"),
            Picture("falls", 0.3),
            Next("level"),
            Answers(("level",)),
            Ruled("level:L", by="marks", heading=f"Left {HEADING}", beside="tops:L"),
            Ruled("level:R", by="marks", heading=f"Right {HEADING}", beside="tops:R"),
        ),
    ),
)
