"""The tubes that there are: the catalogue’s, and the grower’s own; which one bows and posts are made of."""

from obtegum.core.documents.bows import OwnTube
from obtegum.core.documents.house import HouseDesign
from obtegum.core.findings.kept import found
from obtegum.core.findings.work import Work
from obtegum.core.values.catalogue import Catalogue, Tube
from obtegum.core.values.quantity import Units, tube_text
from obtegum.core.values.trouble import DesignError, Trouble, listed

__all__ = [
    "USUAL",
    "all_tubes",
    "bow_tube",
    "find_tube",
    "own_tubes",
    "post_tube",
    "told_or_usual",
    "tube_measures",
    "tube_tried",
    "yield_untold",
]


# A tube that the grower measured; where nobody knows its steel it bends as plain mild steel does, and how strong
# it is isn’t told.
MILD_STEEL = "rail-1-3-8"
# What most take for runs and braces, by the shops that the bows’ tube comes from.
USUAL: dict[Units, str] = {"feet": "rail-1-3-8", "metric": "round-33.7"}


@found
def bow_tube(work: Work) -> Tube:
    """The bows' tube. Raises: DesignError when there is none of that name, or it is a solid bar."""
    tube = _tube(work.design, work.catalogue, work.design.bows.tube, "bows.tube")
    if tube.form == "bar":
        sentence = f"{tube.name} is solid: bows are of tube. Take one of the list."
        raise DesignError([Trouble(path="bows.tube", sentence=sentence)])
    return tube


@found
def post_tube(work: Work) -> Tube:
    """The posts' tube, or the bar of stubs. Raises: DesignError when there is none of that name."""
    return _tube(work.design, work.catalogue, work.design.posts.tube, "posts.tube")


@found
def all_tubes(work: Work) -> tuple[Tube, ...]:
    """Every tube there is, no bars: the catalogue's, and the grower's own."""
    tubes = (tube for tube in work.catalogue.tubes.values() if tube.form == "tube")
    return (*tubes, *own_tubes(work.design, work.catalogue))


def own_tubes(design: HouseDesign, catalogue: Catalogue) -> tuple[Tube, ...]:
    """The grower's own tubes, called ``own:1`` on."""
    like, tape = catalogue.tubes[MILD_STEEL], design.tape
    return tuple(
        like.model_copy(
            update={
                "id": f"own:{number}",
                "name": f"Own tube {number}, {tube_text(own.od_m, tape.units)} × {tube_text(own.wall_m, tape.units)}",
                "od_m": own.od_m,
                "wall_m": own.wall_m,
                "sold_in": tape.units,
                "source": "measured by the grower",
                **({} if own.yield_pa is None else {"yield_pa": own.yield_pa, "yield_source": "told by the grower"}),
            }
        )
        for number, own in enumerate(design.own_tubes, start=1)
    )


def yield_untold(work: Work, tube: Tube) -> bool:
    """Whether a tube is the grower's own and nobody told how strong its steel is."""
    number = int(tube.id.removeprefix("own:")) if tube.id.startswith("own:") else 0
    return number > 0 and work.design.own_tubes[number - 1].yield_pa is None


def find_tube(design: HouseDesign, catalogue: Catalogue, name: str) -> Tube | None:
    """A tube of the catalogue, or one of the grower's own; None when there is none of that name."""
    return catalogue.tubes.get(name) or next((tube for tube in own_tubes(design, catalogue) if tube.id == name), None)


def _tube(design: HouseDesign, catalogue: Catalogue, name: str, path: str) -> Tube:
    return listed(find_tube(design, catalogue, name), "tube", name, path)


def tube_tried(design: HouseDesign) -> str:
    """The bows' tube as a trial bend keeps it: by name, a tube of one's own by what it is."""
    tube = design.bows.tube
    number = int(tube.removeprefix("own:")) if tube.startswith("own:") else 0
    if not 0 < number <= len(design.own_tubes):
        return tube
    own = design.own_tubes[number - 1]
    return f"{tube} {own.od_m:.5f} {own.wall_m:.5f} {own.yield_pa or 0:.0f}"


def tube_measures(path: str, tube: str) -> tuple[str, ...]:
    """What can be told of the tube of a part: all of one that is the grower's own, what a tape says of another."""
    if not tube.startswith("own:"):
        return (f"{path}_od",)
    place = int(tube.removeprefix("own:")) - 1
    # What a tape says stays in its place while a trial makes one of one's own of it: the hand may be in it.
    return (f"{path}_od", *(f"own_tubes.{place}.{name}" for name in OwnTube.model_fields))


def told_or_usual(work: Work, name: str, path: str) -> Tube:
    """A tube by its name, or the usual one where none is told. Raises: DesignError when there is none of that name."""
    return listed(find_tube(work.design, work.catalogue, name or USUAL[bow_tube(work).sold_in]), "tube", name, path)
