"""The drain to lay."""

from obtegum.core.face.faces import Answers, Caution, Next, Page, Picture, Stick

__all__ = ["PAGES"]

PAGES = (Page("Drain", (Caution("drain"), Picture("drain", 0.28), Next("drain"), Answers(("drain",)), Stick("drain"))),)
