"""What a step says of what it judges and refuses stands in its words, whole."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

import pytest

import obtegum.core.rooms

ROOMS = Path(obtegum.core.rooms.__file__).parent
# What a judgement or a refusal is made by.
SAYS = {"DesignError", "RowTrouble", "Trouble", "Verdict", "aided", "frame_verdict", "made_up", "misfit", "refusal"}
# More words than these are a sentence, not a title.
TITLE = 5


def _called(node: ast.AST) -> str:
    if not isinstance(node, ast.Call):
        return ""
    return node.func.id if isinstance(node.func, ast.Name) else getattr(node.func, "attr", "")


def _literal(node: ast.AST) -> str:
    if isinstance(node, ast.JoinedStr):
        return "".join(each.value if isinstance(each, ast.Constant) else " " for each in node.values)
    return node.value if isinstance(node, ast.Constant) and isinstance(node.value, str) else ""


def sentences(source: str) -> Iterator[tuple[str, str]]:
    """Functions that judge or refuse, each with a text of its own that is longer than a title."""
    for function in ast.walk(ast.parse(source)):
        if not isinstance(function, ast.FunctionDef):
            continue
        calls = {_called(node) for node in ast.walk(function)}
        if not any(name in SAYS or "verdict" in name for name in calls):
            continue
        docstring = function.body[0].value if isinstance(function.body[0], ast.Expr) else None
        for node in ast.walk(function):
            text = _literal(node)
            if node is not docstring and len(re.findall(r"[A-Za-z’']+", text)) > TITLE:
                yield function.name, text


@pytest.mark.parametrize("step", sorted(path.name for path in ROOMS.iterdir() if (path / "room.py").exists()))
def test_what_a_step_says_stands_in_its_words(step: str) -> None:
    for path in (ROOMS / step).glob("*.py"):
        if path.name != "words.py":
            assert not list(sentences(path.read_text())), path.name


def test_a_sentence_beside_its_judgement_is_found() -> None:
    said = '''
def _wide(work):
    """So many words that stand here are no sentence of a verdict."""
    sentence = f"The sheet wants {needs} and the roll is {roll}."
    return verdict_on("cover", "wide", "Width of one sheet", "fails", sentence)

def plan(work):
    return "What a step asks for is not judged here."
'''
    found = [name for name, _ in sentences(said)]
    assert found == ["_wide"]
