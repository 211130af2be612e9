"""The house on its first page."""

from obtegum.core.face.faces import Answers, Page, Picture, Verdicts

__all__ = ["PAGES"]

PAGES = (Page("The house", (Picture("across", 0.44), Answers(("size", "set-out", "posts", "bows")), Verdicts())),)
