"""Calendar feeds: fetched, kept, fetched again. What was last fetched whole stays until something better comes."""

from __future__ import annotations

import logging
from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from django.conf import settings
from django.utils import timezone

from yemba.core.cache import Cache
from yemba.core.calendar.ics_file import MOST_BYTES, read_calendar
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.feeds import Fetched, entries_of
from yemba.sites import store
from yemba.sites.fetch import Copy, fetch
from yemba.sites.models import Feed

_LOG = logging.getLogger("yemba.feeds")
_LONGEST_WAIT = timedelta(days=1)
_MOST_DOUBLINGS = 10
_READ: Cache[tuple[str, str], Fetched] = Cache(
    "feeds read", most=8_000_000, weigh=lambda fetched: 1_000 + 800 * len(fetched.entries)
)


def feed(address: str) -> Feed | None:
    """What is known of an address."""
    return Feed.objects.filter(address=address).first()


def entries(address: str, zone: ZoneInfo) -> Fetched | None:
    """What was last fetched of an address, its times told in a zone; None where nothing ever was."""
    digest = Feed.objects.filter(address=address).values_list("digest", flat=True).first()
    if not digest:
        return None
    return _READ.get_or_make((digest, zone.key), lambda: entries_of(read_calendar(store.load(digest), zone)))


def state(addresses: list[str]) -> tuple[str, ...]:
    """The digests of what was last fetched of these addresses: where they are the same, so is what they show."""
    known = dict(Feed.objects.filter(address__in=addresses).values_list("address", "digest")) if addresses else {}
    return tuple(known.get(address, "") for address in addresses)


def connect(address: str, now: datetime) -> bool:
    """Fetch an address now; whether it says something else than before. Raises Fault ``feeds-off`` or ``not-fetched``,
    or ``calendar-unreadable``."""
    if not settings.FEEDS:
        reason = Message("Whoever runs this Yemba has switched calendar feeds off. Bring in a calendar file instead.")
        raise Fault("feeds-off", reason, "feed")
    return _fetch(feed(address) or Feed(address=address), now)


def _fetch(row: Feed, now: datetime) -> bool:
    """Fetch it and keep what came; whether that is another than before. Raises Fault; then the last copy stays."""
    known = Copy(None, row.etag, row.modified) if row.digest else None
    try:
        copy = fetch(row.address, MOST_BYTES, known=known, own=_own_host())
        if copy.data is not None:
            read_calendar(copy.data, ZoneInfo("UTC"))
    except Fault as fault:
        row.failures += 1
        row.failed = fault.sentence[:300]
        row.next_at = now + min(_LONGEST_WAIT, settings.FEED_EVERY * 2 ** min(row.failures, _MOST_DOUBLINGS))
        if row.pk:
            row.save()
        raise Fault(fault.code, fault.sentence, "feed") from None
    was = row.digest
    if copy.data is not None:
        row.digest, row.etag, row.modified = store.keep(copy.data), copy.etag, copy.modified
    row.failures, row.failed = 0, ""
    row.fetched_at, row.next_at = now, now + settings.FEED_EVERY
    row.save()
    return row.digest != was


def _own_host() -> str:
    """The stand-in's, with the port that this installation answers at where that is known; "" where there is none."""
    return f"{settings.FEEDS_HOST}:{settings.SITES_PORT}".removesuffix(":") if settings.FEEDS_HOST else ""


def refresh_due(now: datetime | None = None) -> list[str]:
    """Fetch again what is due, and forget what no site shows any more; the addresses that say something else now."""
    now = now or timezone.now()
    changed = []
    for row in Feed.objects.filter(next_at__lte=now) if settings.FEEDS else ():
        if not Feed.objects.filter(pk=row.pk, next_at=row.next_at).update(next_at=now + settings.FEED_EVERY):
            continue  # another runner has it
        try:
            if _fetch(row, now):
                changed.append(row.address)
        except Fault as fault:
            _LOG.info("%s was not fetched: %s", row.address, fault.sentence)
        except Exception:  # noqa: BLE001 -- logged; the others are fetched
            _LOG.exception("%s was not fetched", row.address)
    return changed
