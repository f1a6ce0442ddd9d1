"""The smallest step an edit is made of: one place in the document, before and after.

An edit's inverse needs no code of its own: the same steps backwards, each turned round.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from copy import deepcopy
from typing import Any, NamedTuple

from pydantic import BaseModel

from yemba.core.site.document import Document

Path = tuple[str, ...]


class Absent:
    """The value of a place that nobody has set."""

    def __repr__(self) -> str:
        return "ABSENT"


ABSENT = Absent()


class Operation(NamedTuple):
    """`path` into the plain document; `old` and `new` are JSON values or ABSENT.

    `stood` counts the steps of `path` that were there before; holders made on the way below
    them go again, once empty, when the step is taken back.
    """

    path: Path
    old: Any
    new: Any
    stood: int

    @property
    def inverse(self) -> Operation:
        return self._replace(old=self.new, new=self.old)

    def plain(self) -> dict[str, Any]:
        """JSON form: an absent value is left out."""
        values = {"old": self.old, "new": self.new}
        about = {"path": list(self.path), "stood": self.stood}
        return about | {k: v for k, v in values.items() if v is not ABSENT}


def from_plain(data: dict[str, Any]) -> Operation:
    return Operation(tuple(data["path"]), data.get("old", ABSENT), data.get("new", ABSENT), data["stood"])


def inverse(operations: Sequence[Operation]) -> list[Operation]:
    return [operation.inverse for operation in reversed(operations)]


def put(document: Document, path: Path, new: Any) -> Operation:
    """The step that makes the place at `path` hold `new` in `document`."""
    stood = next((n for n in range(1, len(path)) if _at(document, path[:n]) is ABSENT), len(path)) - 1
    return Operation(path, value_at(document, path), new, stood)


def remove(document: Document, path: Path) -> Operation:
    return put(document, path, ABSENT)


_MANY = {"pages", "pictures"}
"""Homes of what there may be hundreds of."""


def apply(document: Document, operations: Iterable[Operation]) -> Document:
    """The document after these steps, validated; the one given stays as it is.

    Raises pydantic's ValidationError where the outcome would be no document.
    """
    plain = document.model_dump(mode="json", exclude_defaults=True, exclude=_MANY)
    plain |= {home: dict(getattr(document, home)) for home in _MANY}  # what no step touches stays as it is, unread
    for operation in operations:
        _set(plain, operation)
    return Document.model_validate(plain)


def fold(first: Sequence[Operation], then: Sequence[Operation]) -> list[Operation]:
    """Two edits of one gesture as one: each place keeps its first `old` and its last `new`."""
    steps = {operation.path: operation for operation in first}
    for operation in then:
        begun = steps.get(operation.path)
        steps[operation.path] = begun._replace(new=operation.new) if begun else operation
    return list(steps.values())


def overlap(first: Path, second: Path) -> bool:
    """Whether two places are the same or one holds the other."""
    shorter = min(len(first), len(second))
    return first[:shorter] == second[:shorter]


def value_at(document: Document, path: Path) -> Any:
    """The JSON value at a place; what equals its default counts as absent, as in the plain document."""
    return _plain(_at(document, path))


def _at(document: Document, path: Path) -> Any:
    node: Any = document
    for step in path:
        if isinstance(node, BaseModel):
            field = type(node).model_fields.get(step)
            value = getattr(node, step, ABSENT) if field else ABSENT
            node = ABSENT if field and value == field.default else value
        else:
            node = node.get(step, ABSENT) if isinstance(node, dict) else ABSENT
        if node is ABSENT:
            return ABSENT
    return node


def _plain(value: Any) -> Any:
    if isinstance(value, BaseModel):
        return value.model_dump(mode="json", exclude_defaults=True)
    if isinstance(value, dict):
        return {key: _plain(inner) for key, inner in value.items()}
    return value if value is ABSENT else deepcopy(value)


def _opened(holder: Any) -> dict[str, Any]:
    """A dict to write in; what it holds stays as it is, so that sections beside the one that changes stay the same."""
    if isinstance(holder, BaseModel):
        values = ((key, getattr(holder, key), field.default) for key, field in type(holder).model_fields.items())
        return {key: value for key, value, default in values if value != default}
    return dict(holder)


def _set(plain: dict[str, Any], operation: Operation) -> None:
    *way, last = operation.path
    holders = [plain]
    for step in way:
        holder = holders[-1][step] = _opened(holders[-1].get(step, {}))
        holders.append(holder)
    if operation.new is not ABSENT:
        holders[-1][last] = operation.new
        return
    holders[-1].pop(last, None)
    for depth in range(len(way), operation.stood, -1):
        if not holders[depth]:
            holders[depth - 1].pop(way[depth - 1], None)
