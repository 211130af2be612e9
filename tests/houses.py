"""Houses that could be anything: made from the house file's schema, whatever rooms there are.

A house begins as a new one. Leaves of its documents are set one after the other, to the choice that was taken least so
far or to a number in its range, and stay where the parts still stand together.
"""

import random
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, field
from functools import cached_property
from itertools import combinations
from typing import Any

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.level import Levels
from obtegum.core.documents.numbers import begin_in
from obtegum.core.documents.reading import read_design
from obtegum.core.face.faces import Card
from obtegum.core.findings.skeleton.ticks import design_bays
from obtegum.core.house.bench import begin
from obtegum.core.house.cards import cards_of, with_cards
from obtegum.core.house.measures import find_measure
from obtegum.core.house.packs import Back, Entry, take_in
from obtegum.core.house.starters import new_house
from obtegum.core.rooms.size.compared import SHAPE_LABELS, shape_of
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import LengthError, Units, parse_length
from obtegum.core.values.trouble import DesignError

Path = tuple[str, ...]
# What is made with the house, or is no decision.
LEFT = ("name", "schema_version", "size", "tape", "own_tubes")
# Of a choice from the catalogue, which list it is from.
NAMED = {"tube": "tubes", "stud_tube": "tubes", "leaf_tube": "tubes", "bar": "tubes", "prop_board": "boards"}
NAMED |= {"board": "boards", "stud": "boards", "hip_board": "boards"}


@dataclass(frozen=True)
class Leaf:
    """A leaf of the documents: where it is, and what its schema says of it."""

    path: Path
    schema: dict[str, Any]


def leaves_of(schema: dict[str, Any]) -> Iterator[Leaf]:
    """Every leaf of a document's schema that is no list and no map."""
    defs = schema.get("$defs", {})

    def walk(node: dict[str, Any], path: Path) -> Iterator[Leaf]:
        node = {**defs[node["$ref"].rpartition("/")[2]], **node} if "$ref" in node else node
        if "properties" in node:
            for name, each in node["properties"].items():
                if path or name not in LEFT:
                    yield from walk(each, (*path, name))
        elif node.get("type") not in ("array", "object"):
            yield Leaf(path, node)

    yield from walk(schema, ())


def options_of(leaf: Leaf) -> list[Any]:
    """What a leaf can be, where that is a choice."""
    found: list[Any] = []
    for node in (leaf.schema, *leaf.schema.get("anyOf", ())):
        found += node.get("enum", [])
        if node.get("type") == "boolean":
            found += [True, False]
        if node.get("type") == "null":
            found.append(None)
    return found


def bounds_of(leaf: Leaf) -> tuple[float, float, bool] | None:
    """The range of a number, and whether it is a whole one; None for what is none."""
    for node in (leaf.schema, *leaf.schema.get("anyOf", ())):
        if node.get("type") in ("number", "integer") and "maximum" in node:
            return node["minimum"], node["maximum"], node["type"] == "integer"
    return None


def stands(document: dict[str, Any]) -> HouseDesign:
    """The house of a document. Raises: DesignError where its parts don't make one."""
    design = read_design(document)
    begin(design, SiteRecord(), default_catalogue())
    return design


