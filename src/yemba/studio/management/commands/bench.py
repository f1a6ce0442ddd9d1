"""How fast it is, in ratios taken in one run, beside the goals."""

from __future__ import annotations

import json
import random
import resource
import statistics
import string
import time
from collections.abc import Callable
from functools import partial
from io import BytesIO
from pathlib import Path
from typing import Any, NamedTuple
from unittest import mock

import numpy as np
from django.conf import settings
from django.core.management.base import BaseCommand, CommandParser
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.urls import reverse
from PIL import Image, ImageDraw

from yemba.catalogue import palettes
from yemba.core.cache import caches
from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.colour.from_picture import from_picture
from yemba.core.colour.grounds import work_out
from yemba.core.colour.plane import plane
from yemba.core.colour.srgb import Colour
from yemba.core.first_look.brief import Brief
from yemba.core.first_look.looks import dressed, rounds
from yemba.core.first_look.shape import shape_of
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look
from yemba.core.site.starter import starter as starter_section
from yemba.core.trade.begin import Beginning
from yemba.core.trade.plan import proposed
from yemba.core.type.facts import Face
from yemba.core.type.pairing import ranked
from yemba.core.type.subset import cut
from yemba.hosting import services as hosting
from yemba.hosting.services import rendering
from yemba.people.models import Person
from yemba.render import fragment
from yemba.render import page as page_module
from yemba.render.files import site_files
from yemba.render.page import render_page
from yemba.render.reach import State, reach
from yemba.render.recorder import Answers
from yemba.render.site import Site as Rendering
from yemba.sites import services as sites
from yemba.sites import starter
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site
from yemba.studio.management.commands._chromium import lacking
from yemba.studio.management.commands._editors import EDITORS
from yemba.studio.management.commands._house import (
    ADDRESS,
    PASSWORD,
    STAGES,
    Stroke,
    asked,
    demo_weights,
    house,
    key_to_paint,
    undisturbed,
)
from yemba.studio.patch import patch
from yemba.studio.waiting import waiting

_MANY = 2000  # edits
_FEWEST = 20  # keys that a 95th percentile is told of


class Row(NamedTuple):
    what: str
    measured: str
    goal: str


def generated(pages: int) -> Document:
    """A starter site grown to this many pages of twelve sections."""
    plain = json.loads(starter.document("Bench", "slipway", catalogue(), new_id).text())
    home = plain["pages"][plain["order"][0]]
    first = home["order"][0]
    home["sections"] = {("opening" if key == first else key): section for key, section in home["sections"].items()}
    home["order"][0] = "opening"
    kinds = list(catalogue().kinds.values())
    for number in range(len(plain["order"])):
        page = plain["pages"][plain["order"][number]]
        for n in range(len(page["order"]), 12):
            page["sections"][f"s{number}x{n}"] = starter_section(kinds[n % len(kinds)], new_id)
            page["order"].append(f"s{number}x{n}")
    for number in range(len(plain["order"]), pages):
        sections = {f"s{number}x{n}": starter_section(kinds[n % len(kinds)], new_id) for n in range(12)}
        plain["pages"][f"p{number}"] = {
            "name": f"Page {number}",
            "slug": f"page-{number}",
            "sections": sections,
            "order": list(sections),
        }
        plain["order"].append(f"p{number}")
    plain["navigation"] = {"hidden": plain["order"][6:]}
    return Document.model_validate(plain)


def median(do: Callable[[], Any], times: int = 9) -> float:
    """Milliseconds."""
    measured = []
    for _ in range(times):
        begun = time.perf_counter()
        do()
        measured.append((time.perf_counter() - begun) * 1000)
    return statistics.median(measured)


