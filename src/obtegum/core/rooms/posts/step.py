"""Posts: how many, how long, how deep, and whether the bow enters them."""

from obtegum.core.answers import count_answer, length_answer
from obtegum.core.quantity import angle_text
from obtegum.core.rooms.bows.tubes import bow_tube, post_tube, tube_measures
from obtegum.core.rooms.level.found import stand_of
from obtegum.core.rooms.posts.found import (
    embedment_m,
    entry_of,
    hands_force,
    least_embedment_m,
    least_in_ground,
    play_of,
    uneven,
)
from obtegum.core.rooms.set_out.found import pegs_of, reads
from obtegum.core.rooms.set_out.pegs import Progress, faced, hooked, line_strip, progress, ticked, walked
from obtegum.core.setout.base import SIDES, Peg, peg_words
from obtegum.core.step import Answer, StepPlan
from obtegum.core.strip import Band, Strip, StripMark
from obtegum.core.verdict import Level, Verdict, judge
from obtegum.core.work import Work

__all__ = ["plan", "strips", "verdicts"]

NEVER = 99.0


def verdicts(work: Work) -> list[Verdict]:
    """Does the bow go into its post: bore, offset and angle."""
    entry, play = entry_of(work), play_of(work)
    if play is None:
        od, bore = work.tube(bow_tube(work).od_m, "up"), work.tube(post_tube(work).bore_m, "down")
        sentence = f"A {od} bow tube does not slide into a post with a {bore} bore."
        return [_entry_verdict("fails", sentence, od, bore, NEVER)]
    lean, off = angle_text(entry.lean_rad, "up"), work.say(abs(entry.offset_m), "up")
    number, limit = f"{lean}, {off}", f"{angle_text(play.lean_rad, 'down')}, {work.say(play.offset_m, 'down')}"
    holds_to, forced = work.rules.holds_to, hands_force(work, entry.offset_m, entry.lean_rad)
    if forced is None:
        # All of the play is the socket's own to give, and a little more that nobody speaks of.
        ratio = holds_to * min(max(entry.lean_rad / play.lean_rad, abs(entry.offset_m) / play.offset_m), 1.0)
        if entry.lean_rad < 1e-6 and abs(entry.offset_m) < 1e-6:
            sentence = f"The bow goes into its post plumb and in line, {work.say(work.design.bows.insertion_m)} deep."
        else:
            takes = "the socket’s play takes up" if ratio < holds_to else "a hand takes up"
            sentence = f"At the post top the bow leans {lean} and stands {off} off centre, which {takes}."
        return [_entry_verdict("holds", sentence, number, limit, ratio)]
    off_beyond_m, lean_beyond, share = forced
    ratio = share if share > 1 else holds_to + (1 - holds_to) * share
    beyond = f"{angle_text(lean_beyond, 'up')} and {work.say(off_beyond_m, 'up')} beyond the socket’s play"
    how = "so it is forced in by hand, and that stays in it" if share <= 1 else "more than hands force in"
    sentence = f"At the post top the bow leans {lean} and stands {off} off centre: {beyond}, {how}."
    return [_entry_verdict(judge(ratio, holds_to), sentence, number, limit, ratio)]


