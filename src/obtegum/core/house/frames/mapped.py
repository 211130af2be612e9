"""The map of frames: spacing by tube by ties, every one of them tried or screened by one that is surely better.

Along a line of one tube and one kind of tie, bows that stand further apart carry more each, and nothing else of the
frame changes: where one fails, all that are wider fail. So the widest that stands is found by halving, what is closer
is reckoned whole, and what is wider is told to fail without.
"""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field
from itertools import groupby

from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit, Edits, chosen
from obtegum.core.face.ties import tie_edits
from obtegum.core.findings.kept import Finding
from obtegum.core.findings.skeleton.tubes import all_tubes, bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.house.frames.tried import Frame, Tried, mass_kg_m, post_for, taken, try_frame
from obtegum.core.rooms.braces.judged import tie_verdicts
from obtegum.core.rooms.hold.judged import verdicts as hold_verdicts
from obtegum.core.rooms.strength.judged import verdicts as frame_verdicts
from obtegum.core.values.base import Part
from obtegum.core.values.catalogue import Catalogue, Tube
from obtegum.core.values.quantity import FOOT_M

__all__ = ["Mapped", "frames_of", "hangs_on", "mapped"]

SPACINGS_M = {
    "feet": tuple(each * FOOT_M for each in (2, 2.5, 3, 3.5, 4, 5, 6, 8)),
    "metric": (0.5, 0.6, 0.8, 1.0, 1.2, 1.5, 2.0, 2.5),
}
TIES = {"none": "no ties", "collar": "a collar each", "truss": "a truss each", "knee": "knees", "own": "its ties"}
# Tubes on the map besides one's own and the one that is.
MOST_TUBES = 10


class Mapped(Part):
    """How far the map has come: what was tried since the last word of it, and what stands at the least cost."""

    done: int
    of: int
    tried: tuple[Tried, ...]
    cheapest: str | None = None
    edge: tuple[str, ...] = ()
    ended: bool = False


def frames_of(work: Work) -> tuple[Frame, ...]:
    """Every frame of the map, line by line, each line from the closest bows on."""
    frames, now = work.design.frames, bow_tube(work)
    tubes = (now,) if frames.tube == "held" else _tubes(work)
    spacings = _spacings(work)
    kinds = _ties(work)
    return tuple(
        _frame(work, tube, spacing_m, kind, tie) for tube in tubes for kind, tie in kinds for spacing_m in spacings
    )


def hangs_on(work: Work) -> frozenset[tuple[str, ...]]:
    """Which parts of the design and the record the map hangs on, by their paths. As long as none of them changes, nor
    does the map."""
    judged = Finding(lambda bench: [frame_verdicts(bench), tie_verdicts(bench), hold_verdicts(bench), taken(bench)])
    tried = {("design", name) for name in ("bows", "posts", "braces", "own_tubes", "tape", "size")}
    held = {("design", "frames", name) for name in ("spacing", "tube", "ties")}
    return work.hangs_on(judged) | tried | held


def _tubes(work: Work) -> tuple[Tube, ...]:
    """Steel tubes that are sold here, from light to heavy, the one that is and all of one's own among them."""
    now, units = bow_tube(work), work.design.tape.units
    steel = [each for each in all_tubes(work) if each.material == "steel"]
    own = [each for each in steel if each.id.startswith("own:") or each.id == now.id]
    near = sorted((each for each in steel if each.sold_in == units and each not in own), key=mass_kg_m)
    step = max(len(near) / MOST_TUBES, 1.0)
    picked = [near[int(place * step)] for place in range(min(MOST_TUBES, len(near)))]
    return tuple(sorted([*own, *picked], key=mass_kg_m))


def _spacings(work: Work) -> tuple[float, ...]:
    now = work.design.bows.max_spacing_m
    if work.design.frames.spacing == "held":
        return (now,)
    most = work.design.size.length_m
    usual = [each for each in SPACINGS_M[work.design.tape.units] if each <= most and abs(each - now) > 0.02]
    return tuple(sorted([*usual, now]))


def _ties(work: Work) -> list[tuple[str, Edits]]:
    now = work.design.braces.ties
    if work.design.frames.ties == "held":
        return [(now, ())]
    kinds = dict.fromkeys([now, "none", "collar", "truss"])
    # Those that it has stay as they are, on each bow or not.
    found = [(kind, () if kind == now else tie_edits(work, kind)) for kind in kinds]
    return [(kind, edits) for kind, edits in found if edits is not None]


