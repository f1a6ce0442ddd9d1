"""The languages of the studio: how what it says becomes words of the reader's language.

Templates and messages share one catalogue a language, ``locale/TAG/LC_MESSAGES/django.po``; ``manage.py messages``
writes into it what is new, and ``bin/prepare`` compiles it.
"""

from __future__ import annotations

from pathlib import Path

from babel.messages.catalog import Catalog
from babel.messages.mofile import write_mo
from babel.messages.pofile import read_po
from django.utils import translation

CATALOGUES = Path(__file__).parent / "locale"


class Reader:
    """Says messages in the language that this request is answered in (Django, "Translation")."""

    def gettext(self, message: str) -> str:
        return translation.gettext(message)

    def ngettext(self, singular: str, plural: str, number: int) -> str:
        return translation.ngettext(singular, plural, number)

    def language(self) -> str:
        return (translation.get_language() or "en").partition("-")[0]


def read(file: Path) -> Catalog:
    """A catalogue as it stands; an empty one where there is none."""
    tag = file.parent.parent.name
    if not file.exists():
        return Catalog(locale=tag)
    with file.open("rb") as opened:
        return read_po(opened, locale=tag)


def compile_catalogues() -> None:
    """Each as gettext reads it, beside it, where it was changed since."""
    for file in sorted(CATALOGUES.glob("*/LC_MESSAGES/django.po")):
        compiled = file.with_suffix(".mo")
        if compiled.exists() and compiled.stat().st_mtime > file.stat().st_mtime:
            continue
        with compiled.open("wb") as opened:
            write_mo(opened, read(file))


if __name__ == "__main__":
    compile_catalogues()
