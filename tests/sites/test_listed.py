"""A site as a whole: copied, renamed, put into the bin and back, deleted for good."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import pytest
from django.core.management import call_command
from django.test import Client
from django.utils import timezone
from freezegun import freeze_time

from yemba.hosting import services as hosting
from yemba.people.models import Person
from yemba.sites import listed
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
LIVE = {"host": "saltmarsh.localhost"}


@pytest.fixture
def hers(client: Client, ines: Person, site: Site) -> Client:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    hosting.publish(site)
    return client


def post(client: Client, do: str, **more: Any) -> str:
    return client.post("/sites/", {"do": do, "site": "saltmarsh", **more}, follow=True).content.decode()


def test_a_copy_stands_by_itself(hers: Client, site: Site) -> None:
    page = post(hers, "copy")
    assert "Copied as “Saltmarsh Bindery copy”." in page
    copy = Site.objects.get(slug="saltmarsh-bindery-copy")
    original = sites.document(Site.objects.get(pk=site.pk))
    assert sites.document(copy) == original.model_copy(update={"name": "Saltmarsh Bindery copy"})
    sites.edit(copy, "set-colour", {"colour": "c1", "hex": "#123456"})
    assert sites.document(Site.objects.get(pk=site.pk)) == original
    assert hosting.live_edition(copy) is None


def test_copies_are_told_apart_and_cut_at_a_word(site: Site) -> None:
    title = "Quill and Tallow, Chandlers and Candle Makers of the Estuary"
    sites.edit(site, "name-site", {"title": title, "tagline": ""})
    first = listed.copy(Site.objects.get(pk=site.pk))
    names = [sites.document(one).name for one in (first, listed.copy(first), listed.copy(first))]
    stem = title.removesuffix(" Estuary")
    assert names == [f"{stem} copy", f"{stem} copy 2", f"{stem} copy 3"]
    assert first.slug == "quill-and-tallow-chandlers-and"


def test_a_long_name_is_copied_too_and_there_is_a_limit(hers: Client, site: Site, settings: Any) -> None:
    sites.edit(site, "name-site", {"title": "N" * 60, "tagline": ""})
    post(hers, "copy")
    assert Site.objects.filter(slug__startswith="n").count() == 1
    settings.MOST_SITES = 2
    answer = hers.post("/sites/", {"do": "copy", "site": "saltmarsh"})
    assert answer.status_code == 422
    assert "at most 2 sites of one person" in answer.content.decode()


def test_a_name_is_an_edit_and_the_address_stays(hers: Client, site: Site) -> None:
    assert "is now called “Mudlark”" in post(hers, "rename", title="Mudlark")
    site.refresh_from_db()
    assert (sites.document(site).name, site.slug) == ("Mudlark", "saltmarsh")
    hers.post("/sites/saltmarsh/undo/")
    assert sites.document(Site.objects.get(pk=site.pk)).name == "Saltmarsh Bindery"
    answer = hers.post("/sites/", {"do": "rename", "site": "saltmarsh", "title": "M" * 61})
    page = answer.content.decode()
    assert answer.status_code == 422
    assert "M" * 61 in page, "what was typed stays"
    assert "shorten it by 1" in page


def test_a_site_in_the_bin_is_seen_by_nobody_and_comes_back_as_it_was(hers: Client, site: Site) -> None:
    live = Client().get("/", headers=LIVE).content
    draft = f"/~{hosting.draft_token(site, site.owner)}/"
    page = post(hers, "bin")
    assert "is in the bin, and off the web" in page
    assert "29 days left" in page
    assert Client().get("/", headers=LIVE).status_code == 404
    assert Client().get(draft, headers={"host": "draft--saltmarsh.localhost"}).status_code == 403
    for path in ("/sites/saltmarsh/palette/", "/sites/saltmarsh/proof/", "/sites/saltmarsh/inbox/"):
        assert hers.get(path).status_code == 404
    assert "is in use" in hers.post("/sites/new/", {"title": "New", "slug": "saltmarsh"}).content.decode()
    assert "is back, as it was" in post(hers, "restore", number=site.pk)
    assert Client().get("/", headers=LIVE).content == live
    assert hers.get("/sites/saltmarsh/palette/").status_code == 200
    answer = hers.post("/sites/", {"do": "restore", "number": site.pk})
    assert answer.status_code == 422
    assert "not in the bin any more" in answer.content.decode()


def test_after_thirty_days_it_is_deleted_for_good(site: Site, capsys: pytest.CaptureFixture[str]) -> None:
    listed.to_bin(site)
    with freeze_time(timezone.now() + timedelta(days=29)):
        call_command("sweep_bin")
        assert Site.objects.filter(pk=site.pk).exists()
    with freeze_time(timezone.now() + timedelta(days=31)):
        call_command("sweep_bin")
    assert not Site.objects.filter(pk=site.pk).exists()
    assert "in the bin: 1" in capsys.readouterr().out


@pytest.mark.parametrize("do", ["copy", "rename", "bin", "restore"])
def test_a_stranger_does_nothing_to_it(site: Site, do: str) -> None:
    other = Client(SERVER_NAME="localhost")
    marek = Person.objects.create_user("m@dubrov.example")
    other.force_login(marek, backend="django.contrib.auth.backends.ModelBackend")
    answer = other.post("/sites/", {"do": do, "site": "saltmarsh", "number": site.pk, "title": "Mine"})
    assert answer.status_code in (404, 422)
    assert Site.objects.count() == 1
    assert Site.objects.get().binned_at is None


def test_fifty_sites_are_listed_with_their_editions(hers: Client, ines: Person, settings: Any) -> None:
    settings.MOST_SITES = 60
    for number in range(49):
        sites.create(ines, f"Site {number}", f"site-{number}", "slipway")
    page = hers.get("/sites/").content.decode()
    assert page.count('class="site-row"') == 50
    assert page.count("not yet published") == 49
    assert "edition 1," in page
