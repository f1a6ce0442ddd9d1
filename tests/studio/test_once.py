"""Requests that arrive twice, sessions that are over, and two windows of one person."""

from __future__ import annotations

from io import BytesIO
from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image

from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
JSON = {"Accept": "application/json"}


@pytest.fixture
def signed_in(client: Client, ines: Person, site: Site) -> Client:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    return client


def post(client: Client, to: str = "edit", **fields: Any) -> Any:
    return client.post(f"/sites/saltmarsh/{to}/", fields, headers=JSON)


def png() -> bytes:
    stream = BytesIO()
    Image.new("RGB", (40, 30), "teal").save(stream, "PNG")
    return stream.getvalue()


def page_names() -> list[str]:
    document = sites.document(Site.objects.get(slug="saltmarsh"))
    return [document.pages[key].name for key in document.order]


def test_a_request_sent_again_is_done_once(signed_in: Client) -> None:
    before = page_names()
    shown = sites.document(Site.objects.get(slug="saltmarsh")).order[0]
    request = {"command": "add-page", "page_name": "Tools", "window": "w1", "token": "t1", "window_page": shown}
    first, again = post(signed_in, **request).json(), post(signed_in, **request).json()
    assert page_names() == [*before, "Tools"]
    assert again["said"] == first["said"]
    assert again["revision"] == first["revision"]
    assert again["patch"]["fragments"], "what was lost with the first answer is shown whole"
    post(signed_in, **(request | {"token": "t2"}))
    assert len(page_names()) == len(before) + 2


def test_a_file_sent_again_is_taken_in_once_and_so_is_the_edit_beside_it(signed_in: Client) -> None:
    edit = {"command": "add-page", "page_name": "Tools", "window": "w1", "token": "t1"}
    for _ in range(2):
        post(signed_in, **edit)
        file = SimpleUploadedFile("teal.png", png())
        taken_in = post(signed_in, "upload", file=file, window="w1", token="f1")
        assert taken_in.json()["said"] == "Picture teal.png"
    assert page_names().count("Tools") == 1
    assert len(sites.document(fresh()).pictures) == 1


def test_undo_sent_again_undoes_one(signed_in: Client) -> None:
    for name in ("Tools", "Paper"):
        post(signed_in, command="add-page", page_name=name)
    for _ in range(2):
        post(signed_in, "undo", window="w1", token="u1")
    assert page_names()[-1] == "Tools"


def test_what_was_refused_is_refused_again_and_may_be_asked_for_anew(signed_in: Client) -> None:
    request = {"command": "set-value", "key": "header.height_wide", "window": "w1", "token": "t1"}
    assert post(signed_in, **request, value="tall").status_code == 422
    assert post(signed_in, **request, value="tall").status_code == 422
    assert post(signed_in, **request, value="90").status_code == 200


def test_own_edits_never_clash_but_another_windows_do(signed_in: Client, site: Site) -> None:
    def words(value: str, window: str) -> Any:
        return post(
            signed_in, command="set-value", key="footer.words", value=value, window=window, revision=site.revision
        )

    assert words("One", "w1").status_code == 200
    assert words("One two", "w1").status_code == 200
    assert words("Three", "w2").json()["error"]["code"] == "changed-meanwhile"


def test_a_script_is_told_that_the_session_is_over(client: Client, site: Site) -> None:
    for to in ("edit", "undo", "stream", "present"):
        answer = post(client, to)
        assert answer.status_code == 401, to
        assert answer.json()["error"]["code"] == "signed-out"
    assert client.get("/sites/saltmarsh/palette/").status_code == 302, "a person is led to sign in"


def test_signing_in_in_place(client: Client, ines: Person) -> None:
    wrong = client.post("/sign-in/", {"username": ines.email, "password": "low tide"}, headers=JSON)
    assert wrong.status_code == 422
    assert "capitals count" in wrong.json()["error"]["sentence"]
    right = client.post("/sign-in/", {"username": ines.email, "password": "tide-row-four"}, headers=JSON)
    assert right.status_code == 200
    assert client.get("/sites/").status_code == 200
    assert client.post("/sign-out/")["Clear-Site-Data"] == '"storage"'


@pytest.mark.parametrize(
    ("command", "leads"),
    [
        ({"command": "add-page", "page_name": "Tools"}, "page-"),
        ({"command": "add-section", "page": "home", "kind": "offers"}, "words-heading"),
        ({"command": "add-colour", "hex": "teal"}, "colour-"),
        ({"command": "add-ground", "ground_name": "Slate", "fill": "#334"}, "ground-"),
    ],
)
def test_what_is_added_is_led_to(signed_in: Client, site: Site, command: dict[str, str], leads: str) -> None:
    page = sites.document(site).order[0]
    answer = post(signed_in, **(command | ({"page": page} if "page" in command else {}))).json()
    assert answer["control"].startswith(leads)
    desk = signed_in.get(answer["address"], headers=JSON).json()["panels"]["desk"]
    assert f'id="{answer["control"]}"' in desk


def test_nothing_is_told_of_an_edit_that_changes_nothing(signed_in: Client) -> None:
    edit = {"command": "set-value", "key": "header.height_wide", "value": "90"}
    assert post(signed_in, **edit).json()["said"]
    again = post(signed_in, **edit).json()
    assert (again["said"], again["revision"]) == ("", fresh().revision)
    page = signed_in.post("/sites/saltmarsh/edit/", edit, follow=True).content.decode()
    assert ">Kept<" in page
    assert "Kept: H" not in page


def test_a_page_at_another_address_is_shown_there(signed_in: Client, site: Site) -> None:
    """Its markup names pictures from where it stands."""
    page = sites.document(site).order[1]
    request = {"command": "rename-page", "page": page, "page_name": "Mending"}
    answer = post(signed_in, **(request | {"slug": "mending"}), window_page=page).json()
    assert answer["patch"] == {"follow": page, "path": "mending/"}
    again = post(signed_in, **(request | {"slug": "mending", "page_name": "Mend"}), window_page=page).json()
    assert "fragments" in again["patch"]


def test_without_script_several_pictures_arrive_and_what_is_kept_is_said(signed_in: Client, site: Site) -> None:
    """Those that are none are refused by name; the others are there."""

    def file(name: str, data: bytes) -> SimpleUploadedFile:
        return SimpleUploadedFile(name, data)

    files = [file("one.png", png()), file("two.png", png()), file("notes.png", b"no picture")]
    answer = signed_in.post("/sites/saltmarsh/upload/", {"file": files, "chapter": "pictures", "form": "take-pictures"})
    assert answer.status_code == 422
    assert "notes.png" in answer.content.decode()
    assert [picture.name for picture in sites.document(fresh()).pictures.values()] == ["one.png", "two.png"]
    kept = signed_in.post("/sites/saltmarsh/edit/", {"command": "add-page", "page_name": "Tools"}, follow=True)
    assert "Kept: Page Tools added" in kept.content.decode()


def fresh() -> Site:
    return Site.objects.get(slug="saltmarsh")
