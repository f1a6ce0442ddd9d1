"""What each chapter's desk shows: one module a desk, found by its name; values in, context out.

A part without a desk of its own has the desk of all parts (``part``).
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from importlib import import_module
from importlib.util import find_spec
from typing import Any

from django.template import TemplateDoesNotExist
from django.template.loader import get_template

from yemba.core.part.part import parts
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks import part
from yemba.studio.waiting import Waiting


def desk(name: str, site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> dict[str, Any]:
    """The context of one desk."""
    module = f"{__name__}.{name}"
    if name in parts() and find_spec(module) is None:
        return part.desk(parts()[name], site, look, query)
    context: dict[str, Any] = import_module(module).desk(site, look, query, waits)
    return context


def template_of(name: str) -> str:
    """The template of a desk."""
    own = f"studio/desk/{name}.html"
    try:
        get_template(own)
    except TemplateDoesNotExist:
        return "studio/desk/part.html"
    return own
