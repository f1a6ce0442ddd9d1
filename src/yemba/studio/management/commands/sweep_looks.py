"""Every template, kind and layout on words of many sorts at every width, looked at by a browser."""

from __future__ import annotations

from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser

from yemba.sites.catalogue import catalogue
from yemba.studio.management.commands._chromium import chromium, lacking
from yemba.studio.management.commands._judges import missing
from yemba.studio.management.commands._looks import (
    DENSITIES,
    WIDTHS,
    WORDS,
    Looks,
    document,
    findings,
    of_bitmaps,
    pictures,
)

_NARROWEST_SCREEN = 320  # px; a narrower window is one whose text was enlarged, and no screen of a phone


class Command(BaseCommand):
    help = "Look for what runs out of its room, breaks, cannot be read, lacks a letter, is blurred, or fails axe or Nu."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--template", action="append", help="only this one; may come more than once")
        parser.add_argument("--kind", action="append", default=[], help="only pages of this kind of section")
        parser.add_argument("--words", action="append", choices=[*WORDS], help="only words of this sort")
        parser.add_argument("--width", action="append", type=int, help="only this width in px")
        parser.add_argument("--unjudged", action="store_true", help="without axe and the Nu HTML checker")

    def handle(self, *args: Any, **options: Any) -> None:
        without = lacking()
        if without:
            raise CommandError(f"This needs Chromium: {without}.")
        absent = missing()
        if absent and not options["unjudged"]:
            raise CommandError(f"This needs {'; '.join(absent)}. Go without with --unjudged.")
        kept, count, judged = pictures()[0], 0, not options["unjudged"]
        with chromium() as browser:
            for template in options["template"] or catalogue().templates:
                for sort in options["words"] or WORDS:
                    site = document(catalogue(), template, WORDS[sort], kept)
                    looks = Looks(browser, site, catalogue(), options["kind"])
                    for finding in self._all(looks, options["width"] or WIDTHS, sort, judged):
                        count += 1
                        self.stdout.write(f"{template}, {sort}: {finding}")
        if count:
            raise CommandError(f"{count} findings.")
        self.stdout.write("No findings.")

    def _all(self, looks: Looks, widths: Any, sort: str, judged: bool) -> Any:
        yield from findings(looks, widths, judged=judged)
        for density in DENSITIES if sort == "long" else ():
            for width in (width for width in widths if width >= _NARROWEST_SCREEN):
                for path in looks.paths():
                    page = looks.page(width, density)  # anew: a browser takes a larger one that it has already
                    looks.open(page, path)
                    yield from (f"{path} at {width} x {density}: {what}" for what in of_bitmaps(page))
                    page.context.close()