class Command(BaseCommand):
    help = (
        "Measure the work on generated sites of 12 and 200 pages: the rules, the server, and Chromium at the workbench."
    )

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument(
            "--make", type=int, help="for the bench itself: put a site of so many pages in and publish it"
        )
        parser.add_argument("--look", action="store_true", help="for the bench itself: look at it, edit it often")
        parser.add_argument("--no-browser", action="store_true", help="leave out what needs Chromium")

    def handle(self, *args: Any, **options: Any) -> None:
        if options["look"]:
            self.stdout.write(json.dumps(look()))
            return
        if options["make"]:
            self.stdout.write(json.dumps(make(options["make"])))
            return
        without = "left out" if options["no_browser"] else lacking()
        rows = [*self.colour(), *self.edits(), *self.rendering(), *self.houses(without), self.weights(without)]
        width = max(len(row.what) for row in rows)
        for row in rows:
            self.stdout.write(f"{row.what:<{width}}  {row.measured:<28}  goal: {row.goal}")

    def colour(self) -> list[Row]:
        chance = random.Random(1)  # noqa: S311

        def grounds() -> None:
            work_out(tuple(Colour(*(chance.randrange(256) for _ in range(3))) for _ in range(5)))

        def hue() -> None:
            plane.__wrapped__(chance.randrange(360))  # without its cache

        photo = _photo()
        return [
            Row("palette from a photo of 12 megapixels", f"{median(lambda: from_picture(photo), 3):.0f} ms", "500 ms"),
            Row("every pair of shipped faces ranked", f"{median(_every_ranking):.0f} ms", "50 ms"),
            Row("a face opened and cut to letters, median and slowest", _cuts(opened=False), "300 ms"),
            Row("a face that is open cut anew, median and slowest", _cuts(opened=True), "300 ms"),
            Row("grounds of a new palette", f"{median(grounds, 60):.1f} ms", "20 ms"),
            Row("plane at a new hue", f"{median(hue):.1f} ms", "30 ms"),
            Row(
                "three first looks from a logo, worked out and rendered", f"{median(_first_looks, 5):.0f} ms", "2000 ms"
            ),
        ]

    def edits(self) -> list[Row]:
        chance = random.Random(2)  # noqa: S311
        times: dict[int, list[float]] = {}
        for pages in (12, 200):
            before = generated(pages)
            home = before.order[0]
            opening = before.pages[home].order[0]

            def colour(before: Document = before, home: str = home) -> None:
                arguments = {"colour": "c1", "hex": f"#{chance.randrange(1 << 24):06x}"}
                patch(before, _after(before, "set-colour", arguments), home)

            def size(before: Document = before, home: str = home) -> None:
                arguments = {"key": "h1.wide", "value": chance.randrange(30, 60)}
                patch(before, _after(before, "set-value", arguments), home)

            def words(before: Document = before, home: str = home, opening: str = opening) -> None:
                arguments = {"section": opening, "field": "heading", "words": f"Words {chance.random()}"}
                patch(before, _after(before, "set-words", arguments), home)

            after = _after(before, "set-colour", {"colour": "c1", "hex": "#aa3344"})
            touched = median(partial(_reached, State(rendering(before)), after), 5)
            times[pages] = [median(colour), median(words), touched, median(size)]
        return [
            Row("colour edit and its patch, 12 and 200 pages", _pair(times, 0), "30 ms on both"),
            Row("words edit and its patch, 12 and 200 pages", _pair(times, 1), "30 ms on both"),
            Row("size edit and its patch, 12 and 200 pages", _pair(times, 3), "30 ms on both"),
            Row("reach of a colour, 12 and 200 pages", _pair(times, 2), "100 ms on 200"),
        ]

    def weights(self, without: str) -> Row:
        what, goal = "heaviest live page of the demo on a phone", "300 kB"
        if without:
            return Row(what, without, goal)
        page, weight = max(demo_weights().items(), key=lambda item: item[1])
        return Row(what, f"{weight:.0f} kB, {page}", goal)

    def houses(self, without: str) -> list[Row]:
        """What wants a database, a store and a server: publishing, and the way from a key to the screen."""
        painted: dict[int, dict[str, list[Stroke]]] = {}
        beside: dict[int, dict[str, list[Stroke]]] = {}
        for pages in (12, 200):
            with house(pages) as (environment, figures):
                painted[pages], beside[pages] = ({}, {}) if without else key_to_paint(environment)
                looked = asked(environment, "--look") if pages == 200 else {}
        share = f"{figures['one']:.0f} of {figures['all']:.0f} ms = {100 * figures['one'] / figures['all']:.1f} %"
        rows = [
            Row("publishing one changed page of 200 over all 200", share, "5 %"),
            Row("files written by that", f"{figures['written']} of {figures['files']}", "the page that changed"),
            Row("waiting changes with their reach, 6 on 200 pages", f"{figures['waiting']:.0f} ms", "100 ms a change"),
            Row(
                "proof opened on 200 pages, first and again",
                f"{looked['proof cold']:.0f} and {looked['proof warm']:.0f} ms",
                "300 ms again",
            ),
            Row("a page of sections opened on 200 pages", f"{looked['pages']:.0f} ms", "300 ms"),
            Row(f"  with {looked['waiting']:.0f} changes that wait", f"{looked['pages after many']:.0f} ms", "—"),
            Row("gallery, its page and a window of each template", f"{looked['gallery']:.0f} ms", "500 ms"),
            Row(
                f"queries of the history, few steps and {_MANY}",
                f"{looked['queries of few']} and {looked['queries of many']}, {looked['history']:.0f} ms",
                "as many",
            ),
            Row(f"edit, stored, with its patch, {_MANY} on 200 pages", f"{looked['edit']:.0f} ms", "—"),
            Row(
                f"memory after {_MANY} edits on 200 pages",
                f"caches {looked['held']:.0f} MB, process {looked['process']:.0f} MB",
                f"caches at most {looked['bound']:.0f} MB",
            ),
        ]
        for what in ("colour", "size", "words", "move"):
            measured = without or _p95s(painted, what)
            rows.append(Row(f"key to paint, {what}, p95, 12 and 200 pages", measured, "100 ms on both"))
            if not without:
                large = painted[200][what]
                rows.append(Row(f"  of its median on 200 pages ({_share(large)})", _stages(large), "—"))
                rows.append(Row("  while two others edit, p95", _p95s(beside, what), "250 ms on both"))
        return rows

    def rendering(self) -> list[Row]:
        site = rendering(generated(200))
        home = site.look.document.order[0]
        page = median(lambda: _render_anew(site, home), 30)
        engine = median(_templates_alone(site, home), 30)
        files = site_files(site)
        paths = [path for path in files if path.endswith(".html")]
        every = median(lambda: [files[path].make() for path in paths], 3)
        one = median(files[paths[0]].make, 9)
        return [
            Row("page render over its templates alone", f"{page:.2f} ms = {page / engine:.1f} x", "2 x"),
            Row("one page of 200 over all 200", f"{one:.1f} of {every:.0f} ms = {100 * one / every:.1f} %", "5 %"),
        ]


