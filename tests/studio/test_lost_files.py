"""A stored file that is gone: every page of the site and of the studio still stands, and says so."""

from __future__ import annotations

import re
from io import BytesIO
from urllib.parse import urljoin

import pytest
from django.core.files.storage import default_storage
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image

from tests.core.test_own_fonts import font
from yemba.core.errors import Fault
from yemba.hosting import services as hosting
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
SAID = "The file of the font Kelp is no longer there; another stands in its place. Choose its file again."


@pytest.fixture
def pictureless(client: Client, site: Site, ines: Person) -> Site:
    """The opening shows a picture, whose file is gone."""
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    out = BytesIO()
    Image.new("RGB", (900, 600), "#224466").save(out, "PNG")
    opening = next(one.key for one in sites.document(site).standing() if one.section.kind == "opening")
    chosen = {"file": SimpleUploadedFile("quay.png", out.getvalue()), "use": "picture", "section": opening}
    client.post(f"/sites/{site.slug}/upload/", chosen)
    site.refresh_from_db()
    ((_, picture),) = sites.document(site).pictures.items()
    default_storage.delete(f"{picture.file[:2]}/{picture.file}")
    return site


@pytest.mark.parametrize("desk", ["proof/", "pictures/", "pages/"])
def test_a_picture_that_is_gone_is_found_and_every_desk_stands(client: Client, pictureless: Site, desk: str) -> None:
    page = client.get(f"/sites/{pictureless.slug}/{desk}")
    assert page.status_code == 200
    if desk == "proof/":
        assert "The file of the picture quay.png is no longer there." in page.content.decode()


def test_nothing_is_published_without_a_picture_that_is_gone(client: Client, pictureless: Site) -> None:
    with pytest.raises(Fault, match=r"Nothing was published: the file of the picture quay\.png"):
        hosting.publish(pictureless)
    answer = client.post(f"/sites/{pictureless.slug}/publish/", follow=True)
    assert "Nothing was published: the file of the picture quay.png" in answer.content.decode()
    assert hosting.live_edition(pictureless) is None


@pytest.fixture
def own(client: Client, site: Site, ines: Person) -> Site:
    """Headings are set in a font of the owner's."""
    client.force_login(ines)
    client.post(f"/sites/{site.slug}/font-upload/", {"file": SimpleUploadedFile("kelp.ttf", font())})
    site.refresh_from_db()
    (key,) = sites.document(site).fonts
    sites.edit(site, "set-value", {"key": "type.heading", "value": key})
    site.refresh_from_db()
    return site


def test_a_font_of_ones_own_goes_live(own: Site) -> None:
    edition, visitor = hosting.publish(own), Client(SERVER_NAME=f"{own.slug}.localhost")
    (sheet,) = (path for path in edition.manifest if path.endswith(".css"))
    rules = re.findall(r'font-family:"Kelp [^}]*url\("?([^")]+[.]woff2)', visitor.get(f"/{sheet}").content.decode())
    assert rules
    assert {visitor.get(urljoin(f"/{sheet}", file)).content[:4] for file in rules} == {b"wOF2"}


@pytest.fixture
def lost(own: Site) -> Site:
    """Its file is gone."""
    (kept,) = sites.document(own).fonts.values()
    default_storage.delete(f"{kept.files[0].file[:2]}/{kept.files[0].file}")
    return own


@pytest.mark.parametrize(
    "desk", ["type/?show=fonts", "type/", "type/?show=sizes", "palette/", "header/", "pages/", "logo/"]
)
def test_every_desk_stands(client: Client, lost: Site, desk: str) -> None:
    page = client.get(f"/sites/{lost.slug}/{desk}")
    assert page.status_code == 200
    if "fonts" in desk:
        assert "Its file is no longer there." in page.content.decode()


def test_the_check_says_so_and_the_site_goes_out_in_another(client: Client, lost: Site) -> None:
    assert SAID in client.get(f"/sites/{lost.slug}/proof/").content.decode()
    hosting.publish(lost)
    live = Client(SERVER_NAME=f"{lost.slug}.localhost").get("/")
    assert live.status_code == 200
    assert "Kelp" not in live.content.decode()


def test_the_file_brought_again_is_in_its_place(client: Client, lost: Site) -> None:
    client.post(f"/sites/{lost.slug}/font-upload/", {"file": SimpleUploadedFile("kelp.ttf", font())})
    lost.refresh_from_db()
    assert sites.look(lost).face("h1").name == "Kelp"
    assert SAID not in client.get(f"/sites/{lost.slug}/proof/").content.decode()