def _entry_verdict(level: Level, sentence: str, number: str, limit: str, ratio: float) -> Verdict:
    return Verdict(
        id="entry",
        step="posts",
        level=level,
        title="Bow into post",
        sentence=sentence,
        number=number,
        limit=limit,
        ratio=ratio,
        part="socket:L",
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    posts, far = work.design.posts, progress(work, "post")
    count = len(pegs_of(work))
    answers = (
        count_answer("posts", "Posts", count, "two to a bow"),
        length_answer(work, "post_length", "Length of each", posts.length_m),
        *_embedments(work),
        length_answer(work, "posts_tube", "Post tube in all", count * posts.length_m),
    )
    return StepPlan(
        id="posts",
        title="Posts",
        group="Frame",
        state=ticked(found, far),
        next=_next(work, far),
        next_part=far.next_part,
        caution="Ears and eyes covered; nobody holds a post by hand while it is driven.",
        measures=(
            "posts.tube",
            *tube_measures("posts.tube", work.design.posts.tube),
            "posts.length_m",
            "posts.reveal_m",
            "bows.tube",
            "bows.insertion_m",
        ),
        answers=answers,
        leads=("posts", "post_length", "embedment"),
        views=("post", "along", "above"),
        strips=("post", "post:L", "post:R"),
        grips=("posts.reveal_m", "posts.length_m", "bows.insertion_m"),
        walk=walked(work, "post"),
        focus=("post", "bow:end", "socket", "reveal", "embedment", "ground", "line", "corner"),
        done=far.done,
        of=far.of,
    )


def _embedments(work: Work) -> list[Answer]:
    """What is in the ground of every post, or of the ones with the most and the least of it."""
    stand = stand_of(work)
    if stand is None or not uneven(work):
        return [length_answer(work, "embedment", "In the ground", embedment_m(work))]
    unread = f", {len(stand.missing)} pegs not read" if stand.missing else ""
    where = f"at {peg_words(stand.weakest.name).replace('peg', 'post')}{unread}"
    return [
        least_in_ground(work, where),
        length_answer(work, "embedment", "In the ground, most", embedment_m(work), "where the ground is highest"),
    ]


def _next(work: Work, far: Progress) -> str:
    peg = far.moved or far.next
    return f"All {far.of} posts are in." if peg is None else _says(work, peg, peg is far.moved)


def _says(work: Work, peg: Peg, moved: bool) -> str:
    """How far to drive a post, or where it has to go now."""
    where = f"{peg.bow}, {SIDES[peg.side]} side"
    if moved:
        return f"Post {where}, has moved: it now belongs at {reads(work, peg.station_m)}."
    stand = stand_of(work)
    foot = stand.feet.get(f"{peg.side}{peg.bow}") if stand else None
    if foot is None:
        return f"Next: post {where}. Drive it until {work.say(work.design.posts.reveal_m)} stands out."
    return (
        f"Next: post {where}. Drive it until the rod on its top reads {work.say(foot.top_reading_m)}: "
        f"{work.say(foot.reveal_m)} stands out."
    )


def _ground_lines(work: Work) -> list[StripMark]:
    """Where the ground comes to on a post: on the highest ground, and on the lowest where that differs."""
    if not uneven(work):
        return [work.mark(embedment_m(work), "ground line", "ground", "ground", "post")]
    marks = [work.mark(embedment_m(work), "highest ground", "ground", "ground", "post")]
    if least_embedment_m(work) > 0:
        marks.append(work.mark(least_embedment_m(work), "lowest ground", "ground", "ground:lowest", "post"))
    return marks


def strips(work: Work) -> list[Strip]:
    """One post laid straight, and both long sides post by post."""
    posts, insertion_m = work.design.posts, work.design.bows.insertion_m
    marks = [
        work.mark(0.0, "bottom end", "cut", "post:foot", "post"),
        *_ground_lines(work),
        work.mark(posts.length_m - insertion_m, "bow stops here", "socket", "bow:end", "post"),
        work.mark(posts.length_m, "top", "cut", "socket:L", "post"),
    ]
    one = Strip(
        id="post",
        title="Post, laid straight",
        about=f"tape from the end that goes down · {len(pegs_of(work))} alike",
        material="post",
        length_m=posts.length_m,
        marks=tuple(sorted(marks, key=lambda each: each.at_m)),
        bands=(
            Band(from_m=0.0, to_m=max(least_embedment_m(work), 0.0), what="in the ground", kind="buried"),
            Band(from_m=posts.length_m - insertion_m, to_m=posts.length_m, what="bow inside", kind="socket"),
        ),
    )
    to = faced(work) or " · to centres"
    return [
        one,
        line_strip(work, "L", "post", "Left posts, A to B", f"tape {hooked(work, 'A')}{to}", _says),
        line_strip(work, "R", "post", "Right posts, D to C", f"tape {hooked(work, 'D')}{to}", _says),
    ]
