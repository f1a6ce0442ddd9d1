"""Bring the catalogues of the studio's languages up to date with what the studio says."""

from __future__ import annotations

from io import BytesIO
from pathlib import Path
from typing import Any

from babel.messages.catalog import Catalog
from babel.messages.pofile import write_po
from django.core.management.base import BaseCommand, CommandParser

from yemba.studio.management.commands._extract import Found, messages
from yemba.studio.translation import CATALOGUES, compile_catalogues, read

_UNSAID = tuple(
    f'"{name}'
    for name in (
        "Report-",
        "POT-Creation-",
        "PO-Revision-",
        "Last-Translator",
        "Language-Team",
        "Generated-By",
        "Project-",
    )
)
"""Lines of a header that say nothing here, or something else every day."""


class Command(BaseCommand):
    help = (
        "Write into the catalogue of each language of the studio what the studio says and the catalogue lacks, take "
        "out what it says no more, and compile it. A language is added by naming its tag."
    )

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("languages", nargs="*", help="tags of new languages, such as it")

    def handle(self, *languages: str, **options: Any) -> None:
        known = {file.parent.parent.name for file in CATALOGUES.glob("*/LC_MESSAGES/django.po")}
        every = list(messages())
        for tag in sorted(known | set(options["languages"])):
            file = CATALOGUES / tag / "LC_MESSAGES" / "django.po"
            catalogue = brought_up(read(file), every)
            write(file, catalogue)
            lacking = sum(not is_translated(message.string) for message in catalogue if message.id)
            self.stdout.write(f"{tag}: {len(catalogue)} messages, {lacking} without a translation")
        compile_catalogues()


def brought_up(old: Catalog, every: list[Found]) -> Catalog:
    """A catalogue of what the studio says now, with the translations that `old` has of it."""
    new = Catalog(locale=old.locale, project="Yemba", header_comment=f"# The studio in {old.locale}.", fuzzy=False)
    for sentence in sorted(every, key=lambda one: (one.where, one.text)):
        identity = (sentence.text, sentence.plural) if sentence.plural else sentence.text
        before = old.get(identity, sentence.context or None)
        translation = before.string if before else None
        message = new.add(
            identity, translation or "", locations=[(sentence.where, 0)], context=sentence.context or None
        )
        if message is not None and not sentence.where.endswith(".html"):
            message.flags.discard("python-format")  # a "%" there is one
    return new


def is_translated(translation: Any) -> bool:
    """Whether every form of a translation is there."""
    return all(translation) if isinstance(translation, tuple | list) else bool(translation)


def write(file: Path, catalogue: Catalog) -> None:
    written = BytesIO()
    write_po(written, catalogue, width=120, include_lineno=False)
    lines = written.getvalue().decode().splitlines(keepends=True)
    file.parent.mkdir(parents=True, exist_ok=True)
    file.write_text("".join(line for line in lines if not line.startswith(_UNSAID)))
