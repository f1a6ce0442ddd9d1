"""Sections put elsewhere, the same section once more, one that is not there yet, and how much of everything fits."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Any

import pytest

from tests.editing import edited
from yemba.core import room
from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.errors import Fault
from yemba.core.room import Room
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, Picture, Section, read
from yemba.core.site.ids import new_id
from yemba.core.site.journal import neighbours
from yemba.core.site.resolve import Look
from yemba.core.trade.sample_section import sample_section


def words(section: Section) -> list[dict[str, str]]:
    """All that stands in it, in its order."""
    return [section.fields, *(section.items[key].fields for key in section.order)]


def test_it_goes_before_another_or_to_the_end(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    first, second, *rest = document.pages[home].order
    assert edited(document, "place-section", section=first).pages[home].order == [second, *rest, first]
    moved = edited(document, "place-section", section=rest[-1], before=first)
    assert moved.pages[home].order == [rest[-1], first, second, *rest[:-1]]
    stays = read_command("place-section", {"section": first, "before": second})
    assert stays.plan(Look(document, catalogue), new_id) == [], "where it is, nothing is done"


def test_it_goes_to_another_page_with_all_that_stands_in_it(document: Document, catalogue: Catalogue) -> None:
    home, other = document.order[:2]
    key = document.pages[home].order[1]
    section = document.pages[home].sections[key]
    apart = {"section": key, "element": f"{section.order[0]}.title", "what": "align", "value": "center"}
    before = edited(document, "set-one-off", **apart)
    moved = edited(before, "place-section", section=key, page=other)
    assert key not in moved.pages[home].sections
    arrived = moved.pages[other].sections[moved.pages[other].order[-1]]
    assert words(arrived) == words(section)
    assert arrived.one_offs == {f"{arrived.order[0]}.title": {"align": "center"}}, "what is set apart goes along"


def test_a_copy_has_ids_of_its_own(document: Document, catalogue: Catalogue) -> None:
    home, other = document.order[:2]
    key = document.pages[home].order[1]
    section = document.pages[home].sections[key]
    twice = edited(document, "copy-section", section=key).pages[home]
    copy = twice.sections[twice.order[2]]
    assert twice.order[1] == key
    assert words(copy) == words(section)
    assert not set(copy.order) & set(section.order)
    there = edited(document, "copy-section", section=key, page=other).pages[other]
    assert words(there.sections[there.order[-1]]) == words(section)


def test_an_item_goes_before_another_or_to_the_end(document: Document, catalogue: Catalogue) -> None:
    key = next(key for _, holder in document.holders() for key, one in holder.ordered() if len(one.order) > 2)
    first, second, *rest = document.section(key).section.order

    def order(item: str, before: str = "") -> list[str]:
        return edited(document, "place-item", section=key, item=item, before=before).section(key).section.order

    assert order(first) == [second, *rest, first]
    assert order(rest[-1], first) == [rest[-1], first, second, *rest[:-1]]
    stays = read_command("place-item", {"section": key, "item": first, "before": second})
    assert stays.plan(Look(document, catalogue), new_id) == [], "where it is, nothing is done"


def test_a_section_has_a_name_in_addresses_that_no_other_of_its_page_has(
    document: Document, catalogue: Catalogue
) -> None:
    first, second = document.pages[document.order[0]].order[:2]
    named = edited(document, "name-section", section=first, slug="#our-prices")
    assert named.section(first).section.slug == "our-prices"
    for typed, free in (
        ("our-prices", "our-prices-2"),
        ("Our prices!", "our-prices"),
        ("content", "content-2"),
        (first, ""),
    ):
        with pytest.raises(Fault) as refused:
            edited(named, "name-section", section=second, slug=typed)
        assert free in refused.value.sentence
        assert typed in refused.value.sentence
    copied = edited(named, "copy-section", section=first)
    assert [section.slug for section in copied.pages[copied.order[0]].sections.values()].count("our-prices") == 1
    elsewhere = edited(named, "name-section", section=document.pages[document.order[1]].order[0], slug="our-prices")
    moved = edited(elsewhere, "place-section", section=first, page=document.order[1])
    assert [section.slug for section in moved.pages[document.order[1]].sections.values()].count("our-prices") == 1
    assert edited(named, "name-section", section=first, slug="").text() == document.text()


def test_the_first_choice_of_every_kind_is_what_is_shown_where_none_is_made(catalogue: Catalogue) -> None:
    for kind in catalogue.kinds.values():
        for field in (*kind.fields, *kind.fields_of("item")):
            if field.offered:
                assert next(iter(field.offered)) in ("", "none"), f"{kind.slug}.{field.slug}"


def test_several_sections_are_moved_copied_binned_and_grounded_in_one_edit(
    document: Document, catalogue: Catalogue
) -> None:
    home, other = document.order[:2]
    first, second, *rest = document.pages[home].order
    both = {"sections": f"{second} {first}"}
    moved = edited(document, "do-to-sections", **both, act="move", page=other)
    assert moved.pages[home].order == rest
    stood = [moved.pages[other].sections[key] for key in moved.pages[other].order[-2:]]
    assert [words(one) for one in stood] == [words(document.pages[home].sections[key]) for key in (first, second)]
    copied = edited(document, "do-to-sections", **both, act="copy", page=other)
    assert len(copied.pages[other].order) == len(document.pages[other].order) + 2
    assert copied.pages[home] == document.pages[home]
    binned = edited(document, "do-to-sections", **both, act="bin")
    assert binned.pages[home].order == rest
    assert {first, second} <= binned.bin.keys()
    grounded = edited(document, "do-to-sections", **both, act="ground", ground="dark")
    assert {key for key, one in grounded.pages[home].sections.items() if one.ground == "dark"} >= {first, second}
    for arguments in ({"sections": "", "act": "bin"}, {**both, "act": "sell"}, {"sections": "gone", "act": "bin"}):
        with pytest.raises(Fault):
            edited(document, "do-to-sections", **arguments)


def test_several_entries_are_moved_copied_and_taken_away_in_one_edit(document: Document, catalogue: Catalogue) -> None:
    listed = next(one for one in document.standing() if len(one.section.order) >= 3)
    first, second, third, *rest = listed.section.order
    both = {"section": listed.key, "items": f"{third} {second}"}
    apart = {"section": listed.key, "element": f"{second}.title", "what": "align", "value": "center"}
    document = edited(document, "set-one-off", **apart)

    def section(act: str) -> Section:
        return edited(document, "do-to-items", **both, act=act).section(listed.key).section

    assert section("first").order == [second, third, first, *rest]
    assert section("last").order == [first, *rest, second, third]
    assert section("out").order == [first, *rest]
    copied = section("copy")
    assert len(copied.order) == len(listed.section.order) + 2
    copy = copied.order[2]
    assert copied.items[copy] == copied.items[second]
    assert copied.one_offs[f"{copy}.title"] == copied.one_offs[f"{second}.title"]
    for wrong in ({"items": "", "act": "out"}, {"items": second, "act": "sell"}, {"items": "gone", "act": "out"}):
        with pytest.raises(Fault):
            edited(document, "do-to-items", section=listed.key, **wrong)


def test_what_a_page_begins_with_goes_first_unless_a_place_is_named(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    order = document.pages[home].order

    def added(**arguments: str) -> int:
        """The place of the new one."""
        new = edited(document, "add-section", page=home, **arguments).pages[home].order
        (key,) = set(new) - set(order)
        return new.index(key)

    assert added(kind="opening") == 0
    assert added(kind="opening", after=order[0]) == 1
    assert added(kind="words") == len(order)
    assert added(kind="words", after="") == 0


def test_every_kind_in_every_layout_is_a_site_of_its_own(document: Document, catalogue: Catalogue) -> None:
    picture = Picture(file="f", format="png", width=9, height=9, name="reel")
    look = Look(document.model_copy(update={"pictures": {"reel": picture}}), catalogue)
    for kind in catalogue.kinds.values():
        for layout in kind.layout_names():
            alone = sample_section(look, kind, layout)
            assert read(alone.text()).text() == alone.text(), "it can be stored and read"
            standing = next(alone.standing())
            assert (standing.section.kind, standing.section.layout) == (kind.slug, layout)
            assert alone.sheet == document.sheet
            wants = [one.slug for one in kind.fields if one.type == "picture" and one.slug != "backdrop"]
            assert {standing.section.fields[slug] for slug in wants} <= {"reel"}
            assert not standing.section.fields.get("backdrop"), "nothing is behind it that nobody chose"
    on_dark = sample_section(look, catalogue.kinds["links"], "row", "dark").section("alone").section
    assert (
        on_dark.ground,
        sample_section(look, catalogue.kinds["links"], "", "gone").section("alone").section.ground,
    ) == ("dark", None)
    assert look.document.text() == Look(look.document, catalogue).document.text(), "and the site itself is as it was"


def test_a_section_is_added_in_a_layout(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    look = Look(document, catalogue)
    command = read_command("add-section", {"page": home, "kind": "gallery", "layout": "strips", "after": ""})
    after = apply(document, command.plan(look, new_id))
    assert after.pages[home].sections[after.pages[home].order[0]].layout == "strips"
    with pytest.raises(Fault) as refused:
        read_command("add-section", {"page": home, "kind": "gallery", "layout": "spiral"}).plan(look, new_id)
    assert "spiral" in refused.value.sentence
    assert "strips" in refused.value.sentence


def test_what_leads_to_pages_leads_to_those_of_the_site(document: Document, catalogue: Catalogue) -> None:
    look = Look(document, catalogue)
    excerpts = sample_section(look, catalogue.kinds["excerpts"], "rows")
    (section,) = [one.section for one in excerpts.standing() if one.key == "alone"]
    pages = {item.fields["link"].removeprefix("page:") for item in section.items.values()}
    assert len(pages) == 2
    assert pages <= document.pages.keys() & excerpts.pages.keys()
    onward = sample_section(look, catalogue.kinds["onward"], "line")
    earlier, later = neighbours(onward, "alone", datetime(2026, 1, 1, tzinfo=UTC))
    assert {earlier, later} == pages, "it stands between two of them in time"
    signs = sample_section(look, catalogue.kinds["listen"], "signs").pages["alone"].sections["alone"]
    assert all(item.fields["sign"] for item in signs.items.values()), "there is a sign to see"


def test_a_site_of_one_page_has_samples_too(catalogue: Catalogue, document: Document) -> None:
    home = document.order[0]
    lone = document.model_copy(update={"pages": {home: document.pages[home]}, "order": [home]})
    for kind in ("excerpts", "onward"):
        assert [*sample_section(Look(lone, catalogue), catalogue.kinds[kind], "").pages] == ["alone"]


def test_nine_in_ten_are_told_of() -> None:
    few = Room(10, "pages on a site")
    assert few.warning(8) == ""
    assert few.warning(9) == "9 of at most 10 pages on a site."


@pytest.mark.parametrize(
    ("name", "command", "arguments"),
    [
        ("PAGES", "add-page", {"page_name": "One more"}),
        ("SECTIONS", "add-section", {"kind": "words", "page": "HOME"}),
        ("ENTRIES", "add-item", {"section": "OFFERS"}),
        (
            "PICTURES",
            "add-picture",
            {"picture": "p9", "file": "a" * 64, "format": "png", "width": 9, "height": 9, "file_name": "p9.png"},
        ),
    ],
)
def test_one_more_than_fits_is_refused(
    document: Document,
    catalogue: Catalogue,
    monkeypatch: pytest.MonkeyPatch,
    name: str,
    command: str,
    arguments: dict[str, Any],
) -> None:
    offers = next(standing.key for standing in document.standing() if standing.section.kind == "offers")
    known = {"HOME": document.order[0], "OFFERS": offers}
    asked = read_command(command, {key: known.get(value, value) for key, value in arguments.items()})
    assert asked.plan(Look(document, catalogue), new_id)
    monkeypatch.setattr(room, name, Room(0, "of these"))
    with pytest.raises(Fault, match="No other fits: at most 0 of these") as refused:
        asked.plan(Look(document, catalogue), new_id)
    assert refused.value.code == "too-many"
