"""The typeface of the screen's figures for paper: made into TrueType when the interface is built.

On paper words are set in it too, so that numbers look alike wherever they stand.

Run as ``python -m obtegum.exchange.typefaces FROM TO`` by the script that builds.
"""

import sys
from functools import cache
from pathlib import Path

__all__ = ["FIGURES", "WORDS", "convert", "register"]

WORDS, FIGURES = "Words", "Figures"
SOURCES = {
    WORDS: "barlow-semi-condensed/files/barlow-semi-condensed-latin-500-normal.woff",
    FIGURES: "barlow-semi-condensed/files/barlow-semi-condensed-latin-600-normal.woff",
}
FOLDER = Path(__file__).parent.parent / "fonts"


def convert(source: Path, target: Path) -> None:
    """Write each typeface as TrueType. Raises: OSError when one is missing."""
    from fontTools.ttLib import TTFont

    target.mkdir(parents=True, exist_ok=True)
    for name, path in SOURCES.items():
        font = TTFont(source / path)
        font.flavor = None
        font.save(target / f"{name}.ttf")


@cache
def register() -> None:
    """Make the typefaces known to reportlab."""
    from reportlab.pdfbase import pdfmetrics
    from reportlab.pdfbase.ttfonts import TTFont

    for name in SOURCES:
        pdfmetrics.registerFont(TTFont(name, FOLDER / f"{name}.ttf"))


if __name__ == "__main__":
    convert(Path(sys.argv[1]), Path(sys.argv[2]))
