"""The start of a site, by plain pages and forms: what is given, the plan of pages, the first looks."""

from __future__ import annotations

import re
from io import BytesIO
from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image, ImageDraw

from yemba.core.check.logo import is_faint_on, stands_on
from yemba.core.first_look.looks import dressed
from yemba.core.site.document import Document
from yemba.core.site.logo import logo_on
from yemba.core.site.resolve import Look
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites import starts
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site, Start

pytestmark = pytest.mark.django_db
CHOSEN = {"site.language": "fr", "site.currency": "CHF", "site.time_zone": "Europe/Zurich"}
GIVEN = {"title": "Brush & Flue", "trade": "chimney sweeping", "town": "Hythe", "aims": ["found", "bookings"]}


@pytest.fixture
def hers(client: Client, ines: Person) -> Client:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    return client


def logo() -> SimpleUploadedFile:
    picture = Image.new("RGBA", (200, 200), (0, 0, 0, 0))
    ImageDraw.Draw(picture).ellipse((20, 20, 180, 180), outline=(31, 94, 90, 255), width=12)
    out = BytesIO()
    picture.save(out, "PNG")
    return SimpleUploadedFile("ring.png", out.getvalue())


def give(hers: Client, **more: Any) -> Start:
    answer = hers.post("/sites/new/", {**GIVEN, **more})
    start = Start.objects.first()
    assert start is not None
    assert answer.headers["Location"] == f"/sites/new/{start.pk}/pages/", answer.content.decode()
    return start


def on_plan(hers: Client, start: Start, do: str, **more: str) -> list[tuple[str, bool]]:
    """Press a button of the plan as the page sends it; names and whether kept, after."""
    pages = starts.plan_of(start)
    sent: dict[str, Any] = {f"name-{page.key or 'home'}": page.name for page in pages}
    sent |= {f"sections-{page.key or 'home'}": [s for s in page.sections if s not in page.without] for page in pages}
    hers.post(f"/sites/new/{start.pk}/pages/", {**sent, **more, "do": do})
    start.refresh_from_db()
    return [(page.name, page.kept) for page in starts.plan_of(start)]


@pytest.mark.parametrize(
    ("language", "typed", "page", "words"),
    [
        ("de", "Bäckerei und Konditorei", "Brotliste", "Was ich mache"),
        ("fr", "boulangère", "Liste des pains", "Ce que je fais"),
        ("es", "soy panadero, hago pan", "Lista de panes", "Lo que hago"),
        ("pt", "padaria", "Lista de pães", "O que faço"),
        ("ar", "خبّاز", "قائمة الخبز", "ما أقوم به"),
    ],
)
def test_a_trade_is_found_planned_and_begun_in_the_readers_language(
    hers: Client, language: str, typed: str, page: str, words: str
) -> None:
    hers.defaults["HTTP_ACCEPT_LANGUAGE"] = language
    start = give(hers, trade=typed, **{"site.language": language})
    assert start.plan[1]["name"] == page
    offers = {text for one in starts.document(start).stored() for text in [one.value]}
    assert words in offers


def test_what_the_browser_speaks_is_chosen_already(hers: Client) -> None:
    page = hers.get("/sites/new/", headers={"accept-language": "pl,en;q=0.4"}).content.decode()
    for value in ("pl", "PLN", "Europe/Warsaw"):
        assert f'<option value="{value}" selected>' in page


def test_a_site_is_begun_with_a_name_alone(hers: Client) -> None:
    start = give(hers, trade="", town="", aims=[])
    page = hers.get(f"/sites/new/{start.pk}/looks/").content.decode()
    assert page.count("Begin with this one: ") == 3
    hers.post(f"/sites/new/{start.pk}/looks/", {"look": "1"})
    site = Site.objects.get()
    assert site.slug == "brush-flue"
    assert sites.document(site).name == "Brush & Flue"
    assert not sites.look(site).resolve("site.time_zone").set_by_owner, "nobody chose it: it is asked for later"


