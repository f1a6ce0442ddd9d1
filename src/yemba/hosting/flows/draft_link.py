"""Signed addresses under which a person sees the draft for a while, on a host of its own."""

from __future__ import annotations

import time
from typing import Any

from django.core import signing

from yemba.people.models import Person
from yemba.sites.models import Site, Start

DRAFT_SECONDS = 60 * 60
"""For which an address opens a draft at least."""
DRAFT_PREFIX = "draft--"
_SALT, _START_SALT = "yemba.draft", "yemba.start"
_SAME_SECONDS = 15 * 60  # for which it is the same address, so that a browser has its pictures and fonts already


class _Signer(signing.TimestampSigner):
    def timestamp(self) -> str:
        return signing.b62_encode(int(time.time()) // _SAME_SECONDS * _SAME_SECONDS)


def _signed(bound: dict[str, int], salt: str) -> str:
    return _Signer(salt=salt).sign_object(bound, compress=True)


def _opened(token: str, salt: str) -> dict[str, Any] | None:
    """What a token is bound to; None where it is none of ours, or too old."""
    try:
        opened: dict[str, Any] = _Signer(salt=salt).unsign_object(token, max_age=DRAFT_SECONDS + _SAME_SECONDS)
    except signing.BadSignature:
        return None
    return opened


def draft_token(site: Site, person: Person) -> str:
    """What opens a draft for a while, or until the person signs out: signed, bound to the site and the person."""
    bound = {"site": site.pk, "person": person.pk, "sign_outs": person.sign_outs}
    return _signed(bound, _SALT)


def site_for(token: str, slug: str) -> Site | None:
    """The site a token opens, if it is of that address, still owned, not too old, and nobody signed out since."""
    opened = _opened(token, _SALT)
    if opened is None:
        return None
    owner = {"owner_id": opened["person"], "owner__sign_outs": opened.get("sign_outs", 0)}
    return Site.objects.filter(pk=opened["site"], slug=slug, binned_at=None, **owner).first()


def start_token(start: Start) -> str:
    """What opens the looks of a new site in the making for a while, to its owner until they sign out."""
    bound = {"start": start.pk, "sign_outs": start.owner.sign_outs}
    return _signed(bound, _START_SALT)


def start_for(token: str) -> Start | None:
    """The new site that a token opens, if it is not too old and nobody signed out since."""
    opened = _opened(token, _START_SALT)
    if opened is None:
        return None
    return Start.objects.filter(pk=opened["start"], owner__sign_outs=opened["sign_outs"]).first()
