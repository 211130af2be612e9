"""How a base is squared, step by step: where each tape starts, what it reads, what is set there.

Every step has words and the lines that it needs, x along the house from A, y across from the line A
to B, so that each can be drawn by itself.
"""

from dataclasses import dataclass

from obtegum.core.quantity import Tape, length_text
from obtegum.core.setout.base import diagonal
from obtegum.core.setout.squaring import Base, Method, Tapes

__all__ = ["HowLine", "HowStep", "corner_places", "how_to_square", "method_label"]

CORNERS = {"long": ("A", "B", "C", "D"), "short": ("A", "D", "C", "B"), "fence": ("A", "B", "C", "D")}
Point = tuple[float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class HowLine:
    """A string or a tape of one step, from where it starts, and what it reads."""

    kind: str
    start: Point
    end: Point
    text: str


@dataclass(frozen=True, slots=True, kw_only=True)
class HowStep:
    """One step: its words, its strings and tapes, and the pegs that it sets."""

    words: str
    lines: tuple[HowLine, ...]
    sets: tuple[tuple[str, Point], ...] = ()
    restarts: tuple[Point, ...] = ()


def corner_places(length_m: float, width_m: float) -> dict[str, Point]:
    """Corners by letter."""
    return {"A": (0.0, 0.0), "B": (length_m, 0.0), "C": (length_m, width_m), "D": (0.0, width_m)}


def method_label(method: Method, tape: Tape) -> str:
    """A method in a few words."""
    unit = "feet" if tape.units == "feet" else "metres"
    if method.id == "whole":
        return "whole diagonals"
    if method.id == "parts":
        return f"diagonals in {method.parts} parts"
    if method.id == "ends":
        return "each end on its own width"
    if method.id == "fence":
        return "each end from the fence"
    along, across = round(method.along_m / tape_unit_m(tape)), round(method.across_m / tape_unit_m(tape))
    return f"{across}-{along}-{round(along * 1.25)} in {unit}"


def tape_unit_m(tape: Tape) -> float:
    """The unit that a 3-4-5 triangle is counted in: a foot or a metre."""
    return 0.3048 if tape.units == "feet" else 1.0


class _Base:
    """The base being squared, for the steps to speak of."""

    def __init__(self, method: Method, length_m: float, width_m: float, base: Base, tape: Tape, tapes: Tapes) -> None:
        self.method, self.tapes, self.tape = method, tapes, tape
        self.at = corner_places(length_m, width_m)
        self.near, self.far, self.across_far, self.across_near = CORNERS[base]
        self.line_m, self.away_m = (width_m, length_m) if base == "short" else (length_m, width_m)
        self.along: Point = (0.0, 1.0) if base == "short" else (1.0, 0.0)

    def say(self, value_m: float) -> str:
        return length_text(value_m, self.tape)

    def move(self, start: Point, along_m: float) -> Point:
        """A point on the base line, some way on from another."""
        return start[0] + self.along[0] * along_m, start[1] + self.along[1] * along_m

    def run(self, kind: str, start: Point, end: Point, text: str = "") -> HowLine:
        return HowLine(kind=kind, start=start, end=end, text=text)

    def cross(
        self, one: tuple[str, Point, float], other: tuple[str, Point, float], target: str, where: Point
    ) -> HowStep:
        """Two lengths that cross: with two tapes at once, or an arc scratched for each."""
        (first, first_at, first_m), (second, second_at, second_m) = one, other
        if self.method.at_once:
            words = (
                f"Tape 1 from {first} reads {self.say(first_m)}, tape 2 from {second} reads {self.say(second_m)}: "
                f"where they cross, set {target}."
            )
        else:
            words = (
                f"Scratch an arc at {self.say(first_m)} from {first} and one at {self.say(second_m)} from {second}: "
                f"where they cross, set {target}."
            )
        lines = (
            self.run("tape", first_at, where, self.say(first_m)),
            self.run("tape", second_at, where, self.say(second_m)),
        )
        return HowStep(words=words, lines=lines, sets=((target, where),))


def how_to_square(
    method: Method, length_m: float, width_m: float, base: Base, tape: Tape, tapes: Tapes, fence_m: float = 0.0
) -> list[HowStep]:
    """Numbered steps with what each tape reads; corners A and B on the left side, C across from B."""
    on = _Base(method, length_m, width_m, base, tape, tapes)
    steps = [_fence_line(on, fence_m)] if base == "fence" else []
    steps.append(_base_line(on))
    if method.id in ("triple", "small-triple"):
        steps += _triangle(on)
    elif method.id == "fence":
        steps += _from_fence(on, fence_m)
    else:
        steps += _both_ends(on)
    steps.append(_check(on, diagonal(length_m, width_m)))
    return steps


def _fence_line(on: _Base, fence_m: float) -> HowStep:
    """Equal offsets from the fence give the line A to B."""
    feet = [(on.at[letter][0], -fence_m) for letter in ("A", "B")]
    words = (
        f"Stretch a string along the fence: fences wander. Square off it, the least that the tape reads, set A and B "
        f"{on.say(fence_m)} out."
    )
    lines = [on.run("string", (feet[0][0], -fence_m), (feet[1][0], -fence_m), "fence")]
    lines += [
        on.run("tape", foot, on.at[letter], on.say(fence_m)) for foot, letter in zip(feet, ("A", "B"), strict=True)
    ]
    return HowStep(words=words, lines=tuple(lines), sets=(("A", on.at["A"]), ("B", on.at["B"])))


def _base_line(on: _Base) -> HowStep:
    longest_m = on.tapes.longest_m
    start, end = on.at[on.near], on.at[on.far]
    words = f"String the base line {on.near} to {on.far}, {on.say(on.line_m)}."
    restarts: tuple[Point, ...] = ()
    if on.line_m > longest_m + 1e-9:
        count = int(on.line_m / longest_m - 1e-9)
        restarts = tuple(on.move(start, longest_m * each) for each in range(1, count + 1))
        at = ", ".join(f"R{number} at {on.say(longest_m * number)}" for number in range(1, count + 1))
        word = "a peg" if count == 1 else "pegs"
        words = f"{words[:-1]}; the tape restarts at {word} {at}, and what is read from the last one is added."
    line = on.run("string", start, end, on.say(on.line_m))
    return HowStep(words=words, lines=(line,), sets=((on.near, start), (on.far, end)), restarts=restarts)


def _triangle(on: _Base) -> list[HowStep]:
    """One right angle at the near corner, run on to the far side."""
    method, start = on.method, on.at[on.near]
    foot = on.move(start, method.along_m)
    target = on.at[on.across_near]
    share = method.across_m / on.away_m
    where = (start[0] + (target[0] - start[0]) * share, start[1] + (target[1] - start[1]) * share)
    along = on.say(method.along_m)
    first = on.cross(
        (on.near, start, method.across_m), ("that peg", foot, method.diagonal_m), "a pin on the square line", where
    )
    far = on.at[on.across_far]
    line, away = on.say(on.line_m), on.say(on.away_m)
    return [
        HowStep(words=f"From {on.near} peg {along} along the line. {first.words}", lines=first.lines),
        HowStep(
            words=f"Run the square line on to {on.say(on.away_m)} from {on.near}: that is {on.across_near}.",
            lines=(on.run("tape", start, target, on.say(on.away_m)),),
            sets=((on.across_near, target),),
        ),
        HowStep(
            words=f"{on.across_far} lies {line} from {on.across_near} and {away} from {on.far}.",
            lines=(
                on.run("tape", target, far, line),
                on.run("tape", on.at[on.far], far, away),
            ),
            sets=((on.across_far, far),),
        ),
    ]


def _both_ends(on: _Base) -> list[HowStep]:
    """Each far corner from a triangle of its own."""
    method, steps = on.method, []
    leg, reads, along = method.across_m, method.diagonal_m, on.say(method.along_m)
    ends = ((on.far, on.near, -1.0, on.across_far, "back from"), (on.near, on.far, 1.0, on.across_near, "on from"))
    for letter, other, way, target, word in ends:
        foot_at = on.move(on.at[letter], way * method.along_m)
        foot = other if method.id == "whole" else f"a peg {along} {word} {letter}"
        steps.append(on.cross((letter, on.at[letter], leg), (foot, foot_at, reads), target, on.at[target]))
    return steps


def _from_fence(on: _Base, fence_m: float) -> list[HowStep]:
    """Each far corner where two equal tapes from two marks on the fence cross; its near corner below it."""
    half, reads, steps = on.method.along_m, on.method.diagonal_m, []
    for letter, target in ((on.far, on.across_far), (on.near, on.across_near)):
        foot = (on.at[letter][0], -fence_m)
        marks = [on.move(foot, -half), on.move(foot, half)]
        step = on.cross(("one", marks[0], reads), ("the other", marks[1], reads), target, on.at[target])
        words = (
            f"On the fence mark {on.say(half)} to each side of {letter}’s foot. {step.words} "
            f"The string from the foot to {target} crosses {letter}."
        )
        fence = on.run("string", (on.at[on.near][0], -fence_m), (on.at[on.far][0], -fence_m), "fence")
        string = on.run("string", foot, on.at[target])
        steps.append(HowStep(words=words, lines=(fence, string, *step.lines), sets=step.sets))
    return steps


def _check(on: _Base, both_m: float) -> HowStep:
    differ = length_text(2 * on.method.difference_m, on.tape, "up")
    far, near = on.across_far, on.across_near
    words = (
        f"Check: {near} to {far} reads {on.say(on.line_m)}, both diagonals {on.say(both_m)}; "
        f"they may differ by {differ}."
    )
    lines = (
        on.run("tape", on.at[near], on.at[far], on.say(on.line_m)),
        on.run("tape", on.at["A"], on.at["C"], on.say(both_m)),
        on.run("tape", on.at["B"], on.at["D"], on.say(both_m)),
    )
    return HowStep(words=words, lines=lines)
