"""What closes each end: studs, how they stand, the doorway, and what else opens."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number, choice, misfit
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["HINGED", "MOST_OPENINGS", "SIDES", "WALKED", "Door", "EndWall", "Ends", "Opening", "Side", "What"]

Side = Literal["front", "back"]
SIDES: tuple[Side, ...] = ("front", "back")
MOST_OPENINGS = 8
Door = Literal["none", "way", "swing", "double", "sliding", "rollup", "zip"]
What = Literal["none", "swing", "way", "flap", "window", "louvre", "intake", "fan"]
# What reaches down to the ground, and what has a leaf on hinges.
WALKED = ("way", "swing", "double", "sliding", "rollup", "zip")
HINGED = ("swing", "double", "flap", "window")


class Opening(Part):
    """One more opening in an end, m; what is walked through begins at the ground."""

    what: Annotated[
        What,
        choice(
            "Opening",
            none="none",
            swing="a door of one leaf",
            way="an open way",
            flap="a flap, hinged at its top",
            window="a window, hinged at its side",
            louvre="a louvre",
            intake="a louvre that a fan draws through",
            fan="a fan, drawing out",
        ),
    ] = "louvre"
    wide_m: Annotated[float, Number("Wide", 0.2, 6.0, feet=2 * FOOT_M)] = 0.6
    high_m: Annotated[float, Number("High", 0.2, 4.0, feet=2 * FOOT_M)] = 0.6
    low_m: Annotated[float, Number("Its lower edge, up", 0.0, 8.0, feet=4 * FOOT_M)] = 1.2
    left_m: Annotated[
        float | None, Number("Left side, from the left post", 0.05, 20.0, hint="blank: where there is room")
    ] = None


class EndWall(Part):
    """One end of the house, m: across from the left post's middle, up from the datum."""

    kind: Annotated[
        Literal["open", "framed", "covered"],
        choice("Is", open="left open", framed="framed with studs", covered="covered, without a frame"),
    ] = "open"
    stud: Annotated[str, Field(max_length=60), Choice("Studs of")] = ""
    stand: Annotated[
        Literal["edge", "flat", "tube"],
        choice("Studs stand", edge="on edge, narrow side to the film", flat="flat", tube="as steel tubes"),
    ] = "edge"
    stud_tube: Annotated[str, Field(max_length=60), Choice("Studs’ tube")] = ""
    apart_m: Annotated[float, Number("Studs apart, at most", 0.2, 3.0, feet=4 * FOOT_M)] = 1.2
    seam_m: Annotated[
        float | None, Number("A stud at the film’s seam", 0.05, 25.0, hint="from the left post; blank: no seam")
    ] = None
    head: Annotated[
        Literal["cut", "notch", "lap"],
        choice(
            "Heads",
            cut="cut under the bow",
            notch="notched round the bow",
            lap="past the bow, bolted to its inner side",
        ),
    ] = "cut"
    screws: Annotated[int, Number("Screws, each head and foot", 0, 16, "count", hint="0: nobody said")] = 4
    screw: Annotated[
        Literal["8", "10", "12", "14"],
        choice(
            "Screws of",
            **{"8": "no. 8, 4.2 mm", "10": "no. 10, 4.8 mm", "12": "no. 12, 5.5 mm", "14": "no. 14, 6.3 mm"},
        ),
    ] = "10"
    sill: Annotated[
        Literal["plate", "none"],
        choice("Below", plate="on a sill plate", none="no sill: studs go into the ground"),
    ] = "plate"
    board: Annotated[Literal["none", "board"], choice("End board", none="none", board="on stakes, at the ground")] = (
        "none"
    )
    rail_m: Annotated[
        float | None, Number("Cross rails, apart at most", 0.2, 3.0, hint="for film or sheet; blank: none")
    ] = None
    header: Annotated[
        Literal["jambs", "bow"], choice("Door’s header", jambs="from jamb to jamb", bow="right across, out to the bow")
    ] = "jambs"
    prop: Annotated[
        Literal["none", "jambs", "studs"],
        choice("Braced to the second bow", none="no stick", jambs="each jamb", studs="each jamb and stud"),
    ] = "none"
    door: Annotated[
        Door,
        choice(
            "Door",
            none="none",
            way="an open way",
            swing="one leaf",
            double="two leaves",
            sliding="a sliding leaf",
            rollup="rolls up",
            zip="a zip in the film",
        ),
    ] = "swing"
    wide_m: Annotated[float, Number("Way through, wide", 0.4, 6.0, feet=4 * FOOT_M)] = 1.2
    high_m: Annotated[float, Number("Way through, high", 0.8, 4.0, feet=6.5 * FOOT_M)] = 2.0
    left_m: Annotated[
        float | None, Number("Its left side, from the left post", 0.05, 20.0, hint="blank: in the middle")
    ] = None
    hung: Annotated[
        Literal["left", "right"], choice("Hinges, or where it slides", left="on the left", right="on the right")
    ] = "left"
    track: Annotated[
        Literal["within", "beyond"],
        choice("Track", within="within the bow’s line", beyond="beyond it, on a post of its own"),
    ] = "within"
    leaf: Annotated[Literal["timber", "pipe"], choice("Leaf of", timber="boards", pipe="pipe and fittings")] = "timber"
    leaf_tube: Annotated[str, Field(max_length=60), Choice("Leaf’s pipe")] = ""
    take_m: Annotated[
        float,
        Number("A fitting takes up", 0.0, 0.2, bare="fine", hint="corner to where the pipe ends in it", feet=INCH_M),
    ] = 0.025
    built: Annotated[
        Literal["dry", "wet"], choice("Leaf is built", dry="dry, and swells later", wet="of wet timber")
    ] = "dry"
    deep_m: Annotated[float, Number("Jambs in the ground", 0.0, 2.0, feet=24 * INCH_M)] = 0.6
    fill: Annotated[
        Literal["tamped", "gravel", "concrete"],
        choice("Their holes are filled", tamped="with soil, tamped", gravel="with gravel", concrete="with concrete"),
    ] = "tamped"
    hole_m: Annotated[float, Number("Their holes, across", 0.1, 1.0, bare="floor", feet=10 * INCH_M)] = 0.25
    school: Annotated[
        Literal["framed", "base", "film"],
        choice(
            "Doorway is made",
            framed="first, and covered around",
            base="in a base that is finished whole, then cut out",
            film="in film that is fitted whole, then cut",
        ),
    ] = "framed"
    film: Annotated[
        Literal["ask", "bow", "stake"],
        choice("Film at this end", ask="not told yet", bow="fixed on the end bow", stake="gathered, tied to a stake"),
    ] = "ask"
    stake_m: Annotated[float, Number("Stake, out from the end bow", 0.3, 10.0, feet=4 * FOOT_M)] = 1.2
    strut: Annotated[
        Literal["none", "sides"],
        choice("Struts against the film", none="none", sides="one each side, down to the second bow’s foot"),
    ] = "none"
    strut_m: Annotated[float, Number("Strut meets the end bow, up", 0.4, 4.0, feet=4 * FOOT_M)] = 1.2
    openings: Annotated[tuple[Opening, ...], Field(max_length=MOST_OPENINGS)] = ()


