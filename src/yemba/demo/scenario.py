"""The three sites of the demo: what is on them, what went out, and what waits.

Everything here is invented. Changes are put in by the same commands that an owner's hands give.
"""

from __future__ import annotations

import json
import re
from collections.abc import Callable
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from typing import Any

from django.conf import settings

from yemba.core.picture.intake import clean_picture
from yemba.core.site.document import MAIN, Document
from yemba.demo.drawings import dubrov, nettle, render, saltmarsh
from yemba.hosting import inbox
from yemba.hosting import services as hosting
from yemba.hosting.models import Message
from yemba.people.models import Person
from yemba.people.views import DEMO_ADDRESS
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Feed, Site
from yemba.standins.feeds.calendar import read as concerts

SLUG = "saltmarsh"
SLUGS = (SLUG, "nettle", "dubrov")
_DAYS = re.compile(r"\bday -(\d+)")
Pictures = dict[str, tuple[Callable[[], str], str]]
_NOTICE: dict[str, Any] = {
    "kind": "words",
    "ground": "tinted",
    "fields": {
        "heading": "High water on the road",
        "body": "<p>An hour either side of a spring tide the road to Tide Row is under water. Come by the sea wall.</p>",
    },
}
"""A standing section."""
_FOOTER: dict[str, Any] = {
    "f-gate": {
        "kind": "hours-and-place",
        "language": MAIN,
        "fields": {"heading": "The gate", "address": "<p>Marl Lane 9<br>Underhay</p>", "mail": "gate@nettle.example"},
        "items": {"f1": {"fields": {"days": "Thursday to Saturday", "opens": "09:00", "closes": "16:00"}}},
        "order": ["f1"],
    },
    "f-tor": {
        "kind": "hours-and-place",
        "language": "de",
        "version_of": "f-gate",
        "fields": {"heading": "Das Tor", "address": "<p>Marl Lane 9<br>Underhay</p>", "mail": "gate@nettle.example"},
        "items": {"f1": {"fields": {"days": "Donnerstag bis Samstag", "opens": "09:00", "closes": "16:00"}}},
        "order": ["f1"],
    },
    "f-elsewhere": {
        "kind": "listen",
        "layout": "signs",
        "language": MAIN,
        "fields": {"heading": "Elsewhere"},
        "items": {
            "f2": {"fields": {"title": "Pictures of the beds", "link": "https://beds.example/", "sign": "pictures"}},
            "f3": {"fields": {"title": "Letters", "link": "mailto:gate@nettle.example", "sign": "mail"}},
        },
        "order": ["f2", "f3"],
    },
    "f-anderswo": {
        "kind": "listen",
        "layout": "signs",
        "language": "de",
        "version_of": "f-elsewhere",
        "fields": {"heading": "Anderswo"},
        "items": {
            "f2": {"fields": {"title": "Bilder der Beete", "link": "https://beds.example/", "sign": "pictures"}},
            "f3": {"fields": {"title": "Briefe", "link": "mailto:gate@nettle.example", "sign": "mail"}},
        },
        "order": ["f2", "f3"],
    },
}
"""Sections of a footer."""
_SALTMARSH: dict[str, Any] = {
    "name": "Saltmarsh Bindery",
    "site": {"site.currency": "GBP", "site.time_zone": "Europe/London", "site.trade": "bookbinder"},
    "template": "slipway",
    "sheet": {
        "palette": [
            {"id": "c1", "name": "Oxide", "hex": "#2f5f8a"},
            {"id": "c2", "name": "Bottle", "hex": "#22302e"},
            {"id": "c3", "name": "Brass", "hex": "#d9a441"},
            {"id": "c4", "name": "Board", "hex": "#e7dfcf"},
            {"id": "c5", "name": "Paper", "hex": "#f5f0e4"},
        ]
    },
    "parts": {"footer.words": "If the door is shut, ring the ship’s bell."},
    "navigation": {"hidden": ["home"]},
    "shared": {"standing": {"sections": {"notice": _NOTICE}, "order": ["notice"]}},
}
_NETTLE: dict[str, Any] = {
    "name": "Nettle & Rye Seeds",
    "tagline": "Open-pollinated seed from heavy clay",
    "site": {"site.currency": "GBP", "site.time_zone": "Europe/London", "site.trade": "seed-nursery"},
    "template": "handbill",
    "ready_sheet": "handbill/seed-packet",
    "parts": {"footer.arrangement": "columns", "footer.words": "Seed dries slowly and keeps for years."},
    "navigation": {"hidden": ["home"]},
    "shared": {"footer": {"sections": _FOOTER, "order": list(_FOOTER)}},
    "languages": {
        "de": {
            "tagline": "Samenfestes Saatgut von schwerem Lehm",
            "lines": {"footer.words": "Saatgut trocknet langsam und hält Jahre."},
        }
    },
}
_DUBROV: dict[str, Any] = {
    "name": "Marek Dubrov, tuba",
    "tagline": "Evenings, lessons, low notes",
    "site": {"site.trade": "musician"},
    "template": "lantern",
    "ready_sheet": "lantern/green-room",
    "parts": {"header.tagline": True},
}
_BOOKS: Pictures = {
    "estuary": (saltmarsh.books_on_the_estuary, "Six mended books on a shelf, the evening tide behind them"),
    "frame": (saltmarsh.sewing_frame, "A sewing frame with four cords and nine folded sections"),
    "marbled": (saltmarsh.marbled_paper, "Marbled paper in rust, bottle green and brass"),
    "notebooks": (saltmarsh.notebooks, "Five cloth notebooks in a leaning stack"),
    "window": (saltmarsh.workshop_window, "The workshop at dusk with its window lit"),
}
_SEEDS: Pictures = {
    "packets": (nettle.packets, "Five seed packets standing in a wooden tray"),
    "poles": (nettle.poles, "Beans climbing hazel poles tied at the top"),
    "rye": (nettle.rye, "Tall rye bending before the cut"),
    "drawers": (nettle.drawers, "Drying drawers, some pulled out and full of seed"),
}
_BRASS: Pictures = {
    "bell": (dubrov.bell, "The bell of a tuba, seen from the front row"),
    "stand": (dubrov.stand, "A music stand under a lamp by an open window"),
    "hall": (dubrov.hall, "An old wash house with rows of chairs before a small stage"),
}


