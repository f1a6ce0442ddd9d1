"""Going out with some of the waiting changes: the live document with the chosen ones, and no other."""

from __future__ import annotations

from collections.abc import Collection, Sequence

from pydantic import ValidationError

from yemba.core.change.difference import Change, difference
from yemba.core.change.operation import apply
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document

_UNDER = ("template", "ready-sheet")


def companions(change: Change, changes: Sequence[Change]) -> set[str]:
    """Keys of the changes that must go out with this one.

    What mentions a page or a ground that is new needs it; one that goes needs the changes that
    take the mentions of it away.
    """
    new = {other.page: other.key for other in changes if other.form == "page" and other.after == "new"}
    grounds = {other.key.partition(".")[2]: other for other in changes if other.key.startswith("ground.")}
    new |= {ground: other.key for ground, other in grounds.items() if not other.before}
    found = {key for page, key in new.items() if key != change.key and page in _mentioned(change, "new")}
    if change.form == "page" and change.after == "gone":
        found |= {o.key for o in changes if o.key != change.key and change.page in _mentioned(o, "old")}
    for ground, other in grounds.items():
        if change is other and not change.after:
            found |= {o.key for o in changes if o is not change and ground in _mentioned(o, "old")}
    return found


def closed(keys: Collection[str], changes: Sequence[Change]) -> set[str]:
    """The chosen keys with all that must come along."""
    chosen = set(keys)
    while True:
        more = {key for change in changes if change.key in chosen for key in companions(change, changes)} - chosen
        if not more:
            return chosen
        chosen |= more


def take(live: Document, draft: Document, keys: Collection[str], catalogue: Catalogue) -> Document:
    """`live` with the chosen changes of `draft`; all of them give the draft, none the live document.

    The outcome does not depend on the order of `keys`. Raises Fault ``needs-others`` where a change
    cannot go without one that waits.
    """
    every = difference(live, draft, catalogue)
    wanted = closed(keys, every)
    if wanted >= {change.key for change in every}:
        return draft
    made = live
    while todo := [change for change in difference(made, draft, catalogue) if change.key in wanted]:
        # what the owner set goes before what it stands on, so that it keeps the other values it was set beside
        for change in sorted(todo, key=lambda change: change.key in _UNDER):
            try:
                made = apply(made, change.steps)
            except ValidationError:
                continue  # perhaps another has to come first
            break
        else:
            names = ", ".join(f"“{change.subject}”" for change in todo)
            raise Fault(
                "needs-others", f"{names} cannot go out without a change that waits. Let it go too, or hold it."
            )
    return made


def _mentioned(change: Change, side: str) -> str:
    """All that a change's steps put in ("new") or take away ("old"), as text to look for ids in."""
    return repr([(step.path, getattr(step, side)) for step in change.steps])
