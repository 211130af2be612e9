"""How a base is squared, step by step, for each method: where a tape starts and what it reads."""

from obtegum.core.quantity import Tape, length_text
from obtegum.core.setout.base import diagonal
from obtegum.core.setout.squaring import Base, Method

__all__ = ["how_to_square", "method_label"]

CORNERS = {"long": ("A", "B", "C", "D"), "short": ("A", "D", "C", "B")}


def method_label(method: Method, tape: Tape) -> str:
    """A method in a few words."""
    unit = "feet" if tape.units == "feet" else "metres"
    if method.id == "whole":
        return "whole diagonals"
    if method.id == "parts":
        return f"diagonals in {method.parts} parts"
    if method.id == "ends":
        return "each end on its own width"
    along, across = round(method.along_m / tape_unit_m(tape)), round(method.across_m / tape_unit_m(tape))
    return f"{across}-{along}-{round(along * 1.25)} in {unit}"


def tape_unit_m(tape: Tape) -> float:
    """The unit that a 3-4-5 triangle is counted in: a foot or a metre."""
    return 0.3048 if tape.units == "feet" else 1.0


def how_to_square(method: Method, length_m: float, width_m: float, base: Base, tape: Tape, tape_m: float) -> list[str]:
    """Numbered steps with what each tape reads; corners A and B on the left side, C across from B."""

    def say(value_m: float) -> str:
        return length_text(value_m, tape)

    near, far, across_far, across_near = CORNERS[base]
    line_m, away_m = (length_m, width_m) if base == "long" else (width_m, length_m)
    restart = f"; the tape restarts at a peg every {say(tape_m)}" if line_m > tape_m else ""
    steps = [f"String the base line {near} to {far}, {say(line_m)}{restart}."]
    leg, reads, along = say(method.across_m), say(method.diagonal_m), say(method.along_m)
    if method.id in ("triple", "small-triple"):
        steps += [
            f"From {near} peg {along} along the line. Tape 1 from {near} reads {leg}, tape 2 from that peg reads "
            f"{reads}: where they cross lies the square line.",
            f"Run the square line on to {say(away_m)} from {near}: that is {across_near}.",
            f"{across_far} lies {say(line_m)} from {across_near} and {say(away_m)} from {far}.",
        ]
    else:
        foot_far = near if method.id == "whole" else f"a peg {along} back from {far}"
        foot_near = far if method.id == "whole" else f"a peg {along} on from {near}"
        steps += [
            f"Tape 1 from {corner} reads {leg}, tape 2 from {foot} reads {reads}: where they cross, set {target}."
            for corner, foot, target in ((far, foot_far, across_far), (near, foot_near, across_near))
        ]
    both = say(diagonal(length_m, width_m))
    steps.append(
        f"Check: {across_near} to {across_far} reads {say(line_m)}, both diagonals {both}; "
        f"they may differ by {length_text(2 * method.difference_m, tape, 'up')}."
    )
    return steps
