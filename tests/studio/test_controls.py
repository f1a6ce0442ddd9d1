"""Every place leads to its control: a desk on which an element of that id is there and can be seen."""

from __future__ import annotations

from collections.abc import Iterator
from html.parser import HTMLParser
from io import BytesIO
from typing import Any
from xml.etree.ElementTree import Element

import pytest
import tinyhtml5
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from django.test import Client
from hypothesis import HealthCheck, Phase, given, settings
from PIL import Image

from tests.core.test_edits import histories
from tests.sampling import EVERY, some
from yemba.catalogue import catalogue
from yemba.core.change.difference import difference
from yemba.core.change.operation import Operation
from yemba.core.check.finding import Inspected, Measured, Target, inspect
from yemba.core.place import OfField, OfGround, OfPage, OfRole, OfSetting, Place
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.site.starter import starter
from yemba.hosting import services as hosting
from yemba.render.page import fragments
from yemba.render.recorder import Answers
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Site
from yemba.studio import search
from yemba.studio.controls import Control, control, offered
from yemba.studio.where import provenance

pytestmark = pytest.mark.django_db


class Desks:
    """The desks of a site as its owner sees them, each asked for once."""

    def __init__(self, client: Client, site: Site) -> None:
        self.client, self.site, self.look = client, site, sites.look(site)
        self._ids: dict[str, set[str]] = {}
        client.force_login(site.owner, backend="django.contrib.auth.backends.ModelBackend")

    def ids(self, address: str) -> set[str]:
        if address not in self._ids:
            answer = self.client.get(address, headers={"Accept": "application/json"})
            assert answer.status_code == 200, address
            desk = Visible()
            desk.feed(answer.json()["panels"]["desk"])
            assert not desk.around, "every element is closed"
            self._ids[address] = desk.ids
        return self._ids[address]

    def lead(self, place: Place | Control) -> None:
        decides = place if isinstance(place, Control) else control(place, self.look)
        assert decides.id in self.ids(decides.address(self.site)), (place, decides)


class Visible(HTMLParser):
    """The ids of what can be seen; folds can be opened, and are when one is led into them."""

    VOID = frozenset({"input", "img", "br", "hr", "image", "link", "meta"})

    def __init__(self) -> None:
        super().__init__()
        self.ids: set[str] = set()
        self.around: list[bool] = []  # whether each element around is hidden

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        has = dict(attrs)
        hidden = "hidden" in has or has.get("type") == "hidden" or "plain-only" in (has.get("class") or "").split()
        if not hidden and not any(self.around) and has.get("id"):
            self.ids.add(has["id"] or "")
        if tag not in self.VOID:
            self.around.append(hidden)

    def handle_startendtag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        self.handle_starttag(tag, attrs)
        if tag not in self.VOID:
            self.around.pop()

    def handle_endtag(self, tag: str) -> None:
        self.around.pop()


def every_kind(document: Document) -> Document:
    """With a page on which a section of each kind stands, all fields filled."""
    plain, sections = document.plain(), {}
    for kind in catalogue().kinds.values():
        section: dict[str, Any] = starter(kind, new_id)
        for field in kind.fields:
            if field.type in ("line", "words"):
                section["fields"].setdefault(field.slug, field.read("Words"))
        for item in section.get("items", {}).values():
            for field in kind.fields_of("item"):
                if field.type in ("line", "words"):
                    item["fields"].setdefault(field.slug, field.read("Words"))
        sections[new_id()] = section
    plain["pages"]["xall"] = {"name": "All", "slug": "all", "sections": sections, "order": list(sections)}
    plain["order"].append("xall")
    return Document.model_validate(plain)


def stored(site: Site, document: Document) -> Site:
    Site.objects.filter(pk=site.pk).update(document=document.text())
    return Site.objects.get(pk=site.pk)


def test_every_search_result_and_every_setting_leads_to_its_control(client: Client, site: Site) -> None:
    desks = Desks(client, site)
    for place in search.places(desks.look).values():
        desks.lead(place)
    for key in SETTINGS:
        desks.lead(OfSetting(key))
    alone = [key for key, one in SETTINGS.items() if not one.along and offered(desks.look, key)]
    own = [key for key in alone if control(OfSetting(key), desks.look).id == key]
    assert len(own) > 0.9 * len(alone), "nearly all by a control of their own"


PLAIN = (
    "colour color font price publish picture delete phone photo image background button link menu logo icon favicon "
    "headline heading bold italic capitals size bigger smaller spacing margin width header footer copyright address "
    "language german currency euro time clock hours contact form gallery page section add remove move rename undo "
    "history back template theme title description seo tagline slogan round corner shadow outline mobile upload "
    "contrast readable line imprint translate languages blog news"
)


@pytest.mark.parametrize("word", PLAIN.split())
def test_plain_words_are_found(site: Site, word: str) -> None:
    entries = search.entries(site, sites.look(site))
    assert [entry.name for entry in entries if word in entry.words], word


