"""Days, hours and prices in a language (CLDR, by Babel)."""

from __future__ import annotations

from datetime import date
from decimal import Decimal
from functools import cache
from typing import NamedTuple

from babel.dates import format_date, format_skeleton
from babel.numbers import format_currency

from yemba.core.language import locale


class Day(NamedTuple):
    weekday: str
    number: str
    month: str


def day(iso: str, language: str) -> str:
    """Saturday 5 December 2026, as the language orders it. `iso` is YYYY-MM-DD."""
    return str(format_date(date.fromisoformat(iso), "full", locale=locale(language)))


def date_of(iso: str, language: str) -> str:
    """5 December 2026, without its weekday."""
    return str(format_date(date.fromisoformat(iso), "long", locale=locale(language)))


def day_pieces(iso: str, language: str) -> list[str]:
    """The words of `day` in the pieces that stay on one line: weekday and date where a space parts them."""
    words = day(iso, language)
    weekday = str(format_date(date.fromisoformat(iso), "EEEE", locale=locale(language)))
    if words.startswith(weekday) and " " in words[len(weekday) :]:
        cut = words.index(" ", len(weekday))
    elif words.endswith(f" {weekday}"):
        cut = len(words) - len(weekday) - 1
    else:
        return [words]
    return [words[:cut], words[cut + 1 :]]


def month(iso: str, language: str) -> str:
    """December 2026, as the language says it by itself."""
    return str(format_skeleton("yMMMM", date.fromisoformat(iso), locale=locale(language)))


def parts(iso: str, language: str) -> Day:
    """Weekday, number and month, apart."""
    moment, known = date.fromisoformat(iso), locale(language)
    return Day(*(str(format_date(moment, form, locale=known)) for form in ("EEE", "d", "MMMM")))


def hours(begins: str | None, ends: str | None) -> str:
    """10:00–16:00, 10:00, or nothing."""
    return "–".join(moment for moment in (begins, ends) if moment)


def price(stored: str, currency: str, language: str, least: str = "from %(price)s") -> str:
    """A stored price ("24.50", "from 40.00") in words: €24.50, from €40; `least` says of one that it begins there."""
    prefix, _, amount = stored.rpartition("from ")
    number = Decimal(amount)
    form = "¤#,##0" if number == int(number) else "¤#,##0.00"
    amount = format_currency(number, currency, form, locale=locale(language), currency_digits=False)
    return least % {"price": amount} if stored.startswith("from ") else prefix + amount


@cache
def letters(currency: str, language: str) -> frozenset[str]:
    """Every character that days, hours and prices may be written with."""
    days = [
        f"{year}-{month:02}-{number:02}" for year in (2026, 2037) for month in range(1, 13) for number in range(1, 29)
    ]
    samples = [
        *(day(iso, language) for iso in days),
        *(month(iso, language) for iso in days[::28]),
        *("".join(parts(iso, language)) for iso in days),
    ]
    samples += [price(amount, currency, language) for amount in ("from 1234567890.50", "98765.43", "20")]
    return frozenset("".join([*samples, hours("10:00", "16:00")]))
