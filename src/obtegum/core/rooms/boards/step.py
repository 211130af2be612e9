"""Boards: what runs along the sides, where it is spliced, how it is bolted, and in what order it goes up."""

from collections.abc import Iterator, Mapping

from obtegum.core.drawing.step import Answer, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Strip
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.answers import count_answer, length_answer, settled
from obtegum.core.face.goods import Good, by_piece
from obtegum.core.face.stock import sticks_for
from obtegum.core.findings.skeleton.bolts import next_bolt_m
from obtegum.core.findings.skeleton.runs import stood_m
from obtegum.core.findings.skeleton.stands import boarded
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import (
    base_takes_m,
    bolt_long_m,
    bolt_takes_m,
    dig_fill_m,
    hip_board,
    lines_of,
    opens_m,
)
from obtegum.core.rooms.boards.goods import goods
from obtegum.core.rooms.boards.parts import parts

__all__ = ["plan", "stands", "strips", "verdicts"]

CAUTION = "Two to a long board. Mask while treated timber is sawn; its dust and cut-offs stay off the beds."


def verdicts(work: Work) -> list[Verdict]:
    """Nothing of boards is judged that isn't refused at once."""
    return []


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    some = work.design.boards.hip != "none" or boarded(work)
    return Standing(id="boards", title="Boards", group="Frame", state=settled(found) if some else "open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    boards = work.design.boards
    hip = boards.hip == "board"
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=(
            "boards.hip",
            *(("boards.hip_m", "boards.board", "boards.board_m") if hip else ()),
            *(() if work.design.posts.stand == "board" else ("posts.base",)),
            *(("posts.board", "posts.board_m", "boards.high") if boarded(work) else ()),
            "boards.over_m",
            *(("boards.bolt_m",) if hip or boarded(work) else ()),
            *(("boards.bolt_long_m",) if hip else ()),
            "boards.when",
        ),
        aside=("boards.over_m", "boards.bolt_m", "boards.bolt_long_m", "boards.when"),
        answers=tuple(_answers(work)),
        leads=("hip_boards", "side_opens", "board_bolts"),
        views=("boards", "across"),
        strips=tuple(each.id for each in strips(work)) or ("floor",),
        grips=("boards.hip_m",),
        focus=("hip", "lower", "board", "bow"),
        how=tuple(Told(words=words) for words in _order(work)),
        how_title="In this order",
    )


def _next(work: Work) -> str:
    if work.design.boards.hip == "none" and not boarded(work):
        return "A side that rolls up wants a hip board to roll to; film wants a board, a rail or a trench below."
    return "Cut and drill the boards on trestles, all of a kind at once; splices come on bows."


def _order(work: Work) -> Iterator[str]:
    """The order that was chosen, and what it makes harder."""
    when = work.design.boards.when
    if when == "before":
        yield "Boards first, on posts alone: feet stand straight before a bow is in; bows then go in past them."
    elif when == "with":
        yield "Boards with the bows, bay by bay: each keeps its bow at its place; splices can’t be straightened later."
    else:
        yield "Boards after the bows, to a string: they take up what posts are out by; holes are drilled in place."
    yield "Lower edge to a level string where rolled sides or rigid sheets need it; else it may follow the ground."
    yield "Splices on a bow, a bolt each side of it; heads sunk, and clear of the film’s track by a finger."
    dug = dig_fill_m(work)
    if dug is not None:
        dig, fill = work.say(dug[0], "up"), work.say(dug[1], "up")
        yield f"To lie level it is dug in by up to {dig}, and filled under by up to {fill}."


def _answers(work: Work) -> Iterator[Answer]:
    boards, members = work.design.boards, parts(work)
    for line in lines_of(work):
        cuts = [high - low for low, high in line.pieces]
        count = sticks_for((each for each in members if each.what == line.words), work.rules.kerf_m)
        words = f"{len(cuts)} to a side, {len(cuts) - 1} splices on bows"
        yield count_answer(f"{line.name}_boards", f"{line.words.capitalize()}s", count, words)
        yield length_answer(work, f"{line.name}_cut", "Shortest of them", min(cuts))
    bolts = {good.id: good for good in goods(work)}
    if boards.hip == "board":
        yield length_answer(work, "side_opens", "Side opens", opens_m(work), "from what closes it below to the board")
        takes = f"{work.tube(bolt_takes_m(work), 'up')} taken by {work.tube(hip_board(work).thick_m)} of board, "
        takes += f"{work.tube(bow_tube(work).od_m)} of bow, two washers and the nut"
        yield count_answer(
            "board_bolts",
            "Bolts, a washer at each face",
            by_piece(bolts["hip-bolt"]),
            "one at each bow, two at a splice; without spares",
        )
        yield Answer(
            id="bolt_long",
            label="Bolts, long",
            reading=work.tube(bolt_long_m(work), "up"),
            value=bolt_long_m(work),
            unit="m",
            note=takes,
        )
    if "base-bolt" in bolts:
        yield from _base_bolts(work, bolts)
    dug = dig_fill_m(work)
    if dug is not None:
        yield length_answer(work, "board_dig", "Dug in, most", dug[0], "so that its lower edge lies level")
        yield length_answer(work, "board_fill", "Filled under, most", dug[1])


def _base_bolts(work: Work, bolts: Mapping[str, Good]) -> Iterator[Answer]:
    """What holds the boards along the feet, of both sides."""
    held = "stake" if work.design.posts.stand == "board" else "post" if work.design.posts.stand != "curve" else "bow"
    note = f"one at each {held}, two at a splice; without spares"
    yield count_answer("base_bolts", "Bolts of the base boards", by_piece(bolts["base-bolt"]), note)
    yield count_answer("base_washers", "Washers for them", by_piece(bolts["base-washer"]), "one at each face")
    takes_m = base_takes_m(work)
    long_m = next_bolt_m(work, takes_m)
    taken = f"{work.tube(takes_m, 'up')} taken by board and {held}, two washers and the nut"
    yield Answer(
        id="base_long", label="Those bolts, long", reading=work.tube(long_m, "up"), value=long_m, unit="m", note=taken
    )


def strips(work: Work) -> list[Strip]:
    """Each line of boards laid straight: where the bows come, and where two boards meet."""
    over_m, half_m, stood = work.design.boards.over_m, bow_tube(work).od_m / 2, stood_m(work)
    found = list[Strip]()
    for line in lines_of(work):
        marks = [
            work.mark(station - stood[0] + half_m + over_m, f"bow {number}", "peg", f"bow:{number}", line.name)
            for number, station in enumerate(stood, start=1)
        ]
        marks += [
            work.mark(high, f"board {number} ends", "cut", f"{line.name}:L{number}", line.name)
            for number, (_, high) in enumerate(line.pieces, start=1)
        ]
        found.append(
            Strip(
                id=line.name,
                title=line.words.capitalize(),
                about=f"tape from its front end · {len(line.pieces)} to a side",
                material="board",
                length_m=line.pieces[-1][1],
                marks=tuple(sorted(marks, key=lambda each: each.at_m)),
            )
        )
    return found
