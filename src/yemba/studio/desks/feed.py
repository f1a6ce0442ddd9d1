"""The calendar feed of a section of dates: where it is, and how fetching it went."""

from __future__ import annotations

from datetime import timedelta

from django.conf import settings
from django.utils import timezone
from django.utils.timesince import timesince

from yemba.core.message import Message, Plural
from yemba.core.site.dates import zone
from yemba.core.site.document import Section
from yemba.core.site.feeds import FIELD
from yemba.core.site.resolve import Look
from yemba.sites import feeds
from yemba.studio.desks.setting import Context


def feed_desk(look: Look, section: Section) -> Context:
    """Its address, and in words what was fetched and what could not be."""
    address = section.fields.get(FIELD, "")
    return {"address": address, "on": settings.FEEDS, **(_told(look, address) if address else {})}


def _told(look: Look, address: str) -> Context:
    row = feeds.feed(address)
    fetched = feeds.entries(address, zone(look))
    if row is None or fetched is None or row.fetched_at is None:
        return {"failed": Message("It was not fetched yet.")}
    count = len(fetched.entries)
    ago = timezone.now() - row.fetched_at
    when = (
        Message("{timesince} ago", timesince=timesince(row.fetched_at, depth=1))
        if ago > timedelta(minutes=1)
        else Message("just now")
    )
    sentence = Plural("{number} date in it, fetched {when}.", "{number} dates in it, fetched {when}.", count, when=when)
    failed = (
        Message("It could not be fetched since: {failed} What was last fetched is shown.", failed=row.failed)
        if row.failed
        else ""
    )
    return {"says": sentence, "failed": failed}
