"""What a new site likely speaks, charges and lives by (CLDR, by Babel)."""

import pytest

from yemba import catalogue as shipped
from yemba.core.value.likely import USUAL, likely

LANGUAGES = shipped.catalogue().languages


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
