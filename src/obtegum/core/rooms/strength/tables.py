"""What governs, piece by piece along the bow, and every pressure on it: for an engineer's own sums."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.work import Work
from obtegum.core.rooms.strength.engineer import combination_rows, section_rows
from obtegum.core.rooms.strength.propped import shown_found

__all__ = ["TABLES"]


def _along(work: Work) -> Sequence[Sequence[object]]:
    """A line a piece, SI: where its middle is, axial force, bending, share of strength in the weather that governs."""
    head = ("along_tube_m", "x_m", "y_m", "axial_n", "bending_nm", "share", "weather")
    judged = shown_found(work)
    if judged is None or judged.found is None:
        return (head,)
    found, model, row = judged.found, judged.model, judged.found.worst
    nodes, rows = model.frame.nodes, list[tuple[object, ...]]()
    for piece in range(model.frame.count):
        x, y = nodes[piece : piece + 2].mean(axis=0)
        moment = max(found.moment[row, piece], key=abs)
        numbers = (model.s_m[piece : piece + 2].mean(), x, y, found.axial[row, piece], moment, found.use[row, piece])
        rows.append((*(f"{float(each):.4f}" for each in numbers), judged.governs.words))
    return (head, *rows)


def _pressures(work: Work) -> Sequence[Sequence[object]]:
    """A line a piece and a column a basic case: Pa on plan for snow, across the film for wind, outward positive."""
    judged = shown_found(work)
    cases = judged.weathered.cases if judged is not None else ()
    head = ("x_m", "y_m", *(f"{case.words}, {case.clause}" for case in cases))
    if judged is None:
        return (head,)
    outline = judged.model.outline
    rows = (
        (f"{outline.x[piece]:.4f}", f"{outline.y[piece]:.4f}", *(f"{case.shown[piece]:.2f}" for case in cases))
        for piece in range(len(outline.x))
    )
    return (head, *rows)


TABLES = (
    Table(
        name="combinations",
        label="Every combination, for an engineer",
        about="factors, buckling, forces, feet, shares",
        rows=combination_rows,
    ),
    Table(
        name="sections",
        label="Sections as they count, for an engineer",
        about="what they measure and take, the imperfection",
        rows=section_rows,
    ),
    Table(name="strength", label="Strength along the bow", about="forces and use, piece by piece", rows=_along),
    Table(name="pressures", label="Pressures on the bow", about="every case of snow and wind", rows=_pressures),
)
