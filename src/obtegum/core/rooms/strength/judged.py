"""Whether the bow stands up to its weather: the ordinary one, the end bow, the tied one, on its props."""

from obtegum.core.drawing.verdict import Verdict, judge
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.strength import words
from obtegum.core.rooms.strength.found import bow_found, end_found, post_use, short_found, tied_found, why_unknown
from obtegum.core.rooms.strength.habits import frame_verdict, plastic_verdict, propped_verdicts
from obtegum.core.rooms.strength.plastic import plastic_found
from obtegum.core.rooms.strength.propped import propped_found
from obtegum.core.rooms.strength.words import governing, in_ground, share_text

__all__ = ["verdicts"]


def verdicts(work: Work) -> list[Verdict]:
    """Does the bow stand up to the weather; and the end bow, where that is worse."""
    judged, plastic = bow_found(work), plastic_found(work)
    if plastic is not None:
        return [plastic_verdict(work, plastic)]
    if judged is None:
        return [frame_verdict("unknown", words.strength_unknown(why_unknown(work)), "not known", None, "bow")]
    if judged.found is None:
        return [frame_verdict("unknown", words.strength_refused(judged.refused), "not known", None, "bow")]
    propped = propped_found(work)
    if propped is not None:
        return propped_verdicts(work, propped)
    ratio, end = judged.ratio, end_found(work)
    sentence = governing(work, judged, way_of(work).one)
    looked = ((end, words.END), (short_found(work), words.LOW), (tied_found(work), words.TIED))
    others = [(each, name) for each, name in looked if each is not None]
    for other, name in others:
        if other.found is None:
            return [frame_verdict("unknown", words.other_unknown(name), "not known", None, "bow")]
        if other.ratio > ratio:
            ratio, sentence = other.ratio, governing(work, other, way_of(work).one, name)
    part, post = "bow", post_use(work)
    if post is not None and post[0] > ratio:
        ratio, part = post[0], "post"
        sentence = in_ground(work, *post, way_of(work).one)
    return [frame_verdict(judge(ratio, work.rules.holds_to), sentence, share_text(ratio), ratio, part)]
