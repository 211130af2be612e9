"""Whether an earlier state plans the same: plans, cards, tables and files of demo houses and of random ones, by value.

Run by ./obtegum same COMMIT. What is called otherwise since is told by a table of names; anything else that differs is
printed with where it stands.
"""

import json
import random
import shutil
import sys
from collections.abc import Iterator
from typing import Any

from earlier import ROOT, run_in, unpacked

MADE, SHOWN = 60, 40
FONTS = ROOT / "src" / "obtegum" / "fonts"
# Ids of answers that were renamed: step by step as they were, and as they are.
RENAMED: dict[str, dict[str, str]] = {
    "earth": {"hours": "earth_hours"},
    "set-out": {"differ": "tape_differ"},
    "plumb": {"straps": "plumb_straps"},
    "ends": {"stakes": "end_stakes"},
}
PLANS = """
import hashlib, json, sys
from dataclasses import asdict
from obtegum.core.rooms import rooms, views
from obtegum.exchange.cad import drawings_dxf, setting_out_dxf
from obtegum.exchange.geo import setting_out_geojson
from obtegum.exchange.pdf import sheet_pdf
from obtegum.exchange.svg import svg_of
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.documents.reading import read_design, read_record
from obtegum.core.house.bench import begin
from obtegum.core.house.cards import cards_of, with_cards
from obtegum.core.house.plan import plan_work
from obtegum.exchange.tables import all_tables, table_csv
for line in sys.stdin:
    design, record = json.loads(line)
    house = read_design(design)
    work = begin(house, read_record(record, house.tape), default_catalogue())
    plan = plan_work(work, slow=True).model_dump(mode="json")
    cards = {step: [asdict(card) for card in cards_of(work, step)] for step in with_cards(work)}
    tables = {name: table_csv(name, work) for name in all_tables()}
    # Of a DXF what is drawn, without its header and when it was written; of a PDF its bytes, which tell no time.
    sheets = [each.views for room in rooms() for each in room.files if each.views]
    drawn = [drawings_dxf([views()[name](work) for name in each]) for each in sheets]
    files = {
        "dxf": [
            [line for line in each.partition("ENTITIES")[2].splitlines() if " @ 20" not in line]
            for each in (setting_out_dxf(work), *drawn)
        ],
        "geojson": json.loads(setting_out_geojson(work)),
        "svg": [svg_of(draw(work)).splitlines() for draw in views().values()],
        "pdf": hashlib.sha256(sheet_pdf(plan_work(work, slow=True), 1, "2026-01-01", "a4", work=work)).hexdigest(),
    }
    print(json.dumps({"plan": plan, "cards": cards, "tables": tables, "files": files}, default=str))
"""


def made() -> Iterator[tuple[Any, Any]]:
    """The demo houses, and some that could be anything."""
    sys.path.insert(0, str(ROOT))
    from tests.houses import Maker

    from obtegum.core.house.starters import demo_houses

    maker = Maker(random.Random(37))
    random_ones = ((design, maker.record(design)) for design in (maker.design() for _ in range(MADE)))
    for design, record in (*demo_houses(), *random_ones):
        yield design.model_dump(mode="json"), record.model_dump(mode="json")


def renamed(told: Any, names: dict[str, str] | None = None) -> Any:
    """What was told with the ids that it has now, in the steps that have them."""
    if isinstance(told, dict):
        here = RENAMED.get(str(told.get("id")), names) if "answers" in told else names
        return {key: renamed(value, here) for key, value in told.items()}
    if isinstance(told, list):
        return [renamed(each, names) for each in told]
    return (names or {}).get(told, told) if isinstance(told, str) else told


def differing(was: Any, now: Any, at: str = "") -> Iterator[str]:
    """Where two values differ, and how."""
    if isinstance(was, dict) and isinstance(now, dict):
        for key in {**was, **now}:
            yield from differing(was.get(key), now.get(key), f"{at}.{key}")
    elif isinstance(was, list) and isinstance(now, list) and len(was) == len(now):
        for place, (one, other) in enumerate(zip(was, now, strict=True)):
            yield from differing(one, other, f"{at}[{place}]")
    elif was != now:
        yield f"{at}: {str(was)[:80]} → {str(now)[:80]}"


def values(told: Any) -> int:
    """How many values there are in it."""
    inner = told.values() if isinstance(told, dict) else told if isinstance(told, list) else None
    return 1 if inner is None else sum(map(values, inner))


def main(commit: str) -> int:
    houses = list(made())
    given = "\n".join(map(json.dumps, houses))
    with unpacked(commit) as tree:
        # Typefaces are made at set-up, and are no part of a commit.
        shutil.copytree(FONTS, tree / FONTS.relative_to(ROOT), dirs_exist_ok=True)
        before = [renamed(json.loads(line)) for line in run_in(tree, PLANS, given).splitlines()]
    after = [json.loads(line) for line in run_in(ROOT, PLANS, given).splitlines()]
    found = [
        f"house {place}{line}"
        for place, (was, now) in enumerate(zip(before, after, strict=True))
        for line in differing(was, now)
    ]
    print(f"{len(houses)} houses, {sum(map(values, after)):,} values, {len(found):,} differ")
    for line in found[:SHOWN]:
        print(line)
    return bool(found)


if __name__ == "__main__":
    sys.exit(main(sys.argv[1]))
