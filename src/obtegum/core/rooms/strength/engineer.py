"""Every combination on an ordinary bow, worked out whole, and its sections as they count: for an engineer's check."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.runs import held_m
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.frame.section import Section
from obtegum.core.formulas.frame.steel import Strength, euler_n, nominal, strut_n
from obtegum.core.formulas.weather.combine import Combination
from obtegum.core.rooms.strength.forced import locked_of
from obtegum.core.rooms.strength.found import Judged, judged_on
from obtegum.core.rooms.strength.joints import efficiency
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.strength.model import model_of, sections_of
from obtegum.core.rooms.weather.found import method_of
from obtegum.core.values.amount import AmountKind, amount_text
from obtegum.core.values.catalogue import Tube

__all__ = ["Checked", "checked", "combination_lines", "combination_rows", "section_lines", "section_rows"]

Array = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class Checked:
    """One combination: its factors of weight and of each basic case by its words; at how many times its load the bow
    buckles; at the place that uses most, what pulls there, N, and bends, N·m, what is locked in with it; the most that
    shears anywhere, N; what each foot gives back, N to the right and up; the stress at which it buckles, Pa; shares of
    the strength against force and against bending, which the code's rule adds up to the use; the bow buckles or finds
    no rest where it doesn't ``stand``."""

    combo: Combination
    factors: tuple[tuple[str, float], ...]
    buckles_at: float
    place: int
    axial_n: float
    bending_nm: float
    shear_n: float
    feet_n: tuple[float, float, float, float]
    buckling_pa: float
    force_share: float
    bending_share: float
    use: float
    stands: bool


@found
def whole_found(work: Work) -> Judged | None:
    """An ordinary bow in every combination there is; None while something isn't known."""
    return judged_on(work, model_of(work), weathered(work), bays_of(work).bay_m, whole=True)


def _strengths(work: Work) -> tuple[tuple[Section, Strength], ...]:
    return tuple((section, method_of(work).strength(section)) for section in sections_of(work))


@found
def checked(work: Work) -> tuple[Checked, ...]:
    """Every combination, in the code's order; none while something isn't known."""
    judged = whole_found(work)
    if judged is None or judged.found is None:
        return ()
    found_, model = judged.found, judged.model
    order = np.argsort(found_.rows)
    long_m = np.linalg.norm(np.diff(model.frame.nodes, axis=0), axis=1)
    left, locked = efficiency(work, model), locked_of(work, model)
    if locked is None:
        locked = np.zeros((2, model.frame.count))
    lines = list[Checked]()
    for row in map(int, order):
        combo = judged.weathered.combos[int(found_.rows[row])]
        place = int(found_.use[row].argmax())
        section, strength = _strengths(work)[int(model.which[place])]
        factor, pressed = (float(each[found_.rows[row]]) for each in (found_.factor, found_.pressed))
        buckles = min(factor * pressed if pressed > 0 else math.inf, euler_n(section, held_m(work)))
        ends = [
            _terms(
                strength,
                section,
                buckles,
                float(found_.ends[row, place, end]) - float(locked[0, place]),
                (abs(float(found_.moment[row, place, end])) + float(locked[1, place])) / float(left[place + end]),
            )
            for end in (0, 1)
        ]
        end = int(ends[1][2] > ends[0][2])
        shear = np.abs(np.diff(found_.moment[row], axis=1)[:, 0]) / long_m
        lines.append(
            Checked(
                combo=combo,
                factors=(
                    ("weight", combo.dead),
                    *((judged.weathered.cases[case].words, factor) for case, factor in combo.parts),
                ),
                buckles_at=factor,
                place=place,
                axial_n=float(found_.ends[row, place, end]) - float(locked[0, place]),
                bending_nm=abs(float(found_.moment[row, place, end])) + float(locked[1, place]),
                shear_n=float(shear.max()),
                feet_n=tuple(map(float, found_.feet[row].ravel())),  # type: ignore[arg-type]
                buckling_pa=buckles / section.area_m2,
                force_share=ends[end][0],
                bending_share=ends[end][1],
                use=float(found_.ratio[row]),
                stands=bool(found_.stands[row]),
            )
        )
    return tuple(lines)


def _terms(
    strength: Strength, section: Section, buckles_n: float, axial_n: float, bent_nm: float
) -> tuple[float, float, float]:
    """Shares of what it takes of force and of bending, and what the code's rule makes of both: H1-1, or their sum."""
    takes = float(strut_n(strength, section, np.array([buckles_n]))[0]) if axial_n < 0 else strength.tension_n
    force, bent = abs(axial_n) / takes, bent_nm / strength.moment_nm
    if strength.linear:
        return force, bent, force + bent
    return force, bent, force + 8 / 9 * bent if force >= 0.2 else force / 2 + bent


def combination_rows(work: Work) -> Sequence[Sequence[object]]:
    """A line a combination, SI."""
    head = (
        "combination", "weather", "factors", "buckles_at", "axial_n", "bending_nm", "shear_n",
        "left_push_n", "left_up_n", "right_push_n", "right_up_n",
        "buckling_stress_pa", "force_share", "bending_share", "use", "stands",
    )  # fmt: skip
    rows = list[tuple[object, ...]]()
    for each in checked(work):
        factors = " + ".join(f"{factor:g} {words}" for words, factor in each.factors)
        numbers = (each.axial_n, each.bending_nm, each.shear_n, *each.feet_n, each.buckling_pa)
        shares = (each.force_share, each.bending_share, each.use)
        rows.append(
            (
                each.combo.name,
                each.combo.words,
                factors,
                f"{each.buckles_at:.4g}",
                *(f"{number:.1f}" for number in numbers),
                *(f"{share:.4f}" for share in shares),
                "yes" if each.stands else "no",
            )
        )
    return (head, *rows)


