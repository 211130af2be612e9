"""Posts: how many, how long, how deep, and whether the bow enters them."""

from obtegum.core.faces import Caution, Need, Next, Page, Picture, Stick
from obtegum.core.room import Room
from obtegum.core.rooms.bows.tube_field import tube_choice, tube_outside
from obtegum.core.rooms.bows.tubes import post_tube
from obtegum.core.rooms.posts import step
from obtegum.core.rooms.posts.cures import CURES
from obtegum.core.rooms.posts.draw import one_post
from obtegum.core.rooms.posts.found import entry_of
from obtegum.core.rooms.posts.parts import parts
from obtegum.core.rooms.set_out.found import pegs_of
from obtegum.core.work import Work

__all__ = ["ROOM"]


def _must(work: Work) -> None:
    _ = post_tube(work), entry_of(work)


def _needs(work: Work) -> tuple[Need, ...]:
    count = len(pegs_of(work))
    return (
        Need(what="post", amount=count, weighed=True),
        Need(what="post tube", amount=count * work.design.posts.length_m, is_length=True),
    )


ROOM = Room(
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    views={"post": one_post},
    fields=(tube_choice("posts.tube"), tube_outside("posts.tube")),
    must=_must,
    cures=CURES,
    needs=_needs,
    down=frozenset({"embedment", "embedment_least"}),
    up=frozenset({"posts_tube"}),
    nearest=frozenset({"posts", "post_length"}),
    pages=(Page("Posts", (Caution("posts"), Picture("post", 0.36), Stick("post"), Next("posts", loud=False))),),
    parts=parts,
)
