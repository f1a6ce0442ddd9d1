"""The types that fields of sections may have: every kind of value that says so, found by its place."""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import Mapping
from functools import cache

from yemba.core.value.kind import Kind


@cache
def field_types() -> Mapping[str, type[Kind]]:
    """Kinds of value by the type that ``kind.toml`` names."""
    from yemba.core import value as folder

    modules = (importlib.import_module(f"{folder.__name__}.{m.name}") for m in pkgutil.iter_modules(folder.__path__))
    return {name: kind for module in modules for name, kind in getattr(module, "FIELD_TYPES", {}).items()}
