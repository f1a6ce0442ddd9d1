"""Prices, mail addresses and telephone numbers as people write them. Sources: CLDR's number patterns, RFC 6068, RFC 3966;
ways of writing are common practice, no source."""

from __future__ import annotations

from decimal import Decimal

import pytest
from babel.numbers import format_currency
from hypothesis import given
from hypothesis import strategies as st

from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look
from yemba.core.value.price import Price, currencies
from yemba.core.value.reaching import mail_link, telephone_link


@pytest.mark.parametrize(
    ("written", "stored"),
    [
        ("6,50 €", "6.50"),
        ("9 €", "9.00"),
        ("£24", "24.00"),
        ("GBP 24.5", "24.50"),
        ("from £40", "from 40.00"),
        ("From  40", "from 40.00"),
        ("Ab 40 €", "from 40.00"),
        ("dès 40 €", "from 40.00"),
        ("1.200", "1200.00"),
        ("1,200.50", "1200.50"),
        ("1 200,50 zł", "1200.50"),
        ("1’200.–", "1200.00"),
        ("Fr. 20.–", "20.00"),
        ("24,- kr", "24.00"),
        ("12 dollars", "12.00"),
        (" ", ""),
    ],
)
def test_prices_are_read_as_they_are_written(written: str, stored: str) -> None:
    assert Price().read(written, "Price", "price") == stored


def test_the_least_price_is_read_as_pages_write_it(catalogue: Catalogue) -> None:
    for language in catalogue.languages.values():
        written = language.phrase("from %(price)s") % {"price": "£40"}
        assert Price().read(written, "Price", "price") == "from 40.00", language.tag
        assert currencies(written) == {"GBP"}, language.tag


@pytest.mark.parametrize("written", ["tea", "1.2.3", "1.200.50", "1,2345", "€", "12 €€", "from", "-4", "24 or so"])
def test_what_is_no_price_is_refused_by_name_with_a_cure(written: str) -> None:
    with pytest.raises(Fault, match="Write 24") as caught:
        Price().read(written, "Price", "price")
    assert written in caught.value.sentence


@given(
    st.decimals(min_value=0, max_value=999_999, places=2),
    st.sampled_from(["en_GB", "de_DE", "fr_FR", "pl_PL", "cs_CZ", "de_CH", "sv_SE", "da_DK", "pt_BR", "en_US"]),
    st.sampled_from(["EUR", "GBP", "CHF", "PLN", "SEK", "USD"]),
)
def test_a_price_as_cldr_writes_it_is_read_again(amount: Decimal, locale: str, code: str) -> None:
    written = format_currency(amount, code, locale=locale)
    assert Price().read(written, "Price", "price") == f"{amount:.2f}"
    assert code in currencies(written)


def test_another_currency_is_not_taken_for_the_sites(document: Document, catalogue: Catalogue) -> None:
    look = Look(document, catalogue)
    steps = read_command("set-value", {"key": "site.currency", "value": "GBP"}).plan(look, new_id)
    pounds = Look(apply(document, steps), catalogue)
    assert Price().read_on(pounds, "£9", "Price", "price") == "9.00"
    assert Price().read_on(pounds, "9", "Price", "price") == "9.00"
    with pytest.raises(Fault, match="in Euro, the site’s prices are in British Pound"):
        Price().read_on(pounds, "9 €", "Price", "price")


@pytest.mark.parametrize(
    ("typed", "link"),
    [
        ("ines@saltmarsh.example", "mailto:ines@saltmarsh.example"),
        (" ines+books@saltmarsh.example ", "mailto:ines+books@saltmarsh.example"),
        ("büro@müller.example", "mailto:b%C3%BCro@m%C3%BCller.example"),
        ("ask in the shop", ""),
        ("ines@saltmarsh", ""),
        ("ines@saltmarsh.", ""),
        ("ines at saltmarsh.example", ""),
        ("a@b.example, c@d.example", ""),
        ("", ""),
    ],
)
def test_a_mail_address_is_a_link_and_other_words_are_none(typed: str, link: str) -> None:
    assert mail_link(typed) == link


@pytest.mark.parametrize(
    ("typed", "link"),
    [
        ("+44 1632 960 001", "tel:+441632960001"),
        ("+44 (0)1632 960 001", "tel:+441632960001"),
        ("(01632) 960-001", "tel:01632960001"),
        ("030/1234 567", "tel:0301234567"),
        ("112", "tel:112"),
        ("+44 1632 960 001 extension 2245", "tel:+441632960001;ext=2245"),
        ("01632 960001 ext. 12", "tel:01632960001;ext=12"),
        ("01632 960001 (mornings)", "tel:01632960001"),
        ("01632 960001 or 960002", "tel:01632960001"),
        ("01632 960001, closed on Mondays", "tel:01632960001"),
        ("0800 BINDERY", ""),
        ("by mail only", ""),
        ("12", ""),
        ("", ""),
    ],
)
def test_a_telephone_number_is_a_link_to_what_is_dialled(typed: str, link: str) -> None:
    assert telephone_link(typed) == link
