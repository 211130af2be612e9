"""Setting out and squaring on paper."""

from obtegum.core.face.faces import Caution, Numbered, Page, Picture, Readings

__all__ = ["PAGES"]

PAGES = (
    Page(
        "Set out",
        (
            Caution("set-out"),
            Picture("above", 0.4),
            Readings("peg:L", "peg:R", "Tape at A and at D. Tick left, right."),
        ),
        first=0.45,
    ),
    Page("Square it", (Numbered("set-out"),), first=0.3),
)
