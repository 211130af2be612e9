"""Depths of snow that the roof carries, when to clear it, what gives first in a gust, and what nobody knows."""

from dataclasses import dataclass

from obtegum.core.findings.kept import found
from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather.kinds import KINDS, SETTLED_KG, Kind
from obtegum.core.rooms import rooms
from obtegum.core.rooms.carries.gust import first_gives, held_by_nothing
from obtegum.core.rooms.carries.snow import (
    Carried,
    bears,
    even_carried,
    even_propped,
    ground_carried,
    half_carried,
    half_propped,
)
from obtegum.core.rooms.strength.found import why_no_bow
from obtegum.core.rooms.weather.found import method_of, missing, site_figures
from obtegum.core.values.physics import GRAVITY_MPS2

__all__ = [
    "Clearing",
    "Deep",
    "NotKnown",
    "clear_at_m",
    "clearing",
    "clears",
    "deep_m",
    "depths",
    "ground_deep_m",
    "least_carried",
    "not_known",
    "why_no_gust",
]

# It goes on snowing while one clears: from this share of what is carried on (this bench).
CLEAR_FROM = 0.5


@dataclass(frozen=True, slots=True)
class Deep:
    """A kind of snow: how deep the roof carries it, m: even, on one half, and both with props under the crowns; None
    where nothing can be said of props. ``more`` where nothing gave as far as was looked."""

    kind: Kind
    words: str
    even_m: float
    half_m: float
    propped_even_m: float | None
    propped_half_m: float | None
    more: bool


def deep_m(pressure_pa: float, kg_m3: float) -> float:
    """How deep snow of a density is that presses so on plan, m."""
    return pressure_pa / (kg_m3 * GRAVITY_MPS2)


@found
def least_carried(work: Work) -> Carried | None:
    """The lesser of even and one-sided snow, and what gives; None where nothing can be said of the bow."""
    even, half = even_carried(work), half_carried(work)
    return None if even is None or half is None else min(even, half, key=lambda each: each.pressure_pa)


@found
def depths(work: Work) -> tuple[Deep, ...]:
    """Each kind of snow, as deep as the roof carries it; nothing where nothing can be said of the bow."""
    even, half, propped, propped_half = (
        each(work) for each in (even_carried, half_carried, even_propped, half_propped)
    )
    if even is None or half is None:
        return ()
    return tuple(
        Deep(
            kind=kind,
            words=words,
            even_m=deep_m(even.pressure_pa, kg),
            half_m=deep_m(half.pressure_pa, kg),
            propped_even_m=None if propped is None else deep_m(propped.pressure_pa, kg),
            propped_half_m=None if propped_half is None else deep_m(propped_half.pressure_pa, kg),
            more=even.endless and half.endless,
        )
        for kind, words, kg in KINDS
    )


@found
def ground_deep_m(work: Work) -> float | None:
    """Settled snow on the ground, m, at which what the code makes of it on this roof uses all of the bow; None while
    the site isn't told."""
    ground_pa = ground_carried(work)
    return None if ground_pa is None else deep_m(ground_pa, SETTLED_KG)


@found
def clear_at_m(work: Work) -> float | None:
    """From which depth of settled snow on the roof it is cleared, m: half of what is carried, even or on one half."""
    least = least_carried(work)
    return None if least is None else CLEAR_FROM * deep_m(least.pressure_pa, SETTLED_KG)


@dataclass(frozen=True, slots=True)
class Clearing:
    """A kind of snow at the depth that the household clears it from: the share of what is carried that it is."""

    kind: Kind
    words: str
    share: float


@found
def clearing(work: Work) -> tuple[Clearing, ...]:
    """What each kind of snow comes to at the declared depth; nothing where none is declared, or nothing is known."""
    from_m = work.design.carries.clear_m
    # What it carries is looked for only where it is asked.
    least = None if from_m is None else least_carried(work)
    if from_m is None or least is None:
        return ()
    # A roof that carries nothing has too much on it at any depth.
    carried_pa = max(least.pressure_pa, 1e-6)
    return tuple(Clearing(kind, words, from_m * kg * GRAVITY_MPS2 / carried_pa) for kind, words, kg in KINDS)


@found
def clears(work: Work) -> bool | None:
    """Whether a declared habit clears every kind of snow in time; None where none is declared, or nothing is known."""
    from_m = work.design.carries.clear_m
    return None if from_m is None else bears(work, from_m * max(kg for _, _, kg in KINDS) * GRAVITY_MPS2)


@found
def why_no_gust(work: Work) -> str:
    """Why no gust can be told; empty where one can."""
    if reason := why_no_bow(work):
        return reason
    if site_figures(work) is None:
        return missing(work)[0].words
    if not method_of(work).of_site:
        return "Pressures as given have no speed of wind to them."
    if work.design.braces.bays == 0:
        return "No bay is braced: nothing takes wind along the house. See Braces."
    if loose := held_by_nothing(work):
        return f"{loose[0].upper()}{loose[1:]}: a bolt or screws would hold it. See Holds down."
    return "" if first_gives(work) is not None else "What the bow bears isn’t known."


@dataclass(frozen=True, slots=True)
class NotKnown:
    """Something that may give before what is known: what it is, and why nobody knows."""

    what: str
    why: str


@found
def not_known(work: Work) -> tuple[NotKnown, ...]:
    """What isn't known of what holds the house, and may give first."""
    cover, found_ = work.design.cover, list[NotKnown]()
    # What nobody rated comes first.
    if cover.made == "ask" and not work.design.sheets.over_roof:
        found_.append(NotKnown("Film, and what fixes it", "nobody rated it: pull at a metre of it, three times"))
    elif cover.made == "gathered" and not work.design.sheets.over_roof:
        found_.append(
            NotKnown("What fixes the film at the ends", "nobody rated it: pull at a metre of it, three times")
        )
    elif cover.made == "apart" and cover.zones != "film":
        found_.append(NotKnown("What covers the ends, and what fixes it", "nobody rated it: ask its maker"))
    for room in rooms():
        for verdict in room.judged(work) if "carries" not in room.stands.__module__ else ():
            if verdict.level == "unknown" and verdict.rank == "stands":
                found_.append(NotKnown(verdict.title, verdict.sentence))
    return tuple(found_)
