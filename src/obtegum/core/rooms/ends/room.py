"""Ends: both end walls, each its own, their doors and vents."""

from obtegum.core.documents.ends import SIDES
from obtegum.core.face.faces import Answers, Caution, File, Listed, Next, Numbered, Page, Picture, Stick
from obtegum.core.face.room import Room
from obtegum.core.findings.skeleton.outline import stock_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends import step
from obtegum.core.rooms.ends.cures import CURES
from obtegum.core.rooms.ends.draw import back, front
from obtegum.core.rooms.ends.fields import FIELDS
from obtegum.core.rooms.ends.goods import goods
from obtegum.core.rooms.ends.judged import verdicts
from obtegum.core.rooms.ends.leaf import leaf_tube, leaves_of
from obtegum.core.rooms.ends.parts import parts
from obtegum.core.rooms.ends.pulled import film_of
from obtegum.core.rooms.ends.strips import strips
from obtegum.core.rooms.ends.tables import TABLES
from obtegum.core.rooms.ends.wall import all_walls

__all__ = ["ROOM"]


def _requires(work: Work) -> None:
    _ = all_walls(work), [(stock_of(work, side), leaf_tube(work, side), leaves_of(work, side)) for side in SIDES]
    film_of(work)


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=verdicts,
    verdict_names=(
        "endbow-",
        "fan",
        "film-",
        "filmrun-",
        "filmstrut-",
        "head-",
        "header-",
        "jamb-",
        "passes-",
        "propway-",
        "rail-",
        "stud-",
    ),
    strips=strips,
    strip_names=("end:",),
    views={"front": front, "back": back},
    fields=FIELDS,
    requires=_requires,
    cures=CURES,
    goods=goods,
    down=frozenset({"leaf_wide", "leaf_high", "air_share", "air_front", "air_back"}),
    up=frozenset(
        {"end_timber", "end_wind", "end_head", "hinge", "fan_moves", "film_pull", "stake_pull", "strut_pressed"}
    ),
    nearest=frozenset({"end_sticks", "end_stakes", "square", "stick", "prop", "leafcut", "passes", "strut_long"}),
    tables=TABLES,
    files=(
        File(
            name="ends.dxf",
            label="Both ends, DXF",
            about="true size, every stick closed and lettered",
            long=True,
            views=("front", "back"),
        ),
    ),
    pages=(
        Page(
            "Ends",
            (
                Caution("ends"),
                Picture("front", 0.4),
                Picture("back", 0.4),
                Stick("end:front"),
                Stick("end:back"),
                Listed("front"),
                Listed("back"),
                Numbered("ends"),
                Answers(
                    ("ends",),
                    only=("leaf", "square", "hinge", "passes", "air", "fan", "end_", "stake", "film", "strut"),
                ),
                Next("ends", loud=False),
            ),
        ),
    ),
    parts=parts,
)