def combination_lines(work: Work) -> Sequence[Sequence[str]]:
    """The same as it is printed, in the house's units: demands up; a header, then two lines each."""
    units = work.tape.units

    def said(value: float, kind: AmountKind) -> str:
        sign = "−" if value < 0 else ""
        return sign + amount_text(abs(value), kind, units, "up")

    rows = list[Sequence[str]]()
    for each in checked(work):
        left_h, left_v, right_h, right_v = (said(number, "force") for number in each.feet_n)
        factors = " + ".join(f"{factor:g} {words}" for words, factor in each.factors)
        rows.append(
            (
                f"{each.combo.name}: {factors}" + ("" if each.stands else " · finds no rest"),
                f"{each.buckles_at:.2f}" if each.buckles_at < 100 else "over 100",
                said(each.axial_n, "force"),
                said(each.bending_nm, "torque"),
                said(each.shear_n, "force"),
                f"{left_h}, {left_v}",
                f"{right_h}, {right_v}",
                f"{each.force_share:.3f}",
                f"{each.bending_share:.3f}",
                f"{each.use:.3f}",
            )
        )
    head = ("Combination", "Buckles at", "N", "M", "V", "Left foot, H, V", "Right foot, H, V", "Nr/Nc", "Mr/Mc", "Use")
    return (head, *rows) if rows else ()


@dataclass(frozen=True, slots=True)
class Value:
    """One value of a section: of what, what, its symbol, SI, the clause or source, how it is printed."""

    of: str
    what: str
    symbol: str
    si: float
    source: str
    text: str


def section_rows(work: Work) -> Sequence[Sequence[object]]:
    """A line a value, SI: each section as it counts, what it takes, how it is held, the imperfection."""
    head = ("of", "value", "symbol", "si", "source")
    return (head, *((each.of, each.what, each.symbol, f"{each.si:.6g}", each.source) for each in _values(work)))


def section_lines(work: Work) -> Sequence[Sequence[str]]:
    """The same as it is printed."""
    rows = [(f"{each.of}: {each.what}", each.symbol, each.text, each.source) for each in _values(work)]
    return (("Value", "", "", "By"), *rows) if rows else ()


def _values(work: Work) -> tuple[Value, ...]:
    if not checked(work):
        return ()
    named = (("Bow", bow_tube(work)), (way_of(work).one.capitalize(), post_tube(work)))
    each = zip(named, _strengths(work), strict=True)
    return (*(value for (of, tube), counted in each for value in _section(work, of, tube, *counted)), *_held(work))


def _section(work: Work, of: str, tube: Tube, section: Section, strength: Strength) -> Iterator[Value]:
    """A section as it counts, and what it takes before any Ω."""
    by, units = method_of(work).clauses, work.tape.units
    mn_nm, pn_n = nominal(section, strength)
    bends, squashed = amount_text(mn_nm, "torque", units, "down"), amount_text(pn_n, "force", units, "down")
    yet, stiff = f"{section.yield_pa / 1e6:.0f} MPa", f"{section.elastic_pa / 1e9:.0f} GPa"
    yield Value(of, tube.name, "OD", section.od_m, tube.source, work.tube(section.od_m))
    yield Value(of, "wall as it counts", "t", section.wall_m, "B4.2", work.tube(section.wall_m, "down"))
    yield Value(of, "fineness", "D/t", section.slenderness, by.slenderness, f"{section.slenderness:.1f}")
    yield Value(of, "area", "A", section.area_m2, "", f"{section.area_m2 * 1e6:.1f} mm²")
    yield Value(of, "second moment", "I", section.inertia_m4, "", f"{section.inertia_m4 * 1e12:.0f} mm4")
    yield Value(of, "plastic modulus", "Z", section.plastic_m3, "", f"{section.plastic_m3 * 1e9:.0f} mm³")
    yield Value(of, "yield, less what is taken off", "Fy", section.yield_pa, tube.yield_source, yet)
    yield Value(of, "stiffness", "E", section.elastic_pa, by.code, stiff)
    yield Value(of, "bends at, nominal", "Mn", mn_nm, f"{by.code} {by.bending}", bends)
    yield Value(of, "squashed at, nominal", "Pn", pn_n, f"{by.code} {by.squash}", squashed)


def _held(work: Work) -> Iterator[Value]:
    """How the bow is held beside itself, and how imperfect it is taken to be."""
    method, section, held = method_of(work), sections_of(work)[0], held_m(work)
    by, stability = method.clauses, method.stability
    out_pa = euler_n(section, held) / section.area_m2
    yield Value("Bow", "held beside itself each", "Lc", held, "runs, where a bay is braced", work.say(held, "up"))
    yield Value("Bow", "buckles beside itself at", "Fe", out_pa, by.elastic_buckling, f"{out_pa / 1e6:.1f} MPa")
    sway, whence = stability.sway, f"{by.code} {by.sway}"
    yield Value("Bow", "of what presses pushes sideways, both ways", "sway", sway, whence, f"{sway:g}")
    if stability.yields:
        soft, amplify = stability.soft, stability.amplify
        yield Value("Bow", "of its stiffness is taken, and tau b of that", "", soft, "AISC 360-16 C2.3", f"{soft:g}")
        yield Value(
            "Bow", "times its load it is solved, forces over that", "alpha", amplify, "AISC 360-16 C2.1", f"{amplify:g}"
        )
