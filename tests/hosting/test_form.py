"""A contact form through the real addresses: all that is wrong at once, sent once, gone with a word."""

from __future__ import annotations

import re
from typing import Any

import pytest
from django.test import Client

from yemba.hosting import inbox, services
from yemba.hosting.models import Message
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
HOST = {"host": "saltmarsh.localhost"}
GOOD = {"name": "Mara", "mail": "mara@quay.example", "words": "Do you mend atlases?"}


@pytest.fixture
def form(site: Site) -> str:
    """The id of a live contact form."""
    page = sites.document(site).order[0]
    sites.edit(site, "add-section", {"page": page, "kind": "contact-form"})
    services.publish(Site.objects.get(pk=site.pk))
    document = sites.document(Site.objects.get(pk=site.pk))
    return next(key for key, section in document.pages[page].sections.items() if section.kind == "contact-form")


def test_all_that_is_wrong_is_said_at_once_each_beside_its_field(client: Client, form: str) -> None:
    answer = client.post(f"/-/form/{form}/", {"name": "", "mail": "mara", "words": ""}, headers=HOST)
    html = answer.content.decode()
    assert answer.status_code == 422
    for field, words in (("name", "say your name"), ("mail", "“mara” is not a mail address"), ("words", "is empty")):
        described = re.search(rf'name="{field}"[^>]*aria-invalid="true" aria-describedby="([\w-]+)"', html)
        assert described, field
        assert re.search(rf'id="{described[1]}">[^<]*{words}', html), field
    assert 'value="mara"' in html, "what was typed stays"
    assert Message.objects.count() == 0


def test_what_is_sent_is_shown_by_another_address(client: Client, form: str) -> None:
    answer = client.post(f"/-/form/{form}/", GOOD, headers=HOST)
    assert (answer.status_code, answer["Location"]) == (303, f"/-/form/{form}/sent/")
    for _ in range(2):
        assert "arrived" in client.get(answer["Location"], headers=HOST).content.decode()
    assert Message.objects.get().words == GOOD["words"]


def test_a_form_that_is_gone_says_so_and_gives_the_words_back(client: Client, site: Site, form: str) -> None:
    sites.edit(Site.objects.get(pk=site.pk), "bin-section", {"section": form})
    services.publish(Site.objects.get(pk=site.pk))
    answer = client.post(f"/-/form/{form}/", GOOD | {"words": "<b>Do</b> you?"}, headers=HOST)
    html = answer.content.decode()
    assert answer.status_code == 410
    assert "no longer here" in html
    assert "&lt;b&gt;Do&lt;/b&gt; you?" in html
    assert client.get(f"/-/form/{form}/sent/", headers=HOST).status_code == 404


def send(client: Client, form: str, n: int, address: str) -> int:
    words = {"words": f"Message {n} from {address}"}
    answer = client.post(f"/-/form/{form}/", GOOD | words, headers=HOST, REMOTE_ADDR=address)
    return int(answer.status_code)


def test_the_flood_of_one_sender_leaves_room_for_others(client: Client, form: str) -> None:
    told = [send(client, form, n, "198.51.100.7") for n in range(30)]
    assert told == [303] * 20 + [422] * 10
    assert send(client, form, 0, "203.0.113.5") == 303
    assert Message.objects.filter(state=Message.State.NEW).count() == 4, "the first three of the flood, and the other"


def test_the_flood_of_many_senders_has_an_end_and_words_stay(client: Client, form: str, settings: Any) -> None:
    settings.MOST_MESSAGES = 6
    told = [send(client, form, n, f"198.51.100.{n}") for n in range(8)]
    assert told == [303] * 6 + [422] * 2
    answer = client.post(f"/-/form/{form}/", GOOD, headers=HOST)
    assert "Too many messages" in answer.content.decode()
    assert GOOD["words"] in answer.content.decode()


def _with_form(site: Site, kind: str, **where: str) -> tuple[Site, str]:
    """The site published with a section of a kind, and its id."""
    before = {one.key for one in sites.document(site).standing()}
    sites.edit(site, "add-section", {"kind": kind, **where})
    anew = Site.objects.get(pk=site.pk)
    (key,) = {one.key for one in sites.document(anew).standing()} - before
    services.publish(anew)
    return anew, key


def test_a_sign_up_asks_for_a_mail_address_alone(client: Client, site: Site) -> None:
    home = sites.document(site).order[0]
    site, key = _with_form(site, "sign-up", page=home)
    wrong = client.post(f"/-/form/{key}/", {"mail": "not one"}, headers=HOST)
    assert wrong.status_code == 422
    assert "not one" in wrong.content.decode()
    for address in ("mira@estuary.example", "noor@estuary.example"):
        answer = client.post(f"/-/form/{key}/", {"mail": address}, headers=HOST)
        assert answer.status_code in (200, 303)
    kept = inbox.messages(site)
    assert {(one.name, one.mail, one.words) for one in kept} == {
        ("", "mira@estuary.example", ""),
        ("", "noor@estuary.example", ""),
    }, "two sign-ups have the same words, none, and neither is held back"
    assert "mira@estuary.example" in inbox.export(site)
    client.force_login(site.owner, backend="django.contrib.auth.backends.ModelBackend")
    shown = client.get("/sites/saltmarsh/inbox/").content.decode()
    assert "Wants to hear of news" in shown


def test_a_form_in_the_sidebar_is_received_from_every_page(client: Client, site: Site) -> None:
    sites.edit(site, "set-value", {"key": "sidebar.side", "value": "end"})
    site, key = _with_form(Site.objects.get(pk=site.pk), "contact-form", part="sidebar")
    sent = {"name": "Mira", "mail": "mira@estuary.example", "words": "Can you mend a Bible?"}
    answer = client.post(f"/-/form/{key}/", sent, headers=HOST)
    assert answer.status_code in (200, 303)
    (kept,) = inbox.messages(site)
    assert kept.words == "Can you mend a Bible?"
    assert kept.page == sites.document(site).pages[sites.document(site).order[0]].name
