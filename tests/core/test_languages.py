"""A site in several languages: versions of pages, what is seen in each, and that nothing goes out half."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.test_edits import histories
from tests.sampling import fewer
from yemba.catalogue import catalogue as shipped
from yemba.core.change.command import read_command
from yemba.core.change.difference import difference
from yemba.core.change.operation import Operation, apply, inverse
from yemba.core.change.subset import document_with
from yemba.core.check.finding import Inspected
from yemba.core.check.languages import find
from yemba.core.errors import Fault
from yemba.core.site import languages
from yemba.core.site.document import MAIN, Document, read
from yemba.core.site.ids import new_id
from yemba.core.site.languages import seen_in
from yemba.core.site.navigation import entries, menu, trail
from yemba.core.site.resolve import Look

OF_LANGUAGES = (
    "add-language", "remove-language", "make-version", "bring-over", "say-in", "show-in", "add-section", "bin-section",
    "rename-page", "bin-page", "restore-page", "make-standing", "put-standing", "copy-page", "place-menu-entry",
)  # fmt: skip


def _document() -> Document:
    words = {
        "kind": "words",
        "fields": {"heading": "What it costs", "body": '<p>See <a href="page:home">home</a>.</p>'},
    }
    pages: dict[str, Any] = {
        "home": {"name": "Home", "slug": "", "sections": {"h": {"kind": "words", "fields": {"heading": "Hello"}}}},
        "prices": {"name": "Prices", "slug": "prices", "sections": {"p": words}},
        "about": {"name": "About", "slug": "about"},
    }
    for page in pages.values():
        page["order"] = list(page.get("sections", {}))
    about = {"name": "Tide", "tagline": "Low water", "template": "slipway", "pages": pages, "order": [*pages]}
    return Document.model_validate(about | {"navigation": {"hidden": ["home"], "under": {"about": "prices"}}})


def _steps(document: Document, name: str, **arguments: Any) -> list[Operation]:
    return read_command(name, arguments).plan(Look(document, shipped()), new_id)


def _do(document: Document, name: str, **arguments: Any) -> Document:
    return apply(document, _steps(document, name, **arguments))


@pytest.fixture
def german() -> Document:
    """With a home page and prices in German."""
    document = _do(_document(), "add-language", language="de")
    return _do(document, "make-version", page="prices", language="de", page_name="Preise")


def _look(document: Document) -> Look:
    return Look(document, shipped())


def test_a_language_begins_with_the_first_page_and_its_addresses_with_its_tag(german: Document) -> None:
    slugs = {page.name: page.slug for page in german.pages.values() if page.language}
    assert slugs == {"Home": "de", "Preise": "de/preise"}
    assert read(german.text()) == german
    named = _do(german, "rename-page", page=languages.version(german, "prices", "de"), slug="de/was-es-kostet")
    assert named.pages[languages.version(german, "prices", "de")].slug == "de/was-es-kostet"
    short = _do(german, "rename-page", page=languages.version(german, "prices", "de"), slug="kosten")
    assert short.pages[languages.version(german, "prices", "de")].slug == "de/kosten"


def test_the_menu_of_each_language_has_its_own_pages_in_the_same_order(german: Document) -> None:
    home, prices = (languages.version(german, page, "de") for page in ("home", "prices"))
    assert [entry.key for entry in entries(german)] == ["prices"]
    assert [entry.key for entry in entries(german)[0].below] == ["about"]
    seen = seen_in(_look(german), "de").document
    assert [entry.name for entry in entries(seen)] == ["Preise"]
    assert menu(seen) == [home, prices]
    whole = _do(german, "make-version", page="about", language="de")
    below = entries(seen_in(_look(whole), "de").document)[0].below
    assert [entry.key for entry in below] == [languages.version(whole, "about", "de")]
    steps = trail(seen_in(_look(whole), "de").document, below[0].key)
    assert [step.name for step in steps] == ["Home", "Preise", "About"]
    said = _do(whole, "rename-page", page=home, page_name="Start")
    assert trail(seen_in(_look(said), "de").document, below[0].key)[0].name == "Start"


def test_what_every_page_says_is_said_in_each_language_else_as_in_the_main_one(german: Document) -> None:
    said = _do(german, "say-in", language="de", what="tagline", words="Niedrigwasser")
    said = _do(said, "say-in", language="de", what="footer.words", words="Bis bald")
    seen = seen_in(_look(said), "de")
    assert (seen.document.name, seen.document.tagline, seen.value("footer.words")) == (
        "Tide",
        "Niedrigwasser",
        "Bis bald",
    )
    assert (said.tagline, _look(said).value("footer.words")) == ("Low water", "")
    back = _do(said, "say-in", language="de", what="tagline", words="")
    assert seen_in(_look(back), "de").document.tagline == "Low water"
    assert seen.document.text() != ""
    assert "seen_in" not in seen.document.plain()


def test_links_lead_to_the_version_in_the_language_where_there_is_one(german: Document) -> None:
    seen = seen_in(_look(german), "de").document
    assert languages.in_shown(seen, "prices") == languages.version(german, "prices", "de")
    assert languages.in_shown(seen, "about") == "about"
    assert languages.in_shown(german, "prices") == "prices"
    there = languages.version(german, "prices", "de")
    hidden = _do(german, "publish-page", page=there, published="")
    assert languages.in_shown(seen_in(_look(hidden), "de").document, "prices") == "prices"


def test_what_lacks_is_found_and_cured(german: Document) -> None:
    document = _do(german, "add-section", page="prices", kind="quotes")
    sentences = [finding.sentence for finding in find(Inspected(_look(document), bytes, lambda *_: 0))]
    assert "About is not there in German: visitors who read that miss it." in sentences
    assert "Preise lacks the section Quotes that its original has." in sentences
    assert "Heading in Words on Preise is worded as in the main language." in sentences
    for finding in find(Inspected(_look(document), bytes, lambda *_: 0)):
        if finding.cure:
            document = _do(document, finding.cure.command, **finding.cure.arguments)
    version = document.pages[languages.version(document, "prices", "de")]
    assert [section.kind for _, section in version.ordered()] == ["words", "quotes"]
    translated = _do(document, "set-words", section=version.order[0], field="heading", words="Was es kostet")
    left = [finding.sentence for finding in find(Inspected(_look(translated), bytes, lambda *_: 0))]
    assert not any("lacks" in sentence or "not there" in sentence for sentence in left)
    assert "Heading in Words on Preise is worded as in the main language." not in left


def test_shared_sections_are_shown_in_their_language_alone(german: Document) -> None:
    document = _do(german, "make-standing", section="h")
    (key,) = document.pages["home"].standing
    document = _do(document, "put-standing", section=key, page="every", at="last")
    home = languages.version(document, "home", "de")
    for language, pages in (("", {"home", home}), (MAIN, {"home"}), ("de", {home})):
        shown = _do(document, "show-in", section=key, language=language)
        assert {page for page in ("home", home) if key in shown.shown(page).sections} == pages
        assert key in shown.holds("home").sections


@pytest.mark.parametrize(
    ("name", "arguments", "says"),
    [
        ("add-language", {"language": "de"}, "already"),
        ("add-language", {"language": "en-GB"}, "already"),
        ("add-language", {"language": "tlh"}, "tlh"),
        ("make-version", {"page": "prices", "language": "de"}, "already"),
        ("make-version", {"page": "prices", "language": "fr"}, "“fr” is no further language"),
        ("say-in", {"language": "de", "what": "type.base", "words": "x"}, "type.base"),
        ("say-in", {"language": "de", "what": "name", "words": "x" * 61}, "61 letters"),
        ("show-in", {"section": "p", "language": "de"}, "on one page"),
        ("bring-over", {"section": "p", "page": "about"}, "does not lack"),
        ("set-value", {"key": "site.language", "value": "de"}, "further language"),
    ],
)
def test_what_cannot_be_is_refused_with_the_value_named(
    name: str, arguments: dict[str, str], says: str, german: Document
) -> None:
    with pytest.raises(Fault) as refused:
        _do(german, name, **arguments)
    assert says in refused.value.sentence


def test_an_address_in_the_way_of_a_language_is_named() -> None:
    document = _do(_document(), "rename-page", page="about", slug="de")
    with pytest.raises(Fault, match="About"):
        _do(document, "add-language", language="de")


def test_a_language_taken_off_leaves_its_pages_in_the_bin_and_comes_back_whole(german: Document) -> None:
    steps = _steps(german, "remove-language", language="de")
    without = apply(german, steps)
    assert languages.further(without) == []
    assert len(without.bin) == 2
    assert apply(without, inverse(steps)).text() == german.text()


@settings(max_examples=fewer(60), deadline=None)
@given(histories(OF_LANGUAGES), st.data())
def test_any_choice_of_changes_goes_out_and_every_language_can_be_seen(
    history: tuple[list[Document], list[list[Operation]]], data: st.DataObject
) -> None:
    documents, _ = history
    start = _do(documents[0], "add-language", language="de")
    after = documents[-1]
    for live, draft in ((documents[0], after), (start, after)):
        keys = [change.key for change in difference(live, draft, shipped())]
        chosen = set(data.draw(st.lists(st.sampled_from(keys), unique=True))) if keys else set()
        try:
            out = document_with(live, draft, chosen, shipped())
        except Fault:
            continue  # what cannot go alone is said
        assert document_with(live, draft, set(keys), shipped()).text() == draft.text()
        for tag in languages.further(out):
            seen = seen_in(_look(out), tag).document
            assert all(out.pages[key].language == tag for key in menu(seen) if key in out.pages)
            assert languages.home(out, tag) or not any(p.language == tag for _, p in out.published_pages())
