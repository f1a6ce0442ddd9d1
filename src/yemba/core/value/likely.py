"""What language, currency and time zone a new site likely has, by what its owner's browser says."""

from __future__ import annotations

import re
from collections.abc import Collection
from typing import NamedTuple

from babel import Locale, UnknownLocaleError
from babel.core import get_global
from babel.numbers import get_territory_currencies

from yemba.core.value.currency import OFTEN

_TAG = re.compile(r"[a-z]{2,3}(?:-[a-z0-9]{2,8}){0,3}", re.IGNORECASE)
_LONGEST = 500  # letters that are read of a header


class Likely(NamedTuple):
    language: str
    currency: str
    time_zone: str


USUAL = Likely("en-GB", "EUR", "UTC")


def likely(accepted: str, languages: Collection[str]) -> Likely:
    """By the header Accept-Language (RFC 9110, 12.5.4): of `languages` the first that is accepted, the currency
    of the country that is meant, and a time zone where that country has one alone (CLDR, by Babel)."""
    tags = [part.partition(";")[0].strip() for part in accepted[:_LONGEST].split(",")]
    likeliest = next(((tag, known) for tag in tags if (known := _known(tag, languages))), None)
    if likeliest is None:
        return USUAL
    territory = _territory(likeliest[0]) or _territory(likeliest[1]) or _spoken_most(likeliest[1])
    zones = [zone for zone, place in get_global("zone_territories").items() if place == territory]
    currencies = get_territory_currencies(territory) if territory else []
    currency = next((code for code in currencies if code in OFTEN), USUAL.currency)
    return Likely(likeliest[1], currency, zones[0] if len(zones) == 1 else USUAL.time_zone)


def _known(tag: str, languages: Collection[str]) -> str:
    """The language that speaks a tag; "" for none. English without a country is British."""
    if not _TAG.fullmatch(tag):
        return ""
    by_small = {language.lower(): language for language in languages}
    base = tag.lower().partition("-")[0]
    own = by_small.get(tag.lower()) or by_small.get(base)
    return own or next((language for small, language in by_small.items() if small.partition("-")[0] == base), "")


def _territory(tag: str) -> str:
    """The country that a tag names, "" for none."""
    try:
        return str(Locale.parse(tag, sep="-").territory or "")
    except (UnknownLocaleError, ValueError):
        return ""


def _spoken_most(language: str) -> str:
    """The country where a language is spoken most, "" for one that CLDR does not know."""
    return str(get_global("likely_subtags").get(language, "").rpartition("_")[2])
