"""Runs: what ties the bows along the house."""

from obtegum.core.documents.runs import LEAST_HIGH_M, MOST_HIGH_M, MOST_SIDE
from obtegum.core.face.faces import Answers, Caution, Next, Numbered, Page, Picture, Stick
from obtegum.core.face.fields import special
from obtegum.core.face.listed import listed
from obtegum.core.face.room import Room
from obtegum.core.face.usual_tubes import board_options, usual_or_told
from obtegum.core.findings.skeleton.runs import lath_board, pieces_of, run_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.runs import step
from obtegum.core.rooms.runs.draw import runs_across, runs_along, unrolled
from obtegum.core.rooms.runs.goods import goods
from obtegum.core.rooms.runs.parts import parts
from obtegum.core.rooms.runs.tables import TABLES

__all__ = ["ROOM"]


def _requires(work: Work) -> None:
    _ = run_tube(work), lath_board(work), pieces_of(work)


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("run-slender",),
    strips=step.strips,
    strip_names=("run:",),
    shared_strips=("run:bow",),
    views={"runs": unrolled},
    layers={"across": runs_across, "along": runs_along},
    fields=(
        usual_or_told("runs.tube"),
        special("runs.board", options=board_options),
        listed(
            "runs.heights_m",
            "Runs at, over the ground",
            "both sides, with commas between; the ridge has its own",
            LEAST_HIGH_M,
            MOST_HIGH_M,
            MOST_SIDE,
            empty="",
            bare="long",
        ),
    ),
    requires=_requires,
    down=frozenset({"run_piece", "run_odd"}),
    up=frozenset({"run_clamps", "run_couplers", "run_under", "run_screws", "run_held", "run_slides"}),
    nearest=frozenset({"runs", "run_high", "run_long", "run_sticks", "run_cut"}),
    tables=TABLES,
    pages=(
        Page(
            "Runs",
            (
                Caution("runs"),
                Picture("runs", 0.36),
                Stick("run:bow"),
                Stick("run:odd"),
                Stick("run:even"),
                Numbered("runs"),
                Answers(("runs",)),
                Next("runs", loud=False),
            ),
        ),
    ),
    parts=parts,
    goods=goods,
)
