"""Files to take away, from the desk to the live site."""

from __future__ import annotations

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from yemba.core.site.document import Document
from yemba.hosting import services as hosting
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
PDF = b"%PDF-1.7 prices"


def kept(site: Site) -> Document:
    return sites.document(Site.objects.get(pk=site.pk))


def brought(client: Client, site: Site, *files: tuple[str, bytes], **more: str) -> int:
    sent = [SimpleUploadedFile(name, data) for name, data in files]
    address = f"/sites/{site.slug}/file-upload/"
    return client.post(address, {"file": sent, **more}, headers={"accept": "application/json"}).status_code


def test_a_price_list_goes_live_where_something_leads_to_it(client: Client, site: Site, ines: Person) -> None:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    assert brought(client, site, ("Price list.pdf", PDF), ("Diary.txt", b"secret")) == 200
    files = kept(site).files
    assert {file.name for file in files.values()} == {"Price list.pdf", "Diary.txt"}
    (prices,) = (key for key, file in files.items() if file.format == "pdf")
    sites.edit(site, "add-menu-link", {"entry_name": "Prices", "link": f"file:{prices}"})
    desk = client.get(f"/sites/{site.slug}/pictures/?show=files").content.decode()
    assert desk.index("nothing leads to it yet") > desk.index("Diary.txt") > 0
    site.refresh_from_db()
    hosting.publish(site)
    visitor = Client(SERVER_NAME=f"{site.slug}.localhost")
    assert 'href="files/price-list.pdf"' in visitor.get("/").content.decode()
    live = visitor.get("/files/price-list.pdf")
    assert (live.status_code, live.content, live["Content-Type"]) == (200, PDF, "application/pdf")
    assert live["X-Content-Type-Options"] == "nosniff"
    assert visitor.get("/files/diary.txt").status_code == 404, "nothing leads to it"


def test_a_replaced_file_keeps_its_place_and_a_wrong_one_is_refused(client: Client, site: Site, ines: Person) -> None:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    brought(client, site, ("Price list.pdf", PDF))
    (key,) = kept(site).files
    assert brought(client, site, ("New prices.pdf", PDF + b" of 2027"), replace=key) == 200
    (file,) = kept(site).files.values()
    assert (file.name, file.slug) == ("New prices.pdf", "price-list")
    answer = client.post(
        f"/sites/{site.slug}/file-upload/",
        {"file": SimpleUploadedFile("page.html", b"<p>")},
        headers={"accept": "application/json"},
    )
    assert "page.html" in answer.json()["error"]["sentence"]
    assert len(kept(site).files) == 1
