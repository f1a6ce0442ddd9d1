from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser
from PIL import Image

from yemba import catalogue as shipped
from yemba.core.template.manifest import Template
from yemba.core.trade.trade import Trade
from yemba.hosting import services as hosting
from yemba.render.files import site_files
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site
from yemba.sites.samples import sample
from yemba.sites.services import document
from yemba.studio.management.commands._chromium import chromium, lacking

_WINDOW, _PICTURE = (1200, 1500), (720, 900)  # px


class Command(BaseCommand):
    help = (
        "Take the picture that a template brings of itself, from the site of the demo that stands in it, or from a "
        "sample of a trade. Wants Chromium and Playwright."
    )

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("templates", nargs="*", help="slugs; without any, those that have no picture yet")

    def handle(self, *args: Any, **options: Any) -> None:
        if reason := lacking():
            raise CommandError(reason)
        known = catalogue().templates
        wanted = options["templates"] or [slug for slug, template in known.items() if not template.picture]
        for slug in wanted:
            if slug not in known:
                raise CommandError(f"There is no template “{slug}”. There are: {', '.join(known)}.")
            target = shipped.FOLDER / "templates" / slug / shipped.PICTURE
            _take(slug, target)
            self.stdout.write(f"{slug}: {target.stat().st_size / 1000:.0f} kB")


def _take(slug: str, target: Path) -> None:
    """The first page of a site in the template, as a window shows it."""
    with TemporaryDirectory() as place:
        for path, file in site_files(hosting.rendering(_document(slug))).items():
            (Path(place) / path).parent.mkdir(parents=True, exist_ok=True)
            (Path(place) / path).write_bytes(file.make())
        with chromium() as browser:
            _shoot(browser, Path(place))
        with Image.open(f"{place}/shot.png") as shot:
            shot.convert("RGB").resize(_PICTURE, Image.Resampling.LANCZOS).save(target, quality=82)


def _shoot(browser: Any, place: Path) -> None:
    """The page in `place` into shot.png beside it."""
    page = browser.new_page(viewport={"width": _WINDOW[0], "height": _WINDOW[1]})
    page.goto(f"file://{place}/index.html")
    page.wait_for_timeout(600)
    page.screenshot(path=f"{place}/shot.png")


def _document(slug: str) -> Any:
    """A site of the demo that stands in the template, else the sample of the trade that it suits best."""
    standing = (document(site) for site in Site.objects.filter(slug__in=("saltmarsh", "nettle", "dubrov")))
    of_demo = next((candidate for candidate in standing if candidate.template == slug), None)
    template = catalogue().template(slug)
    return of_demo or sample(slug, template.sheets[0].slug, _suited(template))


def _suited(template: Template) -> str:
    """The trade whose moods and leading sections are most of all those of the template."""

    def score(trade: Trade) -> int:
        return len(set(trade.moods) & set(template.moods)) + len(set(trade.leads) & set(template.strengths))

    return max(catalogue().trades.values(), key=score).slug
