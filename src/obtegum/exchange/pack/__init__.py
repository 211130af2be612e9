"""A pack of cards as one HTML file: nothing is fetched, it works opened as a file, and gives back what was typed."""

import json
from collections.abc import Mapping, Sequence
from dataclasses import asdict
from html import escape
from importlib.resources import files

from obtegum.core.drawing.items import Drawing
from obtegum.core.face.faces import Card
from obtegum.core.values.quantity import Tape
from obtegum.exchange.pack.rules import Rules
from obtegum.exchange.svg import svg_of

__all__ = ["pack_html"]


def pack_html(
    house: Mapping[str, object],
    steps: Sequence[tuple[str, str, str, Sequence[Card], Mapping[str, Drawing]]],
    tape: Tape,
    planning_aid: str,
) -> str:
    """The pack.

    Args: what it says of the house (its id, name, version, the pack's own name, the day), its steps, each by its name
    with title, caution, cards and drawings by view, the tape that it is read by, and the planning-aid line.
    """
    rules = Rules(tape)
    told = {
        **house,
        "tape": tape.model_dump(),
        "steps": [
            {
                "id": name,
                "title": title,
                "caution": caution,
                "cards": [
                    {key: value for key, value in asdict(card).items() if value} | rules.named(card.measure)
                    for card in cards
                ],
                "drawings": {view: svg_of(drawing) for view, drawing in drawings.items()},
            }
            for name, title, caution, cards, drawings in steps
        ],
    }
    told["rules"] = rules.all
    here = files(__package__)
    style = (here / "pack.css").read_text(encoding="utf-8")
    script = (here / "pack.js").read_text(encoding="utf-8")
    kit = (here / "made" / "kit.js").read_text(encoding="utf-8")
    page = (here / "pack.html").read_text(encoding="utf-8")
    # No closing tag inside the data can end its script.
    data = json.dumps(told, ensure_ascii=False).replace("<", "\\u003c")
    parts = {
        "TITLE": escape(f"{house['name']}, cards"),
        "STYLE": style,
        "DATA": data,
        # Nor can one inside what was built.
        "KIT": kit.replace("</", "<\\/"),
        "SCRIPT": script,
        "AID": escape(planning_aid),
    }
    for name, text in parts.items():
        page = page.replace(f"<!--{name}-->", text)
    return page
