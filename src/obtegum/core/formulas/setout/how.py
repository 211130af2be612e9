"""How a base is squared, step by step: where each tape starts, what it reads, what is set there.

Every step has words and the lines that it needs, x along the house from A, y across from the line A
to B, so that each can be drawn by itself.

Source: trade practice of squaring by tape.
"""

from dataclasses import dataclass

from obtegum.core.formulas.setout.base import diagonal
from obtegum.core.formulas.setout.squaring import BEYOND, Base, Method, Tapes, parts_within
from obtegum.core.values.quantity import Tape, length_text

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
    short, long = sorted((along, across))
    return f"{short}-{long}-{round(long * 1.25)} in {unit}, {along} on the line"


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

    def reads(self, value_m: float) -> str:
        """What the tape shows over a distance: more, where it is held at a mark of its own."""
        return length_text(value_m + self.tapes.start_m, self.tape)

    def say_up(self, value_m: float) -> str:
        return length_text(value_m, self.tape, "up")

    def taped(self, value_m: float) -> str:
        """A distance, and what the tape shows over it where that is more."""
        told = self.say(value_m)
        return told if self.tapes.start_m == 0 else f"{told} (the tape reads {self.reads(value_m)})"

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
                f"Tape 1 from {first} reads {self.reads(first_m)}, tape 2 from {second} reads "
                f"{self.reads(second_m)}: "
                f"where they cross, set {target}."
            )
        else:
            words = (
                f"Scratch an arc at {self.reads(first_m)} from {first} and one at {self.reads(second_m)} from "
                f"{second}: "
                f"where they cross, set {target}."
            )
        lines = (
            self.run("tape", first_at, where, self.reads(first_m)),
            self.run("tape", second_at, where, self.reads(second_m)),
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
    steps.append(_check(on, length_m, width_m))
    return steps


def _fence_line(on: _Base, fence_m: float) -> HowStep:
    """Equal offsets from the fence give the line A to B."""
    feet = [(on.at[letter][0], -fence_m) for letter in ("A", "B")]
    words = (
        f"Stretch a string along the fence: fences wander. Square off it, the least that the tape reads, set A and B "
        f"{on.taped(fence_m)} out."
    )
    lines = [on.run("string", (feet[0][0], -fence_m), (feet[1][0], -fence_m), "fence")]
    lines += [
        on.run("tape", foot, on.at[letter], on.say(fence_m)) for foot, letter in zip(feet, ("A", "B"), strict=True)
    ]
    return HowStep(words=words, lines=tuple(lines), sets=(("A", on.at["A"]), ("B", on.at["B"])))


def _base_line(on: _Base) -> HowStep:
    longest_m = on.tapes.longest_m
    start, end = on.at[on.near], on.at[on.far]
    words = f"String the base line {on.near} to {on.far}, {on.taped(on.line_m)}."
    restarts: tuple[Point, ...] = ()
    if on.line_m > longest_m + 1e-9:
        count = int(on.line_m / longest_m - 1e-9)
        restarts = tuple(on.move(start, longest_m * each) for each in range(1, count + 1))
        at = ", ".join(f"R{number} at {on.say(longest_m * number)}" for number in range(1, count + 1))
        word = "a peg" if count == 1 else "pegs"
        words = (
            f"String the base line {on.near} to {on.far}, {on.say(on.line_m)}; the tape restarts at {word} {at}, "
            f"each {on.taped(longest_m)} on, and what is read from the last one is added."
        )
    line = on.run("string", start, end, on.say(on.line_m))
    return HowStep(words=words, lines=(line,), sets=((on.near, start), (on.far, end)), restarts=restarts)


def _triangle(on: _Base) -> list[HowStep]:
    """One right angle at the near corner, run on to the far side."""
    method, start = on.method, on.at[on.near]
    foot = on.move(start, method.along_m)
    target = on.at[on.across_near]
    share = method.across_m / on.away_m
    where = (start[0] + (target[0] - start[0]) * share, start[1] + (target[1] - start[1]) * share)
    along = on.taped(method.along_m)
    first = on.cross(
        (on.near, start, method.across_m), ("that peg", foot, method.diagonal_m), "a pin on the square line", where
    )
    far = on.at[on.across_far]
    line, away = on.reads(on.line_m), on.reads(on.away_m)
    return [
        HowStep(words=f"From {on.near} peg {along} along the line. {first.words}", lines=first.lines),
        HowStep(
            words=f"Run the square line on to {on.taped(on.away_m)} from {on.near}: that is {on.across_near}.",
            lines=(on.run("tape", start, target, away),),
            sets=((on.across_near, target),),
        ),
        HowStep(
            words=f"For {on.across_far} the tape reads {line} from {on.across_near} and {away} from {on.far}.",
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
    leg, reads, along = method.across_m, method.diagonal_m, on.taped(method.along_m)
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
            f"On the fence mark {on.taped(half)} to each side of {letter}’s foot. {step.words} "
            f"The string from the foot to {target} crosses {letter}."
        )
        fence = on.run("string", (on.at[on.near][0], -fence_m), (on.at[on.far][0], -fence_m), "fence")
        string = on.run("string", foot, on.at[target])
        steps.append(HowStep(words=words, lines=(fence, string, *step.lines), sets=step.sets))
    return steps


def _check(on: _Base, length_m: float, width_m: float) -> HowStep:
    """Far side and both diagonals against each other; of each part, where the whole ones are beyond the tape."""
    parts = parts_within(length_m, width_m, on.tapes.longest_m)
    beyond = on.say_up(BEYOND * on.tapes.differ_m)
    far, near = on.across_far, on.across_near
    side = on.run("tape", on.at[near], on.at[far], on.reads(on.line_m))
    told = f"Check: {near} to {far} measures {on.taped(on.line_m)}"
    if parts is None:
        return HowStep(words=f"{told}. No diagonal is within this tape: borrow a longer one.", lines=(side,))
    part_m = length_m / parts
    both_m = diagonal(part_m, width_m)
    reads, lines = on.reads(both_m), [side]
    for place in range(parts):
        at, end, text = part_m * place, part_m * (place + 1), "" if place else reads
        lines += [on.run("tape", (at, 0.0), (end, width_m), text), on.run("tape", (end, 0.0), (at, width_m), text)]
    what = "both diagonals read" if parts == 1 else f"both diagonals of each {FRACTIONS.get(parts, 'part')} read"
    words = f"{told}, {what} {reads}. Two that differ by more than {beyond} are out of square."
    return HowStep(words=words, lines=tuple(lines))


# Equal parts of a length as they are called.
FRACTIONS = {2: "half", 3: "third", 4: "quarter"}
