"""The studio without its scripts: every chapter, every answer, and whose site it is."""

from __future__ import annotations

import re
from datetime import timedelta
from io import BytesIO
from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from django.urls import URLPattern, reverse
from django.utils import timezone
from PIL import Image

from tests.core.test_logo import WHITE, flat, on
from tests.core.test_logo import png as logo_png
from yemba.core.picture.intake import clean_picture
from yemba.core.site.logo import key_on
from yemba.hosting import services as hosting
from yemba.hosting.models import Message, Planned
from yemba.people import urls as people_urls
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import BrandSheet, Site
from yemba.studio import urls as studio_urls
from yemba.studio.chapters import names

pytestmark = pytest.mark.django_db
JSON = {"accept": "application/json"}


@pytest.fixture
def desk(client: Client, ines: Person, site: Site) -> Client:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    return client


def edit(client: Client, *, headers: dict[str, str] | None = None, **data: object):
    return client.post("/sites/saltmarsh/edit/", {"chapter": "palette", **data}, headers=headers or {})


@pytest.mark.parametrize("chapter", names())
def test_every_chapter_opens_as_a_page_and_as_panels(desk: Client, chapter: str) -> None:
    page = desk.get(f"/sites/saltmarsh/{chapter}/")
    assert page.status_code == 200
    assert f"<h1>{names()[chapter]}</h1>" in page.content.decode()
    panels = desk.get(f"/sites/saltmarsh/{chapter}/", headers=JSON).json()
    assert set(panels["panels"]) == {"chapters", "desk", "rail"}


def test_no_page_of_the_studio_has_inline_script_or_style(desk: Client) -> None:
    addresses = ["/", "/sites/", "/sites/new/", *(f"/sites/saltmarsh/{c}/" for c in names())]
    addresses += ["/sites/saltmarsh/header/?show=menu", "/sites/saltmarsh/header/?show=surface"]
    for address in addresses:
        answer = desk.get(address)
        html = answer.content.decode()
        assert "<style" not in html
        assert ' style="' not in html
        assert " onclick" not in html
        assert 'value="None"' not in html, "what nobody set is no word"
        for script in html.split("<script")[1:]:
            assert re.search(r"src=|type=\"application/json\"", script.split(">")[0])
        policy = answer["Content-Security-Policy"]
        assert "unsafe" not in policy
        assert "script-src 'self'" in policy.split("; "), policy


def test_an_edit_answers_with_panels_and_only_what_changed(desk: Client, site: Site) -> None:
    home = sites.document(site).order[0]
    answer = edit(desk, headers=JSON, command="set-colour", colour="c1", hex="#8c3b2a", window_page=home).json()
    assert set(answer["patch"]) == {"values", "fragments"}
    assert answer["patch"]["fragments"] == {}
    assert "#8c3b2a" in answer["patch"]["values"]
    opening = sites.document(site).pages[home].order[0]
    words = {"command": "set-words", "section": opening, "field": "heading", "words": "Mended"}
    answer = edit(desk, headers=JSON, window_page=home, **words).json()
    assert list(answer["patch"]["fragments"]) == [opening]


def test_a_stream_shows_and_keeps_nothing(desk: Client, site: Site) -> None:
    data = {"command": "set-colour", "colour": "c1", "hex": "oklch(0.5 0.1 30)"}
    home = sites.document(site).order[0]
    answer = desk.post("/sites/saltmarsh/stream/", data | {"window_page": home}, headers=JSON).json()
    assert "values" in answer["patch"]
    site.refresh_from_db()
    assert site.revision == 0
    assert desk.post("/sites/saltmarsh/stream/", data | {"hex": "none"}, headers=JSON).status_code == 422


def test_a_stream_says_what_a_colour_on_the_plane_is(desk: Client) -> None:
    data = {"command": "set-colour", "colour": "c1", "hex": "oklch(0.5 0.1 30)"}
    on_plane = data | {"plane_code": data["hex"], "plane_against": "light"}

    def told(asked: dict[str, str]) -> dict[str, str]:
        return dict(desk.post("/sites/saltmarsh/stream/", asked, headers=JSON).json()["plane"])

    plane = told(on_plane)
    assert plane["said"].startswith(f"{plane['hex']}, ")
    assert "on Light" in plane["said"]
    assert "on button on Light" in told(on_plane | {"plane_against": "light.button"})["said"]
    clear = told(on_plane | {"plane_code": "rgb(0 0 0 / 20%)"})["said"]
    assert re.match(r"#000000, 20 % solid, is seen as #[0-9a-f]{6}: 1\.\d to 1 on Light: ", clear)
    assert told(data) == {}
    for wrong, status in (({"plane_code": "none"}, 422), ({"plane_against": "light.keel"}, 404)):
        assert desk.post("/sites/saltmarsh/stream/", on_plane | wrong, headers=JSON).status_code == status


