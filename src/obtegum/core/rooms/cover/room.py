"""Cover: the sheet over the house, and how it is held."""

from obtegum.core.face.faces import Answers, Caution, Next, Numbered, Page, Picture, Round, Stick
from obtegum.core.face.room import Room
from obtegum.core.findings.work import Work
from obtegum.core.rooms.cover import step
from obtegum.core.rooms.cover.cures import CURES
from obtegum.core.rooms.cover.draw import covered, sheet
from obtegum.core.rooms.cover.fields import FIELDS
from obtegum.core.rooms.cover.goods import goods
from obtegum.core.rooms.cover.judged import verdicts
from obtegum.core.rooms.cover.lines import edges_of
from obtegum.core.rooms.cover.parts import parts
from obtegum.core.rooms.cover.tables import TABLES
from obtegum.core.rooms.cover.ways import held

__all__ = ["ROOM"]

YEAR_D = 365


def _rounds(work: Work) -> tuple[Round, ...]:
    """What a cover is looked at for, over the years."""
    cover = work.design.cover
    if cover.made == "ask":
        return ()
    found = [
        Round(part="film", what="slack or ponds: pulled anew by what was left for it", every_days=180),
        Round(
            part="film",
            what="rubbed through at bolts, ends of runs, boards: patch, and take away what rubs",
            every_days=90,
        ),
        Round(
            part="film",
            what="its time is over: it is changed, half of its strength is gone",
            every_days=YEAR_D * cover.years,
        ),
    ]
    holds = {hold for _, hold in edges_of(work)}
    if "track" in holds:
        found.append(
            Round(part="fix", what="wires that came out, screws of the track that turned loose", every_days=90)
        )
    if holds & {"batten", "rolled", "staples"}:
        found.append(
            Round(part="fix", what="battens that split or lifted, film torn at screws and staples", every_days=90)
        )
    if "clamps" in holds:
        found.append(Round(part="fix", what="clamps that slid or sprang off in the cold", every_days=30))
    if "eyelets" in holds or cover.lash != "none":
        found.append(Round(part="fix", what="ties and cords slack or chafed", every_days=30))
    if "buried" in holds:
        found.append(Round(part="fix", what="earth washed off its buried edge", every_days=90))
    return tuple(found)


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=verdicts,
    verdict_names=("cover-",),
    strips=step.strips,
    strip_names=("cover:",),
    views={"sheet": sheet, "covered": covered, "held": held},
    cures=CURES,
    parts=parts,
    goods=goods,
    fields=FIELDS,
    down=frozenset({"cover_left"}),
    up=frozenset(
        {
            "cover_over",
            "cover_wide",
            "cover_long",
            "cover_area",
            "cover_dug",
            "cover_taped",
            "cover_cord_pull",
            "order_wide",
            "order_long",
            "pleat_spare",
        }
    ),
    nearest=frozenset(
        {
            "cover_roll",
            "film_thick",
            "cover_sticks",
            "cover_screws",
            "cover_wires",
            "cover_caps",
            "cover_cords",
            "cover_eyelets",
        }
    ),
    rounds=_rounds,
    shared_strips=("cover:across",),
    tables=TABLES,
    pages=(
        Page(
            "Cover",
            (
                Caution("cover"),
                Picture("sheet", 0.34),
                Picture("held", 0.3),
                Stick("cover:"),
                Numbered("cover"),
                Answers(("cover",)),
                Next("cover", loud=False),
            ),
        ),
    ),
)
