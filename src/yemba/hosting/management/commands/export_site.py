from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser

from yemba.core.errors import Fault
from yemba.hosting import services
from yemba.sites.models import Site


class Command(BaseCommand):
    help = "Write a site as plain files that any web server serves."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("slug", help="the site’s address, such as saltmarsh")
        parser.add_argument("folder", type=Path, help="a new or empty folder")
        parser.add_argument("--address", default="", help="where it will stand, such as https://books.example/")
        parser.add_argument("--draft", action="store_true", help="the draft instead of the live edition")

    def handle(self, *args: Any, **options: Any) -> None:
        site = Site.objects.filter(slug=options["slug"]).first()
        if site is None:
            raise CommandError(f"There is no site “{options['slug']}”.")
        try:
            count = services.write_out(site, options["folder"], draft=options["draft"], address=options["address"])
        except Fault as fault:
            raise CommandError(fault.sentence) from fault
        self.stdout.write(f"{count} files in {options['folder']}")
