"""Editions, what visitors get, and who may see a draft."""

from __future__ import annotations

import gzip
import re
from datetime import UTC, datetime
from pathlib import Path

import pytest
from django.core.management import CommandError, call_command
from django.test import Client
from freezegun import freeze_time

from yemba.core.errors import Fault
from yemba.core.site.document import read
from yemba.core.site.resolve import Look
from yemba.hosting import making, services
from yemba.hosting.models import Edition, Made
from yemba.people.models import Person
from yemba.render import files
from yemba.render.files import style_names
from yemba.render.style import rules, style
from yemba.sites import services as sites
from yemba.sites.models import Site
from yemba.studio.waiting import waiting

pytestmark = pytest.mark.django_db
LIVE, DRAFT = "saltmarsh.localhost", "draft--saltmarsh.localhost"


def heading(site: Site, words: str) -> None:
    document = sites.document(site)
    opening = document.pages[document.order[0]].order[0]
    sites.edit(site, "set-words", {"section": opening, "field": "heading", "words": words})
    site.refresh_from_db()


def test_before_the_first_edition_visitors_see_that_it_opens_soon(site: Site, client: Client) -> None:
    answer = client.get("/", headers={"host": LIVE})
    assert answer.status_code == 200
    assert "Opening soon" in answer.content.decode()


def test_publishing_puts_the_draft_live_and_later_edits_wait(site: Site, client: Client) -> None:
    heading(site, "First words")
    services.publish(site)
    heading(site, "Second words")
    assert "First words" in client.get("/", headers={"host": LIVE}).content.decode()
    services.publish(site)
    assert "Second words" in client.get("/", headers={"host": LIVE}).content.decode()


def test_an_earlier_edition_comes_back_byte_for_byte(site: Site, client: Client) -> None:
    services.publish(site)
    first = client.get("/", headers={"host": LIVE}).content
    heading(site, "Second words")
    services.publish(site)
    services.bring_back(site, 1)
    assert client.get("/", headers={"host": LIVE}).content == first
    assert sites.document(site).text() == site.document, "the draft is left alone"
    with pytest.raises(Fault):
        services.bring_back(site, 9)


def test_publishing_again_writes_nothing_that_did_not_change(site: Site, settings) -> None:
    services.publish(site)
    before = set(Path(settings.MEDIA_ROOT).rglob("*"))
    services.publish(site)
    assert set(Path(settings.MEDIA_ROOT).rglob("*")) == before


def test_a_publishing_that_breaks_off_leaves_the_live_site_as_it_was(site: Site, client: Client, monkeypatch) -> None:
    services.publish(site)
    live = client.get("/", headers={"host": LIVE}).content
    heading(site, "Half done")
    keep, count = making.store.keep, iter(range(100))

    def breaks(data: bytes) -> str:
        if next(count) == 2:
            raise OSError("the disk is full")
        return keep(data)

    monkeypatch.setattr(making.store, "keep", breaks)
    with pytest.raises(OSError, match="disk"):
        services.publish(site)
    assert Edition.objects.filter(site=site).count() == 1
    assert client.get("/", headers={"host": LIVE}).content == live


def test_pages_are_asked_for_again_and_assets_kept_for_ever(site: Site, client: Client) -> None:
    edition = services.publish(site)
    page = client.get("/", headers={"host": LIVE})
    assert page["Cache-Control"] == "public, no-cache"
    again = client.get("/", headers={"host": LIVE, "if-none-match": page["ETag"]})
    assert (again.status_code, again.content) == (304, b"")
    sheet = next(path for path in edition.manifest if path.endswith(".css"))
    assert "immutable" in client.get(f"/{sheet}", headers={"host": LIVE})["Cache-Control"]
    head = client.head("/", headers={"host": LIVE})
    assert (head.status_code, head.content) == (200, b"")


def test_words_go_out_packed_and_a_packed_copy_is_known_again(site: Site, client: Client) -> None:
    services.publish(site)
    plain = client.get("/", headers={"host": LIVE})
    packed = client.get("/", headers={"host": LIVE, "accept-encoding": "gzip"})
    assert packed["Content-Encoding"] == "gzip" and len(packed.content) < len(plain.content) / 2
    assert gzip.decompress(packed.content) == plain.content
    again = client.get("/", headers={"host": LIVE, "if-none-match": packed["ETag"]})
    assert packed["ETag"].startswith("W/") and again.status_code == 304


