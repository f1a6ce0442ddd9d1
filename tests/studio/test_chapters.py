"""How each chapter stands, what waits as it tells of it, and where words of our own are explained."""

from __future__ import annotations

from typing import Any

import pytest
from django.test import Client

from tests.editing import edited
from yemba.catalogue import catalogue
from yemba.core.change.difference import Change, difference
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.hosting import services as hosting
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Site
from yemba.studio.chapters import chapters, desks, names
from yemba.studio.templatetags.values import MEANINGS
from yemba.studio.waiting import waiting


@pytest.fixture
def unset(document: Document) -> Document:
    """As a template has it, without even a trade, and its first page empty."""
    first = document.order[0]
    pages = document.plain()["pages"]
    pages[first] |= {"sections": {}, "order": []}
    return Document.model_validate(document.plain() | {"site": {}, "pages": {first: pages[first]}, "order": [first]})


def states(document: Document, waiting: list[Change] | None = None) -> dict[str, str]:
    return {one.slug: one.state for one in chapters(Look(document, catalogue()), waiting or [])}


def of_pages(document: Document) -> tuple[str, str]:
    (pages,) = (one for one in chapters(Look(document, catalogue()), []) if one.slug == "pages")
    return pages.state, str(pages.reason)


def test_they_stand_in_the_order_of_the_work(document: Document) -> None:
    order = ["template", "palette", "type", "logo", "header", "frame", "pages", "footer", "proof"]
    assert [*names()] == order
    listed = chapters(Look(document, catalogue()), [])
    assert [(one.slug, one.digit) for one in listed] == [*zip(order, range(1, 10), strict=True)]
    assert {*desks()} - {*names()} == {"pictures", "history"}


def test_nothing_but_pages_is_the_owners_before_anything_was_set(unset: Document) -> None:
    assert {slug for slug, state in states(unset).items() if state != "template"} == {"pages"}


@pytest.mark.parametrize(
    ("theirs", "over"),
    [
        ("template palette type", {"ready_sheet": "slipway/lamplight"}),
        ("palette", {"sheet": {"palette": [{"id": "c1", "name": "Oxide", "hex": "#8c3b2a"}]}}),
        ("type", {"sheet": {"type.base": 19}}),
        ("logo", {"tagline": "Books mended"}),
        ("", {"site": {"site.trade": "baker", "site.language": "de"}}),
        ("header", {"navigation": {"hidden": ["home"]}}),
        ("header", {"parts": {"header.arrangement": "side"}}),
        ("frame", {"shared": {"sidebar": {}}}),
        ("footer", {"shared": {"footer": {}}}),
        ("footer", {"parts": {"footer.credit": True}}),
    ],
)
def test_what_its_owner_sets_makes_its_chapters_the_owners(unset: Document, theirs: str, over: dict[str, Any]) -> None:
    own = Document.model_validate(unset.plain() | over)
    assert {slug for slug, state in states(own).items() if state == "yours"} == {*theirs.split(), "pages"}


def test_changes_that_wait_are_for_the_proof(unset: Document) -> None:
    changed = edited(unset, "set-value", key="type.base", value="19")
    waiting = difference(unset, changed, catalogue())
    assert states(changed, waiting)["proof"] == "yours"
    assert states(changed)["proof"] == "template"


def test_pages_need_a_look_for_starter_words_and_then_for_pictures(unset: Document) -> None:
    (page,) = unset.order
    assert of_pages(unset) == ("yours", "set by you")
    one = edited(unset, "add-section", page=page, kind="words")
    assert of_pages(one) == ("look", "1 section with starter words")
    two = edited(one, "add-section", page=page, kind="words")
    assert of_pages(two) == ("look", "2 sections with starter words")
    picture = {"file": "f", "format": "jpeg", "width": 9, "height": 9, "name": "tide.jpg"}
    section = {"kind": "words-with-picture", "fields": {"heading": "Tide", "picture": "p1"}}
    shown = unset.plain() | {"pictures": {"p1": picture}}
    shown["pages"][page] |= {"sections": {"s1": section}, "order": ["s1"]}
    assert of_pages(Document.model_validate(shown)) == ("look", "1 picture without alt text")


@pytest.mark.django_db
@pytest.mark.parametrize(
    ("word", "address"),
    [
        ("ground", "header/?show=surface"),
        ("ground", "footer/"),
        ("ground", "pages/?section={section}"),
        ("one-off", "template/?plan=lantern"),
        ("chroma", "palette/?show=colours"),
    ],
)
def test_a_newcomer_is_told_what_it_means(client: Client, ines: Person, site: Site, word: str, address: str) -> None:
    client.force_login(ines)
    document = sites.document(site)
    section = document.pages[document.order[0]].order[0]
    page = client.get(f"/sites/saltmarsh/{address.format(section=section)}").content.decode()
    assert MEANINGS[word] in page


@pytest.mark.django_db
def test_sections_of_a_new_sidebar_touch_the_pages_that_show_them(site: Site) -> None:
    hosting.publish(site)
    for kind in ("hours-and-place", "words"):
        sites.edit(site, "add-section", {"part": "sidebar", "kind": kind})
    anew = Site.objects.get(pk=site.pk)
    assert [waits.spots for waits in waiting(anew)] == [[], []], "without a sidebar they show nowhere"
    sites.edit(anew, "set-value", {"key": "sidebar.side", "value": "start"})
    anew = Site.objects.get(pk=site.pk)
    pages = set(sites.document(anew).pages)
    reached = [{spot.page for spot in waits.spots} for waits in waiting(anew)]
    assert len(reached) == 3
    assert reached == [pages] * 3
