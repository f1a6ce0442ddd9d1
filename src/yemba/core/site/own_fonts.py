"""The owner's own fonts as families: what a document keeps of them, and what can be done with it."""

from __future__ import annotations

from collections.abc import Iterator
from hashlib import sha256
from typing import Any

from yemba.core.site.catalogue import Catalogue, Family, FontFile
from yemba.core.site.document import Document, OwnFamily, OwnFont
from yemba.core.site.settings import referring
from yemba.core.type.facts import REGULAR, Facts
from yemba.core.type.intake import CleanFont


def font_id(family: str) -> str:
    """A family's id follows from its name, so that its weights come together, on this site and on others."""
    return f"own-{sha256(family.casefold().encode()).hexdigest()[:8]}"


def grown(known: OwnFamily | None, more: OwnFamily) -> OwnFamily:
    """A family with the files of another of its name; one of the same style and weights takes its place. What the
    owner said of it stays; the most regular file speaks for all."""
    if known is None:
        return more
    new = {(file.style, file.lightest, file.heaviest) for file in more.files}
    others = [file for file in known.files if (file.style, file.lightest, file.heaviest) not in new]
    leads = all(_off(more.files[0]) <= _off(other) for other in others)
    update: dict[str, Any] = {"kind": known.kind, "files": sorted([*others, *more.files], key=_off)}
    update |= {"licence": known.licence} if known.licence == "leave" else {}
    update |= {} if leads else {"facts": known.facts}
    return more.model_copy(update=update)


def _off(font: OwnFont) -> tuple[bool, int, int]:
    """How far a file is from the regular upright."""
    off = max(0, font.lightest - REGULAR, REGULAR - font.heaviest)
    return font.style != "normal", off, font.lightest


def own_families(document: Document, catalogue: Catalogue) -> dict[str, Family]:
    """By id, as the document keeps them, but for those of which a file is gone."""
    return {key: _family(key, own, catalogue) for key, own in document.fonts.items() if not _lacks_file(own, catalogue)}


def _lacks_file(own: OwnFamily, catalogue: Catalogue) -> bool:
    """Whether the store has lost a file of it."""
    return not all(catalogue.is_stored(file.file) for file in own.files)


def _family(key: str, own: OwnFamily, catalogue: Catalogue) -> Family:
    facts = {name: tuple(value) if isinstance(value, list) else value for name, value in own.facts.items()}
    return Family(
        slug=key,
        name=own.name,
        kind=own.kind,
        about="",
        files=tuple(FontFile(f.style, "", (f.lightest, f.heaviest), f.file) for f in own.files),
        facts=Facts(**facts),  # type: ignore[arg-type]
        read=catalogue.stored,
        open=catalogue.open_stored,
        own=True,
        whole=own.whole,
    )


def own_family(font: CleanFont, file: str) -> OwnFamily:
    """A clean font, its file kept under its SHA-256, as documents keep it."""
    stored = OwnFont(file=file, style=font.style, lightest=font.weights[0], heaviest=font.weights[1])
    about = {"kind": font.kind, "licence": font.licence, "whole": font.whole, "facts": plain_facts(font.facts)}
    return OwnFamily.model_validate({"name": font.family, "files": [stored], **about})


def plain_facts(facts: Facts) -> dict[str, Any]:
    """Facts as a document keeps them."""
    return {name: list(value) if isinstance(value, tuple) else value for name, value in facts._asdict().items()}


def settings_with(document: Document, font: str) -> Iterator[tuple[str, str]]:
    """Where a font is chosen: (home, key) of every setting that names it."""
    for setting in referring("face"):
        if getattr(document, setting.home).get(setting.key) == font:
            yield setting.home, setting.key
