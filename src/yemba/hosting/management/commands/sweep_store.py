from typing import Any

from django.core.management.base import BaseCommand, CommandParser

from yemba.hosting.sweep import sweep


class Command(BaseCommand):
    help = "Take away files of the store that nothing points to."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--at-start", action="store_true", help="fresh files too: nothing else runs")

    def handle(self, *args: Any, **options: Any) -> None:
        if gone := sweep(at_start=options["at_start"]):
            self.stdout.write(f"{gone} files that nothing pointed to are gone.")
