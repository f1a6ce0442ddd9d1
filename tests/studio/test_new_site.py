"""A new site asks for its language, money and time, and guesses them."""

from __future__ import annotations

import pytest
from django.test import Client

from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
CHOSEN = {"site.language": "fr", "site.currency": "CHF", "site.time_zone": "Europe/Zurich"}


@pytest.fixture
def hers(client: Client, ines: Person) -> Client:
    client.force_login(ines)
    return client


def test_what_the_browser_speaks_is_chosen_already(hers: Client) -> None:
    page = hers.get("/sites/new/", headers={"accept-language": "pl,en;q=0.4"}).content.decode()
    for value in ("pl", "PLN", "Europe/Warsaw"):
        assert f'<option value="{value}" selected>' in page


def test_what_is_chosen_is_the_sites(hers: Client) -> None:
    hers.post("/sites/new/", {"title": "Atelier", "slug": "", "template": "slipway", **CHOSEN})
    look = sites.look(Site.objects.get())
    assert {key: look.value(key) for key in CHOSEN} == CHOSEN


@pytest.mark.parametrize(
    ("key", "typed", "named"),
    [("site.currency", "dollars", "“dollars”"), ("site.time_zone", "Mars/North", "“Mars/North”")],
)
def test_what_is_none_is_said_beside_its_field_and_the_rest_stays(
    hers: Client, key: str, typed: str, named: str
) -> None:
    answer = hers.post("/sites/new/", {"title": "Atelier", "template": "lantern", **CHOSEN, key: typed})
    page = answer.content.decode()
    assert answer.status_code == 422
    assert named in page
    assert f'id="fault-{key}"' in page
    assert 'value="Atelier"' in page
    assert '<option value="fr" selected>' in page
    assert not Site.objects.exists()


def test_a_time_zone_that_nobody_chose_is_asked_for_later(hers: Client) -> None:
    hers.post("/sites/new/", {"title": "Atelier", "template": "slipway"})
    assert not sites.look(Site.objects.get()).resolve("site.time_zone").set_by_owner
