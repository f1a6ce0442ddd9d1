"""Mail addresses and telephone numbers as people write them. Sources: RFC 6068, RFC 3966; ways of writing are common
practice, no source."""

from __future__ import annotations

import pytest

from yemba.core.value.reaching import mail_link, telephone_link


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
