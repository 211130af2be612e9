"""Frames: the map of all that could stand, what each part buys, an offer beside the own frame, a seller's figures."""

from collections.abc import Iterator

from obtegum.core.drawing.step import Answer, Sheet, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Strip
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather.kinds import KINDS
from obtegum.core.rooms.strength.found import why_unknown
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.strength.words import AID, MADE_UP
from obtegum.core.rooms.weather.found import site_figures, stood_in
from obtegum.core.values.amount import amount_text
from obtegum.core.values.physics import AIR_KG_M3, GRAVITY_MPS2

__all__ = ["plan", "stands", "strips"]

CAUTION = f"{AID} Each frame is judged in all of the site’s weather; its film, fixings and soil are what they are."
# The light end of each kind of snow, kg/m³, beside the heavy one that `KINDS` has.
LIGHT = {"fresh": 50.0, "settled": 200.0, "old": 250.0, "wet": 300.0, "packed": 350.0}
SHEETS = (
    Sheet(id="map", title="Map of frames"),
    Sheet(id="buys", title="What each part buys"),
    Sheet(id="offer", title="An offer"),
)
HELD = ("frames.spacing", "frames.tube", "frames.ties")
OFFER = (
    "frames.offer_tube",
    "frames.offer_spacing_m",
    "frames.offer_ties",
    "frames.offer_runs",
    "frames.offer_bays",
    "frames.offer_post",
    "frames.offer_deep_m",
    "frames.seller_deep_m",
    "frames.seller_gust_mps",
)


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called; it judges nothing of its own."""
    return Standing(id="frames", title="Frames", group="Frame", state="open" if why_unknown(work) else "checked")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """What the map holds on to, the offer, and what its seller says."""
    reason = why_unknown(work)
    return StepPlan(
        **stands(work, found),
        next=reason or "Point at a frame: the house is drawn with it. Press it, and it is the house.",
        caution=f"{MADE_UP} {CAUTION}" if stood_in(work) else CAUTION,
        measures=(*HELD, *OFFER),
        aside=OFFER,
        answers=tuple(_seller(work)),
        leads=("seller",),
        views=("use", "across"),
        strips=("use",),
        grips=(),
        focus=("bow", "use", "tie", "fence", "ground", "foot", "ghost", "post"),
        how=tuple(Told(words=words) for words in _unsaid(work)),
        how_title="What a seller’s sheet leaves unsaid",
        pages=() if reason else SHEETS,
    )


def _seller(work: Work) -> Iterator[Answer]:
    """A seller's figures as pressures, beside what the site asks."""
    frames, units = work.design.frames, work.tape.units
    deep_m, gust = frames.seller_deep_m, frames.seller_gust_mps
    if deep_m is not None:
        for kind, words, heavy in KINDS:
            low, high = (kg * GRAVITY_MPS2 * deep_m for kg in (LIGHT[kind], heavy))
            least = "" if low == high else f"from {amount_text(low, 'pressure', units, 'down')}, "
            yield Answer(
                id=f"seller_{kind}", label=f"{work.say(deep_m)} of {words}",
                reading=amount_text(high, "pressure", units, "nearest"), value=high, unit="Pa",
                note=f"{least}on the roof{_asked(work)}",
            )  # fmt: skip
    if gust is not None:
        pressure = AIR_KG_M3 / 2 * gust**2
        yield Answer(
            id="seller_wind", label=f"Wind of {amount_text(gust, 'speed', units, 'nearest')}",
            reading=amount_text(pressure, "pressure", units, "nearest"), value=pressure, unit="Pa",
            note=f"as a gust at 10 m in the open{_blown(work)}",
        )  # fmt: skip


def _asked(work: Work) -> str:
    """The site's snow on this roof, even."""
    weather = weathered(work)
    lies = [case for case in weather.cases if case.kind == "snow" and case.name == "even"] if weather else []
    if not lies:
        return ""
    most = amount_text(max(float(case.shown.max()) for case in lies), "pressure", work.tape.units, "up")
    return f"; your site asks {most} even, and drifts"


def _blown(work: Work) -> str:
    weather, figures = weathered(work), site_figures(work)
    q = next((each.value for each in weather.sheet if each.symbol in ("q", "qp")), None) if weather else None
    if q is None or figures is None:
        return ""
    most = amount_text(q, "pressure", work.tape.units, "up")
    return f"; your site’s wind presses by {most} at the house before any coefficient"


def _unsaid(work: Work) -> Iterator[str]:
    """What has to be asked before figures of a sheet mean anything."""
    frames = work.design.frames
    if frames.seller_deep_m is not None:
        yield "Which snow: as deep, fresh snow weighs an eighth of wet snow. Even, or drifted to one side?"
    if frames.seller_gust_mps is not None:
        yield "Which wind: a gust that is felt, or a design speed at which no margin is left? Doors shut, or one open?"
    if frames.seller_deep_m is not None or frames.seller_gust_mps is not None:
        yield "Film on or off, which tube wall and yield, how far apart the bows, braced how, and what holds the feet."


def strips(work: Work) -> list[Strip]:
    """None of its own."""
    return []