def test_addresses_of_a_live_site(site: Site, client: Client) -> None:
    services.publish(site)
    assert client.get("/prices/", headers={"host": LIVE}).status_code == 200
    assert client.get("/prices", headers={"host": LIVE})["Location"] == "/prices/"
    missing = client.get("/no-such-page/", headers={"host": LIVE})
    assert missing.status_code == 404
    assert "Saltmarsh Bindery" in missing.content.decode()
    assert client.get("/", headers={"host": "nobody.localhost"}).status_code == 404
    assert client.post("/", headers={"host": LIVE}).status_code == 405


def test_live_pages_run_no_script_and_sit_in_no_strangers_frame(site: Site, client: Client) -> None:
    services.publish(site)
    policy = client.get("/", headers={"host": LIVE})["Content-Security-Policy"]
    assert "default-src 'none'" in policy
    assert "script-src" not in policy
    assert "frame-ancestors 'self'" in policy


def test_a_draft_opens_by_its_signed_address_alone(site: Site, ines: Person, client: Client) -> None:
    token = services.draft_token(site, ines)
    opened = client.get(f"/~{token}/", headers={"host": DRAFT})
    assert opened.status_code == 200
    assert "frame-ancestors http://localhost:*" in opened["Content-Security-Policy"]
    assert client.get(f"/~{token}x/", headers={"host": DRAFT}).status_code == 403
    assert client.get("/", headers={"host": DRAFT}).status_code == 403
    assert client.get(f"/~{token}/", headers={"host": "draft--other.localhost"}).status_code == 403
    with freeze_time(datetime(2099, 1, 1, tzinfo=UTC)):
        assert client.get(f"/~{token}/", headers={"host": DRAFT}).status_code == 403


def test_a_drafts_address_ends_with_the_ownership(site: Site, ines: Person, client: Client) -> None:
    token = services.draft_token(site, ines)
    site.owner = Person.objects.create_user("other@saltmarsh.example", "x", name="Other")
    site.save()
    assert client.get(f"/~{token}/", headers={"host": DRAFT}).status_code == 403


def test_every_file_a_draft_page_names_opens_there(site: Site, ines: Person, client: Client) -> None:
    base = f"/~{services.draft_token(site, ines)}/"
    html = client.get(base, headers={"host": DRAFT}).content.decode()
    sheets = [
        client.get(f"{base}{name}", headers={"host": DRAFT}) for name in re.findall(r'href="(assets/[^"]+)', html)
    ]
    assert {sheet.status_code for sheet in sheets} == {200}
    assert {sheet["Cache-Control"] for sheet in sheets} == {"no-store"}
    words = "".join(sheet.content.decode() for sheet in sheets)
    fonts = [
        client.get(f"{base}assets/{name}", headers={"host": DRAFT}) for name in re.findall(r"[\w.-]+\.woff2", words)
    ]
    assert {font.status_code for font in fonts} == {200}
    assert all("immutable" in font["Cache-Control"] for font in fonts), "a browser keeps them"
    assert client.get("/-/window.js", headers={"host": DRAFT})["Content-Type"].startswith("text/javascript")


def test_a_draft_has_the_rules_of_every_template_and_its_present_ones_in_place_of_older(
    site: Site, ines: Person, client: Client
) -> None:
    base = f"/~{services.draft_token(site, ines)}/assets/"
    own = sites.look(site)
    for slug in (own.template.slug, "lantern"):
        look = Look(own.document.model_copy(update={"template": slug}), own.catalogue)
        name, _ = style_names(style(look, draft=True))
        answer = client.get(f"{base}{name}", headers={"host": DRAFT})
        assert answer.content.decode() == rules(look, draft=True)
    older = client.get(f"{base}rules.0123456789.css", headers={"host": DRAFT})
    assert older.content.decode() == rules(own, draft=True)


def test_the_address_of_a_draft_stays_the_same_for_a_while(site: Site, ines: Person, client: Client) -> None:
    """So that a browser has the pictures and fonts already when the draft is opened again."""
    with freeze_time(datetime(2026, 11, 3, 9, 1, tzinfo=UTC)):
        token = services.draft_token(site, ines)
    with freeze_time(datetime(2026, 11, 3, 9, 14, tzinfo=UTC)):
        assert services.draft_token(site, ines) == token
    with freeze_time(datetime(2026, 11, 3, 10, 1, tzinfo=UTC)):
        assert services.draft_token(site, ines) != token
        assert client.get(f"/~{token}/", headers={"host": DRAFT}).status_code == 200


