"""Another round with the tape."""

from obtegum.core.rooms import SiteRecord
from obtegum.core.rooms.square_up.decisions import MOST_ROUNDS, Taping

__all__ = ["taped_anew"]


def taped_anew(record: SiteRecord, starts_m: float) -> SiteRecord:
    """A record ready for another round with the tape; the one under way joins the earlier ones.

    Args: the mark at which the tape was held, m.
    """
    kept = record.taped.model_copy(update={"starts_m": starts_m})
    earlier = (*record.earlier, kept)[-MOST_ROUNDS:] if record.taped.count else record.earlier
    return record.model_copy(update={"earlier": earlier, "taped": Taping(held=record.taped.held)})
