"""What is asked of the way in which the bows stand, called as that way calls it."""

from collections.abc import Callable
from typing import Any

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Document, Option, put, special
from obtegum.core.face.tube_fields import tube_choice, tube_outside
from obtegum.core.findings.skeleton.stands import WAYS, Way
from obtegum.core.findings.skeleton.tubes import find_tube
from obtegum.core.formulas.ground.posts import socket_play
from obtegum.core.values.catalogue import Catalogue, Tube, default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M, Units, tube_text

__all__ = ["FIELDS"]

# What a way begins with where the tube that is there can’t be it: a bar within a bow, a tube around one.
BAR: dict[Units, str] = {"feet": "bar-1-2", "metric": "bar-12mm"}
BOARD: dict[Units, str] = {"feet": "board-2x6", "metric": "board-47x150mm"}
# What of a socket or a base board stands out at the most, and how long it is, before it is another way to stand, m.
MOST_REVEAL_M = 0.3
MOST_LENGTH_M = {"slab": 0.6, "board": 0.9}
# The most that a bow goes in or over, and what it usually does, m.
MOST_IN_M, USUAL_IN_M = 1.0, 0.15
TUBE: dict[Units, str] = {"feet": "post-1-7-8", "metric": "round-60.3"}


def _called(words: Callable[[Way], str]) -> Callable[[Job], str]:
    return lambda job: words(WAYS[job.design.posts.stand])


def _write_stand(document: Document, job: Job, stand: Any) -> None:
    """Another way to stand, of a tube that can be it, and of lengths where those that are there can’t be it."""
    put(document, "posts.stand", stand)
    _held_by(document, job, stand)
    _lengths(document, job, stand)
    if stand == "board":
        _board_sold_here(document, job)
    units, catalogue = job.design.tape.units, default_catalogue()
    post = find_tube(job.design, catalogue, job.design.posts.tube)
    bow = find_tube(job.design, catalogue, job.design.bows.tube)
    if post is None or bow is None:
        return
    if stand == "stub":
        if not _fits(job, post, bow):
            put(document, "posts.tube", _stub_for(bow, units, catalogue))
    elif stand in ("driven", "slab") and post.bore_m <= bow.od_m:
        put(document, "posts.tube", TUBE[units])
    elif stand == "curve":
        put(document, "posts.tube", job.design.bows.tube)


def _held_by(document: Document, job: Job, stand: str) -> None:
    """What sprung pipe stands on is what holds it: a board by straps; loose only over a stub."""
    shape = job.design.size.shape
    if shape.kind != "sprung":
        return
    feet = "strapped" if stand == "board" else shape.feet
    if (feet == "strapped" and stand != "board") or (feet == "loose" and stand != "stub"):
        feet = "snug"
    put(document, "size.shape.feet", feet)


def _fits(job: Job, stub: Tube, bow: Tube) -> bool:
    """Whether a bow goes over a stub and doesn't rock on it."""
    play = socket_play(bow.bore_m, stub.over_m, job.design.bows.insertion_m)
    rules = default_catalogue().rules
    most_rad = rules.socket_lean_plastic_rad if bow.material == "plastic" else rules.socket_lean_most_rad
    return play is not None and play.lean_rad <= most_rad


def _stub_for(bow: Tube, units: Units, catalogue: Catalogue) -> str:
    """The thickest of what is sold here that a bow of steel or plastic goes over; the usual bar where nothing does."""
    goes = [
        tube
        for tube in catalogue.tubes.values()
        if tube.sold_in == units and tube.material == "steel" and tube.over_m < bow.bore_m
    ]
    return max(goes, key=lambda tube: (tube.over_m, tube.form == "bar")).id if goes else BAR[units]


def _board_sold_here(document: Document, job: Job) -> None:
    """A board that is sold in the house's units, where nobody chose another."""
    units = job.design.tape.units
    board = default_catalogue().boards.get(job.design.posts.board)
    if board is None or board.sold_in != units:
        put(document, "posts.board", BOARD[units])


def _write_base(document: Document, job: Job, base: Any) -> None:
    put(document, "posts.base", base)
    if base == "board":
        _board_sold_here(document, job)


def _lengths(document: Document, job: Job, stand: str) -> None:
    """A socket is as deep as its slab, a bow on a board reaches no further than that; both stand out little. Over a
    stub a bow comes down to the ground."""
    reveal_m, in_m = job.design.posts.reveal_m, job.design.bows.insertion_m
    if stand == "stub" and in_m < reveal_m:
        put(document, "bows.insertion_m", min(reveal_m, MOST_IN_M))
    elif job.design.posts.stand == "stub" and stand != "stub" and in_m == reveal_m > USUAL_IN_M:
        put(document, "bows.insertion_m", 6 * INCH_M if job.design.tape.units == "feet" else USUAL_IN_M)
    if stand not in ("slab", "board"):
        return
    posts, bows, inches = job.design.posts, job.design.bows, job.design.tape.units == "feet"
    board = default_catalogue().boards.get(posts.board)
    low_m = 2 * INCH_M if inches else 0.05
    if board is None or board.sold_in != job.design.tape.units:
        board = default_catalogue().boards[BOARD[job.design.tape.units]]
    reveal_m = board.wide_m if stand == "board" else low_m
    if posts.reveal_m > MOST_REVEAL_M:
        put(document, "posts.reveal_m", reveal_m)
    if posts.length_m > MOST_LENGTH_M[stand]:
        usual_m = {"slab": 12 * INCH_M if inches else 0.3, "board": FOOT_M * 2 if inches else 0.6}[stand]
        put(document, "posts.length_m", max(usual_m, bows.insertion_m + reveal_m))
    if stand == "board" and bows.insertion_m > reveal_m:
        put(document, "bows.insertion_m", reveal_m)


def _boards(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    units = job.design.tape.units
    return tuple(
        Option(
            id=board.id,
            label=board.name,
            about=f"truly {tube_text(board.thick_m, units)} by {tube_text(board.wide_m, units)}",
        )
        for board in catalogue.near_first[units].boards
    )


FIELDS = (
    special("posts.stand", write=_write_stand),
    tube_choice("posts.tube", named=_called(lambda way: f"{way.one.capitalize()} of")),
    tube_outside("posts.tube"),
    special("posts.length_m", named=_called(lambda way: way.length)),
    special("posts.reveal_m", named=_called(lambda way: way.reveal)),
    special("posts.base", write=_write_base),
    special("posts.board", options=_boards),
    special("bows.insertion_m", named=_called(lambda way: f"Bow {way.takes}")),
)
