"""Saltmarsh Bindery: Ines Varela's pages, two editions of them, and what waits to go out.

Everything here is invented. It is put in by the same commands that an owner's hands give.
"""

from __future__ import annotations

from collections.abc import Callable
from datetime import UTC, date, datetime, timedelta
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

Fields = dict[str, str]


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


def _section(kind: str, fields: Fields, items: dict[str, Fields] | None = None, **look: str) -> dict[str, Any]:
    section: dict[str, Any] = {"kind": kind, "fields": fields, **look}
    if items:
        section |= {"items": {key: {"fields": value} for key, value in items.items()}, "order": list(items)}
    return section


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
    days = _saturdays(today, 5)
    hours = {
        "h1": {"days": "Tuesday to Friday", "opens": "10:00", "closes": "17:00"},
        "h2": {"days": "Saturday", "opens": "10:00", "closes": "13:00"},
        "h3": {"days": "Sunday and Monday"},
    }
    place = {
        "heading": "Find the workshop",
        "address": "<p>Tide Row 4<br>Lower Quay<br>Saltmarsh</p>",
        "telephone": "+44 1632 960 417",
        "mail": "bench@saltmarsh.example",
        "note": "<p>Twelve steps down from the quay road. If the tide is over the third step, come by the yard.</p>",
    }
    return {
        "home": {
            "name": "Home",
            "slug": "",
            "description": "Book repairs, notebooks and bookbinding classes in an estuary town.",
            "sections": {
                "opening": _section(
                    "opening",
                    {
                        "heading": "Old books mended, new ones made",
                        "lead": "<p>Cloth, leather and paper repairs, and a bench free for learners every second Saturday.</p>",
                        "button": "See class dates",
                        "link": "page:classes",
                        "picture": "estuary",
                    },
                ),
                "offers": _section(
                    "offers",
                    {
                        "heading": "From the bench this month",
                        "lead": "<p>Most work is done while you wait for the next spring tide: ten to fourteen days.</p>",
                    },
                    {
                        "o1": {
                            "title": "Case binding",
                            "text": "<p>Two evenings, all tools lent. You go home with a hardback you sewed yourself.</p>",
                            "label": "Dates for case binding",
                            "link": "page:classes",
                        },
                        "o2": {
                            "title": "Paste papers",
                            "text": "<p>A Saturday of combs, brushes and starch. For beginners, and for children from nine.</p>",
                            "label": "Dates for paste papers",
                            "link": "page:classes",
                        },
                        "o3": {
                            "title": "Family Bibles",
                            "text": "<p>Loose boards, torn hinges, pressed flowers put back where they were. By appointment.</p>",
                            "label": "What repairs cost",
                            "link": "page:repairs",
                        },
                    },
                    ground="light",
                ),
                "about": _section(
                    "words-with-picture",
                    {
                        "heading": "One bench, one pair of hands",
                        "body": "<p>I am Ines Varela. I learned to sew books in a ship’s chandlery, where logbooks had to "
                        "open flat in any weather, and I have mended them here in Tide Row for eleven years.</p>"
                        "<p>Nothing leaves the bench until it opens as it should.</p>",
                        "button": "About the workshop",
                        "link": "page:workshop",
                        "picture": "frame",
                        "caption": "The sewing frame, on a slow Tuesday.",
                    },
                ),
                "place": _section("hours-and-place", place, hours),
            },
        },
        "repairs": {
            "name": "Repairs",
            "slug": "repairs",
            "description": "What mending a book costs, and how it goes.",
            "sections": {
                "r-words": _section(
                    "words",
                    {
                        "heading": "Bring it as it is",
                        "body": "<p>Please do not tape it. Tape is the one thing I cannot forgive, and it doubles the work.</p>"
                        "<p>I look the book over while you are here, say what can be done, what it costs and what I would "
                        "leave alone. A good repair is seen only by those who look for it.</p>"
                        '<p>Anything that is not on the list: <a href="mailto:bench@saltmarsh.example">send me a picture</a>.</p>',
                    },
                ),
                "r-prices": _section(
                    "price-list",
                    {"heading": "Prices", "note": "<p>For books up to 30 cm tall. Larger ones by arrangement.</p>"},
                    {
                        "p1": {"title": "New spine in cloth", "detail": "old title kept where it can be", "price": "from 48.00"},
                        "p2": {"title": "New spine in leather", "detail": "calf or goat, tooled by hand", "price": "from 120.00"},
                        "p3": {"title": "Loose page put back", "detail": "each, the first one is free", "price": "4.50"},
                        "p4": {"title": "Torn page mended", "detail": "Japanese tissue, wheat paste", "price": "6.00"},
                        "p5": {"title": "Hinges made good", "detail": "both boards", "price": "35.00"},
                        "p6": {"title": "Slipcase or box", "detail": "made to measure", "price": "from 85.00"},
                        "p7": {"title": "Tape taken off", "detail": "an hour, sometimes three", "price": "from 40.00"},
                        "p8": {"title": "Logbooks and sea charts", "detail": "if they have been wet, keep them wet"},
                    },
                ),
            },
        },
        "notebooks": {
            "name": "Notebooks",
            "slug": "notebooks",
            "description": "Notebooks sewn by hand that open flat.",
            "sections": {
                "n-opening": _section(
                    "opening",
                    {
                        "heading": "Notebooks that lie flat",
                        "lead": "<p>Sewn on cords in sections of sixteen pages. You can have the paper you like in the cloth you like.</p>",
                        "picture": "notebooks",
                    },
                ),
                "n-offers": _section(
                    "offers",
                    {"heading": "Four sizes"},
                    {
                        "n1": {"title": "Tide", "text": "<p>9 × 14 cm, 96 pages. Fits a coat pocket.</p>"},
                        "n2": {"title": "Quay", "text": "<p>13 × 20 cm, 160 pages. The one most people take.</p>"},
                        "n3": {"title": "Log", "text": "<p>20 × 26 cm, 192 pages, squared or plain.</p>"},
                        "n4": {"title": "Chart", "text": "<p>30 × 30 cm, 80 pages of drawing paper.</p>"},
                    },
                    layout="cells",
                ),
                "n-paper": _section(
                    "words-with-picture",
                    {
                        "heading": "Paper from this room",
                        "body": "<p>The endpapers are marbled here on Mondays, when the workshop is closed and the size is calm. "
                        "No two sheets come out alike; that is rather the point.</p>",
                        "picture": "marbled",
                        "caption": "Combed twice, then left alone.",
                    },
                ),
            },
        },
        "classes": {
            "name": "Classes",
            "slug": "classes",
            "description": "Bookbinding classes for beginners, with dates.",
            "sections": {
                "c-dates": _section(
                    "dates",
                    {
                        "heading": "Learn at the bench",
                        "lead": "<p>Six places a class, tools and tea included. Nothing to bring but an apron.</p>",
                    },
                    {
                        f"d{n}": {
                            "title": title,
                            "day": day,
                            "begins": begins,
                            "ends": ends,
                            "place": "Tide Row 4, upper room",
                            "text": f"<p>{text}</p>",
                            "link": "mailto:bench@saltmarsh.example",
                        }
                        for n, (day, title, begins, ends, text) in enumerate(
                            [
                                (days[0], "Paste papers", "10:00", "16:00", "Combs, brushes, starch. £65 with lunch."),
                                (days[1], "First book", "10:00", "17:00", "Fold, sew, glue: one small hardback. £85."),
                                (days[2], "Case binding, part one", "18:00", "21:00", "Sewing on tapes. £110 for both parts."),
                                (days[3], "Case binding, part two", "18:00", "21:00", "Boards, cloth, casing in."),
                                (days[4], "Mending day", "10:00", "15:00", "Bring one tired book and mend it. £70."),
                            ]
                        )
                    },
                ),
                "c-words": _section(
                    "words",
                    {
                        "heading": "Before you come",
                        "body": "<ul><li>The stairs are steep; tell me if that is a worry and we will use the lower room.</li>"
                        "<li>Children from nine with somebody who is fond of them.</li>"
                        "<li>If you cannot come, tell me two days ahead and you have a place next time.</li></ul>",
                    },
                ),
            },
        },
        "workshop": {
            "name": "Workshop",
            "slug": "workshop",
            "description": "Where the bindery is and how it came to be.",
            "sections": {
                "w-picture": _section(
                    "words-with-picture",
                    {
                        "heading": "The chandler’s house",
                        "body": "<p>The workshop was a ship’s chandlery until 1961. The counter is still here, and so is the "
                        "bell; the rope went to sea long ago.</p><p>Upstairs is the class room, downstairs the presses, "
                        "and between them a stair that every visitor remarks on.</p>",
                        "picture": "window",
                        "caption": "From the slipway, about five in November.",
                    },
                ),
                "w-words": _section(
                    "words",
                    {
                        "heading": "How I work",
                        "body": "<p>Wheat paste, linen thread, animal glue where it can be undone one day. I keep a card for every "
                        "book that passes through, with what was done and what was found: ferry tickets, four-leaf clovers, "
                        "once a letter that was never sent.</p><p>I do not make old books new. I make them open.</p>",
                    },
                ),
                "w-place": _section("hours-and-place", place, hours),
            },
        },
        "journal": {
            "name": "Journal",
            "slug": "journal",
            "description": "Notes from the bench.",
            "sections": {
                "j-one": _section(
                    "words",
                    {
                        "heading": "A logbook from the lightship",
                        "body": "<p>It came in a fish crate, wrapped in a tea towel. Two hundred and twelve pages of weather, "
                        "written in pencil because ink froze. The sewing had gone, the pencil had not.</p>"
                        "<p>I washed nothing. I sewed it again through the old holes and gave it a case of grey linen.</p>",
                    },
                ),
                "j-two": _section(
                    "words",
                    {
                        "heading": "On paste",
                        "body": "<p>Wheat starch, water, patience. Cook it until it lets go of the spoon, let it go cold, push it "
                        "through a sieve. It keeps a week. It holds for two hundred years.</p>",
                    },
                ),
            },
        },
    }
