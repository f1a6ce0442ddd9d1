import time
from typing import Any

from django.core.management.base import BaseCommand, CommandParser

from yemba.hosting import editions, feeds


class Command(BaseCommand):
    help = (
        "Publish whatever is planned for now or earlier, and posts that were to appear; fetch calendar feeds again. "
        "A timer calls it, or it stays and looks again and again."
    )

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--every", type=float, default=0, help="seconds between two looks; 0 looks once")

    def handle(self, *args: Any, **options: Any) -> None:
        while True:
            for edition in editions.publish_due():
                self.stdout.write(f"{edition.site.slug}: edition {edition.number} is live")
            for address in feeds.refresh():
                self.stdout.write(f"{address} says something else")
            if not options["every"]:
                return
            time.sleep(options["every"])
