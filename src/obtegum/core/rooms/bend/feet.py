"""What sprung pipe asks of its feet for good: whether what holds it plumb bends, and whether it leans in the ground.

The push at the post's top times how high that is over the ground, and the moment that holds the pipe plumb, both on its
first day, against the post's plastic moment ÷ 1.67 (AISC 360-16 F8) and the pole in soil without doubling the table, as
what springing pushes stays (IBC 1806.3.4 is for wind). A post that bends or leans lets the pipe off: it stands where it
likes then, which is a matter of its shape, not of its life.
"""

from collections.abc import Iterator
from functools import partial

from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.findings.skeleton.posts import least_embedment_m
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.pole import pole_depth
from obtegum.core.formulas.frame.steel import OMEGA
from obtegum.core.rooms.bend import words
from obtegum.core.rooms.bend.sprung import Spring, spring_of
from obtegum.core.rooms.soil.found import ground_of
from obtegum.core.rooms.strength.model import counted, furthest_out_m
from obtegum.core.values.amount import amount_text

__all__ = ["asked_of_feet", "feet_verdicts"]

_verdict = partial(verdict_on, "bend", part="socket:L", rank="fits")

# Statics of a rigid pole in soil whose stiffness grows with depth: what a push at its top adds below (rule B3).
BELOW = 0.26
# A moment smaller than this is none, N·m.
NONE_NM = 1.0


def asked_of_feet(work: Work, spring: Spring) -> tuple[float, float]:
    """The push on a post at its ground, N, and the moment there, N·m, both by size."""
    high_m = 0.0 if spring.pipe.foot == "free" else furthest_out_m(work)
    return abs(spring.push_n), spring.moment_nm + abs(spring.push_n) * high_m


def feet_verdicts(work: Work) -> Iterator[Verdict]:
    """Whether the posts stand what springing asks of them; nothing where they are of plastic or a board."""
    spring, tube = spring_of(work), post_tube(work)
    if spring is None or tube.material != "steel" or work.design.posts.stand == "board":
        return
    push_n, moment_nm = asked_of_feet(work, spring)
    if moment_nm < NONE_NM:
        return
    yield _bends(work, push_n, moment_nm)
    yield from _leans(work, push_n, moment_nm)


def _level(work: Work, ratio: float) -> tuple[Level, float | None]:
    """Tight at the worst: what gives lets the pipe off."""
    level = judge(ratio, work.rules.holds_to)
    return ("tight", None) if level == "fails" else (level, ratio)


def _bends(work: Work, push_n: float, moment_nm: float) -> Verdict:
    one, units = way_of(work).one, work.tape.units
    section = counted(work, post_tube(work))
    asked = moment_nm + BELOW * push_n * max(least_embedment_m(work), 0.0)
    bears = section.yield_pa * section.plastic_m3 / OMEGA
    ratio = min(asked / bears, NEVER)
    level, told = _level(work, ratio)
    number, limit = amount_text(asked, "torque", units, "up"), amount_text(bears, "torque", units, "down")
    sentence = words.feet_bend(one, number, limit, ratio > 1)
    return _verdict("spring-post", "Feet of the spring", level, sentence, number, limit, told)


def _leans(work: Work, push_n: float, moment_nm: float) -> Iterator[Verdict]:
    """Deep enough in its ground for good; nothing while nobody said what that is, or where concrete holds it."""
    ground, one = ground_of(work), way_of(work).one
    in_m = least_embedment_m(work)
    if ground is None or ground.lateral_pa_m <= 0 or in_m <= 0 or work.design.hold.set != "driven" or push_n <= 0:
        return
    wants_m = pole_depth(ground, post_tube(work).over_m, push_n, moment_nm / push_n)
    ratio = min(wants_m / in_m, NEVER)
    level, told = _level(work, ratio)
    number, limit = work.say(wants_m, "up"), work.say(in_m, "down")
    sentence = words.feet_lean(one, number, limit, level == "fails")
    yield _verdict("spring-lean", "Ground at the spring", level, sentence, number, limit, told)
