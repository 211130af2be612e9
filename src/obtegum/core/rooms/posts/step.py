"""Posts: how many, how long, how deep, and whether the bow enters them."""

import math

from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.strip import Band, Strip, StripMark
from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.face.answers import angle_answer, count_answer, length_answer
from obtegum.core.face.goods import by_piece
from obtegum.core.face.rounding import rounded
from obtegum.core.face.stock import sticks_for
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import pegs_of, reads
from obtegum.core.findings.skeleton.levels import stand_of
from obtegum.core.findings.skeleton.posts import (
    Bare,
    bare_stub,
    board_of,
    boards_of,
    cut_from,
    embedment_m,
    entry_of,
    fewer_sticks,
    hands_force,
    leans_loose,
    least_embedment_m,
    play_of,
    post_count,
    rocks_to,
    slop,
    uneven,
)
from obtegum.core.findings.skeleton.settings import set_of, setting_of
from obtegum.core.findings.skeleton.stands import boarded, foot_name, foot_of, stub_below, way_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube, tube_measures
from obtegum.core.findings.work import Work
from obtegum.core.formulas.ground.posts import Play
from obtegum.core.formulas.setout.base import SIDES, Peg
from obtegum.core.rooms.level.answers import least_in_ground
from obtegum.core.rooms.posts import words
from obtegum.core.rooms.posts.goods import goods
from obtegum.core.rooms.posts.parts import parts
from obtegum.core.rooms.set_out.pegs import Progress, faced, hooked, line_strip, progress, ticked, walked
from obtegum.core.values.quantity import angle_text, percent_text

__all__ = ["plan", "stands", "strips", "verdicts"]

BARE_LEAST = 0.5


def verdicts(work: Work) -> list[Verdict]:
    """Does the bow go into its post: bore, offset and angle; does what it stands over bear it; what a cut costs."""
    bare = bare_stub(work)
    return [*_entry(work), *([] if bare is None or bare.share >= 1 else [_bare(work, bare)]), *_saw(work)]


def _saw(work: Work) -> list[Verdict]:
    """Posts that come from a stick but for the saw's cut: a hair shorter, one more does."""
    posts = work.design.posts
    fewer = None if posts.stock_m is None else fewer_sticks(work, posts.stock_m)
    if posts.stock_m is None or fewer is None:
        return []
    each, sticks = cut_from(work, posts.stock_m)
    shorter, stick = work.say(posts.length_m - fewer.length_m, "up"), work.say(posts.stock_m)
    number, limit = f"{sticks} sticks", f"{fewer.sticks} sticks"
    sentence = words.saw_cut(each, stick, shorter, fewer.each, fewer.sticks, sticks)
    return [verdict_on("posts", "saw", "Saw’s cut", "tight", sentence, number, limit, None, "post", "comfort")]


def _bare(work: Work, bare: Bare) -> Verdict:
    """A stub that stands alone between the ground and the bow's end, weaker than the bow."""
    one, share = way_of(work).one, percent_text(bare.share)
    sentence = words.stands_bare(work.say(bare.long_m, "up"), one, share)
    ratio = min(1 / bare.share, NEVER)
    # Weather finds it out; until that is told, half of the bow's strength is the least that is let pass.
    level: Level = "tight" if bare.share >= BARE_LEAST else "fails"
    title = f"Bare {one}"
    told = ratio if level == "fails" else None
    return verdict_on("posts", "bare-stub", title, level, sentence, share, "100 %", told, "post:L", "stands")


def _slack(work: Work, play: Play, ratio: float) -> Verdict:
    """A bow that rocks in its socket, or on its stub."""
    one, limit = way_of(work).one, rocks_to(work)
    gap, lean = work.tube(play.gap_m, "up"), angle_text(play.lean_rad, "up")
    sentence = words.rocks(one, gap, lean, work.design.posts.stand == "stub")
    return _entry_verdict(work, judge(ratio, work.rules.holds_to), sentence, lean, angle_text(limit, "down"), ratio)


