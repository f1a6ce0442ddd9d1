from typing import Any

from django.core.management.base import BaseCommand, CommandParser

from yemba.demo import scenario
from yemba.sites.models import Site


class Command(BaseCommand):
    help = "Load the demo scenario: Ines Varela’s bindery and the two sites she looks after."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--fresh", action="store_true", help="start over where it is there already")

    def handle(self, *args: Any, **options: Any) -> None:
        if options["fresh"] or not Site.objects.filter(slug=scenario.SLUG).exists():
            scenario.load()
            self.stdout.write("The demo’s three sites are loaded.")
        else:
            self.stdout.write("The demo’s sites are there already.")
