"""What stands only with a habit: plastic pipe that is cleared of snow, bows with props under their crowns."""

from obtegum.core.drawing.step import Answer
from obtegum.core.drawing.verdict import NEVER, Verdict, judge, verdict_on
from obtegum.core.face.answers import amount_answer, count_answer, length_answer
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather.kinds import SETTLED_KG
from obtegum.core.rooms.strength import words
from obtegum.core.rooms.strength.found import post_use
from obtegum.core.rooms.strength.model import prop_board
from obtegum.core.rooms.strength.parts import parts
from obtegum.core.rooms.strength.plastic import Plastic, plastic_found
from obtegum.core.rooms.strength.propped import Propped, Ridge, propped_found
from obtegum.core.rooms.strength.words import MANY, aided, conditions, in_ground, share_text
from obtegum.core.values.amount import amount_text
from obtegum.core.values.physics import GRAVITY_MPS2

__all__ = ["frame_verdict", "plastic_answers", "plastic_verdict", "propped_answers", "propped_verdicts"]

# Weight of settled snow, N/m³.
SETTLED_N_M3 = SETTLED_KG * GRAVITY_MPS2
# Less snow than this is none, m.
FINGER_M = 0.02
# No plate under a prop is smaller, m (this bench).
LEAST_PLATE_M = 0.2
ORDINAL = {2: "second", 3: "third"}


def frame_verdict(level: object, sentence: str, number: str, ratio: float | None, part: str) -> Verdict:
    return Verdict.model_validate(
        {
            "id": "frame",
            "rank": "stands",
            "step": "strength",
            "level": level,
            "title": "Bow in weather",
            "sentence": sentence,
            "number": number,
            "limit": "100 %",
            "ratio": ratio,
            "part": part,
        }
    )


def plastic_verdict(work: Work, plastic: Plastic) -> Verdict:
    """Plastic pipe: under snow at best tight, and never without its habit."""
    units, ratio = work.tape.units, plastic.ratio
    level = judge(ratio, work.rules.holds_to)
    if level == "holds" and plastic.snow_pa > 0:
        level = "tight"
    rated = amount_text(plastic.rated_pa, "pressure", units, "down")
    lies = amount_text(plastic.snow_pa, "pressure", units, "up")
    deep_m = plastic.rated_pa / SETTLED_N_M3
    sentence = words.plastic_pipe(
        words.allowance(share_text(plastic.use), plastic.used_in, bool(plastic.left), plastic.use >= NEVER),
        words.yields(share_text(plastic.yields), plastic.yields_in, plastic.yields >= MANY),
        rated,
        lies,
        work.about(deep_m) if deep_m >= FINGER_M else "",
        conditions(work),
    )
    sentence = aided(work, sentence)
    number = share_text(min(ratio, NEVER))
    return frame_verdict(level, sentence, number, ratio, "bow")


def plastic_answers(work: Work) -> list[Answer]:
    """The three figures of plastic pipe, and what springing locks in."""
    plastic = plastic_found(work)
    if plastic is None:
        return []
    new = "on its first day" if work.design.strength.season == "new" else "after a season"
    shares = (
        ("use", "Uses of its allowance", plastic.use, plastic.used_in if plastic.left else "springing leaves none"),
        ("yields", "Of its yield", plastic.yields, plastic.yields_in),
    )
    answers = [
        Answer(id=name, label=label, reading=share_text(value), value=value, unit="share", note=note)
        for name, label, value, note in shares
    ]
    note = f"at half of its yield; {amount_text(plastic.snow_pa, 'pressure', work.tape.units, 'up')} lies there"
    answers.append(amount_answer(work, "rated", "Even snow it is rated for", plastic.rated_pa, "pressure", note))
    answers.append(amount_answer(work, "sprung", "Locked in by springing", plastic.locked_pa, "pressure", new))
    return answers


def propped_verdicts(work: Work, propped: Propped) -> list[Verdict]:
    """The bow with a prop under its crown, and the prop."""
    ratio, units = propped.judged.ratio, work.tape.units
    every = work.design.strength.prop_every
    bow = words.propped_bow(ORDINAL.get(every, ""), bool(propped.between), bool(propped.lifted))
    one, part, post = way_of(work).one, "bow", post_use(work)
    said = words.governing(work, propped.judged, one, bow)
    if post is not None and post[0] > ratio:
        # What a post is asked for is told without props: they relieve it, nobody reckoned by how much.
        ratio, said, part = post[0], in_ground(work, *post, one), "post"
    pressed = amount_text(propped.pressed_n, "force", units, "up")
    takes = amount_text(propped.takes_n, "force", units, "down")
    share = min(propped.pressed_n / propped.takes_n if propped.takes_n > 0 else NEVER, NEVER)
    takes = takes if propped.takes_n > 0 else ""
    sentence = aided(work, words.prop_pressed(pressed, prop_board(work).name, takes, _plate(work, propped)))
    level = judge(share, work.rules.holds_to)
    number = share_text(share)
    found_ = [
        frame_verdict(judge(ratio, work.rules.holds_to), said, share_text(ratio), ratio, part),
        verdict_on(
            "strength", "prop", "Prop under the crown", level, sentence, number, "100 %", share, "bow", "stands"
        ),
    ]
    return found_ if propped.ridge is None else [*found_, _ridge(work, propped.ridge)]


def _plate(work: Work, propped: Propped) -> str:
    if propped.plate_m is None:
        return ""
    return work.say(max(propped.plate_m, LEAST_PLATE_M), "up")


def _ridge(work: Work, ridge: Ridge) -> Verdict:
    """The ridge run as a beam from prop to prop."""
    title = "Ridge run between props"
    if ridge.takes_nm <= 0:
        sentence = aided(work, words.ridge_needed())
        return verdict_on("strength", "prop-ridge", title, "fails", sentence, "none", "", NEVER, "bow", "stands")
    units, share = work.tape.units, min(ridge.bent_nm / ridge.takes_nm, NEVER)
    bent, takes = (
        amount_text(ridge.bent_nm, "torque", units, "up"),
        amount_text(ridge.takes_nm, "torque", units, "down"),
    )
    sentence = aided(work, words.ridge_bent(bent, takes))
    level = judge(share, work.rules.holds_to)
    return verdict_on(
        "strength", "prop-ridge", title, level, sentence, share_text(share), "100 %", share, "bow", "stands"
    )


def propped_answers(work: Work) -> list[Answer]:
    """What presses a prop, and the plate and wedges beneath it."""
    propped = propped_found(work)
    if propped is None:
        return []
    count, units = len(parts(work)), work.tape.units
    takes = amount_text(propped.takes_n, "force", units, "down")
    found_ = [
        count_answer("props", "Props", count, "each with a plate, two wedges and a tie"),
        amount_answer(work, "prop_pressed", "Presses a prop", propped.pressed_n, "force", f"it takes {takes}"),
    ]
    if propped.plate_m is not None:
        side_m = max(propped.plate_m, LEAST_PLATE_M)
        found_.append(length_answer(work, "prop_plate", "Its plate, square", side_m, "by what the ground bears"))
    return found_