def test_a_word_for_one_thing_does_not_find_all(site: Site) -> None:
    entries = search.entries(site, sites.look(site))
    for word in PLAIN.split():
        assert sum(word in entry.words for entry in entries) < len(entries) / 2, word


def test_every_element_that_is_pointed_at_leads_to_its_control(client: Client, site: Site) -> None:
    site = stored(site, every_kind(sites.document(site)))
    desks = Desks(client, site)
    answers = Answers(hosting.rendering(desks.look.document, draft=True))
    met, roles = set(), set[str]()
    for place, fragment in some([*fragments(answers, desks.look.document.order[-1]).items()], 2):
        for field, item in pointed_at(tinyhtml5.parse(fragment.html, namespace_html_elements=False), ""):
            if (place, field) in met:
                continue  # of another entry, which is as the first
            met.add((place, field))
            found = provenance(desks.look, place, field, item)
            for decided in [found.place, *(fact.place for fact in found.facts)]:
                if not isinstance(decided, OfRole) or decided.role not in roles:
                    desks.lead(decided)
                roles |= {decided.role} if isinstance(decided, OfRole) else set()  # on every ground they are alike
    assert len(met) > 40


def pointed_at(element: Element, item: str) -> Iterator[tuple[str, str]]:
    """Field and item of every element that a window tells the workbench of."""
    item = element.get("data-item", item)
    if element.get("data-field"):
        yield element.get("data-field", ""), item
    if element.get("data-place"):
        yield "", ""
    for inner in element:
        yield from pointed_at(inner, item)


@settings(
    max_examples=6 if EVERY else 2,
    deadline=None,
    phases=[Phase.generate],  # one example asks for many desks: shrinking it would take an hour
    suppress_health_check=[HealthCheck.function_scoped_fixture, HealthCheck.too_slow, HealthCheck.data_too_large],
)
@given(histories())
def test_every_change_and_every_finding_leads_to_its_control(
    client: Client, site: Site, history: tuple[list[Document], list[list[Operation]]]
) -> None:
    before, after = history[0][0], history[0][-1]
    lora = catalogue().families["lora"]
    for family in after.fonts.values():
        for file in family.files:
            put(file.file, lora.read(lora.file("a").name))
    site = stored(site, after)
    desks = Desks(client, site)
    for change in difference(before, after, catalogue()):
        desks.lead(change.place)
    for result in inspect(Inspected(desks.look, load, lambda *_: 400_000, measured(desks.look))):
        for finding in result.findings:
            desks.lead(finding.place)


def test_what_changes_seldom_touch_leads_to_its_control(client: Client, site: Site) -> None:
    values = {"sidebar.side": "end", "header.behind": "pattern", "logo.form": "none"}
    for key, value in values.items():
        site.refresh_from_db()
        sites.edit(site, "set-value", {"key": key, "value": value})
    site.refresh_from_db()
    desks, home = Desks(client, site), sites.document(site).order[0]
    for place in (OfPage(home, "sidebar"), OfPage(home, "name"), OfGround("dark"), OfRole("dark", "link")):
        desks.lead(place)
    for key in ("header.pattern_colour", "logo.lines", "logo.ornament"):
        desks.lead(OfSetting(key))
    assert control(OfPage(home, "sidebar"), desks.look).id == f"sidebar-shown-{home}"
    for gone in (OfPage("gone", "name"), OfGround("gone"), OfRole("gone", "link"), OfField("gone", "heading", "")):
        desks.lead(gone)


def put(digest: str, data: bytes) -> None:
    """Under the name that the history gave it."""
    name = store._name(digest)
    if not default_storage.exists(name):
        default_storage.save(name, ContentFile(data))


def load(digest: str) -> bytes:
    """A picture that stands out from nothing."""
    out = BytesIO()
    Image.new("RGB", (60, 40), (136, 136, 136)).save(out, "PNG")
    return out.getvalue()


def measured(look: Look) -> dict[str, Measured]:
    """Every page too wide, with a target too small in each of its places."""
    found = {}
    for key, page in look.document.ordered_pages():
        places = ["header", *page.order, "footer"]
        targets = [Target(place, "Here", 10.0, 12.0 * n, 9, 9) for n, place in enumerate(places)]
        found[key] = Measured(320, 400, places[-2], targets)
    return found


def test_what_a_wordmark_has_no_control_for_leads_to_the_choice_of_the_logo(
    document: Document,
) -> None:
    picture = {"file": "f", "format": "png", "width": 9, "height": 9, "name": "mark.png"}
    for form, height in (("wordmark", "logo.form"), ("picture", "logo.height")):
        sheet = {"logo.form": form, "logo.picture": "p1"}
        look = Look(
            Document.model_validate(document.plain() | {"pictures": {"p1": picture}, "sheet": sheet}), catalogue()
        )
        assert control(OfSetting("logo.height"), look).id == height
    assert control(OfSetting("logo.height"), Look(document, catalogue())).id == "logo-file-file"
