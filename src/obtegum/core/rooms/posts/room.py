"""Posts: how a bow stands, of what, how long, how deep, and whether it enters."""

from obtegum.core.face.faces import Caution, Next, Page, Picture, Stick
from obtegum.core.face.room import Room
from obtegum.core.findings.skeleton.posts import board_of, entry_of
from obtegum.core.findings.skeleton.stands import boarded
from obtegum.core.findings.skeleton.tubes import post_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.posts import step
from obtegum.core.rooms.posts.cures import CURES
from obtegum.core.rooms.posts.draw import one_post
from obtegum.core.rooms.posts.fields import FIELDS
from obtegum.core.rooms.posts.goods import goods
from obtegum.core.rooms.posts.if_left import if_left
from obtegum.core.rooms.posts.parts import parts

__all__ = ["ROOM"]


def _requires(work: Work) -> None:
    _ = post_tube(work), entry_of(work), board_of(work) if boarded(work) else None


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("bare-stub", "entry", "saw"),
    strips=step.strips,
    strip_names=("base-board", "post", "post:"),
    views={"post": one_post},
    fields=FIELDS,
    requires=_requires,
    cures=CURES,
    down=frozenset({"embedment", "embedment_least", "may_stray"}),
    up=frozenset({"posts_tube"}),
    nearest=frozenset(
        {"posts", "post_length", "post_sticks", "stub_lean", "stub_out", "boards", "splices", "straps", "stakes"}
    ),
    pages=(
        Page(
            "Footing",
            (Caution("posts"), Picture("post", 0.36), Stick("post"), Stick("base-board"), Next("posts", loud=False)),
        ),
    ),
    parts=parts,
    goods=goods,
    if_left=if_left,
)