class Ends(Decisions):
    """Front and back, each its own; which of them is shown, which opening is at hand, and what should pass."""

    shown: Annotated[Side, choice("End shown", front="the front", back="the back")] = "front"
    at: Annotated[
        Literal["door", "1", "2", "3", "4", "5", "6", "7", "8"],
        Choice("Opening at hand", {"door": "the door"} | {str(at): str(at) for at in range(1, MOST_OPENINGS + 1)}),
    ] = "door"
    passes: Annotated[
        Literal["grower", "barrow", "tractor", "former"],
        choice(
            "Should go through",
            grower="a grower",
            barrow="a grower with a barrow",
            tractor="a two-wheel tractor",
            former="a tractor with a bed former",
        ),
    ] = "grower"
    film: Annotated[str, Field(max_length=60), Choice("Film")] = ""
    tight_n_m: Annotated[
        float, Number("It is fitted as tight as", 0.0, 5000.0, "pull", hint="hand-tight: 0.2 kN/m, 14 lb/ft")
    ] = 200.0
    front: EndWall = EndWall()
    back: EndWall = EndWall()

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """A strut that meets the end bow nowhere."""
        for side in SIDES:
            end: EndWall = getattr(self, side)
            if end.strut != "none" and end.strut_m >= house.size.height_m:
                sentence = "The strut would meet the bow over its crown. It must stay below"
                yield misfit(f"ends.{side}.strut_m", sentence, house.size.height_m, house.tape, "down")
