"""Values made up from a JSON schema: whatever a house file may hold, drawn at random."""

import random
import re
from typing import Any

__all__ = ["Legal"]

# The patterns of names in a house file, and something to write for each.
NAMES = {
    "peg|post": lambda chance: f"{chance.choice(['peg', 'post'])}:{chance.choice('LR')}{chance.randint(1, 40)}",
    "[LR]": lambda chance: f"{chance.choice('LR')}{chance.randint(1, 40)}",
    "-?": lambda chance: f"{chance.randint(-300, 4000)}:{chance.randint(-300, 1500)}",
    "": lambda chance: str(chance.randint(1, 30)),
}


class Legal:
    """Draws values that a schema allows."""

    def __init__(self, schema: dict[str, Any], chance: random.Random) -> None:
        self.schema, self.chance = schema, chance

    def resolved(self, schema: dict[str, Any]) -> dict[str, Any]:
        """A schema with its reference followed."""
        while "$ref" in schema:
            found: Any = self.schema
            for name in schema["$ref"].removeprefix("#/").split("/"):
                found = found[name]
            schema = found
        return schema

    def draw(self, schema: dict[str, Any]) -> Any:
        """One value."""
        schema, chance = self.resolved(schema), self.chance
        for several in ("anyOf", "oneOf"):
            if several in schema:
                return self.draw(chance.choice(schema[several]))
        if "const" in schema:
            return schema["const"]
        if "enum" in schema:
            return chance.choice(schema["enum"])
        draw = getattr(self, f"_{schema.get('type', 'null')}")
        return draw(schema)

    def _null(self, schema: dict[str, Any]) -> None:
        return None

    def _number(self, schema: dict[str, Any]) -> float:
        low = schema.get("minimum", schema.get("exclusiveMinimum", 0))
        high = schema.get("maximum", schema.get("exclusiveMaximum", low + 10))
        value = self.chance.choice([low, high, self.chance.uniform(low, high), self.chance.uniform(low, high)])
        return float(value if value != schema.get("exclusiveMinimum") else (low + high) / 2)

    def _integer(self, schema: dict[str, Any]) -> int:
        return self.chance.randint(schema.get("minimum", 0), schema.get("maximum", 50))

    def _boolean(self, schema: dict[str, Any]) -> bool:
        return self.chance.random() < 0.5

    def _string(self, schema: dict[str, Any]) -> str:
        if "pattern" in schema:
            return next(make for start, make in NAMES.items() if start in schema["pattern"])(self.chance)
        return self.chance.choice(["rail-1-3-8", "post-1-5-8", "own:1", "Tunnel", "½ ″ ’", "rope"])

    def _array(self, schema: dict[str, Any]) -> list[Any]:
        return [self.draw(schema["items"]) for _ in range(self.chance.randint(0, 3))]

    def _object(self, schema: dict[str, Any]) -> dict[str, Any]:
        if "properties" in schema:
            wanted = schema.get("required", [])
            return {
                name: self.draw(each)
                for name, each in schema["properties"].items()
                if name in wanted or self.chance.random() < 0.5
            }
        inner: Any = schema.get("additionalProperties")
        pattern: Any = schema.get("propertyNames", {})
        if "patternProperties" in schema:
            pattern, inner = next(iter(schema["patternProperties"].items()))
            pattern = {"pattern": pattern}
        made: dict[str, Any] = {}
        for _ in range(self.chance.randint(0, 4)):
            name = self._string(pattern)
            value = self.draw(inner)
            if re.fullmatch("-?[0-9]+:-?[0-9]+", name) and isinstance(value, dict):
                # A spot's name is its place.
                name = f"{round(value['x_m'] * 100)}:{round(value['y_m'] * 100)}"
            made[name] = value
        return made

    def changed(self, document: Any, schema: dict[str, Any], times: int) -> Any:
        """A document with some of its values drawn anew, each where the schema has one."""
        for _ in range(times):
            document = self._changed_once(document, schema)
        return document

    def _changed_once(self, value: Any, schema: dict[str, Any]) -> Any:
        schema = self.resolved(schema)
        inside = [name for name in schema.get("properties", {}) if name not in ("format", "version", "schema_version")]
        if not inside or not isinstance(value, dict) or self.chance.random() < 0.08:
            return self.draw(schema)
        name = self.chance.choice(inside)
        if name not in value:
            return {**value, name: self.draw(schema["properties"][name])}
        return {**value, name: self._changed_once(value[name], schema["properties"][name])}
