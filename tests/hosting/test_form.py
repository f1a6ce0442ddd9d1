"""A contact form through the real addresses: all that is wrong at once, sent once, gone with a word."""

from __future__ import annotations

import re

import pytest
from django.test import Client

from yemba.hosting import services
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