def _frame(work: Work, tube: Tube, spacing_m: float, kind: str, tie: Edits) -> Frame:
    edits = list[Edit]()
    if tube.id != bow_tube(work).id:
        edits += [chosen("bows.tube", tube.id), *post_for(work, tube)]
    if spacing_m != work.design.bows.max_spacing_m:
        if work.design.bows.bays != "equal":
            edits.append(chosen("bows.bays", "equal"))
        edits.append(chosen("bows.max_spacing_m", _typed(work, spacing_m)))
    return Frame(
        key=f"{tube.id}|{spacing_m:.4f}|{kind}",
        tube=tube.id,
        tube_words=tube.name,
        od_m=tube.od_m,
        spacing_m=spacing_m,
        spacing=work.say(spacing_m),
        ties=kind,
        ties_words=TIES["own" if not tie and kind != "none" and work.design.braces.every > 1 else kind],
        edits=(*edits, *tie),
    )


def _typed(work: Work, spacing_m: float) -> str:
    return f"{spacing_m / FOOT_M:g} ft" if work.design.tape.units == "feet" else f"{spacing_m:g} m"


@dataclass
class _Line:
    """Frames of one tube and one kind of tie, closest first, what is known of each, and the bench of the last."""

    frames: Sequence[Frame]
    found: dict[int, Tried] = field(default_factory=dict)
    bench: Work | None = None
    low: int = -1
    high: int = 0

    def __post_init__(self) -> None:
        self.high = len(self.frames)

    @property
    def next(self) -> int | None:
        """The next to be tried, so that the widest that stands is found; None where it is."""
        return (self.low + self.high) // 2 if self.high - self.low > 1 else None


def mapped(
    job: Job, catalogue: Catalogue, work: Work, between: Callable[[], object] = lambda: None
) -> Iterator[Mapped]:
    """The map as it comes: first the middle of every line, then to its widest that stands, then what is closer.

    ``work`` is the house's own bench; ``between`` is called before each frame, which takes some tens of milliseconds.
    """
    frames = frames_of(work)
    lines = [_Line(list(each)) for _, each in groupby(frames, key=lambda frame: (frame.tube, frame.ties))]
    of, every = len(frames), list[Tried]()

    def one(line: _Line, place: int) -> Tried:
        between()
        frame = line.frames[place]
        # What hangs on tube and ties alone is kept from frame to frame of a line.
        found = try_frame(job, catalogue, line.bench or work, frame.key, frame.edits, short=bool(frame.edits))
        tried = found if isinstance(found, Tried) else found.tried
        line.bench = line.bench if isinstance(found, Tried) else found.work
        line.found[place] = tried
        every.append(tried)
        return tried

    while going := [line for line in lines if line.next is not None]:
        for line in going:
            place = line.next
            assert place is not None
            tried = one(line, place)
            new = [tried]
            if tried.level in ("holds", "tight") or tried.taken is None or tried.level == "unknown":
                # What can't be built or isn't known says nothing of what is wider.
                line.low = place
            else:
                line.high = place
                new += _screen(line, place)
                every += new[1:]
            yield _so_far(every, of, new)
    for line in lines:
        for place in range(len(line.frames)):
            if place not in line.found:
                yield _so_far(every, of, [one(line, place)])
    yield _so_far(every, of, [], ended=True)


def _screen(line: _Line, place: int) -> list[Tried]:
    """What is wider than one that fails, and isn't known yet."""
    failed, found = line.found[place], list[Tried]()
    for wider in range(place + 1, len(line.frames)):
        # The house as it is stands on its map whatever comes of it.
        if wider not in line.found and line.frames[wider].edits:
            sentence = f"Fails: bows {line.frames[place].spacing} apart fail already."
            tried = Tried(
                key=line.frames[wider].key, level="fails", ratio=None, sentence=sentence, feet=failed.feet, taken=None,
                screened=True,
            )  # fmt: skip
            line.found[wider] = tried
            found.append(tried)
    return found


def _so_far(every: Sequence[Tried], of: int, new: Sequence[Tried], ended: bool = False) -> Mapped:
    standing = sorted(
        (each for each in every if each.level in ("holds", "tight") and each.taken is not None),
        key=lambda each: (each.taken.kg if each.taken else 0.0, each.ratio or 0.0),
    )
    edge, least = list[str](), float("inf")
    for each in standing:
        # Cheapest first: one belongs to the edge if nothing cheaper uses less of its strength.
        if each.ratio is not None and each.ratio < least:
            edge.append(each.key)
            least = each.ratio
    return Mapped(
        done=len(every),
        of=of,
        tried=tuple(new),
        cheapest=standing[0].key if standing else None,
        edge=tuple(edge),
        ended=ended,
    )
