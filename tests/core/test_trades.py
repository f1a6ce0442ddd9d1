"""Trades: found by words, whole for every aim, each with words of its own that are known again."""

from __future__ import annotations

import re
from collections import defaultdict

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.check.starter_words import starter_sections
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.kinds import begun
from yemba.core.site.resolve import Look
from yemba.core.site.structured import business
from yemba.core.site.words import plain
from yemba.core.trade.begin import Beginning
from yemba.core.trade.filling import fill, is_filled
from yemba.core.trade.finding import nearest_trade
from yemba.core.trade.plan import proposed
from yemba.core.trade.trade import AIMS, GROUPS, Trade, kind_of

_SENTENCE_FROM = 4  # words; what is shorter is a label, such as a weekday
NAMES = st.text("abcdefghijklmnopqrstuvwxyz ÄÖÜéß&’-", min_size=1, max_size=30).filter(
    lambda text: text.strip() == text
)


def begin(
    catalogue: Catalogue,
    trade: str,
    *aims: str,
    town: str = "Hythe",
    name: str = "Ferry & Daughters",
    language: str = "en-GB",
) -> Document:
    found = catalogue.trade(trade)
    values = {"site.trade": trade, "site.town": town, "site.language": language}
    beginning = Beginning(name, town, found, catalogue, new_id, catalogue.language(language))
    return beginning.document("slipway", proposed(found, aims), values)


def texts(trade: Trade) -> list[str]:
    own = [text for words in trade.words.values() for text in words.values()]
    return own + [text for entries in trade.items.values() for entry in entries for text in entry.values()]


def test_there_are_trades_enough_in_every_group(catalogue: Catalogue) -> None:
    assert len(catalogue.trades) >= 25
    assert {trade.group for trade in catalogue.trades.values()} == set(GROUPS)


def test_no_sentence_stands_in_two_trades(catalogue: Catalogue) -> None:
    standing: dict[str, set[str]] = defaultdict(set)
    for trade in catalogue.trades.values():
        for text in texts(trade):
            for sentence in re.split(r"(?<=[.?!])\s+", text):
                if len(sentence.split()) >= _SENTENCE_FROM:
                    standing[sentence].add(trade.slug)
    assert {sentence: slugs for sentence, slugs in standing.items() if len(slugs) > 1} == {}


USUAL = {
    "contact-form", "dates", "gallery", "hours-and-place", "offers", "opening", "price-list", "questions", "words",
    "words-with-picture",
}  # fmt: skip
"""The kinds of section that every trade begins with; others begin with words that hold for all."""


def test_every_trade_has_words_for_the_usual_kinds_of_section(catalogue: Catalogue) -> None:
    for trade in catalogue.trades.values():
        assert {kind_of(name) for name in trade.words} >= USUAL, trade.slug
        placed = {name for page in trade.pages for name in page.sections}
        assert placed == set(trade.words), trade.slug


@pytest.mark.parametrize("aim", AIMS)
def test_each_trade_makes_a_site_for_each_aim(catalogue: Catalogue, aim: str) -> None:
    for slug, trade in catalogue.trades.items():
        for town in ("Hythe", ""):
            document = begin(catalogue, slug, aim, town=town)
            assert len(document.pages) == len(trade.pages_for([aim]))
            for stored in document.stored():
                assert plain(stored.value).strip(), (slug, stored)
                assert not re.search(r"[{}\[\]]", stored.value), (slug, stored.value)


def test_every_section_is_marked_until_its_words_are_the_owners(catalogue: Catalogue) -> None:
    for slug in catalogue.trades:
        look = Look(begin(catalogue, slug, *AIMS), catalogue)
        assert starter_sections(look) == {standing.key for standing in look.document.standing()}, slug


def test_in_another_language_every_section_begins_in_it_and_is_marked_all_the_same(catalogue: Catalogue) -> None:
    english = {text for trade in catalogue.trades.values() for text in texts(trade)}
    english |= {
        field.starter for kind in catalogue.kinds.values() for item in ("", "x") for field in kind.fields_of(item)
    }
    numbers = {"", "120", "10:00", "17:00", "from 20"}
    taken_over = {"Dates", "Prices", "Send"}  # the same word, in French or Danish
    for tag, language in catalogue.languages.items():
        if not language.phrases:
            continue
        look = Look(begin(catalogue, "baker", *AIMS, language=tag), catalogue)
        said = {plain(stored.value) for stored in look.document.stored()}
        assert said & (english - numbers) <= taken_over, tag
        wanted = {one.key for one in look.document.standing() if one.section.kind != "gallery"}  # its heading may stay
        assert starter_sections(look) == wanted, tag
        added = read_command("add-section", {"page": look.document.order[0], "kind": "offers"})
        after = apply(look.document, added.plan(look, new_id))
        assert language.phrases["What I do"] in {stored.value for stored in after.stored()}, tag


