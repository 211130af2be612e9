"""Fittings: pipe glued into tees and crosses, and pipes that fit one another."""

from obtegum.core.face.faces import Answers, Caution, Next, Numbered, Page, Picture, Stick
from obtegum.core.face.room import Room
from obtegum.core.rooms.fittings import step
from obtegum.core.rooms.fittings.cures import CURES
from obtegum.core.rooms.fittings.derived import derived
from obtegum.core.rooms.fittings.draw import fits, grid
from obtegum.core.rooms.fittings.goods import goods
from obtegum.core.rooms.fittings.tables import TABLES

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("fittings-",),
    strips=step.strips,
    strip_names=("fit:",),
    views={"grid": grid, "fits": fits},
    derived=derived,
    cures=CURES,
    down=frozenset({"fit_clamp"}),
    up=frozenset({"fit_cure", "fit_takes", "fit_in", "fit_over"}),
    nearest=frozenset(
        {"crosses", "tees", "ridge_fittings", "couplings", "fit_pieces", "run_between", "fit_socket", "fit_glued"}
    ),
    tables=TABLES,
    goods=goods,
    pages=(
        Page(
            "Fittings",
            (
                Caution("fittings"),
                Picture("grid", 0.34),
                Stick("fit:"),
                Numbered("fittings"),
                Answers(("fittings",)),
                Next("fittings", loud=False),
            ),
        ),
    ),
)
