"""A phrase such as "every second Saturday 10-13 until June, not 4 May", read into an occasion.

Where it can mean two things both are given, the likelier first; what is not understood is told, never passed over.
"""

from __future__ import annotations

from collections.abc import Iterable
from datetime import date
from itertools import islice
from typing import NamedTuple

from yemba.core.calendar.in_words import day_in_words, weekday_and_day
from yemba.core.calendar.phrases.cursor import Unread
from yemba.core.calendar.phrases.languages import VOCABULARIES
from yemba.core.calendar.phrases.parser import Parsed, parse
from yemba.core.calendar.phrases.token import UNKNOWN, Vocabulary, tokens
from yemba.core.calendar.recurrence import Occasion, occurrences
from yemba.core.errors import Fault
from yemba.core.message import Joined, Message

LONGEST = 300
"""Letters of a phrase."""
_MOST_READINGS = 4
_EXAMPLE = Message("Write it as “every Saturday 10-13 until 30 June”, or “4 May 18:00”.")


class Reading(NamedTuple):
    """One meaning of a phrase; `doubts` are sentences about what in it has no effect."""

    occasion: Occasion
    doubts: tuple[str, ...] = ()


def read(phrase: str, language: str, today: date) -> list[Reading]:
    """What a phrase may mean, the likeliest first; `language` is the tag of the site's.

    Raises Fault ``phrase-unread`` that names what is not understood.
    """
    text = phrase.strip()
    if not text:
        raise Fault("phrase-unread", Message("When is it? {example}", example=_EXAMPLE), "phrase")
    if len(text) > LONGEST:
        too_long = Message(
            "That is {letters} letters long; {longest} are read. {example}",
            letters=len(text),
            longest=LONGEST,
            example=_EXAMPLE,
        )
        raise Fault("phrase-unread", too_long, "phrase")
    own = language.partition("-")[0]
    tried = dict.fromkeys([own, "en", *VOCABULARIES])
    vocabularies = [VOCABULARIES[tag] for tag in tried if tag in VOCABULARIES]
    understood = [vocabulary for vocabulary in vocabularies if not _strange(text, vocabulary)]
    if not understood:
        words = Joined(", ", [Message("“{word}”", word=word) for word in _strange(text, vocabularies[0])])
        sentence = Message("{words} is not understood. {example}", words=words, example=_EXAMPLE)
        raise Fault("phrase-unread", sentence, "phrase")
    refused: list[Unread] = []
    for vocabulary in understood:
        try:
            return _readings(text, vocabulary, language, today)
        except Unread as unread:
            refused.append(unread)
    raise Fault("phrase-unread", Joined(" ", [refused[0].sentence, _EXAMPLE]), "phrase")


def _strange(phrase: str, vocabulary: Vocabulary) -> list[str]:
    """The words that are none of a language, each once."""
    words = (token.text for token in tokens(phrase, vocabulary) if token.kind == UNKNOWN)
    return list(dict.fromkeys(words))


def _readings(phrase: str, vocabulary: Vocabulary, language: str, today: date) -> list[Reading]:
    """In one language, whose words these are. Raises Unread."""
    typed = tokens(phrase, vocabulary)
    first, ambiguities = parse(typed, vocabulary, language, today, {})
    readings = [_reading(first, today)]
    for name, count in ambiguities.items():
        for choice in range(1, count):
            other, _ = parse(typed, vocabulary, language, today, {name: choice})
            readings.append(_reading(other, today))
    return list(dict.fromkeys(readings))[:_MOST_READINGS]


def _reading(parsed: Parsed, today: date) -> Reading:
    """With the days left out that it has, and a word on those that it has not."""
    occasion = parsed.occasion
    days = [one.day for one in occurrences(occasion)] if parsed.left_out or occasion.rule else [occasion.day]
    if not days:
        raise Unread(Message("No day falls on that."))
    first = days[0]
    but, doubts = _left_out(parsed.left_out, days)
    occasion = occasion._replace(day=first, but=tuple(but))
    if not next(iter(occurrences(occasion)), None):
        raise Unread(Message("No day is left of it."))
    if max(occasion.last_day or first, days[-1]) < today.isoformat():
        doubts.append(Message("All of it is past."))
    return Reading(occasion, tuple(doubts))


def _left_out(spans: Iterable[tuple[date, date]], days: list[str]) -> tuple[list[str], list[str]]:
    """Days within these spans that it happens on, and sentences about spans that hold none."""
    but: list[str] = []
    doubts: list[str] = []
    for start, end in spans:
        within = [day for day in days if start.isoformat() <= day <= end.isoformat()]
        but += within
        if not within:
            doubts.append(_misses(start, end))
    return sorted(set(but)), doubts


def _misses(start: date, end: date) -> str:
    if start == end:
        day = weekday_and_day(start.isoformat())
        return Message("Nothing falls on {day}, which is to be left out.", day=day)
    first, last = day_in_words(start.isoformat()), day_in_words(end.isoformat())
    return Message("Nothing falls between {first} and {last}, which is to be left out.", first=first, last=last)


def next_days(occasion: Occasion, today: date, most: int = 5) -> list[str]:
    """The days from today on that it happens on, to look at."""
    return [one.day for one in islice(occurrences(occasion, today.isoformat()), most)]
