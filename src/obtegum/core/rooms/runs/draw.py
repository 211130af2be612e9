"""The frame laid flat, bows as lines and runs across them; runs on the section and along the house."""

from itertools import pairwise

from obtegum.core.drawing.items import Dimension, Drawing, Item, Layer, Mark, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import circle, line
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import tube_m
from obtegum.core.findings.skeleton.runs import (
    Piece,
    Run,
    deep_m,
    front_m,
    marked_m,
    pieces_of,
    place_of,
    run_long_m,
    runs_of,
    section_of,
)
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work

__all__ = ["runs_across", "runs_along", "unrolled"]


def unrolled(work: Work) -> Drawing:
    """Bows side by side laid flat, left ends below, runs across them with every splice."""
    tube, whole_m, long_m = bow_tube(work), tube_m(work), work.design.size.length_m
    stations = marked_m(work)
    items: list[Item] = [
        Outline(
            part=f"bow:{place}", layer="hidden", material="ink", path=line(at, 0.0, at, whole_m), label=f"bow {place}"
        )
        for place, at in enumerate(stations, start=1)
    ]
    by_run: dict[str, list[Piece]] = {run.name: [] for run in runs_of(work)}
    for piece in pieces_of(work):
        by_run[piece.run].append(piece)
    for run in runs_of(work):
        items += _laid(work, run, by_run[run.name])
    items.append(Dimension(part="bay", x0=stations[0], y0=0.0, x1=stations[1], y1=0.0, text=_bay(work)))
    items.append(Note(part="bow:1", x=long_m / 2, y=0.0, text="left ends of the bows", above=False))
    items.append(Note(part="bow:1", x=long_m / 2, y=whole_m, text="right ends"))
    rows = tuple(
        Row(what=run.words.capitalize(), reading=f"{work.say(run.at_m)} along the bow’s tube, {_told(work, run)}")
        for run in runs_of(work)
    )
    return drawn(
        view="runs",
        title="Laid flat",
        summary=f"{len(runs_of(work))} runs over {len(stations)} bows of {work.tube(tube.od_m)}, laid flat.",
        items=items,
        beside_m=(0.07 * long_m, 0.03 * whole_m, 0.03 * long_m, 0.03 * whole_m),
        table=rows,
    )


def _bay(work: Work) -> str:
    return work.say(bays_of(work).bay_m)


def _told(work: Work, run: Run) -> str:
    return f"{work.say(place_of(work, run)[1])} over the ground"


def _laid(work: Work, run: Run, pieces: list[Piece]) -> list[Item]:
    """A run's pieces end to end, with a mark at each splice."""
    start_m, (material, wide_m), found = front_m(work), section_of(work), list[Item]()
    for piece in pieces:
        found.append(
            Outline(
                part=f"run:{run.name}:{piece.number}",
                layer="frame",
                material=material,
                width_m=wide_m,
                path=line(piece.from_m + start_m, run.at_m, piece.to_m + start_m, run.at_m),
                label=f"{run.words}, piece {piece.number}, {work.say(piece.length_m)}",
            )
        )
    if work.design.runs.of == "long":
        for piece, after in pairwise(pieces):
            at = (piece.to_m + after.from_m) / 2 + start_m
            label = f"splice {piece.number} of the {run.words}"
            found.append(Mark(part=f"splice:{run.name}:{piece.number}", symbol="joint", x=at, y=run.at_m, label=label))
    end = run_long_m(work) + start_m
    found.append(Note(part=f"run:{run.name}:1", x=end, y=run.at_m, text=f" {work.say(run.at_m)}", anchor="start"))
    return found


def runs_across(work: Work) -> Layer:
    """Each run cut across, on its bow."""
    radius, material = deep_m(work) / 2, section_of(work)[0]
    items = list[Item]()
    for run in runs_of(work):
        x, y = place_of(work, run)
        path = circle(x, y, radius)
        items.append(
            Outline(
                part=f"run:{run.name}", layer="frame", material=material, closed=True, path=path,
                label=f"{run.words}, {work.say(y)} up",
            )
        )  # fmt: skip
    rows = [Row(what=run.words.capitalize(), reading=_told(work, run)) for run in runs_of(work)]
    return Layer(items, tuple(rows))


def runs_along(work: Work) -> Layer:
    """The runs of the left side and the ridge as they are seen from inside."""
    start_m, (material, wide_m) = front_m(work), section_of(work)
    seen = [run for run in runs_of(work) if not run.name.startswith("R")]
    return Layer(
        [
            Outline(
                part=f"run:{run.name}",
                layer="frame",
                material=material,
                width_m=wide_m,
                path=line(start_m, place_of(work, run)[1], run_long_m(work) + start_m, place_of(work, run)[1]),
                label=run.words,
            )
            for run in seen
        ]
    )
