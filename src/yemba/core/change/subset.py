"""Going out with some of the waiting changes: the live document with the chosen ones, and no other."""

from __future__ import annotations

from collections.abc import Collection, Sequence

from pydantic import ValidationError

from yemba.core.change.difference import PAGE, Change, difference
from yemba.core.change.operation import apply
from yemba.core.errors import Fault
from yemba.core.message import Joined, Message
from yemba.core.place import OfColour, OfGround, OfSheet, OfTemplate
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document

_LAYERS = (OfTemplate, OfSheet)
"""What other values stand on: such a change goes last, so that what was set beside it keeps its other values."""


def companions(change: Change, changes: Sequence[Change]) -> set[str]:
    """Keys of the changes that must go out with this one.

    What mentions a page, a ground or a colour that is new needs it; one that goes needs the changes that
    take the mentions of it away.
    """
    others = [other for other in changes if other.key != change.key]
    needed = {other.key for other in others if (new := _comes(other)) and new in _mentioned(change, "new")}
    gone = _goes(change)
    if gone:
        needed |= {other.key for other in others if gone in _mentioned(other, "old")}
    return needed


def _comes(change: Change) -> str:
    """How a page, a ground or a colour is mentioned that comes with a change, "" where none does."""
    if change.kind == PAGE:
        return change.page if change.after == "new" else ""
    return "" if change.before else _named(change)


def _goes(change: Change) -> str:
    """How a page, a ground or a colour is mentioned that goes with a change, "" where none does."""
    if change.kind == PAGE:
        return change.page if change.after == "gone" else ""
    return "" if change.after else _named(change)


def _named(change: Change) -> str:
    match change.place:
        case OfGround(ground):
            return ground
        case OfColour(colour):
            return repr(f"@{colour}")
    return ""


def closed(keys: Collection[str], changes: Sequence[Change]) -> set[str]:
    """The chosen keys with all that must come along."""
    chosen = set(keys)
    while True:
        along = [companions(change, changes) for change in changes if change.key in chosen]
        more = set().union(*along) - chosen
        if not more:
            return chosen
        chosen |= more


def document_with(live: Document, draft: Document, keys: Collection[str], catalogue: Catalogue) -> Document:
    """`live` with the chosen changes of `draft`; all of them give the draft, none the live document.

    The outcome does not depend on the order of `keys`. Raises Fault ``needs-others`` where a change
    cannot go without one that waits.
    """
    every = difference(live, draft, catalogue)
    wanted = closed(keys, every)
    if wanted >= {change.key for change in every}:
        return draft  # with its bin and what no page shows, which are no changes
    return one_by_one(live, draft, wanted, catalogue)


def one_by_one(live: Document, draft: Document, wanted: Collection[str], catalogue: Catalogue) -> Document:
    """The wanted changes put onto `live` one after the other, the difference computed anew after each.

    Raises Fault ``needs-others``.
    """
    made = live
    while todo := [change for change in difference(made, draft, catalogue) if change.key in wanted]:
        made = _with_first(made, todo)
    return made


def _with_first(document: Document, todo: Sequence[Change]) -> Document:
    """With the first of the changes that can stand; perhaps another has to come before the rest."""
    for change in sorted(todo, key=lambda change: isinstance(change.place, _LAYERS)):
        try:
            return apply(document, change.steps)
        except ValidationError:
            continue
    names = Joined(", ", [Message("“{subject}”", subject=change.subject) for change in todo])
    raise Fault(
        "needs-others",
        Message("{names} cannot go out without a change that waits. Let it go too, or hold it.", names=names),
    )


def _mentioned(change: Change, side: str) -> str:
    """All that a change's steps put in ("new") or take away ("old"), as text to look for ids in."""
    return repr([(step.path, getattr(step, side)) for step in change.steps])
