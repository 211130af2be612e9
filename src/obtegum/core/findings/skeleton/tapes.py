"""The tapes of a house, the rectangle that its strings make, and every way to square it."""

from obtegum.core.documents.house import HouseDesign
from obtegum.core.findings.skeleton.tubes import find_tube
from obtegum.core.formulas.setout.squaring import Method, Tapes, methods
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.quantity import FOOT_M

__all__ = ["strung_size", "tapes_in", "ways_to_square"]


def strung_size(design: HouseDesign, catalogue: Catalogue) -> tuple[float, float]:
    """Length and width of the rectangle that the strings make, m: between centres, or one tube more."""
    name = {"posts": design.posts.tube, "bows": design.bows.tube}.get(design.set_out.to)
    tube = find_tube(design, catalogue, name) if name else None
    more_m = tube.od_m if tube else 0.0
    return design.size.length_m + more_m, design.size.span_m + more_m


def tapes_in(design: HouseDesign) -> Tapes:
    """The tapes of a house, as far as they reach from the mark that they are held at."""
    set_out = design.set_out
    second_m = None if set_out.second_tape_m is None else max(set_out.second_tape_m - set_out.starts_m, 0.0)
    return Tapes(
        longest_m=set_out.tape_m - set_out.starts_m,
        second_m=second_m,
        error_m=set_out.reading_error_m,
        start_m=set_out.starts_m,
    )


def ways_to_square(design: HouseDesign, catalogue: Catalogue) -> list[Method]:
    """Every way to square the base of a house, best first."""
    set_out = design.set_out
    unit_m = FOOT_M if design.tape.units == "feet" else 1.0
    return methods(*strung_size(design, catalogue), tapes_in(design), set_out.base, unit_m, set_out.fence_m)
