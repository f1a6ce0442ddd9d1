"""Signing out ends what could be seen."""

from __future__ import annotations

from typing import Any

import pytest
from django.test import Client
from django.urls import reverse

from yemba.hosting.services import draft_token
from yemba.people.models import Person
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
DRAFT = {"host": "draft--saltmarsh.localhost"}


def test_the_address_of_a_draft_ends_with_the_session(client: Client, ines: Person, site: Site) -> None:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    address = f"/~{draft_token(site, ines)}/"
    assert client.get(address, headers=DRAFT).status_code == 200
    client.post("/sign-out/")
    assert client.get(address, headers=DRAFT).status_code == 403
    ines.refresh_from_db()
    assert client.get(f"/~{draft_token(site, ines)}/", headers=DRAFT).status_code == 200, "signed in again"


def test_a_stranger_who_signs_out_ends_nobody_elses(client: Client, ines: Person, site: Site) -> None:
    address = f"/~{draft_token(site, ines)}/"
    client.post("/sign-out/")
    other = Person.objects.create_user("other@nettle.example")
    client.force_login(other, backend="django.contrib.auth.backends.ModelBackend")
    client.post("/sign-out/")
    assert client.get(address, headers=DRAFT).status_code == 200


def test_pages_of_a_person_are_kept_by_no_browser(client: Client, ines: Person, site: Site) -> None:
    assert "no-store" not in client.get("/").get("Cache-Control", "")
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    for address in ("/sites/", "/sites/saltmarsh/palette/", "/brand-sheets/"):
        assert client.get(address)["Cache-Control"] == "no-store"


@pytest.mark.parametrize(
    ("wanted", "leads"),
    [
        ("/sites/new/", "/sites/new/"),
        ("", "/sites/"),
        ("https://elsewhere.example/", "/sites/"),
        ("//elsewhere.example", "/sites/"),
        ("javascript:alert(1)", "/sites/"),
    ],
)
def test_the_door_of_the_demo_leads_on_within_the_studio_alone(
    client: Client, ines: Person, settings: Any, wanted: str, leads: str
) -> None:
    settings.DEMO = True
    assert client.post(reverse("enter-the-demo"), {"next": wanted})["Location"] == leads
