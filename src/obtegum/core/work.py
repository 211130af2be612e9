"""What the rooms share while one house is planned: inputs, centre line, bays, posts and sticks."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property

from obtegum.core.bows.headroom import clear_from, headroom_over
from obtegum.core.bows.sticks import MOST_STICKS, Split, split_bow, sticks_needed
from obtegum.core.catalogue import Catalogue, Rules, Tube
from obtegum.core.design import HouseDesign
from obtegum.core.ground.posts import Entry, Play, bow_entry, socket_play
from obtegum.core.ground.stand import Stand, stand_on
from obtegum.core.profile import Chain, Kink, round_bow
from obtegum.core.profile.round import arc_radius
from obtegum.core.quantity import FOOT_M, Rounding, Tape, length_text
from obtegum.core.record import LINES, Line, SiteRecord
from obtegum.core.setout.base import Peg, pegs
from obtegum.core.setout.bays import Bays, equal_bays, fixed_bays
from obtegum.core.setout.checkin import CheckIn, TapeMisfit, check_in
from obtegum.core.setout.how import HowStep, how_to_square
from obtegum.core.setout.squaring import Method, Tapes, methods
from obtegum.core.strip import MarkKind, MarkState, StripMark
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["Work", "begin", "strung_size", "ways_to_square"]


@dataclass(frozen=True)
class Work:
    """One house on the bench. Lengths along the tube start at its end in the left post."""

    design: HouseDesign
    record: SiteRecord
    catalogue: Catalogue
    bow_tube: Tube
    post_tube: Tube
    bow: Chain
    inner: Chain
    equal: Bays
    fixed: Bays
    bays: Bays
    pegs: tuple[Peg, ...]
    entry: Entry
    play: Play | None
    tube_m: float
    split: Split
    _said: dict[tuple[float, Rounding], str] = field(default_factory=dict, repr=False, compare=False)

    @property
    def tape(self) -> Tape:
        return self.design.tape

    @property
    def rules(self) -> Rules:
        return self.catalogue.rules

    @property
    def embedment_m(self) -> float:
        return self.design.posts.length_m - self.design.posts.reveal_m

    @property
    def figure_from_left_m(self) -> float:
        return min(self.design.size.figure.from_left_m, self.design.size.span_m)

    @property
    def leg_kink(self) -> Kink | None:
        """The left corner where leg and arc meet above the post top, or None."""
        reveal_m, middle_m = self.design.posts.reveal_m, self.bow.girth_m / 2
        return next((kink for kink in self.bow.kinks if reveal_m + 1e-7 < kink.s_m < middle_m), None)

    @cached_property
    def clear_from_m(self) -> float | None:
        """Where the grower can first stand upright, from the left posts' line, m; None if nowhere."""
        size = self.design.size
        return clear_from(self.inner, size.span_m, size.figure.height_m, self.rules.figure_width_m)

    @cached_property
    def figure_headroom_m(self) -> float:
        """Height to the inner face of the bow over the grower's width, where the grower stands, m."""
        x = self.figure_from_left_m - self.design.size.span_m / 2
        return headroom_over(self.inner, x, self.rules.figure_width_m)

    @cached_property
    def strung(self) -> tuple[float, float]:
        """Length and width of the rectangle that the strings make, m."""
        return strung_size(self.design, self.catalogue)

    @property
    def tapes(self) -> Tapes:
        return _tapes(self.design)

    @cached_property
    def methods(self) -> list[Method]:
        """Ways to square the base, best first."""
        return ways_to_square(self.design, self.catalogue)

    @cached_property
    def how(self) -> list[HowStep]:
        """How the base is squared, step by step."""
        set_out = self.design.set_out
        return how_to_square(self.method, *self.strung, set_out.base, self.tape, self.tapes, set_out.fence_m)

    @cached_property
    def stand(self) -> Stand | None:
        """The posts on the ground as levelled, or None while too few pegs have been read."""
        return stand_on(self.design, self.record.levels, self.pegs, self.strung[1])

    @cached_property
    def taped_level(self) -> dict[Line, float]:
        """What was taped, held level: readings along the ground are brought to level by the pegs' heights.

        A reading r over a fall h is √(r² − h²) long.
        """
        taped = self.record.taped
        found: dict[Line, float] = {}
        for line in LINES:
            reading = taped.reading_m(line)
            if reading is not None:
                fall_m = self.corner_fall(line) if taped.held == "ground" else 0.0
                found[line] = math.sqrt(max(reading**2 - (fall_m or 0.0) ** 2, 0.0))
        return found

    def corner_fall(self, line: Line) -> float | None:
        """How far the ground falls from one end of a line to the other, m; None where it wasn't levelled."""
        names = {"A": "L1", "B": f"L{self.bays.bows}", "C": f"R{self.bays.bows}", "D": "R1"}
        ends = [self.record.levels.pegs.get(names[letter.upper()]) for letter in line]
        return None if ends[0] is None or ends[1] is None else ends[1] - ends[0]

    @cached_property
    def check(self) -> CheckIn | TapeMisfit | None:
        """The base as taped; a misfit when it can't be, None before two lines were taped."""
        return self._checked(self.taped_level) if self.record.taped.count >= 2 else None

    @cached_property
    def earlier_checks(self) -> list[CheckIn]:
        """The shapes of the earlier rounds of taping, for as far as they make one."""
        rounds = ({line: each.reading_m(line) for line in LINES} for each in self.record.earlier)
        told = ({line: reading for line, reading in each.items() if reading is not None} for each in rounds)
        found = (self._checked(each) for each in told if len(each) >= 2)
        return [each for each in found if isinstance(each, CheckIn)]

    def _checked(self, taped: Mapping[Line, float]) -> CheckIn | TapeMisfit:
        try:
            return check_in(taped, *self.strung, self.tapes.error_m, self.rules.peg_m)
        except TapeMisfit as misfit:
            return misfit

    @property
    def method(self) -> Method:
        """The chosen way, or the best one where it isn't open to this base."""
        chosen = (each for each in self.methods if each.id == self.design.set_out.method)
        return next(chosen, self.methods[0])

    @cached_property
    def radius_m(self) -> float:
        """Radius of the arc to the tube's centre, m."""
        size = self.design.size
        return arc_radius(size.span_m, size.height_m - size.leg_m)

    def along_tube(self, s_m: float) -> float:
        """Distance along the bow's tube of a girth, m."""
        return s_m - self.entry.post_top_s_m + self.design.bows.insertion_m

    def girth_at(self, tube_m: float) -> float:
        """Girth of a distance along the bow's tube, m; inverse of `along_tube`."""
        return tube_m - self.design.bows.insertion_m + self.entry.post_top_s_m

    def about(self, value_m: float) -> str:
        """A round length for a sentence: to the inch or centimetre."""
        coarse = Tape(units=self.tape.units, inch_parts=2, mm_step=10)
        step_m = coarse.stride_m("small")
        return f"about {length_text(round(value_m / step_m) * step_m, coarse)}"

    def say(self, value_m: float, rounding: Rounding = "nearest") -> str:
        """A length as the house's tape shows it; kept, as drawing, tape and table say the same ones."""
        key = (value_m, rounding)
        if key not in self._said:
            self._said[key] = length_text(value_m, self.tape, rounding)
        return self._said[key]

    def mark(
        self,
        at_m: float,
        what: str,
        kind: MarkKind,
        part: str,
        strip: str,
        tick: str | None = None,
        state: MarkState = "open",
        note: str = "",
    ) -> StripMark:
        """A mark of a strip, its reading printed from its exact place."""
        return StripMark(
            id=f"{strip}/{part}",
            part=part,
            at_m=at_m,
            reading=self.say(at_m),
            what=what,
            kind=kind,
            state=state,
            tick=tick,
            note=note,
        )


