"""The history of a draft: every edit in words, any step looked at, any step gone back to."""

from __future__ import annotations

from datetime import datetime
from typing import NamedTuple

from django.db import transaction

from yemba.core.change.operation import apply, from_plain, inverse
from yemba.core.errors import Fault
from yemba.core.site.document import Document
from yemba.sites import services
from yemba.sites.models import Site


class Step(NamedTuple):
    """An edit; `number` 0 is how the site began. The draft stands `here`; what is `undone` lies ahead of it."""

    number: int
    label: str
    made_at: datetime
    here: bool
    undone: bool


def steps(site: Site) -> list[Step]:
    """Newest first, those ahead of the draft too."""
    edits = list(site.edits.only("number", "label", "made_at", "undone"))
    here = max((edit.number for edit in edits if not edit.undone), default=0)
    told = [Step(e.number, e.label, e.made_at, e.number == here, e.undone) for e in edits]
    return [*reversed(told), Step(0, "As the site began", site.made_at, here == 0, False)]


def at(site: Site, number: int) -> Document:
    """The draft as it was after an edit. Raises Fault ``no-such-step``."""
    document = services.document(site)
    if number and not site.edits.filter(number=number).exists():
        raise Fault("no-such-step", f"There is no step {number} in the history of this site.")
    for edit in site.edits.filter(number__gt=number, undone=False).reverse():
        document = apply(document, inverse([from_plain(plain) for plain in edit.operations]))
    for edit in site.edits.filter(number__lte=number, undone=True):
        document = apply(document, [from_plain(plain) for plain in edit.operations])
    return document


@transaction.atomic
def go_to(site: Site, number: int) -> services.Done:
    """Walk back, or on, to a step; what lies ahead stays and can be walked again. Raises Fault ``no-such-step``."""
    site = services.locked(site)
    before, after = services.document(site), at(site, number)
    label = next((step.label for step in steps(site) if step.number == number), "")
    if after != before:
        services.store_draft(site, after)
    site.edits.filter(number__gt=number).update(undone=True)
    site.edits.filter(number__lte=number).update(undone=False)
    return services.Done(before, after, f"Back at: {label}")
