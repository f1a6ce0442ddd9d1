"""What a site likely wants: language, money and time by the browser, kinds of section by trade, by aim, by what is missing."""

from __future__ import annotations

import pytest

from yemba.catalogue import catalogue as shipped
from yemba.core.site.document import Document, Page, Section
from yemba.core.site.resolve import Look
from yemba.core.trade.suggestions import _OF_AIMS, MOST, suggestions
from yemba.core.trade.trade import AIMS
from yemba.core.value.likely import USUAL, likely

ALL = ("opening", "hours-and-place", "contact-form", "price-list", "words-with-picture")


def _look(*kinds: str, aims: str = "", elsewhere: tuple[str, ...] = (), trade: str = "bookbinder") -> Look:
    def page(name: str, slug: str, held: tuple[str, ...]) -> Page:
        sections = {f"{slug or 'home'}{n}": Section(kind=kind) for n, kind in enumerate(held)}
        return Page(name=name, slug=slug, sections=sections, order=list(sections))

    pages = {"home": page("Home", "", elsewhere), "repairs": page("Repairs", "mending", kinds)}
    values = {"site.trade": trade, "site.aims": aims}
    document = Document(name="Bindery", template="slipway", pages=pages, order=list(pages), site=values)
    return Look(document, shipped())


def _kinds(look: Look, page: str = "repairs") -> list[str]:
    return [one.kind for one in suggestions(look, page)]


def test_an_empty_page_begins_with_an_opening_and_goes_on_as_its_trade_does() -> None:
    assert _kinds(_look()) == ["opening", "price-list", "questions", "hours-and-place"]


def test_what_a_page_has_is_not_suggested_again() -> None:
    look = _look("opening", "price-list", "questions", elsewhere=ALL)
    assert not {"opening", "price-list", "questions"} & set(_kinds(look))


@pytest.mark.parametrize("aim", AIMS)
def test_an_aim_that_nothing_serves_is_served(aim: str) -> None:
    without = _look("opening", aims=aim, trade="", elsewhere=("opening",))
    assert _OF_AIMS[aim][0] in _kinds(without)
    assert any(AIMS[aim] in one.why for one in suggestions(without, "repairs"))
    with_it = _look("opening", aims=aim, trade="", elsewhere=("opening", *_OF_AIMS[aim]))
    assert not any(AIMS[aim] in one.why for one in suggestions(with_it, "repairs"))


def test_every_suggestion_is_of_a_kind_there_is_and_none_comes_twice() -> None:
    for trade in ("", *shipped().trades):
        for aims in ("", " ".join(AIMS)):
            found = _kinds(_look(aims=aims, trade=trade))
            assert len(found) == len(set(found)) <= MOST
            assert set(found) <= shipped().kinds.keys()


LANGUAGES = shipped().languages


@pytest.mark.parametrize(
    ("accepted", "found"),
    [
        ("de-AT,de;q=0.9", ("de", "EUR", "Europe/Vienna")),
        ("pl", ("pl", "PLN", "Europe/Warsaw")),
        ("en", ("en-GB", "GBP", "Europe/London")),
        ("en-US,en;q=0.5", ("en-US", "USD", "UTC")),  # more zones than one: it is asked for
        ("fr-CH", ("fr", "CHF", "Europe/Zurich")),
        ("ja, sv;q=0.3", ("sv", "SEK", "Europe/Stockholm")),
    ],
)
def test_the_first_language_that_ships_is_taken_with_its_country(accepted: str, found: tuple[str, str, str]) -> None:
    assert likely(accepted, LANGUAGES) == found


@pytest.mark.parametrize("accepted", ["", "*", "ja", "x" * 4000, "-,;;q=", "zh-Hant-TW", "<script>", "de\0"])
def test_what_says_nothing_known_leaves_the_usual(accepted: str) -> None:
    assert likely(accepted, LANGUAGES) == USUAL
