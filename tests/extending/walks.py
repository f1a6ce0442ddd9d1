"""The walks of test_extending.py, run where the additions are: from the desk to the published page."""

from __future__ import annotations

from typing import Any

import pytest
from django.test import Client

from yemba.core.check.finding import Inspected, checks
from yemba.core.colour.files import read_palette
from yemba.core.place import OfField, OfPage, OfSetting, Place
from yemba.core.site.document import Document
from yemba.hosting import services as hosting
from yemba.render.reach import Spot
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Site
from yemba.studio.controls import control
from yemba.studio.waiting import Waiting, waiting

LIVE = "saltmarsh.localhost"


class Walk:
    """Ines at her published site."""

    def __init__(self, client: Client, site: Site) -> None:
        self.client, self.pk = client, site.pk
        client.force_login(site.owner, backend="django.contrib.auth.backends.ModelBackend")
        hosting.publish(site)

    @property
    def site(self) -> Site:
        return Site.objects.get(pk=self.pk)

    @property
    def document(self) -> Document:
        return sites.document(self.site)

    def desk(self, chapter: str, **query: str) -> str:
        answer = self.client.get(f"/sites/saltmarsh/{chapter}/", query)
        assert answer.status_code == 200
        return answer.content.decode()

    def leads(self, place: Place) -> str:
        """The desk that a place leads to; its control is there."""
        decides = control(place, sites.look(self.site))
        html = self.desk(decides.chapter, **decides.query)
        assert f'id="{decides.id}"' in html, decides
        return html

    def edit(self, command: str, **arguments: str) -> dict[str, Any]:
        """The patch for the windows."""
        shown = self.document.order[0]
        posted = {"command": command, "window_page": shown, "revision": str(self.site.revision), **arguments}
        answer = self.client.post("/sites/saltmarsh/edit/", posted, headers={"accept": "application/json"})
        assert answer.status_code == 200, answer.content
        return answer.json()["patch"]

    def draft(self, path: str = "") -> str:
        """A page as a window shows it."""
        panels = self.client.get("/sites/saltmarsh/template/", headers={"accept": "application/json"}).json()
        address = panels["base"].partition("localhost")[2].partition("/")[2]
        return self.client.get(f"/{address}{path}", headers={"host": "draft--saltmarsh.localhost"}).content.decode()

    def waits(self, subject: str) -> Waiting:
        (found,) = [entry for entry in waiting(self.site) if entry.change.subject == subject]
        return found

    def publish(self) -> None:
        hosting.publish(self.site)

    def live(self, path: str = "") -> str:
        return self.client.get(f"/{path}", headers={"host": LIVE}).content.decode()

    def styles(self) -> str:
        name = self.live().partition('stylesheet" href="')[2].partition('"')[0]
        return self.client.get(f"/{name}", headers={"host": LIVE}).content.decode()


@pytest.fixture
def walk(client: Client, site: Site) -> Walk:
    return Walk(client, site)


def test_a_part(walk: Walk) -> None:
    assert ">Colophon<" in walk.desk("colophon")
    patch = walk.edit("set-value", key="colophon.title", value="Tide table")
    assert "Tide table" in patch["fragments"]["colophon"]
    assert "Tide table" in walk.draft()
    added = walk.edit("add-section", part="colophon", kind="words")
    assert "kind-words" in added["fragments"]["colophon"]
    (key,) = walk.document.shared["colophon"].order
    walk.edit("set-words", section=key, field="body", words="High water at noon")
    assert 'value="Tide table"' in walk.leads(OfSetting("colophon.title"))
    walk.leads(OfField(key, "body"))
    waits = walk.waits("Colophon title")
    assert set(waits.spots) == {Spot(page, "colophon") for page in walk.document.order}
    assert walk.waits("Words in the colophon").spots == waits.spots
    found = [one for check in checks().values() for one in check.find(look_at(walk))]
    assert all(control(one.place, sites.look(walk.site)) for one in found)
    walk.publish()
    assert "Tide table" in walk.live()
    assert "High water at noon" in walk.live("prices/")
    assert "site-colophon" in walk.styles()


def test_a_kind(walk: Walk) -> None:
    assert ">Recipe<" in walk.desk("pages")
    home = walk.document.order[0]
    walk.edit("add-section", page=home, kind="recipe")
    key = walk.document.pages[home].order[-1]
    patch = walk.edit("set-layout", section=key, layout="card")
    assert "layout-card" in patch["fragments"][key]
    assert "layout-card" in walk.draft()
    walk.leads(OfField(key, "method"))
    assert walk.waits("Recipe on Home").spots == [Spot(home, key)]
    starters = checks()["starter_words"]
    assert any("Recipe on Home still has" in one.sentence for one in starters.find(look_at(walk)))
    walk.edit("choose-template", template="lighthouse")
    assert "kind-recipe layout-card" in walk.draft(), "in a template that knows nothing of it"
    walk.publish()
    assert "kind-recipe layout-card" in walk.live()


