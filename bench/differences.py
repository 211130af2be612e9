"""What an earlier state says of houses, beside what this one does: what differs, by cause.

Run by ./obtegum differences COMMIT. The made-up demo houses and houses made from the house file's schema are judged by
both; of each verdict that is told otherwise the share or level of both is printed, under what could have caused it.
"""

import json
import random
import sys
from collections import defaultdict
from collections.abc import Iterator
from pathlib import Path
from typing import Any

from earlier import ROOT, run_in, unpacked

MANY, LIKE = 40, 0.005
JUDGES = """
import json, sys
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.documents.reading import read_design, read_record
from obtegum.core.house.plan import plan_house
out = []
for design, record in json.load(sys.stdin):
    try:
        house = read_design(design)
        plan = plan_house(house, read_record(record, house.tape), default_catalogue(), "none")
        out.append({each.id: [each.level, each.ratio, each.number] for each in plan.verdicts})
    except Exception as error:
        out.append({"": [type(error).__name__, None, str(error)[:80]]})
json.dump(out, sys.stdout)
"""
# What new parts of the documents an earlier state doesn't know.
NEW = {"weather": ("doors", "snow_edition")}


def judged(tree: Path, houses: list[tuple[Any, Any]]) -> list[dict[str, Any]]:
    """The verdicts of a state on houses."""
    found: list[dict[str, Any]] = json.loads(run_in(tree, JUDGES, json.dumps(houses)))
    return found


def made() -> Iterator[tuple[Any, Any]]:
    """The demo houses, and some that could be anything."""
    sys.path.insert(0, str(ROOT))
    from tests.houses import Maker

    from obtegum.core.house.starters import demo_houses

    for design, record in demo_houses():
        yield design.model_dump(mode="json"), record.model_dump(mode="json")
    maker = Maker(random.Random(35))
    for _ in range(MANY):
        design = maker.design()
        yield design.model_dump(mode="json"), maker.record(design).model_dump(mode="json")


def cause(name: str, design: dict[str, Any]) -> str:
    """What of the states' differences a verdict of a house goes back to, most likely first."""
    weather, shape, posts = design["weather"], design["size"]["shape"]["kind"], design["posts"]
    metric = design["tape"]["units"] == "metric"
    eu = weather["method"] == "eu" or (weather["method"] == "units" and metric)
    own = any(each["yield_pa"] is None for each in design["own_tubes"])
    if name in ("entry", "bare-stub"):
        return "a bow that rocks in its socket, a stub that stands bare"
    if name == "frame" and own:
        return "an own tube whose yield isn’t told"
    if name == "along":
        return "a brace’s bolt at one face of the bow; steel’s E by the code"
    if name in ("lift", "chain", "push", "down"):
        return "walls as they count at bolts and screws; loads and zones"
    if weather["cover"] == "cloth" and weather["cloth"] == "dry":
        return "tubes in the wind under dry cloth"
    if eu:
        return "an opening by what is outside it; open sea; E of steel 210 GPa; loads and zones"
    if shape in ("peaked", "kneed", "gothic"):
        return "drifted snow by the rafter’s own slope; E of steel 200 GPa; loads and zones"
    return "loads and zones; E of steel 200 GPa; slid snow on a bare roof" + (
        "; stub" if posts["stand"] == "stub" else ""
    )


def main(commit: str) -> None:
    houses = list(made())
    with unpacked(commit) as tree:
        older = [
            (
                {
                    **design,
                    **{part: {k: v for k, v in design[part].items() if k not in out} for part, out in NEW.items()},
                },
                record,
            )
            for design, record in houses
        ]
        before = judged(tree, older)
    after, groups, alike = judged(ROOT, houses), defaultdict[str, list[str]](list), 0
    for (design, _), was, now in zip(houses, before, after, strict=True):
        for name in {**was, **now}:
            one, other = was.get(name), now.get(name)
            same = one is not None and other is not None and one[0] == other[0]
            if same and one[1] is not None and other[1] is not None:
                same = abs(one[1] - other[1]) <= LIKE * max(abs(one[1]), 1e-9)
            if same:
                alike += 1
                continue
            said = " → ".join("none" if each is None else f"{each[0]} {each[2]}" for each in (one, other))
            groups[cause(name, design)].append(f"{design['name']}, {design['size']['shape']['kind']}: {name}: {said}")
    print(f"{len(houses)} houses, {alike} verdicts alike, {sum(map(len, groups.values()))} otherwise")
    for why, lines in sorted(groups.items(), key=lambda each: -len(each[1])):
        print(f"\n{why}: {len(lines)}")
        print(*(f"  {line}" for line in lines), sep="\n")


if __name__ == "__main__":
    main(sys.argv[1])
