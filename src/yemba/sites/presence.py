"""Who has a site open, so that two hands know of one another."""

from __future__ import annotations

from datetime import timedelta
from typing import NamedTuple

from django.utils import timezone

from yemba.people.models import Person
from yemba.sites.models import Present, Site

EVERY = 8
"""Seconds between two signs of life of a window."""
_GONE = timedelta(seconds=3 * EVERY)


class Other(NamedTuple):
    """Another window on the site: whose it is and where it stands."""

    name: str
    own: bool
    chapter: str


def seen(site: Site, window: str, person: Person, chapter: str) -> list[Other]:
    """Note that a window is there, forget those not heard of for a while, and say which others are."""
    now = timezone.now()
    Present.objects.filter(site=site, seen_at__lt=now - _GONE).delete()
    Present.objects.update_or_create(
        site=site, window=window, defaults={"person": person, "chapter": chapter, "seen_at": now}
    )
    others = Present.objects.filter(site=site).exclude(window=window).select_related("person")
    return [Other(other.person.name, other.person_id == person.pk, other.chapter) for other in others]


def left(site: Site, window: str) -> None:
    Present.objects.filter(site=site, window=window).delete()
