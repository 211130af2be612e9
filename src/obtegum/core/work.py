"""What the rooms share while one house is planned: inputs, centre line, bays, posts and sticks."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from obtegum.core.bows.as_bent import AsBent, as_bent
from obtegum.core.bows.beds import Layout, lay_out
from obtegum.core.bows.bending import Trial, free_radius, free_radius_as_tried, trial_radius
from obtegum.core.bows.headroom import clear_from, headroom_over
from obtegum.core.bows.sticks import (
    MOST_STICKS,
    Joint,
    Piece,
    Split,
    joint_of,
    split_runs,
    sticks_for_house,
    sticks_needed,
)
from obtegum.core.catalogue import Catalogue, Rules, Tube
from obtegum.core.design import HouseDesign, limit_of
from obtegum.core.found import Bench, Finding, found
from obtegum.core.ground.posts import Entry, Play, bow_entry, socket_play
from obtegum.core.ground.spots import spot_place
from obtegum.core.ground.stand import Stand, stand_on
from obtegum.core.ground.suspects import Suspect, odd_spots, suspects
from obtegum.core.profile import Arc, Chain, Kink, ProfileError
from obtegum.core.profile import Line as Stretch
from obtegum.core.quantity import FOOT_M, Rounding, Tape, length_text, tube_text
from obtegum.core.record import LINES, Line, SiteRecord, Taping
from obtegum.core.setout.base import Peg, diagonal, pegs
from obtegum.core.setout.bays import Bays, equal_bays, fixed_bays
from obtegum.core.setout.checkin import CheckIn, TapeMisfit, check_in, other_size
from obtegum.core.setout.how import HowStep, how_to_square
from obtegum.core.setout.squaring import Method, Tapes, methods
from obtegum.core.shapes import height_for_girth
from obtegum.core.strip import MarkKind, MarkState, StripMark
from obtegum.core.ticks import peg_words
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["Work", "begin", "find_tube", "own_tubes", "strung_size", "tapes_of", "tube_tried", "ways_to_square"]


# Shapes that meet at corners: a ridge, and where straight pieces join.
ANGULAR = ("gothic", "peaked", "kneed")


@dataclass(frozen=True)
class Bend:
    """A bent stretch of the bow: where it starts, girth in m, and its arc."""

    start_m: float
    arc: Arc

    @property
    def end_m(self) -> float:
        return self.start_m + self.arc.length_m


class Work(Bench):
    """One house on the bench. Lengths along the tube start at its end in the left post."""

    def __init__(
        self,
        design: HouseDesign,
        record: SiteRecord,
        catalogue: Catalogue,
        before: "Mapping[Finding[Any], Any] | None" = None,
    ) -> None:
        super().__init__(design, record, catalogue, before)
        self._said: dict[tuple[float, Rounding], str] = {}

    @found
    def bow_tube(self) -> Tube:
        """The bows' tube. Raises: DesignError when there is none of that name."""
        return _tube(self.design, self.catalogue, self.design.bows.tube, "bows.tube")

    @found
    def post_tube(self) -> Tube:
        """The posts' tube. Raises: DesignError when there is none of that name."""
        return _tube(self.design, self.catalogue, self.design.posts.tube, "posts.tube")

    @found
    def bow(self) -> Chain:
        """The bow's centre line. Raises: DesignError with the nearest value where the shape can't be."""
        return _centre_line(self.design)

    @found
    def inner(self) -> Chain:
        """The bow's inner face, each segment by itself. Raises: DesignError when the tube is too thick for a bend."""
        try:
            return self.bow.offset(-self.bow_tube.od_m / 2)
        except ValueError:
            od_m = self.bow_tube.od_m
            tightest = length_text(od_m, self.tape, "up")
            sentence = f"That bend is tighter than the tube is thick. {tightest} would be the least."
            raise DesignError(
                [Trouble(path="size.shape.shoulder_m", sentence=sentence, nearest_m=od_m, nearest=tightest)]
            ) from None

    @found
    def equal(self) -> Bays:
        """Equal bays."""
        return equal_bays(self.design.size.length_m, self.design.bows.max_spacing_m)

    @found
    def fixed(self) -> Bays:
        """Bays of a fixed spacing, the odd one last."""
        return fixed_bays(self.design.size.length_m, self.design.bows.max_spacing_m)

    @property
    def bays(self) -> Bays:
        """The bays of the school that was chosen."""
        return self.equal if self.design.bows.bays == "equal" else self.fixed

    @found
    def pegs(self) -> tuple[Peg, ...]:
        """A peg for every post."""
        return pegs(self.bays, self.design.size.span_m, self.strung[0] - self.design.size.length_m)

    @found
    def entry(self) -> Entry:
        """How the bow meets its post's top. Raises: DesignError when the posts stand as high as the crown."""
        size, reveal_m = self.design.size, self.design.posts.reveal_m
        if reveal_m >= size.height_m:
            sentence = "The posts would stand as high as the crown. They must stay below"
            nearest = length_text(size.height_m, self.tape, "down")
            raise DesignError([Trouble(path="posts.reveal_m", sentence=f"{sentence} {nearest}.", nearest=nearest)])
        return bow_entry(self.bow, size.span_m, reveal_m)

    @found
    def play(self) -> Play | None:
        """What the socket forgives; None where the bow's tube doesn't go in."""
        return socket_play(self.post_tube.bore_m, self.bow_tube.od_m, self.design.bows.insertion_m)

    @found
    def tube_m(self) -> float:
        """Tube of a bow, sockets in, m."""
        return self.bow.girth_m - 2 * self.entry.post_top_s_m + 2 * self.design.bows.insertion_m

    @found
    def joint(self) -> Joint:
        """How two sticks are joined."""
        return joint_of(self.design.bows.joint, self.design.bows.joint_m)

    @found
    def split(self) -> Split:
        """The sticks of a bow. Raises: DesignError when there would be more than can be joined."""
        stick_m, overlap_m, rules = self.design.bows.stick_m, self.joint.overlap_m, self.rules
        count = sticks_needed(self.tube_m, stick_m, overlap_m)
        if count > MOST_STICKS:
            least_m = (self.tube_m + (MOST_STICKS - 1) * overlap_m) / MOST_STICKS
            nearest = length_text(least_m, self.tape, "up")
            sentence = (
                f"That makes {count} sticks a bow, and more than {MOST_STICKS} can't be joined well. The least is"
            )
            raise DesignError(
                [Trouble(path="bows.stick_m", sentence=f"{sentence} {nearest}.", nearest_m=least_m, nearest=nearest)]
            )
        corners = [self.along_tube(kink.s_m) for kink in self.corners]
        if self.joint.kind == "crown_plate" and not corners:
            corners = [self.tube_m / 2]
        return split_runs(self.tube_m, corners, stick_m, overlap_m, rules.piece_least_m, rules.joint_off_crown_share)

    @property
    def tape(self) -> Tape:
        return self.design.tape

    @property
    def rules(self) -> Rules:
        return self.catalogue.rules

    @property
    def embedment_m(self) -> float:
        return self.design.posts.length_m - self.design.posts.reveal_m

    @found
    def tubes(self) -> tuple[Tube, ...]:
        """Every tube there is: the catalogue's, and the grower's own."""
        return (*self.catalogue.tubes.values(), *own_tubes(self.design, self.catalogue))

    @property
    def least_embedment_m(self) -> float:
        """What the post with the least of it in the ground has there, m, as far as levels were read."""
        return self.stand.weakest.embedment_m if self.stand else self.embedment_m

    @property
    def uneven(self) -> bool:
        """Whether some posts stand further out of the ground than others, as the tape tells it."""
        return self.embedment_m - self.least_embedment_m >= self.tape.step_m / 2

    @property
    def figure_from_left_m(self) -> float:
        return min(self.design.size.figure.from_left_m, self.design.size.span_m)

    @property
    def leg_kink(self) -> Kink | None:
        """The left corner where leg and arc meet above the post top, or None; an elbow there is none."""
        if self.design.size.shape.kind == "kneed" or self.design.bows.making == "elbows":
            return None
        reveal_m, middle_m = self.design.posts.reveal_m, self.bow.girth_m / 2
        return next((kink for kink in self.bow.kinks if reveal_m + 1e-7 < kink.s_m < middle_m), None)

    @found
    def clear_from_m(self) -> float | None:
        """Where the grower can first stand upright, from the left posts' line, m; None if nowhere."""
        size = self.design.size
        return clear_from(self.inner, size.span_m, size.figure.height_m, self.rules.figure_width_m)

    @found
    def figure_headroom_m(self) -> float:
        """Height to the inner face of the bow over the grower's width, where the grower stands, m."""
        x = self.figure_from_left_m - self.design.size.span_m / 2
        return headroom_over(self.inner, x, self.rules.figure_width_m)

    @found
    def strung(self) -> tuple[float, float]:
        """Length and width of the rectangle that the strings make, m."""
        return strung_size(self.design, self.catalogue)

    @found
    def tapes(self) -> Tapes:
        return tapes_of(self.design)

    def reads(self, value_m: float, rounding: Rounding = "nearest") -> str:
        """What the long tape shows over a distance: more, where it is held at a mark of its own."""
        return self.say(value_m + self.tapes.start_m, rounding)

    @found
    def other_size(self) -> float | None:
        """Share by which a base that is square is larger (or smaller) than planned; None where it isn't so."""
        check = self.check
        return other_size(self.taped_level, check, *self.strung) if isinstance(check, CheckIn) else None

    @found
    def square_usable_m(self) -> float:
        """How far a base may be out of square and be of use, m."""
        return self.rules.square_usable_share * diagonal(*self.strung)

    @found
    def square_enough(self) -> bool:
        """Whether no peg is to be moved: the readings can be trusted, and what they tell is good work."""
        check = self.check
        if not isinstance(check, CheckIn) or check.closes is False or self.other_size is not None:
            return False
        off_m = max(check.differ_m, check.largest.size_m)
        return off_m <= self.rules.square_good_share * self.square_usable_m

    @found
    def methods(self) -> list[Method]:
        """Ways to square the base, best first."""
        return ways_to_square(self.design, self.catalogue)

    @found
    def how(self) -> list[HowStep]:
        """How the base is squared, step by step."""
        set_out = self.design.set_out
        return how_to_square(self.method, *self.strung, set_out.base, self.tape, self.tapes, set_out.fence_m)

    @found
    def stand(self) -> Stand | None:
        """The posts on the ground as levelled, or None while too few pegs have been read."""
        return stand_on(self.design, self.record.levels, self.pegs, self.strung[1])

    @found
    def odd_readings(self) -> tuple[list[Suspect], Suspect | None]:
        """Rod readings that don't fit those around them, worst first; and a rod that slipped part of the way."""
        stand, levels, error_m = self.stand, self.record.levels, self.design.level.reading_error_m
        if stand is None:
            return [], None
        read = tuple((name, *stand.places[name], levels.pegs[name]) for name in levels.pegs if name in stand.places)
        found, slipped = suspects(read, error_m)
        if slipped is not None:
            return [], slipped
        spots = tuple((spot.x_m, spot.y_m, spot.reading_m) for spot in levels.spots.values())
        wrong = {each.name for each in found}
        pegs = tuple((along, across, reading) for name, along, across, reading in read if name not in wrong)
        return sorted([*found, *odd_spots(spots, pegs, error_m)], key=lambda each: -abs(each.off_m)), None

    def where(self, name: str) -> str:
        """A peg or a spot in words: ``peg 3 left``, ``the spot 4.5 m along, 2 m across``."""
        if not name.startswith("spot:"):
            return peg_words(name)
        return f"the spot {spot_place(tuple(self.record.levels.spots.values())[int(name[5:]) - 1], self.tape)}"

    @found
    def taped_level(self) -> dict[Line, float]:
        """What was taped in this round, held level, m."""
        return self._levelled(self.record.taped, self.tapes.start_m)

    def _levelled(self, taped: Taping, starts_m: float) -> dict[Line, float]:
        """What was taped, held level: readings along the ground are brought to level by the pegs' heights.

        A reading r over a fall h is √(r² − h²) long, once the mark that the tape was held at is off it.
        """
        found: dict[Line, float] = {}
        for line in LINES:
            reading = taped.reading_m(line)
            if reading is not None:
                fall_m = self.corner_fall(line) if taped.held == "ground" else 0.0
                slope_m = max(reading - starts_m, 0.0)
                found[line] = math.sqrt(max(slope_m**2 - (fall_m or 0.0) ** 2, 0.0))
        return found

    def corner_fall(self, line: Line) -> float | None:
        """How far the ground falls from one end of a line to the other, m; None where it wasn't levelled."""
        names = {"A": "L1", "B": f"L{self.bays.bows}", "C": f"R{self.bays.bows}", "D": "R1"}
        ends = [self.record.levels.pegs.get(names[letter.upper()]) for letter in line]
        return None if ends[0] is None or ends[1] is None else ends[1] - ends[0]

    @found
    def check(self) -> CheckIn | TapeMisfit | None:
        """The base as taped; a misfit when it can't be, None before two lines were taped."""
        return self._checked(self.taped_level) if self.record.taped.count >= 2 else None

    @found
    def earlier_checks(self) -> list[CheckIn]:
        """The shapes of the earlier rounds of taping, for as far as they make one."""
        told = (self._levelled(each, each.starts_m) for each in self.record.earlier)
        found = (self._checked(each) for each in told if len(each) >= 2)
        return [each for each in found if isinstance(each, CheckIn)]

    def _checked(self, taped: Mapping[Line, float]) -> CheckIn | TapeMisfit:
        try:
            return check_in(taped, *self.strung, self.tapes.error_m, self.rules.peg_m, self.tapes.readings)
        except TapeMisfit as misfit:
            return misfit

    @property
    def method(self) -> Method:
        """The chosen way, or the best one where it isn't open to this base."""
        chosen = (each for each in self.methods if each.id == self.design.set_out.method)
        return next(chosen, self.methods[0])

    @found
    def bends(self) -> tuple[Bend, ...]:
        """The bent stretches of the bow, from the left."""
        starts = zip(self.bow.starts_m, self.bow.segments, strict=False)
        return tuple(Bend(start, segment) for start, segment in starts if isinstance(segment, Arc))

    @found
    def bend_kinds(self) -> tuple[Arc, ...]:
        """One arc for each radius that is bent, from the left foot up to the crown."""
        found: list[Arc] = []
        for bend in self.bends:
            if all(abs(bend.arc.radius_m - each.radius_m) > 1e-9 for each in found):
                found.append(bend.arc)
        return tuple(found)

    def _to_centre(self, radius_m: float | None, taken_to: str = "") -> float | None:
        """Radius of a former to the tube's centre on it, m."""
        to_face = (taken_to or self.design.bending.former_to) == "face"
        return None if radius_m is None else radius_m + (self.bow_tube.od_m / 2 if to_face else 0.0)

    def forced(self, offset_m: float, lean_rad: float) -> tuple[float, float, float] | None:
        """How far a bow is worked into its post by hand: beyond the socket's play sideways, m, and in lean, rad.

        The third number is the share of what hands do of the two; above 1 it can't be. None where the bow goes
        in by itself, or with a pull that nobody speaks of. What this locks in wants the frame's analysis.
        """
        assert self.play is not None
        offset_beyond_m, lean_beyond_rad = self.play.beyond(offset_m, lean_rad)
        rules = self.rules
        if offset_beyond_m <= rules.hand_pulls_m and lean_beyond_rad <= rules.hand_leans_rad:
            return None
        share = max(offset_beyond_m / rules.hand_forces_m, lean_beyond_rad / rules.hand_forces_rad)
        return offset_beyond_m, lean_beyond_rad, share

    @property
    def former_m(self) -> float | None:
        """Radius of the former to the tube's centre on it, m, or None when it is made to suit."""
        return self._to_centre(self.design.bending.former_m)

    @found
    def formers_m(self) -> tuple[float | None, ...]:
        """The former of each bend kind, from the left foot up, to the tube's centre, m; None where it is made to suit.

        A bow of one radius has one; one of two has one for the shoulder and one for the crown.
        """
        both = (self.former_m, self._to_centre(self.design.bending.crown_former_m))
        return both[: len(self.bend_kinds)]

    @found
    def tried_tube(self) -> bool:
        """Whether what was tried was a bend of this tube, as far as it is known."""
        return self.record.trial.tube in ("", tube_tried(self.design))

    @found
    def trial(self) -> Trial | None:
        """The bend that was tried on its own former; None before both its numbers were taped, or of another tube.

        A trial from before the former was kept with it counts for the one that is chosen.
        """
        taped = self.record.trial
        if taped.chord_m is None or taped.height_m is None or not self.tried_tube:
            return None
        radius_m = trial_radius(taped.chord_m, taped.height_m, self.bow_tube.od_m, taped.face)
        own = self._to_centre(taped.former_m, taped.former_to) if taped.tube else self.former_m
        former_m = own if own is not None and own < radius_m else None
        return None if radius_m <= 0 else Trial(radius_m, radius_m if former_m is None else former_m)

    @found
    def came_out_m(self) -> float | None:
        """Radius that the first former leaves; None when it is made to suit, infinite when the tube takes no set."""
        return self._leaves(self.former_m)

    @found
    def came_out_of_each_m(self) -> tuple[float | None, ...]:
        """Radius that each bend kind's former leaves, m; None where the former is made to suit."""
        return tuple(self._leaves(former_m) for former_m in self.formers_m)

    def _leaves(self, former_m: float | None) -> float | None:
        """Radius that a former leaves: as tried, else by springback."""
        if former_m is None:
            return None
        if self.trial is not None:
            return free_radius_as_tried(self.bow_tube, self.trial, former_m)
        return free_radius(self.bow_tube, former_m)

    def tails(self, piece: Piece) -> tuple[float, float]:
        """What stays straight at both ends of a stick, m: what the former can't grip, and what a joint takes in.

        One tube slides into another only where both are straight; a lap that is bolted is bent like the rest.
        """
        tail_m, first, last = self.design.bending.tail_m, self.split.pieces[0], self.split.pieces[-1]
        joint_m = 0.0 if self.joint.kind == "bolted" else self.joint.cover_m
        before = piece is not first and not piece.corner_before
        after = piece is not last and not piece.corner_after
        return max(tail_m, joint_m) if before else tail_m, max(tail_m, joint_m) if after else tail_m

    @found
    def straight_m(self) -> list[tuple[float, float]]:
        """Stretches of girth at the ends of the sticks that stay straight, m, in order."""
        found = list[tuple[float, float]]()
        for piece in self.split.pieces:
            before_m, after_m = self.tails(piece)
            for low, high in ((piece.from_m, piece.from_m + before_m), (piece.to_m - after_m, piece.to_m)):
                low, high = self.girth_at(low), self.girth_at(high)
                if found and low <= found[-1][1]:
                    found[-1] = (found[-1][0], max(high, found[-1][1]))
                else:
                    found.append((low, high))
        return found

    @found
    def lying(self) -> Chain:
        """The bow by itself, as it lies on the floor: from one end of its tube to the other, both ends at height 0.

        What stands in the post belongs to it; what of the line is post only does not.
        """
        low, high = self.girth_at(0.0), self.girth_at(self.tube_m)
        own = self.bow.part(max(low, 0.0), min(high, self.bow.girth_m))
        if low < 0:
            # The ends reach below the line's own foot, on as it starts and stops.
            own = Chain((_on(own, 0.0, low), *own.segments, _on(own, own.girth_m, -low)))
        return as_bent(own, []).bow

    @property
    def lying_span_m(self) -> float:
        """Width of the bow by itself, centre to centre of its ends, m."""
        return self.lying.point(self.lying.girth_m)[0] - self.lying.point(0.0)[0]

    @found
    def lying_height_m(self) -> float:
        """Height of the crown's centre over the line of the bow's own ends, m."""
        return self.lying.point(self.lying.girth_m / 2)[1]

    @property
    def lying_straight_m(self) -> list[tuple[float, float]]:
        """Stretches of the lying bow that the former can't bend, m from its left end."""
        start_m = self.girth_at(0.0)
        return [(low - start_m, high - start_m) for low, high in self.straight_m] if self.formed else []

    @property
    def formed(self) -> bool:
        """Whether the bows are bent cold on a former; plastic pipe is not."""
        return self.design.bows.making == "former" and self.bow_tube.material == "steel"

    @found
    def made(self) -> AsBent:
        """The bow as it comes out: tails straight, bends of the radius that the former leaves.

        A former made to suit bends tighter than the plan, to make up for the tails.
        """
        if not self.formed:
            return as_bent(self.bow, [])
        left = dict(zip((arc.radius_m for arc in self.bend_kinds), self.came_out_of_each_m, strict=True))

        def kept(arc: Arc) -> float:
            radius_m, out_m = next(each for each in left.items() if abs(each[0] - arc.radius_m) <= 1e-9)
            return 1 / self.make_up if out_m is None else radius_m / out_m

        return as_bent(self.bow, self.straight_m, kept)

    @found
    def make_up(self) -> float:
        """Share of the planned radius to bend to, so that the bow turns as far as planned in spite of its tails."""
        total = sum(bend.arc.turn_rad for bend in self.bends)
        lost = 0.0
        for bend in self.bends:
            for low, high in self.straight_m:
                lost += max(min(high, bend.end_m) - max(low, bend.start_m), 0.0) / bend.arc.radius_m
        return max((total - lost) / total, 0.05) if total else 1.0

    @property
    def floor_m(self) -> float:
        """Width of the floor between the posts, m."""
        return self.design.size.span_m - self.post_tube.od_m

    @found
    def layout(self) -> Layout:
        """Beds and paths across the floor."""
        inside = self.design.inside
        return lay_out(self.floor_m, inside.bed_m, inside.path_m, inside.along_walls)

    @found
    def sticks(self) -> int:
        """Sticks for all bows."""
        return sticks_for_house(self.split, self.bays.bows, self.joint.kind, self.rules.kerf_m)

    @found
    def uncut_height_m(self) -> float | None:
        """Height of the crown if the sticks of a bow were used whole, m; None where no height takes them up."""
        overlaps = len(self.split.joints_m) * self.split.joint_m
        tube_m = len(self.split.pieces) * self.split.stick_m - overlaps
        size, reveal_m = self.design.size, self.design.posts.reveal_m
        girth_m = tube_m + 2 * reveal_m - 2 * self.design.bows.insertion_m
        height_m = height_for_girth(size.shape, size.span_m, girth_m)
        if height_m is None:
            return None
        # Half a circle takes them up in its legs. A leg that ends inside its post is none that could be bent.
        leg_m = height_m - size.span_m / 2 if size.shape.kind == "round_on_legs" else size.leg_m
        return height_m if leg_m >= reveal_m - 1e-9 else None

    @property
    def left_over_m(self) -> float:
        """Left over from all sticks of the house, m."""
        return self.sticks * self.split.stick_m - self.bays.bows * self.split.cut_m

    @found
    def corners(self) -> list[Kink]:
        """Corners that no bent tube makes: a ridge, elbows; from the left foot."""
        return _corners(self.design, self.bow, self.entry)

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
        # The tape is asked for each time, as what is said hangs on it.
        tape, key = self.tape, (value_m, rounding)
        if key not in self._said:
            self._said[key] = length_text(value_m, tape, rounding)
        return self._said[key]

    def tube(self, value_m: float, rounding: Rounding = "nearest") -> str:
        """A tube's diameter or wall as the trade says it."""
        return tube_text(value_m, self.tape.units, rounding)

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
        says: str = "",
        from_m: float = 0.0,
    ) -> StripMark:
        """A mark of a strip, its reading printed from its exact place and what the tape reads at its start."""
        return StripMark(
            id=f"{strip}/{part}",
            part=part,
            at_m=at_m,
            reading=self.say(at_m + from_m),
            what=what,
            kind=kind,
            state=state,
            tick=tick,
            note=note,
            says=says,
        )


