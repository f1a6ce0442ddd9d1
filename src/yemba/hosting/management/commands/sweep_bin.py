"""Deletes sites for good that have been in the bin for thirty days."""

from typing import Any

from django.core.management.base import BaseCommand

from yemba.sites import listed


class Command(BaseCommand):
    help = f"Delete sites that were put into the bin over {listed.BIN_DAYS} days ago. A timer calls it once a day."

    def handle(self, *args: Any, **options: Any) -> None:
        self.stdout.write(f"Deleted for good, after {listed.BIN_DAYS} days in the bin: {listed.delete_old()}")
