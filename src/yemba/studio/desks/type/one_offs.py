"""Every one-off of the site: which text, where, its value, and what the sheet would give."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.site.one_offs import one_offs
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context


def view(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    ones = one_offs(look)
    return {"one_offs": ones, "of_texts": sum(bool(one.element) for one in ones)}
