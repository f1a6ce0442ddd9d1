"""The history of a draft: every edit in words, any step looked at, any step gone back to."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime
from typing import Any, NamedTuple

from django.db import transaction

from yemba.core.change.operation import Operation, apply, from_plain, inverse
from yemba.core.errors import Fault
from yemba.core.message import Message
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
    rows = site.edits.values_list("number", "label", "made_at", "undone")
    here = max((number for number, _, _, undone in rows if not undone), default=0)
    made = [Step(number, label, made_at, number == here, undone) for number, label, made_at, undone in rows]
    began = Step(0, Message("As the site began"), site.made_at, here == 0, False)
    return [*reversed(made), began]


def at(site: Site, number: int) -> Document:
    """The draft as it was after an edit. Raises Fault ``no-such-step``."""
    if number and not site.edits.filter(number=number).exists():
        raise Fault("no-such-step", Message("There is no step {number} in the history of this site.", number=number))
    back = site.edits.filter(number__gt=number, undone=False).reverse().values_list("operations", flat=True)
    forth = site.edits.filter(number__lte=number, undone=True).values_list("operations", flat=True)
    steps = [step for operations in back for step in inverse(_steps(operations))]
    steps += [step for operations in forth for step in _steps(operations)]
    return apply(services.document(site), steps)


def _steps(operations: Iterable[dict[str, Any]]) -> list[Operation]:
    return [from_plain(plain) for plain in operations]


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
    return services.Done(before, after, Message("Back at: {label}", label=label))
