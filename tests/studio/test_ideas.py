"""Ideas for words, beside the field that they are for."""

from __future__ import annotations

import html
import re

import pytest
from django.test import Client

from yemba.core.site.words import plain
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Site
from yemba.standins import writer
from yemba.studio.desks.ideas import AT_ONCE

pytestmark = pytest.mark.django_db
OFFERED = re.compile(r'aria-label="(Take|Taken): ([^"]+)"')


def section_of(site: Site, kind: str) -> str:
    document = sites.document(site)
    return next(s.key for s in document.standing() if s.section.kind == kind)


@pytest.fixture
def potter(site: Site) -> Site:
    sites.edit(site, "set-value", {"key": "site.trade", "value": "potter"})
    site.refresh_from_db()
    return site


class Desk:
    def __init__(self, client: Client, site: Site, ines: Person) -> None:
        client.force_login(ines)
        self.client, self.site = client, site

    def page(self, **query: str) -> str:
        return self.client.get("/sites/saltmarsh/pages/", query).content.decode()

    def offered(self, **query: str) -> list[tuple[str, str]]:
        return [(how, html.unescape(words)) for how, words in OFFERED.findall(self.page(**query))]

    def link(self, page: str, words: str) -> str:
        """The query behind a link, by its words."""
        return html.unescape(re.search(rf'href="\?([^"]+)"[^>]*>{words}<', page)[1])  # type: ignore[index]


@pytest.fixture
def desk(client: Client, potter: Site, ines: Person) -> Desk:
    return Desk(client, potter, ines)


def test_a_field_offers_ideas_and_takes_one(desk: Desk) -> None:
    section = section_of(desk.site, "opening")
    assert writer.SAYS not in desk.page(section=section), "nothing is proposed before it is asked for"
    assert f"?section={section}&amp;ideas=lead" in desk.page(section=section)
    asked = {"section": section, "ideas": "lead", "tone": "warm"}
    offered = desk.offered(**asked)
    assert len(offered) == AT_ONCE
    assert writer.SAYS in desk.page(**asked), "it says that it is simulated"
    words = offered[1][1]
    edit = {"command": "set-words", "section": section, "field": "lead", "item": "", "words": words}
    desk.client.post("/sites/saltmarsh/edit/", edit)
    stored = sites.document(Site.objects.get(pk=desk.site.pk)).section(section).section.fields["lead"]
    assert plain(stored) == words
    assert ("Taken", words) in desk.offered(**asked), "and stays where it was"


def test_others_are_others(desk: Desk) -> None:
    section = section_of(desk.site, "opening")
    seen: list[str] = []
    query = {"section": section, "ideas": "heading"}
    for _ in range(6):
        page = desk.page(**query)
        seen += [words for _, words in desk.offered(**query)]
        query = dict(part.split("=") for part in desk.link(page, "Others").split("&"))
    assert len(set(seen)) == 6 * AT_ONCE
    assert desk.offered(**query | {"after": "100000"}) == []
    assert "No more of this tone" in desk.page(**query | {"after": "100000"})
    assert len(desk.offered(**query | {"after": "-3", "tone": "shrill"})) == AT_ONCE, (
        "what makes no sense is the beginning"
    )


def test_an_entry_opens_with_its_ideas_and_speaks_of_itself(desk: Desk) -> None:
    section = section_of(desk.site, "offers")
    item = sites.document(desk.site).section(section).section.order[0]
    query = {"section": section, "item": item, "ideas": "text"}
    page = desk.page(**query)
    assert re.search(rf'<li id="item-{item}"(?:(?!<li id="item-).)*?<details[^>]* open>', page, re.DOTALL)
    assert page.count('class="ideas"') == 1
    assert desk.offered(**query)


def test_ones_own_words_are_shortened_with_the_reason(desk: Desk) -> None:
    section = section_of(desk.site, "opening")
    query = {"section": section, "ideas": "lead"}
    assert "nothing to shorten" in desk.page(**query) or "Shorten" in desk.page(**query)
    sites.edit(
        desk.site,
        "set-words",
        {"section": section, "field": "lead", "item": "", "words": "I throw pots in order to eat."},
    )
    page = html.unescape(desk.page(**query))
    assert "I throw pots to eat." in page
    assert "“to” says as much as “in order to”." in page
    assert 'value="<p>I throw pots to eat.</p>"' in page, "that is what taking it keeps"


def test_fields_that_are_no_prose_have_none(desk: Desk) -> None:
    section = section_of(desk.site, "hours-and-place")
    page = desk.page(section=section)
    assert "ideas=note" in page
    assert "ideas=address" not in page
    assert "ideas=telephone" not in page
    assert writer.SAYS not in desk.page(section=section, ideas="telephone")
