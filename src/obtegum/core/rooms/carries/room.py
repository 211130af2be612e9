"""Carries: what snow and which gust the house out there will bear, and the card that hangs in it."""

from obtegum.core.face.faces import Caution, Lines, Next, Numbered, Page, Picture
from obtegum.core.face.room import Room
from obtegum.core.rooms.carries import step
from obtegum.core.rooms.carries.draw import carries
from obtegum.core.rooms.carries.tables import TABLES

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("clearing",),
    strips=step.strips,
    strip_names=("snow-stake",),
    views={"carries": carries},
    down=frozenset(
        {"clear_at", "deep_fresh", "deep_settled", "deep_old", "deep_wet", "deep_packed"}
        | {"ground_deep", "gust_shut", "gust_open", "gust_frame", "carried"}
    ),
    nearest=frozenset({"card_house", "card_bows", "card_props"}),
    levels=step.levels,
    slow=True,
    tables=TABLES,
    pages=(
        Page(
            "Card in the house",
            (
                Caution("carries"),
                Lines("carries", 0.32),
                Picture("carries", 0.36),
                Numbered("carries"),
                Next("carries"),
            ),
            alone="card",
            step="carries",
        ),
    ),
)
