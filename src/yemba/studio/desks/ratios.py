"""What a change of colour does to what is read: contrast ratios before and after."""

from __future__ import annotations

from typing import NamedTuple

from pydantic import ValidationError

from yemba.core.change.operation import apply
from yemba.core.colour.contrast import ratio
from yemba.core.colour.grounds import REQUIREMENTS, ROLE_NAMES
from yemba.core.site.resolve import Look
from yemba.hosting import services as hosting
from yemba.sites.models import Site
from yemba.studio.waiting import Waiting

_MOST = 3


class Ratio(NamedTuple):
    """One pair that is read, before and after; `fails` where it has less than `asked` afterwards."""

    what: str
    before: float
    after: float
    asked: float
    fails: bool


def ratios(site: Site, entry: Waiting) -> list[Ratio]:
    """The pairs a change of colour alters on grounds that are in use, those with the least room left first."""
    live = hosting.live_document(site)
    if live is None or entry.change.chapter != "palette":
        return []
    try:
        after = Look(apply(live, entry.change.steps), hosting.rendering(live).look.catalogue)
    except ValidationError:
        return []
    before = Look(live, after.catalogue)
    on = {after.ground(section).value for page in live.pages.values() for section in page.sections.values()}
    on |= {after.value("header.ground"), after.value("footer.ground")}
    found = [
        Ratio(
            f"{ROLE_NAMES[a.role].capitalize()} on {_against(a.against, after.ground_names[slug])}",
            was,
            now,
            a.ratio,
            now < a.ratio,
        )
        for slug in after.grounds
        if slug in on and slug in before.grounds
        for a in REQUIREMENTS
        if (was := ratio(getattr(before.grounds[slug], a.role), getattr(before.grounds[slug], a.against)))
        != (now := ratio(getattr(after.grounds[slug], a.role), getattr(after.grounds[slug], a.against)))
    ]
    return sorted(found, key=lambda one: one.after / one.asked)[:_MOST]


def _against(role: str, ground: str) -> str:
    return ground if role == "fill" else f"{ROLE_NAMES[role]}, {ground}"
