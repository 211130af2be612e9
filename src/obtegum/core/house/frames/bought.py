"""What each part of the frame buys: left out or put in, one at a time, with what that does and what it costs."""

from collections.abc import Callable, Iterator

from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edits, chosen, down, lengthened
from obtegum.core.face.ties import tie_edits
from obtegum.core.findings.skeleton.tubes import all_tubes, bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.house.frames.tried import Judged, Tried, mass_kg_m, post_for, taken, try_frame
from obtegum.core.house.remedies import costs
from obtegum.core.house.takes import needs
from obtegum.core.rooms.carries.found import least_carried
from obtegum.core.rooms.carries.snow import Carried, even_propped, half_propped
from obtegum.core.values.amount import amount_text
from obtegum.core.values.base import Part
from obtegum.core.values.catalogue import Catalogue

__all__ = ["Bought", "bought"]

CLOSER, WIDER = 0.8, 1.25


class Bought(Part):
    """A part left out or put in: the frame with it, snow that it carries, Pa on plan, nothing where that can't be
    said, what that is in words, and its cost in words; the house as it is comes first."""

    words: str
    edits: Edits
    tried: Tried
    carried_pa: float | None
    carried: str
    cost: str


def bought(
    job: Job, catalogue: Catalogue, work: Work, between: Callable[[], object] = lambda: None
) -> Iterator[Bought]:
    """Each part in turn, against the house as it is."""
    for place, (words, edits) in enumerate((("as it is", ()), *_changes(work))):
        between()
        found = try_frame(job, catalogue, work, f"buys:{place}", edits)
        if isinstance(found, Tried):
            continue
        least = _carried(found.work)
        cost, _ = costs(needs(work), needs(found.work), work.tape) if edits else ([], 0)
        heavier = _heavier(work, found)
        yield Bought(
            words=words,
            edits=edits,
            tried=found.tried,
            carried_pa=None if least is None else least.pressure_pa,
            carried="not known" if least is None else _pressed(work, least.pressure_pa),
            cost=", ".join([*cost, *heavier]) or ("" if not edits else "no more parts"),
        )


def _carried(work: Work) -> Carried | None:
    """The lesser of even and one-sided snow; on props where some are told."""
    if work.design.strength.prop == "none":
        return least_carried(work)
    even, half = even_propped(work), half_propped(work)
    return None if even is None or half is None else min(even, half, key=lambda each: each.pressure_pa)


def _pressed(work: Work, pressure_pa: float) -> str:
    return amount_text(pressure_pa, "pressure", work.tape.units, "down")


def _heavier(work: Work, found: Judged) -> list[str]:
    """How much more or less steel, told where that isn't next to nothing."""
    if found.tried.taken is None:
        return []
    more_kg = found.tried.taken.kg - taken(work).kg
    if abs(more_kg) < 0.5:
        return []
    return [f"{steel_text(work, abs(more_kg))} of steel {'more' if more_kg > 0 else 'less'}"]


def steel_text(work: Work, kg: float) -> str:
    """A mass of steel, rounded up."""
    return amount_text(kg, "hung", work.tape.units, "up")


def _changes(work: Work) -> Iterator[tuple[str, Edits]]:
    """What can be left out or put in, in words and edits."""
    design = work.design
    for kind, words in (
        ("none", "without its ties"),
        ("collar", "a collar on each bow"),
        ("truss", "a truss on each bow"),
    ):
        edits = tie_edits(work, kind)
        if edits and (kind != "none" or design.braces.ties != "none"):
            yield words, edits
    runs = design.strength.runs
    for count in (runs - 2, runs + 2):
        if 1 <= count <= 15:
            yield f"{count} run{'' if count == 1 else 's'}", (chosen("strength.runs", str(count)),)
    if design.strength.bracket == "none":
        yield "brackets at its joints", (chosen("strength.bracket", "plates"),)
    else:
        yield "without brackets", (chosen("strength.bracket", "none"),)
    if design.braces.bays:
        yield "no bay braced", (chosen("braces.bays", "0"),)
    else:
        yield "two bays of each side braced", (chosen("braces.bays", "2"),)
    yield from _tubes(work)
    if design.bows.bays != "counted":
        for share, words in ((CLOSER, "bows closer"), (WIDER, "bows wider")):
            spacing_m = down(work, design.bows.max_spacing_m * share)
            yield f"{words}, {work.say(spacing_m)}", (lengthened("bows.max_spacing_m", spacing_m),)
    if design.strength.prop == "none":
        yield "props in a storm", (chosen("strength.prop", "each"),)
    else:
        yield "without props", (chosen("strength.prop", "none"),)


def _tubes(work: Work) -> Iterator[tuple[str, Edits]]:
    """The next thicker wall of the same tube, and the next heavier tube."""
    now = bow_tube(work)
    near = [each for each in all_tubes(work) if each.sold_in == now.sold_in and each.material == "steel"]
    thicker = min((e for e in near if e.od_m == now.od_m and e.wall_m > now.wall_m), key=mass_kg_m, default=None)
    larger = min((e for e in near if e.od_m > now.od_m + 1e-4), key=lambda e: (e.od_m, mass_kg_m(e)), default=None)
    for tube in (thicker, larger):
        if tube is not None:
            yield tube.name, (chosen("bows.tube", tube.id), *post_for(work, tube))