def test_pictures_of_what_is_only_looked_at_open_in_the_draft(desk: Client, site: Site, ines: Person) -> None:
    home = sites.document(site).order[0]
    opening = sites.document(site).pages[home].order[0]
    sites.edit(site, "take-drawing", {"drawing": "waves", "section": opening})
    picture = next(iter(sites.document(Site.objects.get(pk=site.pk)).pictures))
    sites.edit(site, "mirror-picture", {"picture": picture})
    sites.edit(site, "set-colour", {"colour": "c1", "hex": "#8c3b2a"})
    looked_at = [
        desk.post(
            "/sites/saltmarsh/stream/",
            {"command": "set-colour", "colour": "c1", "hex": "#2a3b8c", "window_page": home, "streamed": opening},
            headers=JSON,
        ),
        desk.get(f"/sites/saltmarsh/state/?at=2&page={home}"),
    ]
    base = f"/~{hosting.draft_token(site, ines)}/"
    shown = set()
    for answer in looked_at:
        (source,) = set(re.findall(r'src="[^"]*(assets/[^"]+)"', answer.json()["patch"]["fragments"][opening]))
        opened = desk.get(base + source, headers={"host": "draft--saltmarsh.localhost"})
        assert opened["Content-Type"] == "image/svg+xml"
        assert b"scale(-1 1)" in opened.content, "it is framed as the section shows it"
        shown.add(opened.content)
        name, _, token = source.partition("?as=")
        for forged in (name, f"{name}?as={token[:-1]}", f"{name}?as=", f"assets/other-40.svg?as={token}"):
            assert desk.get(base + forged, headers={"host": "draft--saltmarsh.localhost"}).status_code == 404, forged
    assert len(shown) == 2


@pytest.mark.parametrize(
    ("data", "form", "said"),
    [
        ({"command": "set-colour", "colour": "c1", "hex": "reddish"}, "hex", "“reddish” is not a colour"),
        ({"command": "name-site", "title": " ", "chapter": "logo"}, "name-site", "empty"),
        (
            {"command": "set-value", "key": "shape.corner", "value": "400", "here": "?show=grounds"},
            "set-shape.corner",
            "“400”",
        ),
        ({"command": "add-page", "page_name": "", "chapter": "pages"}, "add-page", "empty"),
    ],
)
def test_bad_values_answer_beside_the_field_and_keep_what_was_typed(
    desk: Client, data: dict[str, str], form: str, said: str
) -> None:
    plain = edit(desk, form=form, **data)
    assert plain.status_code == 422
    html = plain.content.decode()
    inside = html[html.index(f'id="{form}"') :].split("</form>")[0]
    assert said in inside
    typed = next(v for k, v in data.items() if k in ("hex", "title", "value", "page_name"))
    assert f'value="{typed}"' in inside
    spoken = edit(desk, headers=JSON, **data)
    assert spoken.status_code == 422
    assert said in spoken.json()["error"]["sentence"]


def test_a_heading_of_300_letters_is_refused_and_shown_again(desk: Client, site: Site) -> None:
    document = sites.document(site)
    opening = document.pages[document.order[0]].order[0]
    words = "w" * 300
    data = {"command": "set-words", "section": opening, "field": "heading", "words": words, "chapter": "pages"}
    html = edit(desk, form="form-words-heading", here=f"?section={opening}", **data).content.decode()
    assert "has 300 letters" in html
    assert words in html


def test_without_script_an_edit_leads_back_to_its_chapter(desk: Client) -> None:
    answer = edit(desk, command="set-value", key="type.base", value="20", chapter="type", here="?x=1")
    assert answer["Location"] == "/sites/saltmarsh/type/?x=1"
    assert "20" in desk.get("/sites/saltmarsh/type/").content.decode()


def upload(client: Client, data: bytes, name: str = "mark.png", **fields: str):
    file = SimpleUploadedFile(name, data)
    return client.post(
        "/sites/saltmarsh/upload/", {"file": file, "chapter": "logo", "use": "logo"} | fields, headers=JSON
    )


def mend(client: Client, act: str) -> dict[str, Any]:
    answer = client.post("/sites/saltmarsh/mend-logo/", {"act": act, "chapter": "logo"}, headers=JSON)
    plain: dict[str, Any] = answer.json()
    return plain