def test_words_stay_marked_when_the_site_is_renamed_and_not_when_they_are_written_anew(catalogue: Catalogue) -> None:
    document = begin(catalogue, "beekeeper")
    opening = document.pages[document.order[0]].order[0]
    renamed = document.model_copy(update={"name": "Hedge Honey"})
    assert opening in starter_sections(Look(renamed, catalogue))
    for field in ("heading", "lead"):
        step = read_command("set-words", {"section": opening, "field": field, "words": "Honey from the old line"})
        document = apply(document, step.plan(Look(document, catalogue), new_id))
    assert opening not in starter_sections(Look(document, catalogue))


def test_starter_hours_and_addresses_are_not_told_to_search_engines(catalogue: Catalogue) -> None:
    told = business(Look(begin(catalogue, "bookbinder"), catalogue), "https://example.example/")
    assert told["@type"] == "ProfessionalService"
    assert not told.keys() & {"address", "openingHoursSpecification"}


def test_a_section_and_an_entry_that_are_added_have_the_words_of_the_trade(catalogue: Catalogue) -> None:
    document = begin(catalogue, "potter")
    command = read_command("add-section", {"page": document.order[0], "kind": "price-list"})
    after = apply(document, command.plan(Look(document, catalogue), new_id))
    new = next(one for one in after.standing() if one.key not in {two.key for two in document.standing()})
    assert [item.fields["title"] for item in new.section.items.values()] == ["Cup", "Breakfast bowl", "Serving dish"]
    emptied = after
    for item in new.section.order:
        step = read_command("remove-item", {"section": new.key, "item": item})
        emptied = apply(emptied, step.plan(Look(emptied, catalogue), new_id))
    for name in ("Cup", "Breakfast bowl"):
        step = read_command("add-item", {"section": new.key})
        emptied = apply(emptied, step.plan(Look(emptied, catalogue), new_id))
        section = emptied.section(new.key).section
        assert section.items[section.order[-1]].fields["title"] == name


@pytest.mark.parametrize(
    ("words", "trade"),
    [
        ("chimney sweep", "chimney-sweep"),
        ("I mend old books", "bookbinder"),
        ("beekeeping", "beekeeper"),
        ("weaving and knitting", "weaver"),
        ("goat farm", "cheesemaker"),
        ("swimming teacher", "swim-coach"),
        ("Piano Teacher", "piano-teacher"),
        ("tax advice", "bookkeeper"),
        ("bike repair shop", "bicycle-workshop"),
        ("boat builder", "joiner"),
        ("swimming lessons", "swim-coach"),
        ("book keeping", "bookkeeper"),
        ("bee keeping", "beekeeper"),
        ("portrait painter", "illustrator"),
        ("dog walker", "something-else"),
        ("political campaign", "something-else"),
        ("candles by hand", "something-else"),
        ("candle maker", "something-else"),
        ("wine bar", "something-else"),
        ("museum", "something-else"),
        ("space rockets", "something-else"),
        ("", "something-else"),
    ],
)
def test_the_nearest_trade(catalogue: Catalogue, words: str, trade: str) -> None:
    assert nearest_trade(words, catalogue.trades.values()) == trade


def test_a_trade_is_found_by_its_own_name_and_words(catalogue: Catalogue) -> None:
    for trade in catalogue.trades.values():
        assert nearest_trade(trade.name, catalogue.trades.values()) == trade.slug
        for words in trade.also.split(", "):
            assert nearest_trade(words, catalogue.trades.values()) == trade.slug, words


@given(NAMES, st.one_of(st.just(""), NAMES))
def test_words_that_were_filled_are_known_again(catalogue: Catalogue, name: str, town: str) -> None:
    for trade in catalogue.trades.values():
        for text in texts(trade):
            filled = fill(text, name, town)
            if text != "{name}" and filled and text.strip("[]").replace("{town}", "").strip():
                assert is_filled(text, filled), (text, filled)


def test_the_name_of_an_entry_alone_is_no_starter_word(catalogue: Catalogue) -> None:
    trade, kind = catalogue.trade("bookbinder"), catalogue.kind("questions")
    fields, words = kind.fields_of("item"), trade.starters_of("questions", "item")
    as_begun = trade.items["questions"][0]
    own = as_begun | {"answer": "Ten days for a hinge; a family Bible takes a month."}
    assert begun(fields, own, words, among=[own, own]) == []
    assert {field.slug for field in begun(fields, as_begun, words, among=[as_begun, as_begun])} >= {
        "question",
        "answer",
    }
