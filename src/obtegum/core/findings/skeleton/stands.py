"""Ways in which a bow stands on the ground, and how each is spoken of."""

import math
from dataclasses import dataclass

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.work import Work
from obtegum.core.formulas.ground.posts import bow_entry
from obtegum.core.formulas.profile import Arc
from obtegum.core.formulas.setout.base import peg_words

__all__ = ["WAYS", "Way", "boarded", "foot_name", "foot_of", "plumb_m", "stub_below", "way_of"]


@dataclass(frozen=True, slots=True)
class Way:
    """How one way to stand is spoken of.

    ``one`` and ``many`` are what stands in the ground, ``length`` and ``reveal`` what its two lengths are called,
    ``inside`` what becomes of the bow's end, ``top`` where the bow leaves it, ``takes`` its length there, ``set``
    what is done with it, and ``caution`` what hurts while doing so. ``socketed``: one of the two tubes goes into
    the other, with a play between them.
    """

    one: str
    many: str
    length: str
    reveal: str
    inside: str
    end: str
    top: str
    takes: str
    set: str
    caution: str
    socketed: bool = True


WAYS: dict[str, Way] = {
    "driven": Way(
        one="post",
        many="posts",
        length="Post length",
        reveal="Post reveal",
        inside="bow inside",
        end="bow stops here",
        top="post top",
        takes="in the post",
        set="Drive it",
        caution="Ears and eyes covered; nobody holds a post by hand while it is driven.",
    ),
    "slab": Way(
        one="socket",
        many="sockets",
        length="Socket length",
        reveal="Socket above the slab",
        inside="bow inside",
        end="bow stops here",
        top="socket top",
        takes="in the socket",
        set="Set it plumb in its form",
        caution="Wet concrete burns skin and eyes: gloves, boots, water at hand; one out of place can’t be moved.",
    ),
    "stub": Way(
        one="stub",
        many="stubs",
        length="Stub length",
        reveal="Stub reveal",
        inside="bow over it",
        end="bow’s end comes to here",
        top="stub top",
        takes="over the stub",
        set="Drive it",
        caution="A bar end at eye height blinds: cap every stub until its bow is on; ears covered while driving.",
    ),
    "board": Way(
        one="stake",
        many="stakes",
        length="Stake length",
        reveal="Board’s top above the ground",
        inside="bow on the board",
        end="bow’s end",
        top="board’s top",
        takes="on the board",
        set="Drive it",
        caution="Ears and eyes covered; nobody holds a stake by hand while it is driven.",
        socketed=False,
    ),
    "curve": Way(
        one="stub",
        many="stubs",
        length="Stub length",
        reveal="Stub reveal",
        inside="bow laps it",
        end="bow’s end comes to here",
        top="stub top",
        takes="lapped on the stub",
        set="Set it on its lean",
        caution="A hole dug for a stub trips: cover it until the stub is in; cap what stands up.",
        socketed=False,
    ),
}


def way_of(work: Work) -> Way:
    """How the bows of this house stand."""
    return WAYS[work.design.posts.stand]


def foot_of(work: Work) -> tuple[str, str]:
    """What one thing and many things are called that bows of this house stand in or on, along a row."""
    return ("foot", "feet") if work.design.posts.stand == "board" else (way_of(work).one, way_of(work).many)


def foot_name(work: Work, name: str) -> str:
    """What a peg's post is called: ``post 3 left``."""
    return peg_words(name).replace("peg", foot_of(work)[0])


def boarded(work: Work) -> bool:
    """Whether a base board runs along the feet."""
    return work.design.posts.stand == "board" or work.design.posts.base == "board"


@found
def plumb_m(work: Work) -> float:
    """What a post spans plumb, from its bottom end to its top, m: its length, but for a stub that leans."""
    posts = work.design.posts
    return posts.reveal_m + stub_below(work)[1] if posts.stand == "curve" else posts.length_m


@found
def stub_below(work: Work) -> tuple[float, float, float]:
    """A stub of the bow's own curve below the ground: how far out and how deep its end comes, m, and its lean, rad.

    It goes on as the bow starts: with h the bow's direction at the ground and b what is below it, a bow of radius R
    gives b an end R·(sin(h + b/R) − sin h) out and R·(cos h − cos(h + b/R)) deep. The lean is that at the ground.
    """
    posts, bow = work.design.posts, centre_line(work)
    entry = bow_entry(bow, work.design.size.span_m, min(posts.reveal_m, work.design.size.height_m))
    below_m, heading, first = max(posts.length_m - entry.post_top_s_m, 0.0), bow.heading(0.0), bow.segments[0]
    if isinstance(first, Arc):
        end = heading + below_m / first.radius_m
        out = first.radius_m * (math.sin(end) - math.sin(heading))
        deep = first.radius_m * (math.cos(heading) - math.cos(end))
    else:
        out, deep = below_m * math.cos(heading), below_m * math.sin(heading)
    return out, deep, abs(heading - math.pi / 2)
