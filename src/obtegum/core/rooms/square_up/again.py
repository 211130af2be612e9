"""Another round with the tape."""

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.square_up import MOST_ROUNDS, Taping

__all__ = ["taped_anew"]


def taped_anew(job: Job) -> tuple[SiteRecord, str]:
    """A record ready for another round with the tape, in words too; the one under way joins the earlier ones.

    Each round keeps the mark at which the tape was held.
    """
    record = job.record
    kept = record.taped.model_copy(update={"starts_m": job.design.set_out.starts_m})
    earlier = (*record.earlier, kept)[-MOST_ROUNDS:] if record.taped.count else record.earlier
    changed = record.model_copy(update={"earlier": earlier, "taped": Taping(held=record.taped.held)})
    return changed, "Pegs moved, taping begun again"
