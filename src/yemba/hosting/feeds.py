"""Calendar feeds as far as visitors are concerned: fetched again, forgotten, shown on live pages."""

from __future__ import annotations

from datetime import datetime

from django.utils import timezone

from yemba.hosting.fresh import feed_changed
from yemba.hosting.models import Live
from yemba.sites import feeds
from yemba.sites.models import Feed, Site


def connect(address: str) -> bool:
    """Fetch an address that its owner asks for now; whether it says something else than before, which live pages then
    say too. Raises Fault as ``sites.feeds.connect`` does."""
    now = timezone.now()
    changed = feeds.connect(address, now)
    if changed:
        feed_changed(address, now)
    return changed


def refresh(now: datetime | None = None) -> list[str]:
    """Fetch again what is due; the addresses that say something else than before. What no draft and no live site shows
    any more is forgotten."""
    now = now or timezone.now()
    for row in Feed.objects.filter(next_at__lte=now):
        if not _is_shown(row.address):
            row.delete()
    changed = feeds.refresh_due(now)
    for address in changed:
        feed_changed(address, now)
    return changed


def _is_shown(address: str) -> bool:
    drafts = Site.objects.filter(document__contains=address)
    return drafts.exists() or Live.objects.filter(edition__document__contains=address).exists()