def test_a_logo_is_mended_step_by_step_and_every_step_can_be_undone(desk: Client, site: Site) -> None:
    assert "no logo to mend" in mend(desk, "trim")["error"]["sentence"]
    upload(desk, logo_png(on(flat(WHITE))), "friend.png")
    assert "act" in str(mend(desk, "polish")["error"])
    assert "friend.png" in desk.get("/sites/saltmarsh/logo/").content.decode()

    mend(desk, "enclosed")
    site.refresh_from_db()
    (key,) = sites.document(site).pictures
    assert (sites.document(site).pictures[key].width, sites.document(site).pictures[key].format) == (250, "png")
    assert "nothing of this left" in mend(desk, "background")["error"]["sentence"]
    mend(desk, "light")
    site.refresh_from_db()
    look = sites.look(site)
    light = look.value("logo.light")
    assert look.document.pictures[light].version_of == key
    assert {slug: key_on(look, slug) for slug in ("light", "dark")} == {"light": key, "dark": light}
    mend(desk, "trim")  # what was made of it as it was is let go
    site.refresh_from_db()
    assert sites.look(site).value("logo.light") == ""
    for _ in range(3):
        sites.undo(Site.objects.get(pk=site.pk))
    site.refresh_from_db()
    assert sites.document(site).pictures[key].name == "friend.png"


def png() -> bytes:
    out = BytesIO()
    Image.new("RGB", (64, 32), (140, 59, 42)).save(out, "PNG")
    return out.getvalue()


def test_a_logo_is_taken_in_shown_and_made_into_icons(desk: Client, site: Site) -> None:
    assert upload(desk, png()).status_code == 200
    site.refresh_from_db()
    (key,) = sites.document(site).pictures
    assert sites.look(site).value("logo.picture") == key
    assert desk.get("/sites/saltmarsh/icon/icons/icon-192.png")["Content-Type"] == "image/png"
    assert desk.get("/sites/saltmarsh/icon/icons/nothing.png").status_code == 404
    assert "mark.png" in desk.get("/sites/saltmarsh/logo/").content.decode()


def test_pointing_tells_what_decides_and_where(desk: Client, site: Site) -> None:
    document = sites.document(site)
    opening = document.pages[document.order[0]].order[0]
    told = desk.get("/sites/saltmarsh/where/", {"place": opening, "field": "heading"}).json()
    assert "Heading in Opening, Home" in told["html"]
    assert "comes from the template Slipway" in told["html"]
    assert told["address"].endswith(f"section={opening}")
    assert told["control"] == "words-heading"
    edit(desk, command="set-value", key="type.heading", value="fraunces")
    assert (
        "your brand sheet" in desk.get("/sites/saltmarsh/where/", {"place": opening, "field": "heading"}).json()["html"]
    )
    for place, field, chapter in (
        ("header", "navigation", "header"),
        ("header", "logo", "logo"),
        ("footer", "copyright", "footer"),
    ):
        address = desk.get("/sites/saltmarsh/where/", {"place": place, "field": field}).json()["address"]
        assert f"/{chapter}/" in address
    assert desk.get("/sites/saltmarsh/where/", {"place": "gone"}).status_code == 404


def test_a_section_of_a_part_is_offered_on_its_ground_names_it_and_leads_there(
    desk: Client, site: Site, ines: Person
) -> None:
    alone = f"/~{hosting.draft_token(site, ines)}/@layout/links/row/?ground=dark"
    html = desk.get(alone, headers={"host": "draft--saltmarsh.localhost"}).content.decode()
    assert re.search(r'<section[^>]*data-ground="dark"', html)
    edit(desk, command="add-section", part="footer", kind="links")
    site.refresh_from_db()
    (links,) = sites.document(site).shared["footer"].order
    shown = desk.get("/sites/saltmarsh/footer/", {"section": links}).content.decode()
    assert 'data-ground="dark"' in shown
    assert ">As around it: Dark<" in shown
    assert f"?ground=dark&amp;section={links}" in shown
    edit(desk, command="set-ground", section=links, ground="tinted")
    shown = desk.get("/sites/saltmarsh/footer/", {"section": links}).content.decode()
    assert ">As around it: Dark<" in shown
    assert f"?ground=tinted&amp;section={links}" in shown
    opening = sites.document(site).pages[sites.document(site).order[0]].order[0]
    assert (
        ">As the template has it: Light<" in desk.get("/sites/saltmarsh/pages/", {"section": opening}).content.decode()
    )


