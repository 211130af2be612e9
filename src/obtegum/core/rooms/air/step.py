"""Air and heat: what opens, how hot it gets, what the coldest night takes."""

import math
from collections.abc import Iterator

from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.face.answers import amount_answer, count_answer, settled
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.work import Work
from obtegum.core.rooms.air import words
from obtegum.core.rooms.air.found import (
    HOTTEST_K,
    NET,
    between_layers,
    breezy_k,
    drips_at,
    fans_of,
    heat_of,
    kept_open,
    moved_m3_s,
    opens_of,
    shaded,
    still_k,
)
from obtegum.core.rooms.ends.air import FASTEST_MPS
from obtegum.core.values.amount import HOUR_S, amount_text
from obtegum.core.values.quantity import area_text, percent_text

__all__ = ["plan", "stands", "verdicts"]

CAUTION = (
    "A closed house in the sun is soon too hot to work in; a heater that burns takes the air and gives fumes: outside "
    "air in, flue out, an alarm, nobody sleeps there."
)
# How much hotter than outside a crop is kept from, K (this bench), and by how much fuel is told over what is lost.
MOST_K = 10.0
# Rules of thumb for what opens, of the floor, by the summers of the place (trade; no source of their own).
TARGETS = {"cool": 0.15, "warm": 0.2, "hot": 0.3}


def verdicts(work: Work) -> list[Verdict]:
    """How hot a still, sunny day makes it; nothing while nobody told how the house is covered and opens."""
    if work.design.cover.made == "ask":
        return []
    units = work.tape.units
    if work.design.cover.summer in ("cloth", "off"):
        bare = work.design.cover.summer == "off"
        sentence = words.bare() if bare else words.under_cloth()
        level: Level = "holds" if bare else "unknown"
        return [verdict_on("air", "air-still", "Heat of the day", level, sentence, part="air", rank="comfort")]
    if work.design.air.vent == "fans":
        return [_fanned(work)]
    hot = still_k(work)
    level = judge(hot / MOST_K, work.rules.holds_to)
    number, limit = _warmer(hot, units), _warmer(MOST_K, units, up=False)
    opens = opens_of(work)
    share = percent_text(opens.share, 0, "down")
    rule = percent_text(TARGETS[work.design.air.summers], 0, "nearest")
    sentence = words.too_hot(share, rule) if hot >= HOTTEST_K - 0.1 else words.hot(share, rule, number, _breezy(work))
    return [
        verdict_on(
            "air",
            "air-still",
            "Heat of the day",
            level,
            sentence,
            number,
            limit,
            min(hot / MOST_K, NEVER),
            "air",
            "comfort",
        )
    ]


def _fanned(work: Work) -> Verdict:
    """Whether the free area that air comes in by is what its fans want."""
    fans, opens = fans_of(work), opens_of(work)
    needs, has = area_text(fans.free_m2, work.tape, "up"), area_text(opens.end_m2, work.tape, "down")
    fast = amount_text(FASTEST_MPS, "speed", work.tape.units, "down")
    ratio = min(fans.free_m2 / max(opens.end_m2, 0.01), NEVER)
    level = judge(ratio, work.rules.holds_to)
    sentence = words.fanned(needs, fast, has, level == "fails")
    return verdict_on("air", "air-still", "Heat of the day", level, sentence, needs, has, ratio, "air", "comfort")


def _breezy(work: Work) -> str:
    return _warmer(breezy_k(work), work.tape.units)


def _netted(work: Work) -> str:
    """Where a net's open share is a stand-in."""
    cover = work.design.cover
    net = (cover.below == "own" and cover.curtain == "net") or cover.zones == "net"
    return (
        f"; net taken as {percent_text(NET, 0, 'nearest')} open" if net and work.design.air.mesh_share is None else ""
    )


