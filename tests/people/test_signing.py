"""Signing in is throttled by name and by address and shuts nobody else out; signing out ends what could be seen."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import pytest
from django.test import Client
from django.urls import reverse
from django.utils import timezone
from freezegun import freeze_time

from yemba.hosting.services import draft_token
from yemba.people.models import Person
from yemba.people.throttle import MOST_FOR_A_NAME, MOST_FROM_AN_ADDRESS
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


PASSWORD = "tide-row-four"


@pytest.fixture
def nettle(db: None) -> Person:
    return Person.objects.create_user("growers@nettle.example", "rye-and-clay", name="Growers")


def tries(client: Client, name: str, password: str = "wrong", times: int = 1, address: str = "192.0.2.1") -> int:
    for _ in range(times):
        answer = client.post("/sign-in/", {"username": name, "password": password}, REMOTE_ADDR=address)
    return int(answer.status_code)


def signed_in(client: Client) -> bool:
    return "_auth_user_id" in client.session


def test_after_too_many_wrong_ones_the_right_password_does_not_sign_in(client: Client, ines: Person) -> None:
    assert tries(client, ines.email, times=9) == 429
    assert tries(client, ines.email, PASSWORD) == 429
    assert not signed_in(client)


def test_other_letters_and_blanks_are_the_same_name(client: Client, ines: Person) -> None:
    for name in (ines.email.upper(), f" {ines.email}", ines.email.title()):
        tries(client, name, times=3)
    assert tries(client, ines.email, PASSWORD) == 429


def test_another_person_at_that_address_may_mistype_and_sign_in(client: Client, ines: Person, nettle: Person) -> None:
    tries(client, ines.email, times=12)
    assert tries(client, nettle.email) == 200, "a wrong password, said beside the field"
    assert tries(client, nettle.email, "rye-and-clay") == 302
    assert signed_in(client)


def test_a_stranger_elsewhere_does_not_shut_an_owner_out(client: Client, ines: Person) -> None:
    tries(client, ines.email, times=12, address="198.51.100.7")
    assert tries(client, ines.email, PASSWORD) == 302


def test_many_machines_cannot_share_out_the_guessing(client: Client, ines: Person) -> None:
    for n in range(MOST_FOR_A_NAME // 6):
        tries(client, ines.email, times=6, address=f"198.51.100.{n}")
    assert tries(client, ines.email, PASSWORD, address="203.0.113.5") == 429


def test_one_machine_cannot_go_through_names(client: Client, ines: Person) -> None:
    for n in range(MOST_FROM_AN_ADDRESS):
        tries(client, f"person{n}@somewhere.example")
    assert tries(client, ines.email, PASSWORD) == 429
    assert tries(client, ines.email, PASSWORD, address="203.0.113.5") == 302


def test_after_a_quarter_of_an_hour_it_is_asked_again(client: Client, ines: Person) -> None:
    tries(client, ines.email, times=9)
    with freeze_time(timezone.now() + timedelta(minutes=16)):
        assert tries(client, ines.email, PASSWORD) == 302


def sign_up(number: int, address: str) -> int:
    typed = {"name": "Grower", "email": f"grower-{number}@nettle.example", "password": PASSWORD}
    return int(Client(SERVER_NAME="localhost").post("/sign-up/", typed, REMOTE_ADDR=address).status_code)


def test_sign_ups_from_one_address_are_limited_by_the_day(db: None, settings: Any) -> None:
    settings.MOST_SIGN_UPS = 2
    told = [sign_up(number, "192.0.2.7") for number in range(4)]
    assert told == [302, 302, 429, 429]
    assert sign_up(5, "192.0.2.8") == 302, "another address is another count"
    with freeze_time(timezone.now() + timedelta(days=1, minutes=1)):
        assert sign_up(6, "192.0.2.7") == 302
    assert "192.0.2.7" not in str(Person.objects.values_list())
