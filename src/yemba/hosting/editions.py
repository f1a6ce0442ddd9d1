"""Editions: named, looked at, compared page by page; and publishing at a set time."""

from __future__ import annotations

import logging
import secrets
from collections.abc import Collection, Sequence
from datetime import datetime, timedelta
from typing import NamedTuple
from zoneinfo import ZoneInfo

from django.db.models import Q
from django.utils import timezone

from yemba.core.change.difference import Change, difference
from yemba.core.change.subset import document_with
from yemba.core.errors import Fault
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Message
from yemba.core.site import journal
from yemba.core.site.dates import zone
from yemba.core.site.document import Document, read
from yemba.core.site.resolve import Look
from yemba.core.value.line import Line
from yemba.hosting import services
from yemba.hosting.models import Edition, Live, Planned
from yemba.render.page import path_of
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site

_LOG = logging.getLogger("yemba.fault")
_GIVEN_UP = timedelta(minutes=10)
_FARTHEST = timedelta(days=366)


class PageCompared(NamedTuple):
    """A page in two editions: `state` is same, changed, new or gone; the paths are "" where it is not there."""

    name: str
    state: str
    first: str
    second: str


def rename(site: Site, number: int, name: str) -> Edition:
    """Give an edition a name, or with "" take it away. Raises Fault ``no-such-edition`` or ``too-long``."""
    renamed = services.edition(site, number)
    renamed.name = Line(NAME_LETTERS).read(name, Message("The edition’s name"), "edition_name")
    renamed.save(update_fields=["name"])
    return renamed


def compared(site: Site, first: int, second: int) -> tuple[list[PageCompared], list[Change]]:
    """The pages of two editions beside one another, by their files; and what differs in words.

    Raises Fault ``no-such-edition``.
    """
    one, other = services.edition(site, first), services.edition(site, second)
    was, now = read(one.document), read(other.document)
    pages = []
    for key in [*now.order, *(key for key in was.order if key not in now.pages)]:
        paths = [_path_in(edition, document, key) for edition, document in ((one, was), (other, now))]
        if not any(paths):
            continue  # no visitor saw it in either
        name = (now.pages.get(key) or was.pages[key]).name
        pages.append(
            PageCompared(name, _state(one, other, *paths), *(path.removesuffix("index.html") for path in paths))
        )
    return pages, difference(was, now, catalogue())


def _path_in(edition: Edition, document: Document, key: str) -> str:
    """The file of a page in an edition, "" where visitors did not see it there."""
    path = path_of(document.pages[key]) if key in document.pages else ""
    return path if path in edition.manifest else ""


def _state(one: Edition, other: Edition, was: str, now: str) -> str:
    if not was:
        return "new"
    if not now:
        return "gone"
    return "same" if was == now and one.manifest.get(was) == other.manifest.get(now) else "changed"


def plan(site: Site, document: Document, changes: Sequence[Change], at: datetime) -> Planned:
    """Publish these changes of `document` at a set time; an earlier plan is replaced.

    Raises Fault ``time-past`` or ``time-too-far``.
    """
    now = timezone.now()
    if at <= now:
        raise Fault(
            "time-past", Message("{at:%d %B %Y, %H:%M} is past. Choose a time to come, or publish now.", at=at), "at"
        )
    if at > now + _FARTHEST:
        raise Fault(
            "time-too-far", Message("{at:%d %B %Y} is more than a year away. Choose an earlier day.", at=at), "at"
        )
    about = {
        "at": at,
        "document": document.text(),
        "keys": [change.key for change in changes],
        "changes": [in_words(change) for change in changes],
        "begun_at": None,
        "failed": "",
    }
    return Planned.objects.update_or_create(site=site, defaults=about)[0]


def planned(site: Site) -> Planned | None:
    return Planned.objects.filter(site=site).first()


def cancel(site: Site) -> None:
    Planned.objects.filter(site=site).delete()


def publish_due(now: datetime | None = None) -> list[Edition]:
    """Publish whatever is due. Each is taken by one runner only; one that was left half done is taken again.

    What goes wrong with one is kept with it, for its owner, and stops none of the others.
    """
    now = now or timezone.now()
    free = Q(begun_at=None) | Q(begun_at__lt=now - _GIVEN_UP)
    done = []
    for planned in Planned.objects.filter(free, at__lte=now, failed="", site__binned_at=None).select_related("site"):
        if not Planned.objects.filter(free, pk=planned.pk).update(begun_at=now):
            continue
        try:
            document = _due_document(planned)
            done.append(services.publish(planned.site, planned.changes, on=now, document=document, plan=planned))
        except Fault as fault:
            _keep_why(planned, fault.sentence)
        except Exception:  # noqa: BLE001 -- kept with the plan and logged
            number = secrets.token_hex(3)
            _LOG.exception("the plan of %s: fault %s", planned.site.slug, number)
            _keep_why(
                planned,
                Message(
                    "Something broke, which is Yemba’s fault. The log has it by the number {number}.", number=number
                ),
            )
    return [*done, *_posts_due(now)]


def _posts_due(now: datetime) -> list[Edition]:
    """An edition for each live site of which a post was to appear by now: of the same document, with the post. Where
    that goes wrong it is tried again after a while."""
    done = []
    for live in Live.objects.filter(until__lte=now, site__binned_at=None).select_related("site", "edition"):
        if not Live.objects.filter(pk=live.pk, until=live.until).update(until=now + _GIVEN_UP):
            continue
        try:
            document = read(live.edition.document)
            appeared = _appeared(document, live.edition.made_at, now)
            done.append(services.publish(live.site, appeared, on=now, document=document))
        except Exception:  # noqa: BLE001 -- logged, and tried again
            _LOG.exception("the posts of %s that were to appear", live.site.slug)
    return done


def _appeared(document: Document, since: datetime, now: datetime) -> list[str]:
    """In words, the posts that have appeared since an edition was made."""
    before, after = (journal.posts(document, at.astimezone(_zone(document))) for at in (since, now))
    return [Message("Post appeared: {name}", name=document.pages[key].name)[:120] for key in after if key not in before]


def _zone(document: Document) -> ZoneInfo:
    return zone(Look(document, catalogue()))


def _keep_why(plan: Planned, sentence: str) -> None:
    """With this very plan: one that took its place meanwhile is as it was."""
    Planned.objects.filter(pk=plan.pk, at=plan.at).update(failed=sentence[:300], begun_at=None)


def _due_document(planned: Planned) -> Document:
    """What is live now with the planned changes; later edits of the draft do not go along."""
    wanted, live = read(planned.document), services.live_document(planned.site)
    if live is None:
        return wanted
    keys: Collection[str] = {change.key for change in difference(live, wanted, catalogue())} & set(planned.keys)
    return document_with(live, wanted, keys, catalogue())


def in_words(change: Change) -> str:
    """A change as an edition remembers it."""
    return f"{change.subject}: {change.after}"[:120] if change.after else change.subject