def test_what_is_chosen_is_the_sites(hers: Client) -> None:
    start = give(hers, slug="sweep", colours="#b03a2e; rgb(20 40 60)", **CHOSEN)
    looks = starts.looks(start)[0]
    hers.post(f"/sites/new/{start.pk}/looks/", {"look": "0"})
    site = Site.objects.get(slug="sweep")
    look = sites.look(site)
    assert {key: look.value(key) for key in CHOSEN} == CHOSEN
    assert (look.value("site.town"), look.value("site.aims")) == ("Hythe", "found bookings")
    assert look.trade
    assert look.trade.slug == "chimney-sweep"
    assert look.template.slug == looks[0].template
    assert look.value("palette")[0]["hex"] == "#b03a2e"
    assert "Book a sweep" in [page.name for page in look.document.pages.values()]


@pytest.mark.parametrize(
    ("field", "typed", "named"),
    [
        ("title", " ", "The site’s name is empty"),
        ("site.currency", "dollars", "“dollars”"),
        ("site.time_zone", "Mars/North", "“Mars/North”"),
        ("colours", "the red of our van", "“the red of our van”"),
        ("colours", "#b03a2e, #1d3a4", "No colour: #1d3a4."),
        ("slug", "a b", "“a b”"),
        ("aims", "fame", "“fame”"),
        ("town", "T" * 41, "At most 40"),
    ],
)
def test_what_is_wrong_is_said_beside_its_field_and_the_rest_stays(
    hers: Client, field: str, typed: str, named: str
) -> None:
    answer = hers.post("/sites/new/", {**GIVEN, "title": "Atelier", **CHOSEN, "logo": logo(), field: typed})
    page = answer.content.decode()
    assert answer.status_code == 422
    assert named in page
    if field != "aims":
        assert f'aria-describedby="fault-{field}"' in page
    assert field == "title" or 'value="Atelier"' in page
    assert '<option value="fr" selected>' in page
    assert "ring.png, 200 × 200 px" in page, "the file is kept, since no browser sends it again by itself"
    assert not Site.objects.exists()


def test_going_back_loses_nothing_and_a_picture_can_be_taken_out(hers: Client) -> None:
    start = give(hers, logo=logo(), colours="#b03a2e")
    back = hers.get(f"/sites/new/{start.pk}/").content.decode()
    for kept in ('value="Brush &amp; Flue"', 'value="chimney sweeping"', 'value="Hythe"', "#b03a2e", "ring.png"):
        assert kept in back
    assert re.search(r'value="bookings"\s+checked', back)
    assert "go on with Brush &amp; Flue" in hers.get("/sites/new/").content.decode()
    hers.post(f"/sites/new/{start.pk}/", {**GIVEN, "take_out": "logo", "town": "Lydd"})
    start.refresh_from_db()
    assert "logo" not in start.answers
    assert start.answers["town"] == "Lydd", "what was typed on the way is kept"


def boxed() -> SimpleUploadedFile:
    picture = Image.new("RGB", (400, 300), "white")
    ImageDraw.Draw(picture).rectangle((150, 100, 249, 199), fill=(31, 94, 90))
    out = BytesIO()
    picture.save(out, "PNG")
    return SimpleUploadedFile("boxed.png", out.getvalue())


def of_logo(start: Start) -> tuple[int, int]:
    start.refresh_from_db()
    made = starts.document(start)
    picture = made.pictures[Look(made, catalogue()).value("logo.picture")]
    return picture.width, picture.height


@pytest.mark.parametrize("page", ["looks/", ""])
def test_a_logo_in_a_box_is_mended_which_is_said_and_can_be_let_be(hers: Client, page: str) -> None:
    start = give(hers, logo=boxed(), colours="#b03a2e")
    address = f"/sites/new/{start.pk}/{page}"
    assert of_logo(start) == (100, 100)
    said = "The plain background of your logo was taken out, and the empty room round it."
    assert said in hers.get(address).content.decode()
    hers.post(address, ({} if page else GIVEN) | {"as_it_came": ""})
    assert of_logo(start) == (400, 300)
    again = hers.get(address).content.decode()
    assert said not in again and "as it came" not in again
    hers.post(address, ({} if page else GIVEN) | {"as_it_came": ""})  # from an old window
    assert of_logo(start) == (400, 300)


