"""Saltmarsh Bindery: Ines Varela's pages, two editions of them, and what waits to go out.

Everything here is invented. It is put in by the same commands that an owner's hands give.
"""

from __future__ import annotations

import json
from collections.abc import Callable
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from typing import Any

from yemba.core.picture.intake import take
from yemba.core.site.document import Document
from yemba.demo import drawings
from yemba.hosting import services as hosting
from yemba.people.models import Person
from yemba.people.views import DEMO_ADDRESS
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Site

SLUG = "saltmarsh"
_PALETTE = [
    {"id": "c1", "name": "Oxide", "hex": "#2f5f8a"},
    {"id": "c2", "name": "Bottle", "hex": "#22302e"},
    {"id": "c3", "name": "Brass", "hex": "#d9a441"},
    {"id": "c4", "name": "Board", "hex": "#e7dfcf"},
    {"id": "c5", "name": "Paper", "hex": "#f5f0e4"},
]
_PICTURES: dict[str, tuple[Callable[[], str], str]] = {
    "estuary": (drawings.books_on_the_estuary, "Six mended books on a shelf, the evening tide behind them"),
    "frame": (drawings.sewing_frame, "A sewing frame with four cords and nine folded sections"),
    "marbled": (drawings.marbled_paper, "Marbled paper in rust, bottle green and brass"),
    "notebooks": (drawings.notebooks, "Five cloth notebooks in a leaning stack"),
    "window": (drawings.workshop_window, "The workshop at dusk with its window lit"),
}


def load() -> Site:
    """Make Ines and her site anew; whatever she had is taken away first."""
    Person.objects.filter(email=DEMO_ADDRESS).delete()
    Site.objects.filter(slug=SLUG).delete()
    ines = Person.objects.create_user(DEMO_ADDRESS, None, name="Ines Varela")
    site = sites.create(ines, "Saltmarsh Bindery", SLUG, "slipway")
    site = _begin(site)
    now = datetime.now(UTC)
    hosting.publish(site, ["The first edition"], now - timedelta(days=41))
    for change in (
        ("name-site", {"title": "Saltmarsh Bindery", "tagline": "Books mended and made in Tide Row"}),
        _words("about", "heading", "A bench by the slipway"),
        ("set-value", {"key": "header.height_wide", "value": 88}),
    ):
        _do(site, *change)
    hosting.publish(
        _fresh(site), ["Tagline", "Heading: Words on Home", "Header height, wide: 88 px"], now - timedelta(days=12)
    )
    for change in (
        ("set-colour", {"colour": "c1", "hex": "#8c3b2a"}),
        ("set-value", {"key": "type.heading_weight", "value": 700}),
        ("set-ground", {"section": "offers", "ground": "tinted"}),
        _words("opening", "heading", "Books mended by hand on the estuary"),
    ):
        _do(site, *change)
    return _fresh(site)


def _fresh(site: Site) -> Site:
    return Site.objects.get(pk=site.pk)


def _do(site: Site, command: str, arguments: dict[str, Any]) -> None:
    sites.edit(_fresh(site), command, arguments)


def _words(section: str, field: str, words: str) -> tuple[str, dict[str, str]]:
    return "set-words", {"section": section, "field": field, "words": words}


def _begin(site: Site) -> Site:
    """The pages as they were on the day of the first edition, in place of the starter ones."""
    pages = _pages(date.today())
    document = Document.model_validate(
        {
            "name": "Saltmarsh Bindery",
            "currency": "GBP",
            "template": "slipway",
            "sheet": {"palette": _PALETTE},
            "parts": {"footer.words": "Tide Row 4, beside the old slipway. Ring the ship’s bell."},
            "navigation": {"hidden": ["home"]},
            "pictures": _pictures(),
            "pages": {key: page | {"order": list(page["sections"])} for key, page in pages.items()},
            "order": list(pages),
        }
    )
    site.document = document.text()
    site.save()
    return site


def _pictures() -> dict[str, Any]:
    kept = {}
    for key, (draw, alt) in _PICTURES.items():
        taken = take(drawings.render(draw()), f"{key}.jpg")
        about = {"file": store.keep(taken.data), "format": taken.format, "width": taken.width, "height": taken.height}
        kept[key] = about | {"name": f"{key}.jpg", "alt": alt}
    return kept


def _saturdays(today: date, count: int) -> list[str]:
    first = today + timedelta(days=(5 - today.weekday()) % 7 + 7)
    return [(first + timedelta(weeks=2 * n)).isoformat() for n in range(count)]


def _pages(today: date) -> dict[str, dict[str, Any]]:
    """The pages as written, "saturday 0" and so on made the next Saturdays there are."""
    text = (Path(__file__).parent / "pages.json").read_text()
    for number, day in enumerate(_saturdays(today, 5)):
        text = text.replace(f"saturday {number}", day)
    return dict(json.loads(text))