def _tube(catalogue: Catalogue, name: str, path: str) -> Tube:
    tube = catalogue.tubes.get(name)
    if tube is None:
        raise DesignError([Trouble(path=path, sentence=f"There is no tube “{name}” in the catalogue.")])
    return tube


def strung_size(design: HouseDesign, catalogue: Catalogue) -> tuple[float, float]:
    """Length and width of the rectangle that the strings make, m: between centres, or one tube more."""
    tube = {"posts": design.posts.tube, "bows": design.bows.tube}.get(design.set_out.to)
    more_m = catalogue.tubes[tube].od_m if tube in catalogue.tubes else 0.0
    return design.size.length_m + more_m, design.size.span_m + more_m


def _tapes(design: HouseDesign) -> Tapes:
    set_out = design.set_out
    return Tapes(longest_m=set_out.tape_m, second_m=set_out.second_tape_m, error_m=set_out.reading_error_m)


def ways_to_square(design: HouseDesign, catalogue: Catalogue) -> list[Method]:
    """Every way to square the base of a house, best first."""
    set_out = design.set_out
    unit_m = FOOT_M if design.tape.units == "feet" else 1.0
    return methods(*strung_size(design, catalogue), _tapes(design), set_out.base, unit_m, set_out.fence_m)


def begin(design: HouseDesign, record: SiteRecord, catalogue: Catalogue) -> Work:
    """Lay the house on the bench.

    Raises: DesignError when posts, bow and sticks can't make a house at all.
    """
    size, posts, bows, rules = design.size, design.posts, design.bows, catalogue.rules
    bow_tube = _tube(catalogue, bows.tube, "bows.tube")
    post_tube = _tube(catalogue, posts.tube, "posts.tube")
    bow = round_bow(size.span_m, size.leg_m, size.height_m)
    if posts.reveal_m >= size.height_m:
        sentence = "The posts would stand as high as the crown. They must stay below"
        nearest = length_text(size.height_m, design.tape, "down")
        raise DesignError([Trouble(path="posts.reveal_m", sentence=f"{sentence} {nearest}.", nearest=nearest)])
    entry = bow_entry(bow, size.span_m, posts.reveal_m)
    tube_m = bow.girth_m - 2 * entry.post_top_s_m + 2 * bows.insertion_m
    count = sticks_needed(tube_m, bows.stick_m, bows.joint_m)
    if count > MOST_STICKS:
        least_m = (tube_m + (MOST_STICKS - 1) * bows.joint_m) / MOST_STICKS
        nearest = length_text(least_m, design.tape, "up")
        sentence = f"That makes {count} sticks a bow, and more than {MOST_STICKS} can't be joined well. The least is"
        raise DesignError(
            [Trouble(path="bows.stick_m", sentence=f"{sentence} {nearest}.", nearest_m=least_m, nearest=nearest)]
        )
    equal = equal_bays(size.length_m, bows.max_spacing_m)
    fixed = fixed_bays(size.length_m, bows.max_spacing_m)
    chosen = equal if bows.bays == "equal" else fixed
    return Work(
        design=design,
        record=record,
        catalogue=catalogue,
        bow_tube=bow_tube,
        post_tube=post_tube,
        bow=bow,
        inner=bow.offset(-bow_tube.od_m / 2),
        equal=equal,
        fixed=fixed,
        bays=chosen,
        pegs=pegs(chosen, size.span_m),
        entry=entry,
        play=socket_play(post_tube.bore_m, bow_tube.od_m, bows.insertion_m),
        tube_m=tube_m,
        split=split_bow(tube_m, bows.stick_m, bows.joint_m, rules.piece_least_m, rules.joint_off_crown_share),
    )