def test_the_logo_stands_out_in_every_first_look(hers: Client) -> None:
    """It is of the colour that leads, which one look lays behind the whole header."""
    start = give(hers, logo=boxed(), colours="#1f5e5a")
    start.refresh_from_db()
    faint = 0
    for number, first in enumerate(one for three in starts.looks(start) for one in three):
        made = starts.dressed_in(start, number)
        assert starts.dressed_in(start, number).text() == made.text()
        look = Look(made, catalogue())
        bare = Look(Document.model_validate(dressed(starts.document(start).plain(), first)), catalogue())
        for ground in stands_on(look).values():
            drawn, brought = logo_on(look, ground), logo_on(bare, ground)
            assert drawn and brought
            assert not is_faint_on(look, drawn, ground), (first.name, ground)
            faint += is_faint_on(bare, brought, ground)
    assert faint, "without its version it would vanish somewhere"


def test_enter_in_a_field_takes_no_picture_out(hers: Client) -> None:
    start = give(hers, logo=boxed())
    page = hers.get(f"/sites/new/{start.pk}/").content.decode()
    form = page[page.index('class="start-form"') :]
    pressed = re.search(r'<button[^>]*type="submit"[^>]*>', form)
    assert pressed and "name=" not in pressed.group(), "Enter presses the first button of a form"


def test_the_plan_of_pages_is_changed_and_keeps_names(hers: Client) -> None:
    start = give(hers)
    first = [("Home", True), ("What it costs", True), ("Stoves and fireplaces", False)]
    assert [(page.name, page.kept) for page in starts.plan_of(start)][:3] == first
    assert on_plan(hers, start, "in:work")[2] == ("Stoves and fireplaces", True)
    assert on_plan(hers, start, "up:work", **{"name-work": "Our stoves"})[1] == ("Our stoves", True)
    assert on_plan(hers, start, "out:about")[-2] == ("The sweep", False)
    assert on_plan(hers, start, "add", page_name="Vouchers")[-1] == ("Vouchers", True)
    sent = {"sections-home": ["opening"], "name-home": "Start"}
    answer = hers.post(f"/sites/new/{start.pk}/pages/", {**sent, "do": "on"})
    assert answer.headers["Location"].endswith("/looks/")
    start.refresh_from_db()
    made = starts.document(start)
    names = [page.name for _, page in made.ordered_pages()]
    assert names == ["Start", "Our stoves", "What it costs", "Book a sweep", "Vouchers"]
    assert [section.kind for _, section in made.pages[made.order[0]].ordered()] == ["opening"]
    assert made.pages[made.order[0]].slug == ""


def test_a_page_without_a_name_is_refused_and_the_other_names_stay(hers: Client) -> None:
    start = give(hers)
    sent = {"name-prices": "", "name-about": "Me", "do": "on"}
    answer = hers.post(f"/sites/new/{start.pk}/pages/", sent)
    page = answer.content.decode()
    assert answer.status_code == 422
    assert "The name of “What it costs” is empty" in page
    assert 'value="Me"' in page
    assert hers.post(f"/sites/new/{start.pk}/pages/", {"do": "add"}).status_code == 422


def test_the_name_of_one_more_page_stays_typed_or_makes_it(hers: Client) -> None:
    start = give(hers)
    answer = hers.post(f"/sites/new/{start.pk}/pages/", {"do": "out:about", "page_name": "Vou & chers"}, follow=True)
    assert 'value="Vou &amp; chers"' in answer.content.decode()
    assert "Vou & chers" not in [page.name for page in starts.plan_of(start)]
    assert on_plan(hers, start, "stay", page_name="Team")[-1] == ("Team", True), "Enter adds it"
    assert on_plan(hers, start, "on", page_name="Vouchers")[-1] == ("Vouchers", True)
    sent = {"do": "on", "page_name": "V" * 90}
    assert hers.post(f"/sites/new/{start.pk}/pages/", sent).status_code == 422