def make(pages: int) -> dict[str, float]:
    """A published site of so many pages, and what publishing it and then one changed page took, in ms."""
    owner = Person.objects.create_user(ADDRESS, PASSWORD, name="Ines")
    site = Site.objects.create(owner=owner, slug="bench", document=generated(pages).text())
    for address, slug in EDITORS.items():
        other = Person.objects.create_user(address, PASSWORD, name=slug)
        Site.objects.create(owner=other, slug=slug, document=generated(12).text())
    every = _once(lambda: hosting.publish(site))
    before = _files()
    document = sites.document(site)
    last = document.pages[document.order[-1]].order[0]
    sites.edit(site, "set-words", {"section": last, "field": "heading", "words": "Changed"})
    one = _once(lambda: hosting.publish(Site.objects.get(pk=site.pk)))
    written = len(_files() - before)
    for n in range(6):
        key, value = (("type.base", 17), ("shape.corner", 9), ("frame.width", 900))[n % 3]
        sites.edit(site, "set-value", {"key": key, "value": value})
        sites.edit(site, "set-colour", {"colour": f"c{n % 3 + 1}", "hex": f"#8c3b2{n}"})
    fresh = Site.objects.get(pk=site.pk)
    waited = _once(lambda: waiting(fresh))
    return {
        "all": every,
        "one": one,
        "written": written,
        "files": len(before),
        "waiting": waited,
    }


