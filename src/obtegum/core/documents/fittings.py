"""Whether bows and runs are glued into fittings, what those take up, and which joints stay dry."""

from typing import Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, choice

__all__ = ["Fittings"]


class Fittings(Decisions):
    """Tees and crosses where runs meet bows, m; blank take-ups are those of the pipe's usual fittings."""

    grid: Annotated[
        Literal["none", "glued"],
        choice("Where runs meet bows", none="clamps, straps or brackets", glued="tees and crosses, pipe glued in"),
    ] = "none"
    along_m: Annotated[
        float | None,
        Number(
            "Fitting’s middle to pipe’s end, along the bow",
            0.002,
            0.2,
            bare="fine",
            hint="blank: as usual for its size",
        ),
    ] = None
    branch_m: Annotated[
        float | None,
        Number("And along the house", 0.002, 0.2, bare="fine", hint="blank: as usual for its size"),
    ] = None
    socket_m: Annotated[
        float | None, Number("Pipe goes in", 0.005, 0.2, bare="fine", hint="blank: as usual for its size")
    ] = None
    dry: Annotated[
        Literal["none", "front", "back"],
        choice(
            "Dry, so that it comes apart",
            none="nothing: all is glued",
            front="the front end of a run’s piece, between sections",
            back="the back end of a run’s piece, between sections",
        ),
    ] = "back"
    section: Annotated[int, Number("Bows glued together as a section", 1, 40, "count")] = 2
    glue_c: Annotated[float, Number("Glued at", -10.0, 40.0, "temperature", hint="pipe, fitting and cement alike")] = (
        18.0
    )