def load() -> Site:
    """Make Ines, her site and the two she looks after anew; whatever was there is taken away first."""
    Person.objects.filter(email=DEMO_ADDRESS).delete()
    Site.objects.filter(slug__in=SLUGS).delete()
    ines = Person.objects.create_user(DEMO_ADDRESS, None, name="Ines Varela")
    now = datetime.now(UTC)
    _feed(now)
    site = _bindery(_site(ines, SLUG, _SALTMARSH, _BOOKS), now)
    _nursery(_site(ines, "nettle", _NETTLE, _SEEDS), now)
    hosting.publish(_site(ines, "dubrov", _DUBROV, _BRASS), ["The first edition"], now - timedelta(days=19))
    return site


def _bindery(site: Site, now: datetime) -> Site:
    """Three editions, and seven waiting changes, of which a button leads to a page that is new."""
    hosting.publish(site, ["The first edition"], now - timedelta(days=41))
    _do(site, "name-site", title="Saltmarsh Bindery", tagline="Books mended and made in Tide Row")
    _words(site, "about", "heading", "A bench by the slipway")
    _do(site, "set-value", key="header.height_wide", value=88)
    changes = ["Tagline", "Heading: Words with picture on Home", "Header height, wide: 88 px"]
    hosting.publish(_fresh(site), changes, now - timedelta(days=12))
    _do(site, "rename-page", page="repairs", page_name="Repairs", slug="repairs-and-prices")
    _words(site, "c-dates", "heading", "Classes this winter")
    changes = ["Address: repairs-and-prices", "Heading: Dates on Classes"]
    hosting.publish(_fresh(site), changes, now - timedelta(days=3))
    _messages(_fresh(site), now)
    _do(site, "set-colour", colour="c1", hex="#8c3b2a")
    _do(site, "set-value", key="type.heading_weight", value=700)
    _do(site, "set-ground", section="offers", ground="tinted")
    _words(site, "opening", "heading", "Books mended by hand on the estuary")
    _do(site, "add-page", page_name="Vouchers", page="vouchers")
    _do(site, "add-section", page="vouchers", kind="words")
    (section,) = sites.document(_fresh(site)).pages["vouchers"].order
    _words(site, section, "heading", "An evening at the bench, as a gift")
    _words(site, section, "body", "A voucher for one class or one repair, sewn into a card. It keeps for two years.")
    _words(site, "about", "button", "Give an evening")
    _words(site, "about", "link", "page:vouchers")
    return _fresh(site)


