"""Each post as it was built: how far it stands off its place, and what that does to the bow in it."""

from collections.abc import Iterator
from dataclasses import dataclass

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import pegs_of, starts_m
from obtegum.core.findings.skeleton.levels import lie_of, stand_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.posts import entry_of, hands_force, play_of
from obtegum.core.findings.skeleton.shapes import height_for_girth
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.work import Work

__all__ = ["BowBuilt", "Deviation", "bows_built", "built_row", "checks_of", "off_share", "softest"]


@dataclass(frozen=True, slots=True)
class Deviation:
    """How far one post stands off: further along than its place, to the outside, too high, m; its lean as a share.

    None where that wasn't measured.
    """

    name: str
    bow: int
    side: str
    station_m: float
    along_m: float | None = None
    out_m: float | None = None
    up_m: float | None = None
    lean: float | None = None

    @property
    def measured(self) -> bool:
        """Whether anything is known of it."""
        return any(each is not None for each in (self.along_m, self.out_m, self.up_m, self.lean))


def off_share(work: Work, stray: Deviation) -> float:
    """How much of its tolerance a post takes at the most; 0 where nothing was measured."""
    rules = work.rules
    shares = (
        (stray.along_m, rules.post_along_m),
        (stray.out_m, rules.post_line_m),
        (stray.up_m, rules.post_top_m),
        (stray.lean, rules.post_plumb_share),
    )
    return max((abs(value) / most for value, most in shares if value is not None), default=0.0)


@dataclass(frozen=True, slots=True)
class BowBuilt:
    """A bow between two posts that were measured: its real width and height, m, and what forcing it in takes.

    ``forced`` is the share of what hands do, None where it goes in by itself; ``height_m`` None where no height is
    known for the width.
    """

    bow: int
    span_m: float
    height_m: float | None
    forced: float | None


def checks_of(work: Work) -> tuple[str, ...]:
    """What is measured of each post: by rod where levels were read, else what stands out by tape."""
    struck = ("blows",) if work.design.hold.set == "driven" else ()
    return ("gap", "rod" if lie_of(work) else "out", "along", "lean", *struck)


@found
def built_row(work: Work) -> tuple[Deviation, ...]:
    """Every post of the house that was measured, in the order of the pegs."""
    return tuple(_built(work))


def _built(work: Work) -> Iterator[Deviation]:
    if not work.record.row:
        return
    stand, block_m, start_m = stand_of(work), work.design.row.block_m, starts_m(work)
    reveal_m = work.design.posts.reveal_m
    for peg in pegs_of(work):
        name = f"{peg.side}{peg.bow}"
        told = work.record.row.get(name)
        if told is None:
            continue
        foot = stand.feet.get(name) if stand else None
        up_m = None
        # A rod reads less the higher its foot stands.
        if foot is not None and told.rod_m is not None:
            up_m = foot.top_reading_m - told.rod_m
        elif stand is None and told.out_m is not None:
            up_m = told.out_m - reveal_m
        out_of = foot.reveal_m if foot is not None else reveal_m
        yield Deviation(
            name=name,
            bow=peg.bow,
            side=peg.side,
            station_m=peg.station_m,
            along_m=None if told.along_m is None else told.along_m - start_m - peg.station_m,
            out_m=None if told.gap_m is None else block_m - told.gap_m,
            up_m=up_m,
            lean=None if told.lean_m is None or out_of <= 0 else told.lean_m / out_of,
        )


def softest(work: Work, count: int) -> tuple[str, ...]:
    """The posts that took the fewest blows: those to pull at first. Blows rank posts, and never say what one holds."""
    posts = {f"{peg.side}{peg.bow}" for peg in pegs_of(work)}
    struck = [(told.blows, name) for name, told in work.record.row.items() if told.blows is not None and name in posts]
    return tuple(name for _, name in sorted(struck)[:count])


@found
def bows_built(work: Work) -> tuple[BowBuilt, ...]:
    """Every bow both of whose posts were measured across: as wide as they stand apart, its tube as long as it is."""
    by_name = {built.name: built for built in built_row(work)}
    found_ = list[BowBuilt]()
    for left in by_name.values():
        right = by_name.get(f"R{left.bow}")
        if left.side != "L" or right is None or left.out_m is None or right.out_m is None:
            continue
        wider_m = left.out_m + right.out_m
        span_m = work.design.size.span_m + wider_m
        height_m = height_for_girth(work.design.size.shape, span_m, centre_line(work).girth_m)
        raised = [each.up_m for each in (left, right) if each.up_m is not None]
        if height_m is not None and raised:
            height_m += sum(raised) / len(raised)
        leans = max((each.lean or 0.0) for each in (left, right))
        found_.append(BowBuilt(left.bow, span_m, height_m, _forced(work, wider_m, leans)))
    return tuple(found_)


def _forced(work: Work, wider_m: float, lean: float) -> float | None:
    """Share of what hands do to bring a bow into two posts that stand apart by so much more than planned."""
    if not way_of(work).socketed or play_of(work) is None:
        return None
    entry = entry_of(work)
    # A post that stands further out has the bow further to its inside.
    forced = hands_force(work, entry.offset_m + wider_m / 2, entry.lean_rad + lean)
    return None if forced is None else forced[2]
