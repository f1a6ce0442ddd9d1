"""A section that is not there yet, alone on a page in the owner's look."""

from __future__ import annotations

from datetime import UTC, datetime

import pytest

from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, Picture, read
from yemba.core.site.ids import new_id
from yemba.core.site.journal import neighbours
from yemba.core.site.resolve import Look
from yemba.core.trade.sample_section import sample_section


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
