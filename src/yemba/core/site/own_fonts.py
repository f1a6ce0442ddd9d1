"""The owner's own fonts as families: what a document keeps of them, and what can be done with it."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from yemba.core.site.catalogue import Catalogue, Family, FontFile
from yemba.core.site.document import Document, OwnFamily
from yemba.core.site.settings import names_family
from yemba.core.type.facts import Facts


def own_families(document: Document, catalogue: Catalogue) -> dict[str, Family]:
    """By id, as the document keeps them."""
    return {key: _family(key, own, catalogue) for key, own in document.fonts.items()}


def _family(key: str, own: OwnFamily, catalogue: Catalogue) -> Family:
    told = {name: tuple(value) if isinstance(value, list) else value for name, value in own.facts.items()}
    return Family(
        slug=key,
        name=own.name,
        kind=own.kind,
        about="",
        files=tuple(FontFile(f.style, "", (f.lightest, f.heaviest), f.file) for f in own.files),
        facts=Facts(**told),  # type: ignore[arg-type]
        read=catalogue.stored,
        open=catalogue.open_stored,
        own=True,
        whole=own.whole,
    )


def plain_facts(facts: Facts) -> dict[str, Any]:
    """Facts as a document keeps them."""
    return {name: list(value) if isinstance(value, tuple) else value for name, value in facts._asdict().items()}


def settings_with(document: Document, font: str) -> Iterator[tuple[str, str]]:
    """Where a font is chosen: (home, key) of every setting that names it."""
    for home in ("sheet", "parts"):
        held = getattr(document, home)
        yield from ((home, key) for key, value in held.items() if value == font and names_family(key))