def test_each_look_is_seen_on_a_host_of_its_own_and_three_others_after(hers: Client) -> None:
    start = give(hers, logo=logo())
    page = hers.get(f"/sites/new/{start.pk}/looks/").content.decode()
    windows = list(dict.fromkeys(re.findall(r'<iframe[^>]*src="http://draft--start\.localhost(/look/[^"]+)"', page)))
    assert len(windows) == 3
    pages = [Client().get(window, headers={"host": "draft--start.localhost"}) for window in windows]
    assert [answer.status_code for answer in pages] == [200] * 3
    assert all("A clean flue, and no soot on the carpet" in answer.content.decode() for answer in pages)
    style = re.findall(r'href="([^"]+[.]css)"', pages[0].content.decode())[0]
    answer = Client().get(f"{windows[0]}{style}", headers={"host": "draft--start.localhost"})
    assert answer.status_code == 200
    others = hers.get(f"/sites/new/{start.pk}/looks/?round=1").content.decode()
    assert re.findall(r'name="look" value="(\d+)"', others) == ["3", "4", "5"]
    hers.post("/sign-out/")
    assert Client().get(windows[0], headers={"host": "draft--start.localhost"}).status_code == 403


def test_a_look_is_chosen_once_however_often_it_is_asked_for(hers: Client) -> None:
    start = give(hers)
    first = hers.post(f"/sites/new/{start.pk}/looks/", {"look": "2"})
    second = hers.post(f"/sites/new/{start.pk}/looks/", {"look": "0"})
    assert first.headers["Location"] == second.headers["Location"] == "/sites/brush-flue/pages/"
    assert Site.objects.count() == 1


def test_another_look_is_taken_in_the_template_chapter_and_words_stay(hers: Client) -> None:
    start = give(hers, colours="#b03a2e")
    hers.post(f"/sites/new/{start.pk}/looks/", {"look": "0"})
    site = Site.objects.get()
    before = sites.document(site)
    desk = hers.get(f"/sites/{site.slug}/template/").content.decode()
    assert 'name="look" value="0"' not in desk, "the site stands in it"
    hers.post(f"/sites/{site.slug}/look/", {"look": "2"})
    after = sites.document(Site.objects.get())
    bolder = starts.looks(start)[0][2]
    assert (after.template, after.sheet["palette"][1]["hex"]) == (bolder.template, bolder.sheet["palette"][1]["hex"])
    assert after.parts["header.ground"] == "strong"
    assert [stored.value for stored in after.stored()] == [stored.value for stored in before.stored()]
    hers.post(f"/sites/{site.slug}/undo/")
    assert sites.document(Site.objects.get()) == before
    answer = hers.post(f"/sites/{site.slug}/look/", {"look": "77"}, follow=True)
    assert "There is no look number 77." in answer.content.decode()


def test_a_strangers_start_does_not_exist(hers: Client, client: Client) -> None:
    start = give(hers)
    marek = Person.objects.create_user("marek@dubrov.example", None, name="Marek")
    other = Client(SERVER_NAME="localhost")
    other.force_login(marek, backend="django.contrib.auth.backends.ModelBackend")
    for path in ("", "pages/", "looks/"):
        assert other.get(f"/sites/new/{start.pk}/{path}").status_code == 404
        assert other.post(f"/sites/new/{start.pk}/{path}", GIVEN).status_code == 404


def test_starts_that_lead_nowhere_fall_away(hers: Client, ines: Person) -> None:
    for _ in range(8):
        give(hers)
    assert Start.objects.filter(owner=ines).count() == 5


def test_another_aim_keeps_what_was_done_to_the_plan(hers: Client) -> None:
    start = give(hers)
    on_plan(hers, start, "add", page_name="Vouchers", **{"name-prices": "Our prices"})
    hers.post(f"/sites/new/{start.pk}/", {**GIVEN, "aims": ["found", "work"]})
    start.refresh_from_db()
    kept = [page.name for page in starts.plan_of(start) if page.kept]
    assert kept == ["Home", "Our prices", "Stoves and fireplaces", "The sweep", "Vouchers"]


@pytest.mark.parametrize("look", ["", "one", "-1"])
def test_what_is_no_look_makes_no_site(hers: Client, look: str) -> None:
    start = give(hers)
    assert hers.post(f"/sites/new/{start.pk}/looks/", {"look": look}).status_code == 422
    assert not Site.objects.exists()