# A tube that the grower measured; where nobody knows its steel it is taken for plain mild steel.
MILD_STEEL = "rail-1-3-8"


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


def find_tube(design: HouseDesign, catalogue: Catalogue, name: str) -> Tube | None:
    """A tube of the catalogue, or one of the grower's own; None when there is none of that name."""
    return catalogue.tubes.get(name) or next((tube for tube in own_tubes(design, catalogue) if tube.id == name), None)


def _tube(design: HouseDesign, catalogue: Catalogue, name: str, path: str) -> Tube:
    tube = find_tube(design, catalogue, name)
    if tube is None:
        raise DesignError([Trouble(path=path, sentence=f"There is no tube “{name}” in the catalogue.")])
    return tube


def _corners(design: HouseDesign, bow: Chain, entry: Entry) -> list[Kink]:
    """A ridge and the elbows of straight pieces, above the post tops. Bent tube has none of its own."""
    kind = design.size.shape.kind
    if kind not in ANGULAR:
        return []
    top_m, middle_m = entry.post_top_s_m, bow.girth_m / 2
    above = [kink for kink in bow.kinks if top_m + 1e-7 < kink.s_m < bow.girth_m - top_m - 1e-7]
    return above if kind == "kneed" else [kink for kink in above if abs(kink.s_m - middle_m) < 1e-7]


