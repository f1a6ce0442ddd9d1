"""The smallest steps between two documents: only the leaves that differ."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from yemba.core.change.operation import ABSENT, Operation, Path, put
from yemba.core.site.document import Document


def steps_between(before: Document, after: Document) -> list[Operation]:
    """What brings `before` to `after`; applied, it gives `after`. Pages that are the same objects are passed over."""
    paths = _differing(_plain(before), _plain(after), ())
    return [put(before, path, value) for path, value in paths]


def _plain(document: Document) -> dict[str, Any]:
    """The document as JSON values, its pages still as objects."""
    plain = document.model_dump(mode="json", exclude_defaults=True, exclude={"pages"})
    plain.pop("version", None)
    return plain | ({"pages": dict(document.pages)} if document.pages else {})


def _differing(before: Any, after: Any, path: Path) -> Iterator[tuple[Path, Any]]:
    """Every place that differs with its new value, in order of path; a value that is new or gone is one place."""
    if before is after:
        return
    old, new = (_opened(value) for value in (before, after))
    if not isinstance(old, dict) or not isinstance(new, dict):
        if old != new:
            yield path, new
        return
    for key in sorted(old.keys() | new.keys()):
        yield from _differing(old.get(key, ABSENT), new.get(key, ABSENT), (*path, key))


def _opened(value: Any) -> Any:
    return value.model_dump(mode="json", exclude_defaults=True) if hasattr(value, "model_dump") else value
