"""How the pegs are kept and found again, on paper."""

from obtegum.core.face.faces import Answers, Caution, Numbered, Page, Picture, Readings

__all__ = ["PAGES"]

PAGES = (
    Page(
        "Keep pegs",
        (
            Caution("keep-pegs"),
            Picture("offsets", 0.36),
            Numbered("keep-pegs"),
            Readings("kept:AB", "kept:DC", "Tape at A1 and at D1."),
            Answers(("keep-pegs",)),
        ),
    ),
)
