"""Edits are kept, undone, redone, folded and merged; a site has one address."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yemba.core import room
from yemba.core.change.commands.pages import RenamePage
from yemba.core.change.operation import put
from yemba.core.errors import Fault
from yemba.core.site.addresses import slug_from
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.addresses import check_address, free_address
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db


def base(site: Site, value: int, **more: object) -> sites.Done:
    return sites.edit(site, "set-value", {"key": "type.base", "value": value}, **more)  # type: ignore[arg-type]


def now(site: Site) -> str:
    return Site.objects.get(pk=site.pk).document


def test_undo_and_redo_walk_the_log_and_outlive_a_restart(site: Site) -> None:
    states = [now(site)]
    for value in (17, 19, 21):
        base(site, value)
        states.append(now(site))
    for expected in reversed(states[:-1]):
        sites.undo(Site.objects.get(pk=site.pk))
        assert now(site) == expected
    with pytest.raises(Fault, match="nothing to undo"):
        sites.undo(site)
    for expected in states[1:]:
        sites.redo(Site.objects.get(pk=site.pk))
        assert now(site) == expected
    with pytest.raises(Fault, match="nothing to redo"):
        sites.redo(site)


def test_an_edit_after_undo_ends_what_could_be_redone(site: Site) -> None:
    base(site, 17)
    sites.undo(site)
    base(site, 20)
    with pytest.raises(Fault):
        sites.redo(site)


def test_one_gesture_is_one_edit(site: Site) -> None:
    start = now(site)
    for value in (17, 18, 19, 20):
        base(site, value, gesture="drag")
    base(site, 22)
    assert site.edits.count() == 2
    sites.undo(site)
    sites.undo(site)
    assert now(site) == start


def test_an_edit_that_changes_nothing_is_not_kept(site: Site) -> None:
    base(site, 20)
    base(site, 20)
    assert site.edits.count() == 1


def test_edits_to_other_places_merge_and_to_the_same_place_are_refused(site: Site) -> None:
    site.refresh_from_db()
    seen = site.revision
    base(site, 20)
    sites.edit(site, "set-value", {"key": "type.ratio", "value": 1.3}, seen)
    with pytest.raises(Fault) as caught:
        base(site, 22, revision=seen)
    assert caught.value.code == "changed-meanwhile"
    assert "20" in caught.value.sentence
    assert sites.document(Site.objects.get(pk=site.pk)).sheet == {"type.base": 20, "type.ratio": 1.3}


def test_a_refused_edit_leaves_the_draft_as_it_was(site: Site) -> None:
    before, revision = now(site), site.revision
    with pytest.raises(Fault):
        base(site, 900)
    assert now(site) == before
    assert Site.objects.get(pk=site.pk).revision == revision


def test_steps_that_make_no_document_are_refused_in_a_sentence(site: Site, monkeypatch: pytest.MonkeyPatch) -> None:
    before = sites.document(site)
    first, second = before.order[:2]
    step = put(before, ("pages", second, "slug"), before.pages[first].slug)
    monkeypatch.setattr(RenamePage, "plan", lambda *_: [step])
    with pytest.raises(Fault, match="two pages share an address") as refused:
        sites.edit(site, "rename-page", {"page": second, "name": "Twice"})
    assert refused.value.code == "fits-nowhere"
    assert sites.document(Site.objects.get(pk=site.pk)) == before


@pytest.mark.parametrize("typed", ["", "ab", "-a-b-", "two words", "draft--x", "x" * 41, "ünïcode", "www", "saltmarsh"])
def test_an_address_that_will_not_do_is_refused_by_name(site: Site, typed: str) -> None:
    with pytest.raises(Fault) as caught:
        check_address(typed)
    assert f"“{typed}”" in caught.value.sentence
    assert caught.value.field == "slug"


def test_a_free_address_follows_the_name(site: Site) -> None:
    assert free_address("Saltmarsh") == "saltmarsh-2"
    assert free_address("Nettle & Rye Seeds") == "nettle-rye-seeds"
    assert check_address(free_address("書"))


@given(st.lists(st.text("abZé&-’ß書", max_size=9), max_size=12).map(" ".join), st.integers(3, 30))
def test_what_a_name_suggests_will_do_as_an_address(name: str, most: int) -> None:
    assert check_address(free_address(name))
    slug = slug_from(name, most)
    assert slug_from(slug, most) == slug
    assert len(slug) <= most


def test_one_person_has_no_more_sites_than_fit(ines: Person, settings: Any) -> None:
    settings.MOST_SITES = 1
    sites.create(ines, "First", "first", "slipway")
    with pytest.raises(Fault, match="Ask whoever runs this Yemba"):
        sites.create(ines, "Second", "second", "slipway")


def test_a_new_site_has_pages_and_the_owners_name_on_them(ines: Person) -> None:
    made = sites.document(sites.create(ines, "Nettle & Rye", "nettle", "handbill"))
    assert len(made.pages) == 4
    opening = made.pages[made.order[0]].sections[made.pages[made.order[0]].order[0]]
    assert opening.fields["heading"] == "Nettle & Rye"
    with pytest.raises(Fault, match="empty"):
        sites.create(ines, " ", "other", "handbill")
    with pytest.raises(Fault, match="no template"):
        sites.create(ines, "Name", "other", "gone")


def test_a_site_grows_only_as_large_as_a_site_may_be(site: Site, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(room.KILOBYTES, "most", len(site.document.encode()) // 1000 + 2)
    with pytest.raises(Fault, match="kilobytes of pages and words on a site"):
        for number in range(40):
            sites.edit(site, "add-page", {"page_name": f"One more, {number}"})
            site.refresh_from_db()
    before = now(site)
    document = sites.document(site)
    opening = {"section": document.pages[document.order[0]].order[0], "field": "heading"}
    sites.edit(site, "set-words", {**opening, "words": "B"})
    for page in document.order[-3:]:
        sites.edit(site, "bin-page", {"page": page})
    sites.edit(site, "add-page", {"page_name": "What the bin holds does not count"})
    assert len(now(site)) > len(before)
