"""Another round of reading the frame, after it was pulled."""

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.plumb import MOST_ROUNDS, PlumbRound

__all__ = ["read_anew"]


def read_anew(job: Job) -> tuple[SiteRecord, str]:
    """A record ready for another round, in words too; the one under way joins the earlier ones."""
    record = job.record
    earlier = (*record.plumb_earlier, PlumbRound(bows=record.plumb))[-MOST_ROUNDS:]
    kept = earlier if record.plumb else record.plumb_earlier
    changed = record.model_copy(update={"plumb_earlier": kept, "plumb": {}})
    return changed, "Frame pulled, reading begun again"
