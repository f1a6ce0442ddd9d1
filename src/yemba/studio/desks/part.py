"""The desk of a part that has none of its own: every setting by its control, and the sections it holds."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.part.part import Part
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.sections import of_part
from yemba.studio.desks.setting import Context, setting


def desk(part: Part, site: Site, look: Look, query: Mapping[str, str]) -> Context:
    return of_part(look, part, query) | {"settings": [setting(look, known.key) for known in part.settings]}