def look() -> dict[str, float]:
    """The proof opened twice and a page of sections, in ms; then many edits: queries of the history before and after,
    memory after, in MB."""
    site = Site.objects.get(slug="bench")
    client = Client(SERVER_NAME="localhost")
    client.force_login(site.owner, backend="django.contrib.auth.backends.ModelBackend")
    pages = f"{reverse('workbench', args=(site.slug, 'pages'))}?page=p10"
    proof, history = (reverse("workbench", args=(site.slug, chapter)) for chapter in ("proof", "history"))
    cold = _once(lambda: client.get(proof))
    warm = median(lambda: client.get(proof), 5)
    opened = median(lambda: client.get(pages), 5)
    few = _queries(lambda: client.get(history))
    edited = _edited(site, _MANY)
    every_cache = caches()
    return {
        "gallery": median(partial(_gallery, client), 5),
        "pages": opened,
        "pages after many": median(lambda: client.get(pages), 5),
        "waiting": len(waiting(Site.objects.get(pk=site.pk))),
        "proof cold": cold,
        "proof warm": warm,
        "queries of few": few,
        "queries of many": _queries(lambda: client.get(history)),
        "history": median(lambda: client.get(history), 5),
        "edit": edited,
        "held": sum(cache.weight for cache in every_cache) / 1e6,
        "bound": sum(cache.most for cache in every_cache) / 1e6,
        "process": _resident(),
    }


def _edited(site: Site, times: int) -> float:
    """Milliseconds of one edit with its patch, over so many: words and colours by turns, all over the site."""
    document = sites.document(site)
    headed = [(s.holder[1], s.key) for s in document.standing() if "heading" in s.section.fields]
    begun = time.perf_counter()
    for n in range(times):
        page, section = headed[n % len(headed)]
        if n % 2:
            done = sites.edit(site, "set-colour", {"colour": "c1", "hex": f"#8c{n:04x}"})
        else:
            done = sites.edit(site, "set-words", {"section": section, "field": "heading", "words": f"Words {n}"})
        patch(done.before, done.after, page)
    return (time.perf_counter() - begun) * 1000 / times


def _first_looks() -> None:
    """A new site's first page in each of three looks, for a logo that nobody saw before."""
    chance = random.Random()  # noqa: S311
    picture, out = Image.new("RGBA", (400, 400)), BytesIO()
    colour = tuple(chance.randrange(30, 200) for _ in range(3))
    ImageDraw.Draw(picture).ellipse((40, 40, 360, 360), outline=(*colour, 255), width=30)
    picture.save(out, "PNG")
    logo, trade = out.getvalue(), catalogue().trade("potter")
    plan = proposed(trade, ["found"])
    made = Beginning("Bench", "Lower Marsh", trade, catalogue(), new_id).document("slipway", plan, {})
    colours = tuple(share.colour for share in from_picture(logo))
    brief = Brief(trade, ("found",), ("opening",), "Bench", logo=colours, shape=shape_of(logo))
    for look in rounds(brief, catalogue(), palettes())[0]:
        document = Document.model_validate(dressed(made.plain(), look))
        site_files(rendering(document, draft=True))["index.html"].make()


def _gallery(client: Client) -> None:
    client.get(reverse("gallery"))
    for template in catalogue().templates.values():
        address = f"/gallery/{template.slug}/{template.sheets[0].slug}/potter/"
        client.get(address, headers={"host": f"draft--gallery.{settings.SITES_DOMAIN}"})


def _p95s(painted: dict[int, dict[str, list[Stroke]]], what: str) -> str:
    small, large = (painted[pages][what] for pages in (12, 200))
    keys = f"{len(small)} and {len(large)} keys, {len(undisturbed(small))} and {len(undisturbed(large))} undisturbed"
    return f"{_p95(small):.0f} and {_p95(large):.0f} ms ({keys})"


