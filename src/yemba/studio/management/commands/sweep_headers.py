"""Headers in every arrangement and template at every width, looked at by a browser."""

from __future__ import annotations

from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser

from yemba.sites.catalogue import catalogue
from yemba.studio.management.commands._chromium import chromium, lacking
from yemba.studio.management.commands._headers import WIDTHS, every_case, faults


class Command(BaseCommand):
    help = "Look for headers that a browser lays out otherwise than was worked out, that overflow or overlap."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--every", type=int, default=1, help="only every so manieth case, for a sample")
        parser.add_argument("--arrangement", action="append", help="only this one; may come more than once")
        parser.add_argument("--template", action="append", help="only this one; may come more than once")

    def handle(self, *args: Any, **options: Any) -> None:
        without = lacking()
        if without:
            raise CommandError(f"This needs Chromium: {without}.")
        cases = [
            case
            for case in every_case(catalogue())
            if case.arrangement in (options["arrangement"] or [case.arrangement])
            and case.template in (options["template"] or [case.template])
        ][:: options["every"]]
        count = 0
        with chromium() as browser:
            for case in cases:
                for fault in faults(case, catalogue(), browser):
                    count += 1
                    self.stdout.write(fault)
        looked = f"{len(cases)} headers at {len(WIDTHS)} widths"
        if count:
            raise CommandError(f"{looked}: {count} findings.")
        self.stdout.write(f"{looked}: no findings.")