def test_a_person_signs_up_out_and_in(client: Client, db: None) -> None:
    data = {"name": "Ines Varela", "email": "Ines@Saltmarsh.example", "password": "tide-row-four"}
    assert client.post("/sign-up/", data)["Location"] == "/sites/new/"
    client.post("/sign-out/")
    assert client.get("/sites/")["Location"].startswith("/sign-in/")
    wrong = client.post("/sign-in/", {"username": "ines@saltmarsh.example", "password": "tide-row-five"})
    assert "capitals count" in wrong.content.decode()
    right = client.post("/sign-in/", {"username": "ines@saltmarsh.example", "password": "tide-row-four"})
    assert right["Location"] == "/sites/"
    client.post("/sign-out/")
    clean = client.post("/sign-up/", data)
    assert clean.status_code == 422
    assert "already has an account" in clean.content.decode()
    short = client.post("/sign-up/", data | {"email": "new@saltmarsh.example", "password": "x"})
    assert "too short" in short.content.decode()


def test_the_demo_door_is_there_in_demo_mode_alone(client: Client, settings, db: None) -> None:
    settings.DEMO = False
    assert client.post("/enter-the-demo/").status_code == 404
    assert "Enter the demo" not in client.get("/").content.decode()
    settings.DEMO = True
    Person.objects.create_user("ines@saltmarsh.example", name="Ines")
    assert client.post("/enter-the-demo/")["Location"] == "/sites/"
    assert client.get("/enter-the-demo/").status_code == 405


def test_a_taken_address_answers_beside_its_field(desk: Client) -> None:
    answer = desk.post("/sites/new/", {"title": "Another", "slug": "saltmarsh", "template": "slipway"})
    html = answer.content.decode()
    assert answer.status_code == 422
    assert "“saltmarsh” is in use. Choose another, such as saltmarsh-2." in html
    assert 'value="Another"' in html


def addresses() -> list[str]:
    """Every address of the studio and of the accounts, filled in for Ines's site."""
    given = {
        "slug": "saltmarsh",
        "chapter": "palette",
        "number": 1,
        "path": "favicon.ico",
        "picture": "xp1",
        "drawing": "waves",
        "form": "gimp",
        "digest": "f" * 64,
    }
    named = [p for p in (*studio_urls.urlpatterns, *people_urls.urlpatterns) if isinstance(p, URLPattern)]
    return [
        reverse(pattern.name or "", kwargs={key: given[key] for key in pattern.pattern.converters}) for pattern in named
    ]


OPEN_TO_ALL = {
    "/",
    "/templates/",
    "/templates/saltmarsh/",
    "/templates/saltmarsh/picture/",
    "/sign-up/",
    "/sign-in/",
    "/sign-out/",
    "/enter-the-demo/",
    "/language/",
}
OWN_TO_EACH = {"/sites/", "/sites/new/", "/brand-sheets/", "/brand-sheets/import/"}


@pytest.fixture
def full(site: Site) -> Site:
    """Something of everything a stranger might reach for: an edition, an edit, a message, a picture, a brand sheet."""
    stored = clean_picture(png(), "mark.png")
    about = {"file": store.keep(stored.data), "format": "png", "width": stored.width, "height": stored.height}
    sites.edit(site, "add-picture", {"picture": "xp1", "file_name": "mark.png", **about})
    site.refresh_from_db()
    hosting.publish(site)
    BrandSheet.objects.create(pk=1, owner=site.owner, name="Saltmarsh", values={"type.base": 18})
    about = {"page": "Home", "name": "Tomasz", "mail": "t@lund.example", "words": "Hello", "sender": "x"}
    Message.objects.create(pk=1, site=site, sent_at=timezone.now(), **about)
    return site


@pytest.mark.parametrize("method", ["get", "post"])
def test_a_stranger_finds_nothing_of_hers(client: Client, full: Site, method: str) -> None:
    signed_in = Client(SERVER_NAME="localhost")
    stranger = Person.objects.create_user("other@saltmarsh.example", "x", name="Other")
    signed_in.force_login(stranger, backend="django.contrib.auth.backends.ModelBackend")
    shut = [address for address in addresses() if address not in OPEN_TO_ALL]
    for address in sorted(shut, key=OWN_TO_EACH.__contains__):  # what she begins herself comes last
        answer = getattr(client, method)(address)
        assert answer.status_code == 302, address
        assert answer["Location"].startswith("/sign-in/"), address
        answer = getattr(signed_in, method)(address, {"site": "saltmarsh"} if method == "post" else {})
        if address in OWN_TO_EACH:
            assert "saltmarsh" not in answer.content.decode().lower(), address
        else:
            assert answer.status_code in (404, 405), address