def test_a_site_is_exported_as_plain_files(site: Site, tmp_path: Path) -> None:
    with pytest.raises(CommandError, match="never published"):
        call_command("export_site", "saltmarsh", str(tmp_path / "a"))
    call_command("export_site", "saltmarsh", str(tmp_path / "a"), "--draft")
    services.publish(site)
    call_command("export_site", "saltmarsh", str(tmp_path / "b"))
    files = {str(f.relative_to(tmp_path / "b")): f.read_bytes() for f in (tmp_path / "b").rglob("*") if f.is_file()}
    assert files == {
        str(f.relative_to(tmp_path / "a")): f.read_bytes() for f in (tmp_path / "a").rglob("*") if f.is_file()
    }
    assert {"index.html", "prices/index.html", "favicon.ico", "manifest.webmanifest"} <= files.keys()
    with pytest.raises(CommandError, match="not empty"):
        call_command("export_site", "saltmarsh", str(tmp_path / "b"))
    with pytest.raises(CommandError, match="no site"):
        call_command("export_site", "nowhere", str(tmp_path / "c"))


@pytest.mark.parametrize("draft", [False, True])
def test_an_export_is_for_the_address_it_will_stand_at(site: Site, tmp_path: Path, draft: bool) -> None:
    services.publish(site)
    there = "https://books.example/bindery/"
    services.write_out(site, tmp_path / "a", draft=draft, address=there.removesuffix("/"))
    page, missing, sitemap = (
        (tmp_path / "a" / name).read_text() for name in ("prices/index.html", "404.html", "sitemap.xml")
    )
    assert f'<link rel="canonical" href="{there}prices/">' in page
    assert f'content="{there}sharing.png"' in page
    assert f"<loc>{there}prices/</loc>" in sitemap
    assert 'href="/bindery/assets/site.' in missing
    assert 'href="/bindery/"' in missing
    assert 'href="/prices/"' not in missing
    assert "saltmarsh.localhost" not in page.replace('action="', "") + missing + sitemap


@pytest.mark.parametrize("address", ["books.example", "ftp://books.example/", "https://", "https://books.example/?a=1"])
def test_what_is_no_address_is_refused_by_name(site: Site, tmp_path: Path, address: str) -> None:
    with pytest.raises(Fault, match=re.escape(f"“{address}” is no address of a site")):
        services.write_out(site, tmp_path / "a", draft=True, address=address)
    assert not (tmp_path / "a").exists()


def test_only_pages_whose_inputs_changed_are_rendered_again(site: Site, monkeypatch) -> None:
    services.publish(site)
    rendered: list[str] = []
    whole = files.render_page
    monkeypatch.setattr(files, "render_page", lambda s, page, *rest: rendered.append(page) or whole(s, page, *rest))
    document = sites.document(site)
    second = document.order[1]
    section = document.pages[second].order[0]
    sites.edit(site, "set-words", {"section": section, "field": "heading", "words": "What it costs"})
    edition = services.publish(Site.objects.get(pk=site.pk))
    assert rendered == [second]
    rendered.clear()
    sites.edit(Site.objects.get(pk=site.pk), "set-value", {"key": "footer.words", "value": "Ring twice."})
    services.publish(Site.objects.get(pk=site.pk))
    assert sorted(rendered) == sorted(document.order), "the footer stands on every page"
    rendered.clear()
    services.publish(Site.objects.get(pk=site.pk), document=read(edition.document))
    assert rendered == [], "what was made once from the same inputs is not made again"


def test_a_page_fetched_before_a_publishing_still_meets_its_style(site: Site, client: Client) -> None:
    first = services.publish(site)
    (style,) = (path for path in first.manifest if path.endswith(".css"))
    sites.edit(Site.objects.get(pk=site.pk), "set-value", {"key": "type.base", "value": 21})
    second = services.publish(Site.objects.get(pk=site.pk))
    assert style not in second.manifest
    answer = client.get(f"/{style}", headers={"host": "saltmarsh.localhost"})
    assert answer.status_code == 200
    assert answer["ETag"] == f'"{first.manifest[style][:32]}"'
    assert client.get("/assets/site.0000.css", headers={"host": "saltmarsh.localhost"}).status_code == 404


def test_fonts_that_were_made_ahead_are_not_cut_again(site: Site, monkeypatch) -> None:
    from yemba.hosting.flows import ahead
    from yemba.render import fonts

    assert ahead.make_fonts(sites.document(site), services.live_address(site)) > 1

    def never(*_: object) -> bytes:
        raise AssertionError("it was cut before")

    monkeypatch.setattr(fonts, "cut_apart", never)
    assert services.publish(site).manifest


