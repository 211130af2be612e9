"""What glued fittings make of the runs: pieces between bows, of the bows' own pipe, through the fittings."""

from collections.abc import Mapping
from typing import Any

from obtegum.core.findings.skeleton.fittings import is_glued, take_ups
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work

__all__ = ["derived"]


def derived(work: Work) -> Mapping[str, Any]:
    """Runs of pieces, and what a fitting takes up beyond the bow's own face."""
    takes, tube = take_ups(work), bow_tube(work)
    if not is_glued(work) or takes is None:
        return {}
    beyond_m = max(takes.branch_m - tube.od_m / 2, 0.0)
    return {"runs.of": "pieces", "runs.lie": "through", "runs.tube": tube.id, "runs.take_m": beyond_m}