def _entry(work: Work) -> list[Verdict]:
    """Does the bow go into its post, and stay in line there."""
    entry, play, way = entry_of(work), play_of(work), way_of(work)
    if play is None:
        return [_too_thick(work)]
    if not way.socketed:
        return _unsocketed(work)
    if work.design.posts.stand == "stub" and leans_loose(work):
        return [_leaning_stub(work)]
    lean, off = angle_text(entry.lean_rad, "up"), work.say(abs(entry.offset_m), "up")
    number, limit = f"{lean}, {off}", f"{angle_text(play.lean_rad, 'down')}, {work.say(play.offset_m, 'down')}"
    holds_to, forced = work.rules.holds_to, hands_force(work, entry.offset_m, entry.lean_rad)
    if (slack := slop(work)) > (holds_to if forced is None else max(forced[2], 1.0)):
        return [_slack(work, play, slack)]
    if forced is None:
        # All of the play is the socket's own to give, and a little more that nobody speaks of.
        ratio = holds_to * min(max(entry.lean_rad / play.lean_rad, abs(entry.offset_m) / play.offset_m), 1.0)
        if entry.lean_rad < 1e-6 and abs(entry.offset_m) < 1e-6:
            deep = work.say(work.design.bows.insertion_m)
            over = work.design.posts.stand == "stub"
            sentence = words.goes_in(over, way.one, deep)
        else:
            sentence = words.taken_up(way.top, lean, off, ratio < holds_to)
        return [_entry_verdict(work, "holds", sentence, number, limit, ratio)]
    off_beyond_m, lean_beyond, share = forced
    ratio = share if share > 1 else holds_to + (1 - holds_to) * share
    beyond = angle_text(lean_beyond, "up"), work.say(off_beyond_m, "up")
    sentence = words.forced_in(way.top, lean, off, *beyond, share <= 1)
    return [_entry_verdict(work, judge(ratio, holds_to), sentence, number, limit, ratio)]


def _too_thick(work: Work) -> Verdict:
    """One tube that doesn't go into the other."""
    if work.design.posts.stand == "stub":
        od, bore = work.tube(post_tube(work).over_m, "up"), work.tube(bow_tube(work).bore_m, "down")
        sentence = words.stub_too_thick(od, bore)
    else:
        od, bore = work.tube(bow_tube(work).od_m, "up"), work.tube(post_tube(work).bore_m, "down")
        sentence = words.bow_too_thick(od, way_of(work).one, bore)
    return _entry_verdict(work, "fails", sentence, od, bore, NEVER)


def _unsocketed(work: Work) -> list[Verdict]:
    """A bow on a board leaves it at its lean; one that laps a stub of its own curve leans as that does."""
    lean_rad = entry_of(work).lean_rad
    lean = angle_text(lean_rad, "up")
    if work.design.posts.stand == "curve":
        at_ground = angle_text(stub_below(work)[2], "up")
        sentence = words.laps_stub(at_ground)
        return [_entry_verdict(work, "holds", sentence, at_ground, "as the bow", 0.0)]
    gap_m, most_m = work.design.bows.insertion_m * math.tan(lean_rad), work.rules.strap_gap_m
    gap, limit = work.say(gap_m, "up"), work.say(most_m, "down")
    if gap_m <= most_m:
        return [_entry_verdict(work, "holds", words.flat_on_board(gap), gap, limit, 0.0)]
    sentence = words.off_board(lean, gap)
    return [_entry_verdict(work, "tight", sentence, gap, limit, None)]


def _leaning_stub(work: Work) -> Verdict:
    """Pipe that is loose on its stub leans, and the stub with it."""
    lean = angle_text(entry_of(work).lean_rad, "up")
    sentence = words.stub_leans(lean)
    return _entry_verdict(work, "holds", sentence, lean, "as the pipe", 0.0)


