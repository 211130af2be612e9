"""The row: each post as it was built, against its place, its string, its height and plumb."""

from obtegum.core.face.faces import Answers, Caution, Next, Page, Ruled, Words
from obtegum.core.face.room import Room
from obtegum.core.rooms.row import step
from obtegum.core.rooms.row.draw import row
from obtegum.core.rooms.row.intake import INTAKES
from obtegum.core.rooms.row.strips import strips
from obtegum.core.rooms.row.tables import TABLES

__all__ = ["ROOM"]

LIMITS = (
    "Off is what stands 12 mm (1/2 in) from the line or along it, 6 mm (1/4 in) too high or low, 1 in 100 out of "
    "plumb. Mend it before the next post is set by it, and before any concrete."
)

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("real-bows", "row"),
    strips=strips,
    strip_names=("row:",),
    views={"row": row},
    nearest=frozenset({"narrowest", "widest", "lowest", "softest"}),
    tables=TABLES,
    pages=(
        Page(
            "Along the row",
            (
                Caution("row"),
                Next("row", loud=False),
                Answers(("row",)),
                Ruled("row:L:", by="columns", heading="Write what each post on the left measures"),
                Ruled("row:R:", by="columns", heading="Write what each post on the right measures"),
                Words(LIMITS),
            ),
            first=0.25,
        ),
    ),
    intakes=INTAKES,
)
