"""Signed addresses under which a person sees the draft for a while, on a host of its own."""

from __future__ import annotations

from django.core import signing

from yemba.people.models import Person
from yemba.sites.models import Site

DRAFT_SECONDS = 60 * 60
DRAFT_PREFIX = "draft--"
_SALT = "yemba.draft"


def draft_token(site: Site, person: Person) -> str:
    """What opens a draft for a while: signed, bound to the site and the person."""
    return signing.dumps({"site": site.pk, "person": person.pk}, salt=_SALT, compress=True)


def site_for(token: str, slug: str) -> Site | None:
    """The site a token opens, if it is of that address, still owned, and not too old."""
    try:
        opened = signing.loads(token, salt=_SALT, max_age=DRAFT_SECONDS)
    except signing.BadSignature:
        return None
    return Site.objects.filter(pk=opened["site"], slug=slug, owner_id=opened["person"]).first()