def test_a_template(walk: Walk) -> None:
    front = walk.client.get("/")
    assert b"Lighthouse" in front.content
    picture = walk.client.get("/templates/lighthouse/picture/")
    assert (picture.status_code, picture["Content-Type"]) == (200, "image/svg+xml")
    assert "Change to Lighthouse" in walk.desk("template", plan="lighthouse")
    patch = walk.edit("choose-template", template="lighthouse")
    assert patch["arrangement"] == "stack"
    assert 'data-header="stack"' in walk.draft()
    assert "set by you" not in walk.waits("Template").change.after
    assert {spot.place for spot in walk.waits("Template").spots} >= {"header", "footer"}
    walk.publish()
    assert "border-block-end: 6px solid" in walk.styles()


def test_an_arrangement(walk: Walk) -> None:
    assert "Name over all" in walk.leads(OfSetting("header.arrangement"))
    patch = walk.edit("set-value", key="header.arrangement", value="masthead")
    assert patch["arrangement"] == "masthead"
    assert 'data-header="masthead"' in walk.draft()
    waits = walk.waits("Header arrangement")
    assert waits.change.after == "Name over all"
    assert {spot.place for spot in waits.spots} == {"header"}
    walk.publish()
    assert 'data-header="masthead"' in walk.live()
    assert '[data-header="masthead"] .bar' in walk.styles()


def test_a_palette_format(walk: Walk) -> None:
    assert "Named lines" in walk.desk("palette", show="files")
    written = walk.client.get("/sites/saltmarsh/palette-out/named_lines/").content.decode()
    assert read_palette(written).colours[0][0] == sites.look(walk.site).value("palette")[0]["name"]
    walk.edit("choose-palette", codes="Rust\t#8c3b2a\nSlate\t#333a40\nPaper\t#fafafa")
    assert [colour["name"] for colour in sites.look(walk.site).value("palette")] == ["Rust", "Slate", "Paper"]
    assert walk.waits("Rust").spots
    walk.publish()
    assert "#8c3b2a" in walk.styles()


def test_a_check(walk: Walk) -> None:
    walk.edit("add-page", page_name="Ab")
    key = walk.document.order[-1]
    proof = walk.desk("proof")
    assert "Names of pages" in proof
    assert "has a name of 2 letters" in proof
    walk.leads(OfPage(key, "name"))
    walk.edit("rename-page", page=key, page_name="Notes")
    assert "has a name of 2 letters" not in walk.desk("proof")
    assert walk.waits("Page Notes").spots
    walk.publish()
    assert "<h1" in walk.live("ab/")


def test_a_language(walk: Walk) -> None:
    assert ">Cornish<" in walk.leads(OfSetting("site.language"))
    home = walk.document.order[0]
    patch = walk.edit("set-value", key="site.language", value="kw")
    assert "fragments" in patch
    assert '<html lang="kw"' in walk.draft()
    assert walk.waits("Language").change.after == "Cornish"
    walk.edit("return-value", key="site.language")
    assert "Language" not in [entry.change.subject for entry in waiting(walk.site)]
    walk.edit("set-value", key="site.language", value="kw")
    assert sites.look(walk.site).language.alphabet.startswith("âêî")
    walk.publish()
    assert '<html lang="kw"' in walk.live()
    assert home


def test_a_design_value(walk: Walk) -> None:
    home = walk.document.order[0]
    walk.edit("add-section", page=home, kind="recipe")
    key = walk.document.pages[home].order[-1]
    walk.edit("set-layout", section=key, layout="card")
    walk.publish()
    assert "Edge of cards" in walk.leads(OfSetting("shape.edge"))
    patch = walk.edit("set-value", key="shape.edge", value="9")
    assert "--edge:9px" in patch["values"]
    waits = walk.waits("Edge of cards")
    assert (waits.change.before, waits.change.after) == ("3 px", "9 px")
    assert waits.spots == [Spot(home, key)]
    walk.publish()
    assert "--edge:9px" in walk.styles()


def look_at(walk: Walk) -> Inspected:
    return Inspected(sites.look(walk.site), store.load, hosting.weigh)
