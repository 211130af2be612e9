"""Every way to set the posts beside each other, and the chain, for a sheet of one's own."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.skeleton.settings import SETTINGS
from obtegum.core.findings.work import Work
from obtegum.core.rooms.hold.found import chain_of, counts, holds_of
from obtegum.core.rooms.hold.takes import takes_of
from obtegum.core.values.amount import HOUR_S

__all__ = ["TABLES"]


def _settings(work: Work) -> Sequence[Sequence[object]]:
    """A line a way to set one post, SI; empty where no sourced value says what it holds."""
    head = ("set", "lift_n", "wind_n", "still_n", "down_n", "spoil_m3", "concrete_m3", "bags", "gravel_m3", "timber_m",
            "hours", "carbon_kg", "source")  # fmt: skip
    rows = list[tuple[object, ...]]()
    for name, way in SETTINGS.items():
        holds, takes = holds_of(work, name), takes_of(work, name)
        forces = (holds.lift_n, holds.wind_n, holds.still_n, holds.down_n)
        amounts = (f"{takes.hole_m3:.4f}", f"{takes.concrete_m3:.4f}", takes.bags, f"{takes.gravel_m3:.4f}")
        last = (f"{takes.timber_m:.2f}", f"{takes.hours_s / HOUR_S:.2f}", f"{takes.carbon_kg:.1f}", holds.source)
        rows.append((way.name, *("" if each is None else f"{each:.1f}" for each in forces), *amounts, *last))
    return (head, *rows)


def _chain(work: Work) -> Sequence[Sequence[object]]:
    head = ("posts", "link", "holds_n", "source")
    kinds = [kind for kind, count in counts(work).items() if count]
    return (
        head,
        *(
            (kind, link.what, "" if link.holds_n is None else f"{link.holds_n:.1f}", link.source)
            for kind in kinds
            for link in chain_of(work, kind).links
        ),
    )


TABLES = (
    Table(name="settings", label="Ways to set the posts", about="what each holds and takes, one post", rows=_settings),
    Table(name="hold-down", label="From bow to soil", about="every link and what it holds", rows=_chain),
)
