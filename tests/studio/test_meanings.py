"""Words of our own are explained where they stand first."""

from __future__ import annotations

import pytest
from django.test import Client

from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Site
from yemba.studio.templatetags.values import MEANINGS

pytestmark = pytest.mark.django_db


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
