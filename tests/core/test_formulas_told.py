"""What a formula says of itself: what it is, its shapes, its units, what it raises, and where it is from."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

import obtegum.core.formulas

FORMULAS = Path(obtegum.core.formulas.__file__).parent
# Units that a name ends with.
UNIT = re.compile(
    r"_(m|mm|m2|m3|m4|1_m|n|nm|n_m|n_m2|n_m3|n_per_m|pa|pa_m|rad|deg|kg|kg_m|kg_m3|kg_kg|s|h|c|k|w|mps|m_s|m3_s|share)$"
)
# Units and words of figures without one, in a docstring.
TELLS_UNIT = re.compile(
    r"(?<![\w·])(m|N|Pa|N·m|N/m|N/m²|N/m³|Pa/m|rad|degrees|°|share|kg|s|m/s|m²|m³|m⁴|m³/s|1/m|W|K|factors?|ratio|times|"
    r"number|coefficient|1)(?![\w·])",
    re.IGNORECASE,
)
SHAPE = re.compile(r"\([a-z0-9…][a-z0-9 +,.…]*(?:,|, [a-z0-9 +]+)\)")
SOURCE = re.compile(
    r"[Ss]ource|EN \d|EN 338|ASCE|AISC|AISI|NDS|IBC|ISO \d|[Ss]tatics|[Gg]eometry|theory|[Tt]his bench|[Tt]rade|"
    r"rule B\d|Mellor|Hetényi|Manning|Newton|elastica"
)


class Told:
    """A function with where it stands, and what it and what it is part of say."""

    def __init__(self, where: str, node: ast.FunctionDef, owner: ast.ClassDef | None, protocol: bool) -> None:
        self.node, self.protocol = node, protocol
        self.name = f"{where}:{owner.name + '.' if owner else ''}{node.name}"
        self.own = ast.get_docstring(node) or ""
        self.all = self.own + (ast.get_docstring(owner) or "" if owner else "")
        self.public = not node.name.startswith("_") and not (owner is not None and owner.name.startswith("_"))


def functions() -> Iterator[Told]:
    for file in sorted(FORMULAS.rglob("*.py")):
        tree, where = ast.parse(file.read_text(encoding="utf-8")), file.relative_to(FORMULAS).as_posix()
        protocols = [
            each for each in tree.body if isinstance(each, ast.ClassDef) and "Protocol" in map(ast.unparse, each.bases)
        ]
        faces = {each.name for one in protocols for each in one.body if isinstance(each, ast.FunctionDef)}
        for node in tree.body:
            if isinstance(node, ast.FunctionDef):
                yield Told(where, node, None, False)
            elif isinstance(node, ast.ClassDef):
                for each in node.body:
                    if isinstance(each, ast.FunctionDef):
                        # What a protocol says needn't be said again by those that keep it.
                        yield Told(where, each, node, each.name in faces)


def test_every_formula_says_what_it_is() -> None:
    assert [each.name for each in functions() if each.public and not each.own and not each.protocol] == []
    assert len(list(functions())) > 400


def test_every_formula_says_what_it_raises() -> None:
    """Those that raise, and those that call one that raises beside them and don't catch it."""
    raising = [each for each in functions() if raises(each.node)]
    assert [each.name for each in raising if "Raises" not in each.own] == []
    assert len(raising) > 20


def raises(node: ast.FunctionDef) -> bool:
    return any(isinstance(each, ast.Raise) and each.exc is not None for each in ast.walk(node))


def test_every_array_has_its_shape() -> None:
    unshaped = [each.name for each in functions() if each.public and arrays(each.node) and not SHAPE.search(each.all)]
    assert unshaped == []


def arrays(node: ast.FunctionDef) -> bool:
    told = [each.annotation for each in node.args.args] + [node.returns]
    return any(re.search(r"\bArray\b|ndarray|NDArray", ast.unparse(each)) for each in told if each is not None)


def test_every_figure_has_its_unit() -> None:
    """By its name, or in what the function says of it."""
    found = list[str]()
    for each in functions():
        if not each.public or each.protocol:
            continue
        for argument in (*each.node.args.args, *each.node.args.kwonlyargs):
            told = argument.annotation and ast.unparse(argument.annotation)
            figure = told in ("float", "float | None", "Array", "Array | float") and not UNIT.search(argument.arg)
            if figure and not re.search(rf"(?<!\w){argument.arg}(?!\w)", each.all):
                found.append(f"{each.name}({argument.arg})")
        returns = each.node.returns and ast.unparse(each.node.returns)
        if returns in ("float", "float | None") and not UNIT.search(each.node.name) and not TELLS_UNIT.search(each.all):
            found.append(f"{each.name} returns")
    assert found == []


def test_every_module_says_where_it_is_from() -> None:
    files = [file for file in sorted(FORMULAS.rglob("*.py")) if file.stem != "__init__"]
    unsourced = [file.name for file in files if not SOURCE.search(file.read_text(encoding="utf-8"))]
    assert unsourced == []
