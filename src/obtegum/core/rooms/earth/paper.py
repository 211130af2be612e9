"""Earth to move."""

from obtegum.core.face.faces import Answers, Caution, Next, Page, Picture

__all__ = ["PAGES"]

PAGES = (Page("Earth", (Caution("earth"), Picture("earth", 0.28), Next("earth"), Answers(("earth",)))),)