def _nursery(site: Site, now: datetime) -> None:
    hosting.publish(site, ["The first edition"], now - timedelta(days=30))
    _words(site, "n3", "heading", "Why heavy clay")
    hosting.publish(_fresh(site), ["Heading: Words with picture on Home"], now - timedelta(days=8))
    _words(site, "n1", "button", "Seed for next year")


def _feed(now: datetime) -> None:
    """The concerts of the stand-in, as if they had been fetched; they are, once the demo runs."""
    digest = store.keep(concerts(now.date()).encode())
    about = {"digest": digest, "fetched_at": now, "next_at": now, "failed": "", "failures": 0}
    Feed.objects.update_or_create(address=_feed_address(), defaults=about)


def _feed_address() -> str:
    port = f":{settings.SITES_PORT}" if settings.SITES_PORT else ""
    return f"{settings.SCHEME}://feeds.{settings.SITES_DOMAIN}{port}/concerts.ics"


def _messages(site: Site, now: datetime) -> None:
    """Three visitors wrote, and something that was no visitor."""
    sent = (
        (2, "Tomasz Lund", "tomasz@lund.example", "My grandmother’s recipe book has lost its spine. May I bring it on Friday?", "About 1950", ""),
        (26, "Adaeze Holm", "adaeze@holm.example", "Is there room for two at the case binding evenings?", "", ""),
        (73, "Wren Ashdown", "wren@ashdown.example", "The atlas opens flat again. Thank you.", "1911", ""),
        (80, "Best offers", "win@offers.example", "Rank first: https://a.example https://b.example https://c.example", "", "x"),
    )  # fmt: skip
    for hours, name, mail, words, age, trap in sent:
        posted = {"name": name, "mail": mail, "words": words, "f1": age, "second_mail": trap}
        message = inbox.receive(site, inbox.open_form(site, "w-form"), posted, mail)
        read = Message.State.READ if hours > 48 and not trap else message.state
        Message.objects.filter(pk=message.pk).update(sent_at=now - timedelta(hours=hours), state=read)


def _fresh(site: Site) -> Site:
    return Site.objects.get(pk=site.pk)


def _do(site: Site, command: str, **arguments: Any) -> None:
    sites.edit(_fresh(site), command, arguments)


def _words(site: Site, section: str, field: str, words: str) -> None:
    _do(site, "set-words", section=section, field=field, words=words)


def _site(owner: Person, slug: str, about: dict[str, Any], pictures: Pictures) -> Site:
    """A site as it was on the day of its first edition."""
    pages = _pages(slug, date.today())
    document = about | {
        "pictures": _pictures(pictures),
        "pages": {key: page | {"order": list(page["sections"])} for key, page in pages.items()},
        "order": list(pages),
    }
    return Site.objects.create(owner=owner, slug=slug, document=Document.model_validate(document).text())


def _pictures(drawn: Pictures) -> dict[str, Any]:
    pictures = {}
    for key, (draw, alt) in drawn.items():
        clean = clean_picture(render(draw()), f"{key}.jpg")
        about = {"file": store.keep(clean.data), "format": clean.format, "width": clean.width, "height": clean.height}
        pictures[key] = about | {"name": f"{key}.jpg", "alt": alt}
    return pictures


def _saturdays(today: date, count: int) -> list[str]:
    first = today + timedelta(days=(5 - today.weekday()) % 7 + 7)
    return [(first + timedelta(weeks=2 * n)).isoformat() for n in range(count)]


def _pages(slug: str, today: date) -> dict[str, dict[str, Any]]:
    """The pages as written, "saturday 0" and so on made the next Saturdays there are, "day -9" nine days before."""
    text = (Path(__file__).parent / f"{slug}.json").read_text()
    for number, day in enumerate(_saturdays(today, 5)):
        text = text.replace(f"saturday {number}", day)
    text = text.replace("feed of concerts", _feed_address())
    text = _DAYS.sub(lambda past: (today - timedelta(days=int(past[1]))).isoformat(), text)
    return dict(json.loads(text))
