"""Templates as anybody sees them, and as an owner tries them on."""

from __future__ import annotations

import re

import pytest
from django.test import Client

from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
GALLERY = {"host": "draft--gallery.localhost"}


@pytest.fixture
def visitor() -> Client:
    return Client(SERVER_NAME="localhost")


def windows(page: str) -> list[str]:
    return list(dict.fromkeys(re.findall(r'<iframe[^>]*src="http://draft--[\w-]+\.localhost(/[^"]+)"', page)))


def test_anybody_sees_every_template_with_the_words_of_a_trade(visitor: Client) -> None:
    page = visitor.get("/templates/?trade=beekeeper").content.decode()
    shown = windows(page)
    assert {address.split("/")[2] for address in shown} == set(catalogue().templates)
    for address in shown:
        answer = Client().get(address, headers=GALLERY)
        assert answer.status_code == 200
        assert "This year tastes of lime blossom" in answer.content.decode()
        assert "Railway Honey" in answer.content.decode()
        assert "/-/window.js" not in answer.content.decode(), "it is looked at, and not edited"


def test_those_that_fit_the_trade_and_the_aim_come_first(visitor: Client) -> None:
    first = {
        (trade, aim): windows(visitor.get(f"/templates/?trade={trade}&aim={aim}").content.decode())[0].split("/")[2]
        for trade, aim in (("photographer", "work"), ("chimney-sweep", "dates"), ("translator", ""))
    }
    assert first == {
        ("photographer", "work"): "lantern",
        ("chimney-sweep", "dates"): "handbill",
        ("translator", ""): "quire",
    }


def test_every_sheet_and_page_of_a_template_is_seen(visitor: Client) -> None:
    for template in catalogue().templates.values():
        for sheet in template.sheets:
            page = visitor.get(f"/templates/{template.slug}/?trade=baker&sheet={sheet.slug}").content.decode()
            (address,) = windows(page)
            assert address == f"/gallery/{template.slug}/{sheet.slug}/baker/"
        pages = re.findall(r"page=(x\d+)", page)
        bread = visitor.get(f"/templates/{template.slug}/?trade=baker&page={pages[1]}").content.decode()
        (address,) = windows(bread)
        assert address.endswith("/bread-list/") or address.endswith("/baker/")


@pytest.mark.parametrize("address", ["/templates/none/", "/templates/none/?trade=baker"])
def test_a_template_that_is_none_is_missing(visitor: Client, address: str) -> None:
    assert visitor.get(address).status_code == 404


@pytest.mark.parametrize("path", ["none/estuary/baker/", "slipway/none/baker/", "slipway/estuary/none/"])
def test_a_sample_that_is_none_is_missing(path: str) -> None:
    assert Client().get(f"/gallery/{path}", headers=GALLERY).status_code == 404


def test_trying_on_changes_nothing(client: Client, site: Site, ines: Person) -> None:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    sites.edit(site, "set-value", {"key": "type.base", "value": 20})
    before = Site.objects.values().get(pk=site.pk), site.edits.count()
    page = client.get(f"/sites/{site.slug}/try-on/").content.decode()
    shown = windows(page)
    assert len(shown) == 3
    for address in shown:
        answer = Client().get(address, headers={"host": f"draft--{site.slug}.localhost"})
        assert answer.status_code == 200
        assert "Saltmarsh" in answer.content.decode()
    grounds = {
        re.search(
            r'data-header="\w+"', Client().get(a, headers={"host": f"draft--{site.slug}.localhost"}).content.decode()
        )[0]
        for a in shown
    }  # type: ignore[index]
    assert len(grounds) == 3, "each in its own arrangement"
    assert (Site.objects.values().get(pk=site.pk), site.edits.count()) == before


def test_what_is_tried_on_is_chosen_up_to_three(client: Client, site: Site, ines: Person) -> None:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    second = sites.document(site).order[1]
    page = client.get(
        f"/sites/{site.slug}/try-on/?template=lantern&template=none&page={second}&width=phone"
    ).content.decode()
    (address,) = windows(page)
    assert address.endswith("/@template/lantern/prices/")
    assert 'data-width="390"' in page
    assert "See the plan for Lantern" in page
    many = "&".join(f"template={slug}" for slug in [*catalogue().templates] * 2)
    assert len(windows(client.get(f"/sites/{site.slug}/try-on/?{many}").content.decode())) == 3
