"""What the six lines should read, room for what they do, and the moves."""

from obtegum.core.face.faces import Answers, Caution, Next, Page, Picture, Ruled

__all__ = ["PAGES"]

PAGES = (
    Page(
        "Square up",
        (
            Caution("square-up"),
            Picture("taped", 0.34),
            Ruled("taped:", by="rows"),
            Answers(("square-up",)),
            Next("square-up"),
        ),
    ),
)