def _entry_verdict(work: Work, level: Level, sentence: str, number: str, limit: str, ratio: float | None) -> Verdict:
    over = work.design.posts.stand == "stub"
    return Verdict(
        id="entry",
        step="posts",
        level=level,
        title=f"Bow {'over' if over else 'into'} its {way_of(work).one}",
        sentence=sentence,
        number=number,
        limit=limit,
        ratio=ratio,
        part="socket:L",
    )


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    far = progress(work, "post")
    return Standing(
        id="posts",
        title="Footing",
        group="Frame",
        state=ticked(found, far),
        done=far.done,
        of=far.of,
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    posts, far = work.design.posts, progress(work, "post")
    way, count = way_of(work), post_count(work)
    answers = (
        count_answer("posts", way.many.capitalize(), count, "two to a bow" if posts.stand != "board" else "see below"),
        length_answer(work, "post_length", "Length of each", posts.length_m),
        *_embedments(work),
        length_answer(work, "posts_tube", f"{way.one.capitalize()} in all", count * posts.length_m),
        *_more_answers(work),
    )
    return StepPlan(
        **stands(work, found),
        next=_next(work, far),
        next_part=far.next_part,
        caution=way.caution,
        measures=(
            "posts.stand",
            "posts.tube",
            *tube_measures("posts.tube", work.design.posts.tube),
            "posts.length_m",
            "posts.reveal_m",
            "bows.tube",
            "bows.insertion_m",
            *(("posts.stop", "posts.bolt_m") if way.socketed else ("posts.bolt_m",)),
            "posts.stock_m",
            *(() if posts.stand == "board" else ("posts.base",)),
            *(("posts.board", "posts.board_m") if boarded(work) else ()),
        ),
        aside=("posts.tube_od", "posts.stop", "posts.bolt_m", "posts.stock_m", "posts.base"),
        answers=answers,
        leads=("posts", "post_length", "embedment", "may_stray", "boards", "stakes"),
        views=("post", "along", "above"),
        strips=("post", *(("base-board",) if boarded(work) else ()), "post:L", "post:R"),
        grips=("posts.reveal_m", "posts.length_m", "bows.insertion_m"),
        walk=walked(work, "post"),
        focus=("post", "bow:end", "socket", "reveal", "embedment", "ground", "line", "corner"),
    )


def _more_answers(work: Work) -> list[Answer]:
    """Sticks that they are cut from, how far out of place one may stand, boards, stakes and straps."""
    posts, found = work.design.posts, list[Answer]()
    if posts.stock_m is not None:
        each, sticks = cut_from(work, posts.stock_m)
        left = work.say(posts.stock_m - each * posts.length_m - (each - 1) * work.rules.kerf_m, "down")
        found.append(count_answer("post_sticks", "Sticks to buy for them", sticks, f"{each} from one, {left} left"))
    play = play_of(work)
    if posts.stand == "slab" and play is not None:
        found.append(
            Answer(
                id="may_stray",
                label="May stand off its place",
                reading=work.tube(play.offset_m, rounded("may_stray")),
                value=play.offset_m,
                unit="m",
                note="before the bow won’t go in; a board with holes holds them all",
            )
        )
    if posts.stand == "curve":
        out_m, _, lean_rad = stub_below(work)
        found.append(angle_answer("stub_lean", "Leans at the ground", lean_rad))
        found.append(length_answer(work, "stub_out", "Its foot comes out", abs(out_m), "below the ground"))
    if boarded(work):
        laid, kerf_m = [each for each in parts(work) if each.of == "board"], work.rules.kerf_m
        splices = 2 * len(boards_of(work).splices_m)
        found.append(count_answer("boards", "Boards", sticks_for(laid, kerf_m), f"{board_of(work).name}, both sides"))
        found.append(count_answer("splices", "Splices", splices))
    if posts.stand == "board":
        found += [count_answer("straps", "Straps", by_piece(good), "two to a foot") for good in goods(work)[:1]]
        found.append(count_answer("stakes", "Of the stakes", post_count(work), f"4 at corners, {splices} at splices"))
    return found


def _embedments(work: Work) -> list[Answer]:
    """What is in the ground of every post, or of the ones with the most and the least of it."""
    stand = stand_of(work)
    if stand is None or not uneven(work):
        return [length_answer(work, "embedment", "In the ground", embedment_m(work))]
    unread = f", {len(stand.missing)} pegs not read" if stand.missing else ""
    where = f"at {foot_name(work, stand.weakest.name)}{unread}"
    return [
        least_in_ground(work, where),
        length_answer(work, "embedment", "In the ground, most", embedment_m(work), "where the ground is highest"),
    ]


def _next(work: Work, far: Progress) -> str:
    peg, many = far.moved or far.next, foot_of(work)[1]
    return f"All {far.of} {many} are in." if peg is None else _says(work, peg, peg is far.moved)


def _says(work: Work, peg: Peg, moved: bool) -> str:
    """How far to drive a post, or where it has to go now."""
    one, where = foot_of(work)[0], f"{peg.bow}, {SIDES[peg.side]} side"
    if moved:
        return f"{one.capitalize()} {where}, has moved: it now belongs at {reads(work, peg.station_m)}."
    stand = stand_of(work)
    foot = stand.feet.get(f"{peg.side}{peg.bow}") if stand else None
    do = f"Next: {one} {where}. {_do(work, peg)}"
    if foot is None:
        return f"{do} {work.say(work.design.posts.reveal_m)} stands out."
    return f"{do} the rod on its top reads {work.say(foot.top_reading_m)}: {work.say(foot.reveal_m)} stands out."


def _do(work: Work, peg: Peg) -> str:
    """What is done with a foot until, or so that, so much of it stands out."""
    stand = work.design.posts.stand
    if stand == "board":
        return "Bring the board up until"
    if stand in ("slab", "curve"):
        return f"{way_of(work).set} so that"
    return setting_of(work, peg.side, peg.bow).do


def _ground_lines(work: Work) -> list[StripMark]:
    """Where the ground comes to on a post: on the highest ground, and on the lowest where that differs."""
    buried_m = work.design.posts.length_m - entry_of(work).post_top_s_m
    if work.design.posts.stand == "curve":
        # Along the stub, which leans.
        return [work.mark(max(buried_m, 0.0), "ground line", "ground", "ground", "post")]
    if not uneven(work):
        struck = work.design.posts.stand in ("driven", "stub", "board") and set_of(work, "row") in ("driven", "rail")
        what = "drive to here" if struck else "ground line"
        return [work.mark(embedment_m(work), what, "ground", "ground", "post")]
    marks = [work.mark(embedment_m(work), "highest ground", "ground", "ground", "post")]
    if least_embedment_m(work) > 0:
        marks.append(work.mark(least_embedment_m(work), "lowest ground", "ground", "ground:lowest", "post"))
    return marks


def strips(work: Work) -> list[Strip]:
    """One post laid straight, the boards, and both long sides post by post."""
    posts, insertion_m, way = work.design.posts, work.design.bows.insertion_m, way_of(work)
    end = "stop bolt, its upper edge" if posts.stop == "bolt" and way.socketed else way.end
    own = posts.stand != "board"
    marks = [
        work.mark(0.0, "bottom end", "cut", "post:foot", "post"),
        *_ground_lines(work),
        *([work.mark(posts.length_m - insertion_m, end, "socket", "bow:end", "post")] if own else []),
        *(
            [work.mark(posts.length_m - posts.bolt_m, "drill, bolt", "joint", "bolt", "post")]
            if posts.bolt_m is not None and own
            else []
        ),
        work.mark(posts.length_m, "top", "cut", "socket:L", "post"),
    ]
    inside = Band(from_m=posts.length_m - insertion_m, to_m=posts.length_m, what=way.inside, kind="socket")
    one = Strip(
        id="post",
        title=f"{way.one.capitalize()}, laid straight",
        about=f"tape from the end that goes down · {post_count(work)} alike",
        material="post",
        length_m=posts.length_m,
        marks=tuple(sorted(marks, key=lambda each: each.at_m)),
        bands=(
            Band(from_m=0.0, to_m=max(least_embedment_m(work), 0.0), what="in the ground", kind="buried"),
            *([inside] if own else []),
        ),
    )
    return [
        one,
        *([_board_strip(work)] if boarded(work) else []),
        *_lines(work),
    ]


@found
def _lines(work: Work) -> list[Strip]:
    """Both long sides post by post."""
    (one, many), to = foot_of(work), faced(work) or " · to centres"
    return [
        line_strip(work, "L", "post", f"Left {many}, A to B", f"tape {hooked(work, 'A')}{to}", _says, one),
        line_strip(work, "R", "post", f"Right {many}, D to C", f"tape {hooked(work, 'D')}{to}", _says, one),
    ]


def _board_strip(work: Work) -> Strip:
    """The boards of a long side end to end: a mark for every bow, where boards meet, and where stakes stand."""
    boards, half_m = boards_of(work), bow_tube(work).od_m / 2
    staked = work.design.posts.stand == "board"
    splice = "splice, stake" if staked else "splice"
    marks = [
        work.mark(0.0, "end, stake" if staked else "end", "cut", "board:start", "base-board"),
        *(
            work.mark(at_m, splice, "joint", f"splice:{n}", "base-board")
            for n, at_m in enumerate(boards.splices_m, start=1)
        ),
        *(
            work.mark(peg.station_m + half_m, f"bow {peg.bow}", "peg", f"foot:{peg.bow}", "base-board")
            for peg in pegs_of(work)
            if peg.side == "L"
        ),
        work.mark(boards.run_m, "end, stake" if staked else "end", "cut", "board:end", "base-board"),
    ]
    return Strip(
        id="base-board",
        title="Base boards, each side",
        about="tape from the outside of bow 1 · to each bow’s middle · both sides alike",
        material="board",
        length_m=boards.run_m,
        marks=tuple(sorted(marks, key=lambda each: each.at_m)),
    )
