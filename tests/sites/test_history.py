"""The history can be walked to any step and back; two hands on one site know of one another."""

from __future__ import annotations

from collections.abc import Callable
from datetime import timedelta

import pytest
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from yemba.core.errors import Clash, Fault
from yemba.people.models import Person
from yemba.sites import brand_sheets, history, presence
from yemba.sites import services as sites
from yemba.sites.models import BrandSheet, Present, Site

pytestmark = pytest.mark.django_db


def fresh(site: Site) -> Site:
    return Site.objects.get(pk=site.pk)


def base(site: Site, value: int, **more: object) -> sites.Done:
    return sites.edit(fresh(site), "set-value", {"key": "type.base", "value": value}, **more)  # type: ignore[arg-type]


def test_any_step_is_looked_at_and_gone_back_to(site: Site) -> None:
    texts = [fresh(site).document]
    for value in (17, 19, 21, 23):
        base(site, value)
        texts.append(fresh(site).document)
    for number, text in enumerate(texts):
        assert history.at(fresh(site), number).text() == text
    for number in (1, 4, 0, 3):
        history.go_to(site, number)
        assert fresh(site).document == texts[number]
        steps = history.steps(fresh(site))
        assert [step.number for step in steps if step.here] == [number]
        assert [step.number for step in steps if step.undone] == list(range(4, number, -1))
        for other, text in enumerate(texts):
            assert history.at(fresh(site), other).text() == text
    sites.redo(fresh(site))
    assert fresh(site).document == texts[4]
    with pytest.raises(Fault, match="no step 9"):
        history.go_to(site, 9)


def test_a_new_edit_after_going_back_ends_what_lay_ahead(site: Site) -> None:
    for value in (17, 19, 21):
        base(site, value)
    history.go_to(site, 1)
    base(site, 24)
    assert [step.label for step in history.steps(fresh(site))] == [
        "Base size: 24 px",
        "Base size: 17 px",
        "As the site began",
    ]


def test_a_long_history_is_shown_and_walked_in_as_many_queries_as_a_short_one(site: Site, client: Client) -> None:
    client.force_login(site.owner, backend="django.contrib.auth.backends.ModelBackend")
    for value in range(16, 24):
        base(site, value)
    ways = [
        lambda: client.get("/sites/saltmarsh/history/"),
        lambda: client.get("/sites/saltmarsh/history/", {"more": "1000"}),
        lambda: history.at(fresh(site), 1),
        lambda: history.go_to(fresh(site), 1),
    ]
    counted = [queries(way) for way in ways]
    history.go_to(fresh(site), 8)
    for n in range(60):
        base(site, 16 + n % 8)
    for way, before in zip(ways, counted, strict=True):
        assert queries(way) == before


def queries(do: Callable[[], object]) -> int:
    with CaptureQueriesContext(connection) as captured:
        do()
    return len(captured)


def test_a_clash_shows_both_values(site: Site) -> None:
    base(site, 20, revision=0)
    with pytest.raises(Clash) as caught:
        base(site, 22, revision=0)
    assert (caught.value.standing, caught.value.wanted) == ("20", "22")
    assert "“20”" in caught.value.sentence
    base(site, 22, revision=fresh(site).revision)
    assert sites.document(fresh(site)).sheet["type.base"] == 22


def test_words_in_a_clash_are_shown_without_their_markup(site: Site) -> None:
    document = sites.document(site)
    opening = document.pages[document.order[0]].order[0]
    for words in ("<p>Sewn <strong>by hand</strong></p>", "<p>Glued</p>"):
        try:
            sites.edit(fresh(site), "set-words", {"section": opening, "field": "lead", "words": words}, 0)
        except Clash as clash:
            assert (clash.standing, clash.wanted) == ("Sewn by hand", "Glued")
            return
    raise AssertionError("no clash")


def test_windows_hear_of_one_another_until_they_leave(site: Site, ines: Person) -> None:
    tomasz = Person.objects.create_user("tomasz@lund.example", "x", name="Tomasz Lund")
    assert presence.seen(site, "w1", ines, "palette") == []
    (other,) = presence.seen(site, "w2", tomasz, "type")
    assert (other.name, other.own, other.chapter) == ("Ines Varela", False, "palette")
    (mine,) = presence.seen(site, "w3", ines, "logo")[:1]
    assert mine.own
    presence.left(site, "w3")
    assert [o.name for o in presence.seen(site, "w1", ines, "palette")] == ["Tomasz Lund"]
    Present.objects.update(seen_at=timezone.now() - timedelta(minutes=5))
    assert presence.seen(site, "w1", ines, "palette") == []


def test_a_brand_goes_from_one_site_to_another_with_its_logo(site: Site, ines: Person) -> None:
    from yemba.core.picture.intake import clean_picture
    from yemba.sites import store

    svg = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 4"><path d="M0 0h4v4z"/></svg>'
    clean = clean_picture(svg, "mark.svg")
    about = {"file": store.keep(clean.data), "format": "svg", "width": 4, "height": 4, "file_name": "mark.svg"}
    sites.edit(site, "add-picture", {"picture": "xp1", "use": "logo", **about})
    sites.edit(fresh(site), "set-colour", {"colour": "c1", "hex": "#8c3b2a"})
    kept = brand_sheets.save(fresh(site), "Tide")
    other = sites.create(ines, "Nettle", "nettle", "handbill")
    brand_sheets.apply_to(other, kept)
    look = sites.look(fresh(other))
    assert look.colours[0].hex == "#8c3b2a"
    assert look.document.pictures[look.value("logo.picture")].file == about["file"]
    again = brand_sheets.import_file(ines, brand_sheets.export(kept))
    assert (again.name, again.values) == ("Tide 2", kept.values)
    assert again.logo["file"] == kept.logo["file"]


def test_sheets_are_copied_renamed_binned_and_their_names_are_their_own(site: Site, ines: Person) -> None:
    kept = brand_sheets.save(site, "Tide")
    copied = brand_sheets.copy(kept)
    assert copied.name == "Tide 2"
    with pytest.raises(Fault, match="such as “Tide 3”"):
        brand_sheets.rename(copied, "Tide")
    with pytest.raises(Fault, match="empty"):
        brand_sheets.save(site, "  ")
    brand_sheets.move(kept, to_bin=True)
    assert [s.name for s in brand_sheets.sheets_of(ines)] == ["Tide 2"]
    brand_sheets.save(site, "Tide")
    assert brand_sheets.move(BrandSheet.objects.get(pk=kept.pk), to_bin=False).name == "Tide 3"
    stranger = Person.objects.create_user("x@y.example", "x", name="X")
    for ref in (f"own:{kept.pk}", "site:saltmarsh", "ready:slipway/none", "nonsense"):
        with pytest.raises(Fault):
            brand_sheets.referenced(stranger, ref)