def _warmer(kelvin: float, units: str, up: bool = True) -> str:
    """A difference of temperature in the house's own degrees."""
    scaled = kelvin * (1.8 if units == "feet" else 1.0)
    return f"{math.ceil(scaled - 1e-9) if up else math.floor(scaled + 1e-9)} °{'F' if units == 'feet' else 'C'}"


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(id="air", title="Air and heat", group="Close in", state=settled(found) if found else "open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=(
            "air.cold_c",
            "air.warm_c",
            "air.changes",
            "air.place",
            "air.screen",
            "air.edge",
            "air.crop",
            "weather.open_share" if work.design.weather.cover == "cloth" else "air.shade_share",
            "air.mesh_share",
            "air.summers",
            "air.vent",
            *(("air.rise_k", "air.fan_m3_s", "air.inlet_share") if work.design.air.vent == "fans" else ()),
            "cover.summer",
            "air.breeze_mps",
        ),
        aside=("air.changes", "air.place", "air.screen", "air.edge", "air.breeze_mps"),
        answers=tuple(_answers(work)),
        leads=("heater", "opens", "still", "fans"),
        views=("losses", "along"),
        strips=("floor",),
        grips=(),
        focus=("air", "bow", "loss", "open", "ground"),
    )


def _next(work: Work) -> str:
    air = work.design.air
    if work.design.weather.cover == "cloth":
        return "Cloth keeps no warmth: a heater is told for film."
    open_ = kept_open(work)
    if open_:
        return f"It can’t be shut, as {open_}: no heater keeps it warm."
    if air.cold_c is None or air.warm_c is None:
        return "Write the coldest night that you want to hold out, and how warm it is to be: the heater follows."
    return "A heater for the whole loss, its thermostat shaded at crop height; a small second one for when it fails."


def _answers(work: Work) -> Iterator[Answer]:
    heat, opens, tape = heat_of(work), opens_of(work), work.tape
    if heat is not None:
        parts = (("cover", heat.cover_w), ("ends", heat.ends_w), ("air", heat.air_w), ("ground", heat.ground_w))
        told = ", ".join(f"{name} {percent_text(each / heat.all_w, 0, 'nearest')}" for name, each in parts)
        yield amount_answer(work, "heater", "Heater for that night", heat.all_w, "power", f"{told}; steady, no reserve")
        yield amount_answer(
            work, "heat_hour", "An hour of it", heat.all_w * HOUR_S, "energy", "fuel: by what yours gives"
        )
    yield Answer(
        id="opens", label="Opens, free", reading=area_text(opens.free_m2, tape, rounded("opens")), value=opens.free_m2,
        unit="m2", note=f"{percent_text(opens.share, 0, 'down')} of the floor{_netted(work)}",
    )  # fmt: skip
    hot = still_k(work)
    if hot < HOTTEST_K - 0.1:
        moved = moved_m3_s(work, hot, breeze=False)
        note = "in full sun, no wind" if shaded(work) == 0 else "in full sun, shaded, no wind"
        yield Answer(
            id="still", label="Hotter than outside", reading=_warmer(hot, tape.units), value=hot, unit="K", note=note
        )
        yield amount_answer(work, "air_moves", "Air through it then", moved, "air", "by warmth alone")
    drips = drips_at(work)
    if drips is not None:
        note = "that night; film that sheds drops, a little air, less water in the evening"
        yield amount_answer(work, "drips", "Film drips from a moisture of", drips, "share", note)
    layers = between_layers(work)
    if layers is not None:
        yield amount_answer(
            work, "layers_air", "Air between the layers", layers[0], "volume", "blown from outside, 60 Pa"
        )
        yield amount_answer(
            work, "layers_pull", "Its blower pulls each side by", layers[1], "pull", "always, before any wind"
        )
    fans = fans_of(work)
    rule, sun = (amount_text(each, "air", tape.units, "up") for each in (fans.rule_m3_s, fans.balance_m3_s))
    note = f"EP406 wants {rule}, what sun brings {sun}: the more of both"
    yield amount_answer(work, "fans", "Fans would move", fans.moves_m3_s, "air", note)
    if work.design.air.vent == "fans" and fans.count is not None:
        yield count_answer("fans_count", "Fans of that size", fans.count, "in one end; with several, one may fail")
    yield Answer(
        id="inlet", label="Inlet for them, hole in the wall", reading=area_text(fans.hole_m2, tape, rounded("inlet")),
        value=fans.hole_m2, unit="m2", note="through louvres and mesh as told",
    )  # fmt: skip
