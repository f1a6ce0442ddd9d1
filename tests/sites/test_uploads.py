"""How much one person may keep is told before it is reached, and refused in a sentence."""

from __future__ import annotations

from io import BytesIO
from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image

from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites import uploads
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db


def noise(seed: int) -> SimpleUploadedFile:
    """A picture of about a megabyte."""
    out = BytesIO()
    Image.effect_noise((1000, 900), 20 + seed).save(out, "PNG")
    return SimpleUploadedFile(f"noise-{seed}.png", out.getvalue())


def test_bytes_are_counted_told_and_refused(site: Site, ines: Person, client: Client, settings: Any) -> None:
    settings.MOST_MEGABYTES = 3
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    ask = {"accept": "application/json"}
    answers = [client.post("/sites/saltmarsh/upload/", {"file": noise(n)}, headers=ask) for n in range(5)]
    assert [answer.status_code for answer in answers[:2]] == [200, 200]
    assert answers[-1].status_code == 422
    assert "at most 3 megabytes of pictures, fonts and files" in answers[-1].json()["error"]["sentence"]
    assert uploads.kept(ines) <= 3_000_000
    settings.MOST_MEGABYTES = 2
    assert "of at most 2 megabytes" in client.get("/sites/saltmarsh/pictures/").content.decode()
    assert len(sites.document(Site.objects.get(pk=site.pk)).pictures) < 5


def test_a_file_on_two_sites_counts_once(site: Site, ines: Person) -> None:
    digest = uploads.keep(ines, b"a" * 5000)
    about = {"file": digest, "format": "png", "width": 9, "height": 9, "file_name": "a.png"}
    other = sites.create(ines, "Second", "second", "slipway")
    for one in (site, other):
        sites.edit(one, "add-picture", {"picture": "xp1", **about})
    assert uploads.kept(ines) == 5000
