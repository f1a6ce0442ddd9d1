"""What each chapter's desk shows: one module a desk, found by its name; values in, context out."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from importlib import import_module
from typing import Any

from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.waiting import Waiting


def desk(name: str, site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> dict[str, Any]:
    """The context of one desk."""
    context: dict[str, Any] = import_module(f"{__name__}.{name}").desk(site, look, query, waits)
    return context
