"""Signed addresses under which a person sees the draft for a while, on a host of its own."""

from __future__ import annotations

from django.core import signing

from yemba.people.models import Person
from yemba.sites.models import Site, Start

DRAFT_SECONDS = 60 * 60
DRAFT_PREFIX = "draft--"
_SALT, _START_SALT = "yemba.draft", "yemba.start"


def draft_token(site: Site, person: Person) -> str:
    """What opens a draft for a while, or until the person signs out: signed, bound to the site and the person."""
    bound = {"site": site.pk, "person": person.pk, "sign_outs": person.sign_outs}
    return signing.dumps(bound, salt=_SALT, compress=True)


def site_for(token: str, slug: str) -> Site | None:
    """The site a token opens, if it is of that address, still owned, not too old, and nobody signed out since."""
    try:
        opened = signing.loads(token, salt=_SALT, max_age=DRAFT_SECONDS)
    except signing.BadSignature:
        return None
    owner = {"owner_id": opened["person"], "owner__sign_outs": opened.get("sign_outs", 0)}
    return Site.objects.filter(pk=opened["site"], slug=slug, binned_at=None, **owner).first()


def start_token(start: Start) -> str:
    """What opens the looks of a new site in the making for a while, to its owner until they sign out."""
    bound = {"start": start.pk, "sign_outs": start.owner.sign_outs}
    return signing.dumps(bound, salt=_START_SALT, compress=True)


def start_for(token: str) -> Start | None:
    """The new site that a token opens, if it is not too old and nobody signed out since."""
    try:
        opened = signing.loads(token, salt=_START_SALT, max_age=DRAFT_SECONDS)
    except signing.BadSignature:
        return None
    return Start.objects.filter(pk=opened["start"], owner__sign_outs=opened["sign_outs"]).first()