def _p95(strokes: list[Stroke]) -> float:
    """Of the keys during which the processor was all ours, or of all where too few were."""
    quiet = undisturbed(strokes)
    measured = quiet if len(quiet) >= _FEWEST else strokes
    return statistics.quantiles([stroke.total for stroke in measured], n=20)[-1]


def _share(strokes: list[Stroke]) -> str:
    return f"{statistics.median(stroke.total for stroke in strokes):.0f} ms"


def _stages(strokes: list[Stroke]) -> str:
    medians = ((stage, statistics.median(stroke.stages[stage] for stroke in strokes)) for stage in STAGES)
    return ", ".join(f"{stage} {took:.0f}" for stage, took in medians)


def _queries(do: Callable[[], Any]) -> int:
    with CaptureQueriesContext(connection) as captured:
        do()
    return len(captured)


def _resident() -> float:
    """MB of memory that this process holds."""
    return int(Path("/proc/self/statm").read_text().split()[1]) * resource.getpagesize() / 1e6


def _after(before: Document, name: str, arguments: dict[str, Any]) -> Document:
    """The document after a command."""
    return apply(before, read_command(name, arguments).plan(Look(before, catalogue()), new_id))


def _reached(live: State, after: Document) -> None:
    """Upon the state of the live site, which is made once for all changes that wait."""
    reach(live, live.of(after))


def _every_ranking() -> None:
    families = catalogue().families
    for slug in families:
        ranked(families, heading=slug)


def _cuts(*, opened: bool) -> str:
    """The upright Latin file of every shipped family, each once."""
    letters = {ord(letter) for letter in string.printable if letter.isprintable()}
    times = []
    for family in catalogue().families.values():
        data = family.read(family.file("x").name)
        face = Face(data)
        if opened:
            face.outline("x")  # which unpacks the file
        times.append(_once(lambda face=face, data=data: cut(face if opened else Face(data), letters)))  # type: ignore[misc]
    return f"{statistics.median(times):.0f} and {max(times):.0f} ms"


def _photo() -> bytes:
    """4000 x 3000 px with soft shapes and grain, as a camera's JPEG."""
    chance = np.random.default_rng(4)
    broad = Image.fromarray(chance.integers(0, 255, (9, 12, 3), dtype=np.uint8)).resize((4000, 3000))
    grain = chance.normal(0, 6, (3000, 4000, 1))
    made = np.clip(np.asarray(broad, dtype=np.float32) + grain, 0, 255).astype(np.uint8)
    out = BytesIO()
    Image.fromarray(made).save(out, "JPEG", quality=88)
    return out.getvalue()


def _once(do: Callable[[], Any]) -> float:
    begun = time.perf_counter()
    do()
    return (time.perf_counter() - begun) * 1000


def _files() -> set[str]:
    return {file.name for file in Path(settings.MEDIA_ROOT).rglob("*") if file.is_file()}


def _render_anew(site: Rendering, page: str) -> None:
    """A page without what is kept of its fragments."""
    fragment._FRAGMENTS.clear()
    render_page(Answers(site), page, ["site.css"], [])


def _templates_alone(site: Rendering, page: str) -> Callable[[], Any]:
    """The templates of a page rendered again with the values they were given: the engine's bare time."""
    given: list[tuple[str, dict[str, Any]]] = []
    whole = fragment.rendered

    def noted(template: str, **context: Any) -> str:
        given.append((template, context))
        return whole(template, **context)

    with mock.patch.object(fragment, "rendered", noted), mock.patch.object(page_module, "rendered", noted):
        _render_anew(site, page)
    return lambda: [whole(template, **context) for template, context in given]


def _pair(times: dict[int, list[float]], which: int) -> str:
    small, large = times[12][which], times[200][which]
    return f"{small:.1f} and {large:.1f} ms ({large / small:.1f} x)"
