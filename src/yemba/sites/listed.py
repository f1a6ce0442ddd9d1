"""What is done to a site as a whole: copied, renamed, put into the bin and back."""

from __future__ import annotations

import re
from collections.abc import Collection
from datetime import datetime, timedelta
from itertools import count
from textwrap import shorten

from django.db import transaction
from django.utils import timezone

from yemba.core.errors import Fault
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Message, as_name
from yemba.people.models import Person
from yemba.sites import services
from yemba.sites.addresses import free_address
from yemba.sites.models import Site

BIN_DAYS = 30


@transaction.atomic
def copy(site: Site) -> Site:
    """The draft as it stands, as a site of its own with another name and address. Raises Fault ``too-many``."""
    services.room(site.owner).check(site.owner.sites.count(), "title")
    document = services.document(site)
    name = _free_name(document.name, {services.document(one).name for one in site.owner.sites.all()})
    made = document.model_copy(update={"name": name})
    return Site.objects.create(owner=site.owner, slug=free_address(name), document=made.text())


def _free_name(name: str, used: Collection[str]) -> str:
    """What a copy is called: "… copy", "… copy 2" where that is used; a long name is cut at a word."""
    original = _name_of_original(name)
    names = (_fitting_name(original, number) for number in count(1))
    return next(name for name in names if name not in used)


def _name_of_original(name: str) -> str:
    """What that is called of which one with this name is a copy, in the language that is spoken; else the name."""
    numbered = re.escape(_name_of_copy("NAME", 0)).replace("0", r"\d+")
    for pattern in (re.escape(_name_of_copy("NAME", 1)), numbered):
        match = re.fullmatch(pattern.replace("NAME", "(.+)"), name)
        if match:
            return match[1]
    return name


def _fitting_name(original: str, number: int) -> str:
    room = NAME_LETTERS - len(_name_of_copy("", number))
    return _name_of_copy(shorten(original, room, placeholder="") or original[:room], number)


def _name_of_copy(original: str, number: int) -> str:
    if number == 1:
        return as_name(Message("{original} copy", original=original))
    return as_name(Message("{original} copy {number}", original=original, number=number))


def rename(site: Site, title: str) -> services.Done:
    """Another name, as an edit that can be undone; the address stays. Raises Fault beside ``title``."""
    tagline = services.document(site).tagline
    return services.edit(site, "name-site", {"title": title, "tagline": tagline})


def to_bin(site: Site) -> None:
    """From now on nobody sees it, live or as a draft."""
    Site.objects.filter(pk=site.pk).update(binned_at=timezone.now())


def from_bin(person: Person, pk: int) -> Site:
    """As it was, live too. Raises Fault ``not-in-the-bin``."""
    if not Site.objects.filter(owner=person, pk=pk).exclude(binned_at=None).update(binned_at=None):
        raise Fault(
            "not-in-the-bin", Message("That site is not in the bin any more. It may be back, or deleted for good.")
        )
    return Site.objects.get(pk=pk)


def binned(person: Person) -> list[Site]:
    """Those in the bin, the last one first."""
    return list(Site.objects.filter(owner=person).exclude(binned_at=None).order_by("-binned_at"))


def days_left(site: Site) -> int:
    """Until it is deleted for good."""
    if site.binned_at is None:
        return BIN_DAYS
    return max(0, (site.binned_at + timedelta(days=BIN_DAYS) - timezone.now()).days)


def delete_old(now: datetime | None = None) -> int:
    """Delete for good what has been in the bin for long; how many sites that were."""
    old = Site.objects.filter(binned_at__lt=(now or timezone.now()) - timedelta(days=BIN_DAYS))
    number = old.count()
    old.delete()
    return number
