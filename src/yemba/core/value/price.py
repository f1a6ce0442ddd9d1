"""A price, in the site's currency, read as people write it."""

from __future__ import annotations

import re
from dataclasses import dataclass
from decimal import Decimal
from functools import cache
from typing import TYPE_CHECKING, Any

from babel.numbers import get_currency_name, get_currency_symbol

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.value.currency import OFTEN, Currency
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

_CURE = Message("Write 24, 24.50, 1,200 or from 40, with or without the currency; leave it empty for none.")
_LEAST = (
    "from", "ab", "von", "à partir de", "dès", "desde", "a partir de", "da", "od", "vanaf", "fra", "från",
    "ابتداءً من", "من",
)  # fmt: skip
"""What stands before the least price in the languages of sites."""
_FROM = re.compile(rf"(?:{'|'.join(map(re.escape, _LEAST))})\s+")
_BLANKS = re.compile(r"[\s’']")
_NO_CENTS = re.compile(r"[.,][-–—]+$")
_AMOUNT = re.compile(r"(\d{1,7}|\d{1,3}(?P<group>[.,])\d{3}(?:(?P=group)\d{3})?)(?:[.,](\d{1,2}))?")


@dataclass(frozen=True)
class Price(Kind):
    """ "24.50" or "from 40.00"; "" for none."""

    def read(self, typed: Any, name: str, key: str) -> str:
        text = typed.strip().lower()
        if not text:
            return ""
        start = _FROM.match(text)
        rest = text[start.end() :] if start else text
        amount = _amount(_without_currency(rest))
        if amount is None:
            raise Fault(
                "price-unreadable", Message("“{typed}” is not a price. {cure}", typed=typed.strip(), cure=_CURE), key
            )
        return f"{'from ' if start else ''}{amount:.2f}"

    def read_on(self, look: Look, typed: Any, name: str, key: str) -> str:
        """As `read`; raises Fault ``other-currency`` where a currency is written that is not the site's."""
        value = self.read(typed, name, key)
        written, own = currencies(typed), look.value("site.currency")
        if written and own not in written:
            theirs, ours = (Currency().say(code) for code in (min(written), own))
            cure = Message(
                "Write it in {ours}, or set the site’s currency in Logo under Language, money and time.", ours=ours
            )
            raise Fault(
                "other-currency",
                Message(
                    "“{typed}” is in {theirs}, the site’s prices are in {ours}. {cure}",
                    typed=typed.strip(),
                    theirs=theirs,
                    ours=ours,
                    cure=cure,
                ),
                key,
            )
        return value


def currencies(text: str) -> set[str]:
    """The currencies that a written price may be in; none where it names none."""
    written = text.strip().lower()
    least = _FROM.match(written)
    named = re.sub(r"[\d.,\s’'–—-]", "", written[least.end() :] if least else written)
    return {code for code, signs in _signs().items() if named in signs} if named else set()


def _without_currency(text: str) -> str:
    """The price without a sign or name of a currency before or after it."""
    for sign in sorted({sign for signs in _signs().values() for sign in signs}, key=len, reverse=True):
        if text.startswith(sign) or text.endswith(sign):
            return text.removeprefix(sign).removesuffix(sign).lstrip(". ")
    return text


def _amount(text: str) -> Decimal | None:
    """A number with either mark for its decimals; the other one, blanks or an apostrophe may part thousands."""
    match = _AMOUNT.fullmatch(_NO_CENTS.sub("", _BLANKS.sub("", text)))
    if match is None or (match["group"] and match[3] and match.string[match.start(3) - 1] == match["group"]):
        return None
    whole = re.sub(r"[.,]", "", match[1])
    return Decimal(f"{whole}.{match[3] or 0}")


@cache
def _signs() -> dict[str, set[str]]:
    """What each currency is written with: code, signs here and at home, and its English name (CLDR)."""
    homes = {"SEK": "sv", "NOK": "nb", "DKK": "da", "ISK": "is", "PLN": "pl", "CZK": "cs", "HUF": "hu", "RON": "ro",
             "BGN": "bg", "RSD": "sr", "TRY": "tr", "UAH": "uk", "USD": "en_US", "CAD": "en_CA", "AUD": "en_AU",
             "NZD": "en_NZ", "JPY": "ja", "CHF": "de_CH"}  # fmt: skip
    return {
        code: {
            sign.lower().rstrip(".")
            for sign in (
                code,
                get_currency_symbol(code, locale="en_GB"),
                get_currency_symbol(code, locale="fr"),
                get_currency_symbol(code, locale=homes.get(code, "en_GB")),
                get_currency_name(code, locale="en_GB"),
                get_currency_name(code, count=2, locale="en_GB"),
                *_EVERYDAY.get(code, ()),
            )
        }
        for code in OFTEN
    }


_EVERYDAY = {"EUR": ("euro", "euros"), "GBP": ("pound", "pounds", "quid"), "USD": ("dollar", "dollars"),
             "CHF": ("fr", "sfr", "franc", "francs", "franken"), "PLN": ("zł", "zloty")}  # fmt: skip

FIELD_TYPES = {"price": Price}
