"""Pages that change as time goes: dates that are over leave them, and the year in the footer is the present one.

What an edition was published with stays as it is; what stands in its place now is kept beside it, and made anew by the
first visitor who comes after the moment at which it changes.
"""

from __future__ import annotations

import logging
import re
from collections.abc import Iterator, Mapping
from datetime import datetime, timedelta

from django.utils import timezone

from yemba.core.part.part import BESIDE, parts
from yemba.core.site import feeds
from yemba.core.site.dates import next_change
from yemba.core.site.document import Section
from yemba.core.site.footer import is_shown
from yemba.core.site.kinds import DATES
from yemba.hosting.models import Edition, Fresh
from yemba.hosting.rendering import live_address, rendering
from yemba.render.files import File, site_files
from yemba.render.page import path_of
from yemba.render.site import Site as Rendering
from yemba.sites import services as sites
from yemba.sites import store

_LOG = logging.getLogger("yemba.fresh")
_ASSET = re.compile(rb"(?:assets|dates)/[\w.-]+")
_CALENDARS = "dates/"
_TRIED_AGAIN = timedelta(minutes=10)


def watch(edition: Edition, ready: Rendering) -> None:
    """Remember when each page of a new edition changes by itself; and which show a feed, which may say something else
    at any time."""
    document = ready.look.document
    fed = {key for address in feeds.addresses(document) for key in feeds.pages_with(document, address)}
    untils = ((key, path_of(page), changes_at(ready, key)) for key, page in document.published_pages())
    rows = [
        Fresh(edition=edition, path=path, digest=edition.manifest[path], made_at=edition.made_at, until=until)
        for key, path, until in untils
        if (until or key in fed) and path in edition.manifest
    ]
    Fresh.objects.bulk_create(rows)


def feed_changed(address: str, now: datetime) -> None:
    """A feed says something else: the live pages that show it are made anew for whoever comes next."""
    for edition in Edition.objects.filter(live__isnull=False, document__contains=address):
        document = sites.read_again(edition.document)
        paths = [path_of(document.pages[key]) for key in feeds.pages_with(document, address)]
        Fresh.objects.filter(edition=edition, path__in=paths).update(until=now)


def changes_at(ready: Rendering, page: str) -> datetime | None:
    """The next moment at which a page is another; None where it stays as it is."""
    sections = [one for one in _shown(ready, page) if DATES in ready.look.catalogue.kind(one.kind).roles]
    moments = [next_change(sections, ready.moment)]
    if is_shown(ready.look) and "{year}" in ready.look.value("footer.copyright"):
        moments.append(ready.moment.replace(ready.moment.year + 1, 1, 1, 0, 0, 0, 0))
    return min((moment for moment in moments if moment), default=None)


def _shown(ready: Rendering, page: str) -> Iterator[Section]:
    """The sections of a page, and those of parts."""
    document = ready.look.document
    whole = document.shown(page)
    yield from whole.sections.values()
    for part in parts().values():
        if part.stands != BESIDE or not whole.no_sidebar:
            yield from document.holder(("shared", part.slug)).sections.values()


def current(edition: int, path: str) -> Fresh | None:
    """What stands at a path now, in place of what an edition was published with; None where that is still it."""
    row = Fresh.objects.filter(edition_id=edition, path=path).first()
    if row and row.until and row.until <= timezone.now():
        _renew(row)
    return row


def _renew(row: Fresh) -> None:
    """Make a page anew as it is now. Where that cannot be done visitors see the one there was."""
    edition, now = row.edition, timezone.now()
    try:
        ready = rendering(sites.read_again(edition.document), on=now, address=live_address(edition.site))
        files = site_files(ready)
        data = _bytes(files[row.path])
        _keep_assets(edition, files, data, now)
    except Exception:  # noqa: BLE001 - whatever it is, the page there was still stands
        _LOG.exception("%s of %s could not be made anew", row.path, edition)
        Fresh.objects.filter(pk=row.pk).update(until=now + _TRIED_AGAIN)
        return
    page = next(key for key, page in ready.look.document.published_pages() if path_of(page) == row.path)
    row.digest, row.made_at, row.until = store.keep(data), now, changes_at(ready, page)
    row.save()


def _bytes(file: File) -> bytes:
    return file.recording.make()[0] if file.recording else file.make()


def _keep_assets(edition: Edition, files: Mapping[str, File], data: bytes, now: datetime) -> None:
    """Styles and pictures that the page names and the edition has not, such as those of a newer Yemba; and the
    calendars it leads to, as they are now."""
    known = set(edition.manifest) | set(Fresh.objects.filter(edition=edition).values_list("path", flat=True))
    known = {path for path in known if not path.startswith(_CALENDARS)}
    waiting = [data]
    while waiting:
        named = {path.decode() for path in _ASSET.findall(waiting.pop())}
        for path in (named & files.keys()) - known:
            made = _bytes(files[path])
            about = {"digest": store.keep(made), "made_at": now}
            Fresh.objects.update_or_create(edition=edition, path=path, defaults=about)
            known.add(path)
            waiting.append(made)