@pytest.mark.django_db(transaction=True)
def test_looking_at_the_proof_makes_them(site: Site, client: Client, settings, monkeypatch) -> None:
    from yemba.hosting.flows import ahead

    settings.MAKE_AHEAD = True
    asked: list[str] = []
    monkeypatch.setattr(ahead, "_make", lambda document, _: asked.append(document.name))
    client.force_login(site.owner, backend="django.contrib.auth.backends.ModelBackend")
    client.get("/sites/saltmarsh/palette/")
    assert asked == []
    client.get("/sites/saltmarsh/proof/")
    ahead._waiting[site.pk].result(timeout=10)
    assert asked == ["Saltmarsh Bindery"]


def test_a_page_that_is_not_published_is_gone_for_visitors_with_its_links(client: Client, site: Site) -> None:
    document = sites.document(site)
    other = document.order[1]
    slug, name = document.pages[other].slug, document.pages[other].name
    sites.edit(site, "rename-page", {"page": other, "slug": f"{slug}-anew"})
    services.publish(Site.objects.get(pk=site.pk))
    live = {"host": "saltmarsh.localhost"}
    assert f'href="{slug}-anew/"' in client.get("/", headers=live).content.decode()
    sites.edit(site, "publish-page", {"page": other})
    (waits,) = waiting(Site.objects.get(pk=site.pk))
    assert {spot.page for spot in waits.spots} == set(document.order), "its own places, and every menu"
    services.publish(Site.objects.get(pk=site.pk))
    html = client.get("/", headers=live).content.decode()
    assert f"{slug}-anew" not in html
    assert f">{name}<" not in html
    assert client.get(f"/{slug}-anew/", headers=live).status_code == 404
    assert client.get(f"/{slug}/", headers=live).status_code == 404, "nor does its old address lead there"
    assert f"{slug}-anew" not in client.get("/sitemap.xml", headers=live).content.decode()
    sites.edit(site, "publish-page", {"page": other, "published": "1"})
    services.publish(Site.objects.get(pk=site.pk))
    assert client.get(f"/{slug}-anew/", headers=live).status_code == 200


def test_what_changes_on_a_page_changes_where_it_is_told_of(client: Client, site: Site) -> None:
    home, other = sites.document(site).order[:2]
    sites.edit(site, "add-section", {"page": home, "kind": "excerpts"})
    document = sites.document(Site.objects.get(pk=site.pk))
    (key,) = [one.key for one in document.standing() if one.section.kind == "excerpts"]
    item, *_ = document.pages[home].sections[key].order
    sites.edit(site, "set-words", {"section": key, "item": item, "field": "link", "words": f"page:{other}"})
    services.publish(Site.objects.get(pk=site.pk))
    sites.edit(site, "rename-page", {"page": other, "description": "All that is mended here, and what it costs."})
    (waits,) = waiting(Site.objects.get(pk=site.pk))
    assert key in {spot.place for spot in waits.spots}
    services.publish(Site.objects.get(pk=site.pk))
    html = client.get("/", headers={"host": "saltmarsh.localhost"}).content.decode()
    assert "All that is mended here, and what it costs." in html.partition('class="items')[2]


def test_lists_of_posts_are_made_anew_only_where_they_say_something_else(site: Site) -> None:
    for name, tag in (("Slow glue", "Paste"), ("No glue", "Tape")):
        sites.edit(Site.objects.get(pk=site.pk), "add-post", {"page_name": name, "day": "2026-01-02"})
        page = sites.document(Site.objects.get(pk=site.pk)).order[-1]
        about = {"page": page, "day": "2026-01-02", "tags": tag}
        sites.edit(Site.objects.get(pk=site.pk), "set-post", about)
    first = services.publish(Site.objects.get(pk=site.pk))
    lists = {"tag/paste/index.html", "tag/tape/index.html", "month/2026-01/index.html"}
    assert lists <= first.manifest.keys()
    before = set(Made.objects.values_list("key", flat=True))
    services.publish(Site.objects.get(pk=site.pk))
    assert set(Made.objects.values_list("key", flat=True)) == before
    head = sites.document(Site.objects.get(pk=site.pk)).pages[page].order[0]
    words = {"section": head, "field": "heading", "words": "Tape alone"}
    sites.edit(Site.objects.get(pk=site.pk), "set-words", words)
    second = services.publish(Site.objects.get(pk=site.pk))
    changed = {path for path in lists if first.manifest[path] != second.manifest[path]}
    assert changed == lists - {"tag/paste/index.html"}
