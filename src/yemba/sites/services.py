"""What can be done with a site. Each function is one verb; views call one of them."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from typing import Any, NamedTuple
from zoneinfo import ZoneInfo

from django.conf import settings
from django.db import transaction
from pydantic import ValidationError

from yemba.core import timing
from yemba.core.cache import Cache
from yemba.core.change.added import added
from yemba.core.change.command import read_command
from yemba.core.change.operation import Operation, apply, fold, from_plain, inverse, overlap
from yemba.core.change.patch import steps_between
from yemba.core.change.words import in_words
from yemba.core.errors import Clash, Fault
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Message
from yemba.core.place import Place
from yemba.core.room import KILOBYTES, Room
from yemba.core.site.document import Document, read
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look
from yemba.core.value.line import Line
from yemba.people.models import Person
from yemba.sites import starter
from yemba.sites.addresses import check_address
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Edit, Site


class Done(NamedTuple):
    """The outcome of an edit, undo or redo: the documents before and after, what it is called ("" where it changed
    nothing), what it added.

    Of one that shows `anew` it is not known what was shown before: it had been done already, or what is shown came from
    elsewhere.
    """

    before: Document
    after: Document
    label: str
    added: Place | None = None
    anew: bool = False


_LONGEST_LABEL = 240
_NEARLY = 0.2  # of what a site may hold, in letters of up to four bytes; what one edit adds is less than the rest
_READ: Cache[str, Document] = Cache(
    "documents read",
    most=60_000_000,
    weigh=lambda document: 4_000 + 120 * (len(document.pages) + len(document.pictures)),
)
"""By stored text; what pages and pictures take is held by ``core.site.document``."""


def document(site: Site) -> Document:
    """The draft."""
    return read_again(site.document)


def read_again(text: str) -> Document:
    """The document of a stored text. Texts read or written lately are not read again: the same one comes back."""
    return _READ.get_or_make(text, lambda: read(text))


def look(site: Site) -> Look:
    return Look(document(site), catalogue())


def zone(site: Site) -> ZoneInfo:
    """The time zone in which its owner is told of times."""
    return ZoneInfo(look(site).value("site.time_zone"))


def empty() -> Document:
    """A document on which nothing is set, in the first template there is."""
    return Document(name="", template=next(iter(catalogue().templates)))


def sites_of(person: Person) -> list[Site]:
    """Those that are not in the bin."""
    return list(Site.objects.filter(owner=person, binned_at=None))


def room(owner: Person) -> Room:
    """How many sites one person may have."""
    return Room(settings.MOST_SITES, Message("sites of one person"), Message("Ask whoever runs this Yemba for more."))


def create(owner: Person, name: str, address: str, template: str, values: Mapping[str, str] | None = None) -> Site:
    """A new site with starter pages; `values` are those of settings, by key. Raises Fault beside ``title``, ``slug``,
    ``template`` or a key."""
    room(owner).check(owner.sites.count(), "title")
    title = Line(NAME_LETTERS, empty=False).read(name, Message("The site’s name"), "title")
    slug = check_address(address)
    made = starter.document(title, catalogue().template(template).slug, catalogue(), new_id)
    for key, typed in (values or {}).items():
        command = read_command("set-value", {"key": key, "value": typed})
        made = apply(made, command.plan(Look(made, catalogue()), new_id))
    return Site.objects.create(owner=owner, slug=slug, document=made.text())


@transaction.atomic
def edit(
    site: Site,
    name: str,
    arguments: Mapping[str, Any],
    revision: int | None = None,
    gesture: str = "",
    *,
    window: str = "",
    posted: bool = False,
) -> Done:
    """Do one command on the draft and log it.

    `revision` is the one the owner saw; edits to other places made since merge, an edit to the
    same place in another `window` raises Clash ``changed-meanwhile``. Edits of one `gesture` fold into one.
    """
    site = locked(site)
    before = document(site)
    timing.mark("lock")
    command, resolved = read_command(name, arguments, posted=posted), Look(before, catalogue())
    steps = [step for step in command.plan(resolved, new_id) if step.old != step.new]
    if revision is not None:
        _refuse_clash(site, steps, revision, window)
    after = _applied(before, steps)
    if not steps:
        timing.mark("plan")
        return Done(before, before, "")  # nothing was done that could be told of
    text = after.text()
    _refuse_overfull(site.document, text, after)
    timing.mark("plan")
    label = str(command.say(resolved))[:_LONGEST_LABEL]
    site.edits.filter(undone=True).delete()
    last = site.edits.last()
    store_draft(site, after, text)
    if gesture and last and last.gesture == gesture and last.command == name:
        earlier = [from_plain(plain) for plain in last.operations]
        last.operations = [step.plain() for step in fold(earlier, steps)]
        last.label, last.revision = label, site.revision
        last.save()
    else:
        site.edits.create(
            number=last.number + 1 if last else 1,
            revision=site.revision,
            command=name,
            label=label,
            operations=[step.plain() for step in steps],
            gesture=gesture,
            window=window,
        )
    return Done(before, after, label, added(steps, resolved))


def done_in(site: Site, since: int, window: str) -> None:
    """Note the window that edits since a revision were done in, where they do not say: uploads, palettes, walks."""
    site.edits.filter(revision__gt=since, window="").update(window=window)


@transaction.atomic
def undo(site: Site) -> Done:
    """Take the last edit back. Raises Fault ``nothing-to-undo``."""
    site = locked(site)
    last = last_edit(site)
    if last is None:
        raise Fault("nothing-to-undo", Message("There is nothing to undo."))
    return _walk(site, last, undone=True)


@transaction.atomic
def redo(site: Site) -> Done:
    """Do the last undone edit again. Raises Fault ``nothing-to-redo``."""
    site = locked(site)
    next_one = next_edit(site)
    if next_one is None:
        raise Fault("nothing-to-redo", Message("There is nothing to redo."))
    return _walk(site, next_one, undone=False)


@transaction.atomic
def put_document(site: Site, new: Document, label: str) -> Done:
    """Make the draft equal `new` in one edit, which can be undone like any other."""
    site = locked(site)
    before = document(site)
    steps = steps_between(before, new)
    if not steps:
        return Done(before, before, label)
    site.edits.filter(undone=True).delete()
    last = site.edits.last()
    store_draft(site, new)
    site.edits.create(
        number=last.number + 1 if last else 1,
        revision=site.revision,
        command="put-document",
        label=label,
        operations=[step.plain() for step in steps],
    )
    return Done(before, new, label)


def preview(site: Site, name: str, arguments: Mapping[str, Any]) -> Document:
    """What the draft would be after a command; nothing is stored."""
    before = look(site)
    return _applied(before.document, read_command(name, arguments, posted=True).plan(before, new_id))


def last_edit(site: Site) -> Edit | None:
    """What undo would take back."""
    return site.edits.filter(undone=False).last()


def next_edit(site: Site) -> Edit | None:
    """What redo would do again."""
    return site.edits.filter(undone=True).first()


def locked(site: Site) -> Site:
    """The site as it is now, held until the transaction ends."""
    return Site.objects.select_for_update().get(pk=site.pk)


def _refuse_overfull(before: str, text: str, after: Document) -> None:
    """Raises Fault ``too-many`` where a site grows beyond what a site may hold; what is in the bin does not count."""
    most = KILOBYTES.most * 1000
    if len(before) < _NEARLY * most:
        return
    if len(text) > len(before) and len(after.model_copy(update={"bin": {}}).text().encode()) > most:
        KILOBYTES.check(KILOBYTES.most)


def store_draft(site: Site, after: Document, text: str = "") -> None:
    """Make the draft this document, whose `text` may be at hand; part of an edit, never one alone."""
    site.document = text or after.text()
    _READ.put(site.document, after)
    site.revision += 1
    site.save(update_fields=["document", "revision", "changed_at"])


def _walk(site: Site, which: Edit, *, undone: bool) -> Done:
    before = document(site)
    steps = [from_plain(plain) for plain in which.operations]
    after = _applied(before, inverse(steps) if undone else steps)
    store_draft(site, after)
    which.undone = undone
    which.save(update_fields=["undone"])
    return Done(before, after, which.label)


def _applied(before: Document, steps: Iterable[Operation]) -> Document:
    """Raises Fault ``fits-nowhere`` where the outcome would be no document."""
    try:
        return apply(before, steps)
    except ValidationError as error:
        reason = error.errors()[0]["msg"].removeprefix("Value error, ")
        raise Fault(
            "fits-nowhere",
            Message("This does not fit what stands there now: {reason}. Nothing was changed.", reason=reason),
        ) from error


def _refuse_clash(site: Site, steps: Sequence[Operation], revision: int, window: str) -> None:
    """Orders merge by themselves, since every command plans on the draft as it is now. What a window did itself, it
    knows of."""
    places = [step for step in steps if step.path[-1] != "order"]
    meanwhile = site.edits.filter(revision__gt=revision, undone=False)
    for later in meanwhile.exclude(window=window) if window else meanwhile:
        for plain in later.operations:
            theirs = from_plain(plain)
            clash = next((mine for mine in places if overlap(mine.path, theirs.path)), None)
            if clash and theirs.path[-1] != "order" and clash.new != theirs.new:
                raise Clash(later.label, in_words(clash.old), in_words(clash.new))