def _centre_line(design: HouseDesign) -> Chain:
    """The bow's centre line. Raises: DesignError with the nearest value where the shape can't be."""
    try:
        return design.size.shape.chain(design.size.span_m)
    except ProfileError as error:
        path, reason = f"size.shape.{error.measure}", error.sentence
        nearest = None if error.nearest_m is None else length_text(error.nearest_m, design.tape)
        limit = limit_of(path)
        sentence = f"{reason} {limit.label} {nearest} would do." if nearest and limit else reason
        trouble = Trouble(path=path, sentence=sentence, reason=reason, nearest_m=error.nearest_m, nearest=nearest)
        raise DesignError([trouble]) from None


def strung_size(design: HouseDesign, catalogue: Catalogue) -> tuple[float, float]:
    """Length and width of the rectangle that the strings make, m: between centres, or one tube more."""
    name = {"posts": design.posts.tube, "bows": design.bows.tube}.get(design.set_out.to)
    tube = find_tube(design, catalogue, name) if name else None
    more_m = tube.od_m if tube else 0.0
    return design.size.length_m + more_m, design.size.span_m + more_m


def tapes_of(design: HouseDesign) -> Tapes:
    """The tapes of a house, as far as they reach from the mark that they are held at."""
    set_out = design.set_out
    second_m = None if set_out.second_tape_m is None else max(set_out.second_tape_m - set_out.starts_m, 0.0)
    return Tapes(
        longest_m=set_out.tape_m - set_out.starts_m,
        second_m=second_m,
        error_m=set_out.reading_error_m,
        start_m=set_out.starts_m,
    )


