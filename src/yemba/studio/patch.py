"""What the windows must change to show another state of the same page."""

from __future__ import annotations

from typing import Any

from yemba.core.site.document import Document
from yemba.hosting.services import rendering
from yemba.render.files import style_names
from yemba.render.page import fragments, path_of
from yemba.render.site import Site as Rendering
from yemba.render.style import values


def patch(before: Document | None, after: Document, page: str) -> dict[str, Any]:
    """Values, rules and fragments of `page` in `after` that differ from `before`; None: all of them.

    Where the page is no longer there, `follow` names the one to show instead.
    """
    if page not in after.pages:
        return {"follow": path_of(after.pages[after.order[0]]), "page": after.order[0]}
    new = rendering(after, draft=True)
    made = fragments(new, page)
    changed: dict[str, Any] = {"fragments": made.pieces, "order": made.order, "arrangement": made.arrangement}
    changed |= _styles(new)
    changed["page"], changed["slugs"] = page, {key: path_of(known) for key, known in after.pages.items()}
    if before is not None and page in before.pages:
        old = rendering(before, draft=True)
        was = fragments(old, page)
        changed["fragments"] = {p: html for p, html in made.pieces.items() if was.pieces.get(p) != html}
        styles = _styles(old)
        changed = {key: value for key, value in changed.items() if styles.get(key) != value}
    return changed


def _styles(site: Rendering) -> dict[str, str]:
    return {"values": values(site.look), "rules": style_names(site.look)[0]}
