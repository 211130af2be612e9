"""The bows' tube, and how far a joint takes in."""

from collections.abc import Sequence

from obtegum.core.catalogue import Catalogue
from obtegum.core.fields import special
from obtegum.core.job import Job
from obtegum.core.rooms import HouseDesign
from obtegum.core.rooms.bows.tube_field import tube_choice
from obtegum.core.rooms.bows.tubes import tube_measures

__all__ = ["FIELDS", "own_tube_fields"]


def _joint_hint(job: Job, catalogue: Catalogue) -> str:
    return "over both ends" if job.design.bows.joint in ("coupler", "sleeve") else "one end into the next"


def own_tube_fields(design: HouseDesign) -> Sequence[str]:
    """What can be told of each of the grower's own tubes."""
    return [name for number in range(1, len(design.own_tubes) + 1) for name in tube_measures(f"own:{number}")]


FIELDS = (tube_choice("bows.tube"), special("bows.joint_m", hint=_joint_hint))
