"""The history: every edit in words; each step looked at, any gone back to."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.site.resolve import Look
from yemba.core.untrusted import whole
from yemba.sites import history
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context
from yemba.studio.waiting import Waiting

_AT_ONCE = 60


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    """The newest sixty steps, or with `more` as many as that says."""
    steps = history.steps(site)
    most = whole(query.get("more", "")) or _AT_ONCE
    here = next((n for n, step in enumerate(steps) if step.here), 0)
    most = max(most, here + 1)
    return {"steps": steps[:most], "older": max(0, len(steps) - most), "more": most + _AT_ONCE}
