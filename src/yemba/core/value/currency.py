"""The currency that prices are in (ISO 4217; names and codes by CLDR)."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache, partial
from typing import TYPE_CHECKING, Any, ClassVar

from babel.numbers import get_currency_name, list_currencies

from yemba.core.errors import Fault
from yemba.core.language import locale
from yemba.core.message import Joined, Local, Message
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

_NEAR = ("EUR", "GBP", "CHF", "DKK", "NOK", "SEK", "ISK", "PLN", "CZK", "HUF", "RON", "BGN", "RSD", "TRY", "UAH")
_FAR = ("USD", "CAD", "AUD", "NZD", "ZAR", "INR", "ILS", "AED", "JPY", "BRL", "MXN")
OFTEN = (*_NEAR, *_FAR)
"""Those that can be chosen."""


@cache
def _known() -> frozenset[str]:
    return frozenset(list_currencies())


def _name(code: str, language: str) -> str:
    return str(get_currency_name(code, locale=locale(language)))


@dataclass(frozen=True)
class Currency(Kind):
    """Its code of three letters."""

    control: ClassVar[str] = "select"

    def read(self, typed: Any, name: str, key: str) -> str:
        code = str(typed).strip().upper()
        if code not in _known():
            raise Fault(
                "no-such-currency",
                Message("“{typed}” is no currency. Give its three letters, such as EUR.", typed=typed),
                key,
            )
        return code

    def say(self, value: Any, look: Look | None = None) -> str:
        return Local(partial(_name, value))

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return [(code, Joined(", ", [self.say(code), code])) for code in OFTEN]
