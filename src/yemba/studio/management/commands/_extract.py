"""Every message of the studio: of its code, of its templates, and of the files of the catalogue."""

from __future__ import annotations

import ast
import re
from collections.abc import Iterable, Iterator
from pathlib import Path
from typing import Any, NamedTuple

from django.utils.translation.template import templatize
from pydantic import BaseModel

import yemba
from yemba.catalogue import catalogue
from yemba.core.message import Message, label

_SOURCE = Path(yemba.__file__).parent
_SINGLE, _DOUBLE = r"'(?:[^'\\]|\\.)*'", r'"(?:[^"\\]|\\.)*"'
_LITERAL = re.compile(f"{_SINGLE}|{_DOUBLE}")
_CALL = re.compile(rf"\b(?P<plural>n?)(?P<context>p?)gettext\((?P<arguments>(?:u?{_SINGLE}|u?{_DOUBLE}|[^()'\"])*)\)")
"""A call of gettext that ``templatize`` makes of a template."""
_MAKERS = {"Message": 0, "Joined": 0, "_setting": 1}
"""What makes a message of one of its arguments, with its place."""


class Found(NamedTuple):
    """A message as catalogues have it: `plural` "" for one without number, `context` "" for none; `where` it is."""

    text: str
    plural: str
    context: str
    where: str


def messages() -> Iterator[Found]:
    """All of them, as they are found; some more than once."""
    for file in sorted(_SOURCE.rglob("*.py")):
        where = file.relative_to(_SOURCE).as_posix()
        for text, plural in _of_code(ast.parse(file.read_text())):
            yield Found(text, plural, "", where)
    for file in sorted((_SOURCE / "studio" / "templates").rglob("*.html")):
        yield from _of_template(file)
    for text in _of_catalogue():
        yield Found(text, "", "", "catalogue")


def _of_code(tree: ast.AST) -> Iterator[tuple[str, str]]:
    for node in ast.walk(tree):
        if not (isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.args):
            continue
        name, texts = node.func.id, [_text(argument) for argument in node.args]
        if name == "Plural":
            yield texts[0], texts[1]
        elif name == "labels" and isinstance(node.args[0], ast.Dict):
            yield from ((label(_text(value)).english, "") for value in node.args[0].values if _text(value))
        elif name in _MAKERS:
            text = texts[_MAKERS[name]]
            yield from [(text, "")] if any(letter.isalpha() for letter in text) else []


def _text(node: ast.AST) -> str:
    return node.value if isinstance(node, ast.Constant) and isinstance(node.value, str) else ""


def _of_template(file: Path) -> Iterator[Found]:
    where = file.relative_to(_SOURCE).as_posix()
    for call in _CALL.finditer(templatize(file.read_text(), origin=where)):
        texts = [str(ast.literal_eval(literal)) for literal in _LITERAL.findall(call["arguments"])]
        context = texts.pop(0) if call["context"] else ""
        yield Found(texts[0], texts[1] if call["plural"] else "", context, where)


def _of_catalogue() -> Iterator[str]:
    known = catalogue()
    for shelf in (known.kinds, known.templates, known.trades, known.arrangements, known.collection):
        yield from _each(shelf.values())


def _within(value: Any) -> Iterator[str]:
    match value:
        case Message():
            yield from [value.english] if value.english else []
        case BaseModel():
            yield from _each(getattr(value, name) for name in type(value).model_fields)
        case dict():
            yield from _each(value.values())
        case list() | tuple():
            yield from _each(value)


def _each(values: Iterable[Any]) -> Iterator[str]:
    for value in values:
        yield from _within(value)