@dataclass
class Maker:
    """Makes houses; ``taken`` counts how often each choice stayed in one, ``pairs`` holds which of them were in one
    together, by their places among all choices."""

    chance: random.Random
    taken: Counter[tuple[Path, Any]] = field(default_factory=Counter)
    pairs: set[tuple[int, int]] = field(default_factory=set)
    leaves: tuple[Leaf, ...] = field(default_factory=lambda: tuple(leaves_of(HouseDesign.model_json_schema())))

    def _value(self, leaf: Leaf, now: Any) -> Any:
        options, bounds, chance = options_of(leaf), bounds_of(leaf), self.chance
        if options and (bounds is None or chance.random() < 0.2):
            least = min(self.taken[leaf.path, each] for each in options)
            return chance.choice([each for each in options if self.taken[leaf.path, each] == least])
        if bounds is not None:
            least, most, whole = bounds
            value = now * chance.uniform(0.4, 2.0) if isinstance(now, int | float) and now else None
            if value is None:
                value = least + (most - least) * chance.random() ** 3
            value = min(max(value, least), most)
            return round(value) if whole else value
        listed = NAMED.get(leaf.path[-1])
        return chance.choice(list(getattr(default_catalogue(), listed))) if listed else now

    def design(self, changes: int = 24) -> HouseDesign:
        """A house with so many leaves set, that its parts allow."""
        chance = self.chance
        while True:
            try:
                document = self._begun()
                stands(document)
                break
            except DesignError:
                continue
        leaves = [*chance.sample(self.leaves, changes), *self._behind(changes // 2)]
        for leaf in leaves:
            *parents, last = leaf.path
            inner = document
            for name in parents:
                inner = inner[name]
            was, inner[last] = inner[last], self._value(leaf, inner[last])
            try:
                stands(document)
            except DesignError:
                inner[last] = was
        design = stands(document)
        self._count(document)
        return design

    def _begun(self) -> dict[str, Any]:
        chance = self.chance
        units: Units = chance.choice(("feet", "metric"))
        document: dict[str, Any] = begin_in(HouseDesign, units) | new_house(units).model_dump()
        size = document["size"]
        size["span_m"], size["length_m"] = chance.uniform(2.0, 9.0), chance.uniform(3.0, 30.0)
        house = new_house(units)
        house = house.model_copy(update={"size": house.size.model_copy(update={"span_m": size["span_m"]})})
        size["shape"] = shape_of(chance.choice(list(SHAPE_LABELS)), house.size).model_dump()
        if chance.random() < 0.7:
            document["weather"] |= {
                "ground_snow_pa": chance.uniform(100, 2500),
                "wind_mps": chance.uniform(15, 50),
                "openness": chance.choice(("woods", "country", "coast")),
                "shelter": chance.choice(("open", "part", "sheltered")),
                "use": chance.choice(("plants", "people")),
                "heat": chance.choice(("none", "frost_free", "heated")),
                "film": chance.choice(("on", "off")),
                "sides": chance.choice(("free", "cleared", "blocked")),
            }
        return document

    def _behind(self, many: int) -> list[Leaf]:
        """Leaves with the choices that were taken least."""
        chosen = [leaf for leaf in self.leaves if options_of(leaf)]
        self.chance.shuffle(chosen)
        return sorted(chosen, key=lambda leaf: min(self.taken[leaf.path, each] for each in options_of(leaf)))[:many]

    @cached_property
    def choices(self) -> dict[tuple[Path, Any], int]:
        """Every choice of every room, with its place among them."""
        all_of = ((leaf.path, option) for leaf in self.leaves for option in options_of(leaf))
        return {choice: place for place, choice in enumerate(all_of)}

    def pairs_across(self) -> int:
        """How many pairs of choices of two rooms there are."""
        rooms = Counter(path[0] for path, _ in self.choices)
        every = sum(rooms.values())
        return (every**2 - sum(count**2 for count in rooms.values())) // 2

    def _count(self, document: dict[str, Any]) -> None:
        here = list[tuple[int, str]]()
        for leaf in self.leaves:
            inner: Any = document
            for name in leaf.path:
                inner = inner[name]
            if inner in options_of(leaf):
                self.taken[leaf.path, inner] += 1
                here.append((self.choices[leaf.path, inner], leaf.path[0]))
        self.pairs.update((one, other) for (one, a), (other, b) in combinations(here, 2) if a != b)

    def packed(self, job: Job, many: int = 12) -> tuple[Job, list[Entry], Back]:
        """A house with what came back from a pack of its cards: readings near what they should be, ticks near where."""
        chance, work, entries = self.chance, begin(*job, default_catalogue()), list[Entry]()
        cards = [card for step in with_cards(work) for card in cards_of(work, step) if card.tick or card.measure]
        for card in chance.sample(cards, min(many, len(cards))):
            if card.tick:
                at_m = max(card.at_m + chance.uniform(-0.02, 0.02), 0.0)
                entries.append(Entry(tick=card.tick, done=chance.random() < 0.9, at_m=at_m, reading=card.reading))
            else:
                entries.append(Entry(measure=card.measure, text=self._read(card, job), was=card.typed))
        back = take_in(job, entries, default_catalogue())
        return back.job, entries, back

    def _read(self, card: Card, job: Job) -> str:
        """What somebody could read where a card asks: near what it should be, or anything that can be."""
        measure = find_measure(card.measure)
        number = measure.number if measure else None
        if measure is None or number is None:
            options = [each.id for each in measure.options(job, default_catalogue())] if measure else []
            return self.chance.choice(options) if options else card.reading
        least, most = number.least, min(number.most, number.least + 10)
        try:
            near = parse_length(card.reading, job.design.tape.units, number.bare)
        except LengthError:
            near = self.chance.uniform(least, most)
        value = min(max(near + self.chance.uniform(-0.03, 0.03), number.least), number.most)
        return number.text(round(value) if number.kind == "count" else value, job.design.tape)

    def record(self, design: HouseDesign) -> SiteRecord:
        """What could have been read of such a house on site."""
        chance, bows = self.chance, design_bays(design).bows
        if chance.random() < 0.5:
            return SiteRecord()
        fall = chance.uniform(-0.4, 0.4)
        pegs = {
            f"{side}{bow}": 1.5 + fall * bow / bows + chance.uniform(-0.04, 0.04)
            for side in "LR"
            for bow in range(1, bows + 1)
            if chance.random() < 0.95
        }
        return SiteRecord(levels=Levels(pegs=pegs))