def test_every_form_wants_its_token(full: Site) -> None:
    strict = Client(enforce_csrf_checks=True, SERVER_NAME="localhost")
    strict.force_login(full.owner, backend="django.contrib.auth.backends.ModelBackend")
    before = Site.objects.get(pk=full.pk).document
    for address in addresses():
        assert strict.post(address).status_code in (403, 405), address
        assert Site.objects.get(pk=full.pk).document == before, address


def test_some_changes_go_out_and_others_wait(desk: Client, site: Site) -> None:
    desk.post("/sites/saltmarsh/publish/")
    edit(desk, command="set-value", key="type.base", value="20")
    edit(desk, command="set-colour", colour="c1", hex="#8c3b2a")
    page = desk.get("/sites/saltmarsh/proof/").content.decode()
    assert re.search(r'value="value.type.base"\s+form="publish"\s+checked', page)
    desk.post("/sites/saltmarsh/publish/", {"goes": ["colour.c1"]})
    live = hosting.live_document(site)
    assert live is not None
    assert "palette" in live.sheet
    assert "type.base" not in live.sheet
    assert "Publish 1 change" in desk.get("/sites/saltmarsh/proof/").content.decode()
    desk.post("/sites/saltmarsh/publish/")
    assert "Nothing is ticked" in desk.get("/sites/saltmarsh/proof/").content.decode()
    assert hosting.live_document(site) == live


def test_a_new_page_comes_along_with_the_link_to_it(desk: Client, site: Site) -> None:
    desk.post("/sites/saltmarsh/publish/")
    edit(desk, command="add-page", page_name="News", page="xnews")
    document = sites.document(site)
    opening = document.pages[document.order[0]].order[0]
    edit(desk, command="set-words", section=opening, field="link", words="page:xnews")
    answer = desk.post("/sites/saltmarsh/publish/", {"goes": [f"section.{opening}.link"]}, follow=True)
    assert "Page News came along" in answer.content.decode()
    live = hosting.live_document(site)
    assert live is not None
    assert "xnews" in live.pages


@pytest.mark.parametrize(
    ("zone", "utc", "said"),
    [("UTC", "09:30", "09:30 UTC"), ("Asia/Kathmandu", "03:45", "09:30 Asia/Kathmandu time")],
)
def test_a_planned_time_is_that_of_the_site(desk: Client, site: Site, zone: str, utc: str, said: str) -> None:
    edit(desk, command="set-value", key="site.time_zone", value=zone)
    day = timezone.now().date() + timedelta(days=20)
    desk.post("/sites/saltmarsh/publish/", {"when": "later", "at": f"{day}T09:30"})
    assert f"{Planned.objects.get().at:%H:%M}" == utc
    page = desk.get("/sites/saltmarsh/proof/").content.decode()
    assert f"{day.day} {day:%B %Y}, {said}" in page
    assert said in desk.get("/sites/saltmarsh/editions/").content.decode()


def test_one_change_is_taken_back_and_undo_brings_it_again(desk: Client, site: Site) -> None:
    desk.post("/sites/saltmarsh/publish/")
    edit(desk, command="set-value", key="type.base", value="20")
    edit(desk, command="set-colour", colour="c1", hex="#8c3b2a")
    desk.post("/sites/saltmarsh/take-back/", {"key": "value.type.base", "chapter": "proof"})
    site.refresh_from_db()
    assert set(sites.document(site).sheet) == {"palette"}
    desk.post("/sites/saltmarsh/undo/", {"chapter": "proof"})
    site.refresh_from_db()
    assert set(sites.document(site).sheet) == {"palette", "type.base"}


def test_the_map_has_every_page_small_with_what_it_stands_under(desk: Client, site: Site) -> None:
    document = sites.document(site)
    first, second, *_ = document.order
    edit(desk, command="place-menu-entry", entry=second, under=first)
    edit(desk, command="publish-page", page=document.order[2])
    shown = desk.get("/sites/saltmarsh/map/").content.decode()
    for key, page in document.pages.items():
        assert f"/sites/saltmarsh/pages/?page={key}" in shown
        assert f'title="{page.name}, small"' in shown
    assert f"under {document.pages[first].name}" in shown
    assert shown.count("not published") == 1
    assert shown.count('loading="lazy"') == len(document.pages)
