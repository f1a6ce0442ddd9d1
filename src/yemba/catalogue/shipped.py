"""Reading shipped files, with an error that names the file, the key and the nearest right name."""

from __future__ import annotations

import tomllib
from collections.abc import Iterable
from pathlib import Path
from typing import Any, TypeVar

from pydantic import BaseModel, ValidationError

from yemba.core.errors import nearest

Model = TypeVar("Model", bound=BaseModel)


class CatalogueError(Exception):
    """What is wrong with a shipped file: `file` from the catalogue's folder, `key` within it, `reason` in words."""

    def __init__(self, file: Path, key: str, reason: str) -> None:
        super().__init__(f"{'/'.join(file.parts[-3:])}: {key}: {reason}" if key else f"{file}: {reason}")
        self.file = file
        self.key = key
        self.reason = reason


def text_of(file: Path) -> str:
    """Raises CatalogueError where it is missing."""
    try:
        return file.read_text()
    except FileNotFoundError:
        raise CatalogueError(file, "", "this file is missing") from None


def toml_of(file: Path) -> dict[str, Any]:
    """Raises CatalogueError where it is missing or no TOML."""
    try:
        return tomllib.loads(text_of(file))
    except tomllib.TOMLDecodeError as error:
        raise CatalogueError(file, "", f"this is no TOML: {error}") from error


def built(model: type[Model], file: Path, **more: Any) -> Model:
    """A model from a TOML file and what its place says. Raises CatalogueError."""
    return model_of(model, more | toml_of(file), file)


def model_of(model: type[Model], values: Any, file: Path, key: str = "") -> Model:
    """A model from what stands in a file, at a key of it. Raises CatalogueError."""
    try:
        return model.model_validate(values)
    except ValidationError as error:
        first = error.errors()[0]
        steps = [str(step) for step in first["loc"]]
        where = ".".join([key, *steps] if key else steps)
        raise CatalogueError(file, where, _reason(model, steps, dict(first))) from error


def _reason(model: type[BaseModel], steps: list[str], error: dict[str, Any]) -> str:
    if error["type"] == "missing":
        return "this key is missing"
    if error["type"] == "extra_forbidden":
        return f"there is no such key; {nearest(steps[-1], _keys(model, steps[:-1]))}"
    return str(error["msg"]).removeprefix("Value error, ")


def _keys(model: type[BaseModel], steps: Iterable[str]) -> list[str]:
    """The keys that there are where `steps` lead."""
    for step in steps:
        if step.isdigit():
            continue
        field = model.model_fields.get(step)
        model = next((m for m in _models(field.annotation) if m), model) if field else model
    return list(model.model_fields)


def _models(annotation: Any) -> list[type[BaseModel]]:
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        return [annotation]
    return [model for inner in getattr(annotation, "__args__", ()) for model in _models(inner)]
