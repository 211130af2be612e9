"""How a bow was brought together: worked into its posts, drawn in to its collar, its joints bridged by brackets."""

from collections.abc import Iterator

from obtegum.core.drawing.step import Answer
from obtegum.core.face.answers import amount_answer
from obtegum.core.findings.work import Work
from obtegum.core.rooms.strength.forced import forced_bow, met_collar
from obtegum.core.rooms.strength.joints import bracket_share, joint_share
from obtegum.core.rooms.strength.words import share_text
from obtegum.core.values.amount import amount_text

__all__ = ["brought_answers", "by_whom"]

# What one person brings in by hand, and two with a ratchet strap, N (this bench).
HAND_N, STRAP_N = 250.0, 1500.0


def by_whom(pull_n: float) -> str:
    """Who brings a foot to its post against a pull (this bench: what a hand pulls level, and two with a strap)."""
    if pull_n <= HAND_N:
        return "goes in by hand"
    return "goes in with two people and a strap" if pull_n <= STRAP_N else "wants a winch, held back as it goes in"


def brought_answers(work: Work) -> Iterator[Answer]:
    """What the bow has locked in before any weather, who brings it there, and what a bracket bears."""
    forced, met, units = forced_bow(work), met_collar(work), work.tape.units
    if forced is not None:
        pull = amount_text(forced.locked.pull_n, "force", units, "up")
        note = f"{by_whom(forced.locked.pull_n)}: {pull} at a foot, and weather starts from there"
        yield _share("forced", "Locked in, of its yield", forced.share, note)
    if met is not None:
        yield _share("met", "Drawn in to its collar, of its yield", met.share, "and weather starts from there")
        yield amount_answer(work, "met_pull", "Pull to the collar", met.pull_n, "force", by_whom(met.pull_n))
    if work.design.strength.bracket == "plates":
        share, left = bracket_share(work), joint_share(work)
        note = "more than the joint bears" if share > left else "less than the joint bears: no gain"
        reading = f"{int(share * 100 + 1e-9)} %"
        label = "A bracket bears, of the bow’s bending"
        yield Answer(id="bracket", label=label, reading=reading, value=share, unit="share", note=note)


def _share(name: str, label: str, share: float, note: str) -> Answer:
    return Answer(id=name, label=label, reading=share_text(share), value=share, unit="share", note=note)