def ways_to_square(design: HouseDesign, catalogue: Catalogue) -> list[Method]:
    """Every way to square the base of a house, best first."""
    set_out = design.set_out
    unit_m = FOOT_M if design.tape.units == "feet" else 1.0
    return methods(*strung_size(design, catalogue), tapes_of(design), set_out.base, unit_m, set_out.fence_m)


def tube_tried(design: HouseDesign) -> str:
    """The bows' tube as a trial bend keeps it: by name, a tube of one's own by what it is."""
    tube = design.bows.tube
    number = int(tube.removeprefix("own:")) if tube.startswith("own:") else 0
    if not 0 < number <= len(design.own_tubes):
        return tube
    own = design.own_tubes[number - 1]
    return f"{tube} {own.od_m:.5f} {own.wall_m:.5f} {own.yield_pa or 0:.0f}"


def _on(line: Chain, s_m: float, along_m: float) -> Stretch:
    """A straight stretch on from an end of a line, ``along_m`` long: back from its start if below zero."""
    (x, y), heading = line.point(s_m), line.heading(s_m)
    end = (x + along_m * math.cos(heading), y + along_m * math.sin(heading))
    return Stretch(*end, x, y) if along_m < 0 else Stretch(x, y, *end)


def begin(design: HouseDesign, record: SiteRecord, catalogue: Catalogue, before: Work | None = None) -> Work:
    """Lay the house on the bench, beside what was found of it (or of another) before.

    Raises: DesignError when posts, bow and sticks can't make a house at all.
    """
    work = before.changed(design, record) if before else Work(design, record, catalogue)
    # What a house can't be without, in the order in which it is told.
    _ = work.bow_tube, work.post_tube, work.bow, work.entry, work.split, work.inner
    return work
