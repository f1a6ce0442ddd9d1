"""Words of a phrase, each with what it means."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping
from typing import Any, NamedTuple

WEEKDAY, WEEKLY, GROUP, MONTH, NUMBER, ORDINAL = "weekday", "weekly", "group", "month", "number", "ordinal"
TIME, DATE, EVERY, OTHER, UNIT, FREQUENCY = "time", "date", "every", "other", "unit", "frequency"
UNTIL, FROM, TO, EXCEPT, AND, OF_MONTH = "until", "from", "to", "except", "and", "of month"
NEXT, RELATIVE, TIMES, FOR, FILLER, UNKNOWN = "next", "relative", "times", "for", "filler", "unknown"
HALF, HALF_DAY = "half", "half of the day"


class Token(NamedTuple):
    """`value` depends on the kind: a weekday 0 to 6, a month 1 to 12, (hour, minute, sure) of a time, (year, month,
    day) of a date with 0 for a year that is not told, a tuple of weekdays of a group."""

    kind: str
    value: Any
    text: str

    @property
    def number(self) -> int:
        """Of a number, an ordinal, a weekday, a month, a half."""
        return int(self.value)

    @property
    def days(self) -> tuple[int, ...]:
        """The weekdays of a group."""
        return tuple(self.value)

    @property
    def clock(self) -> tuple[int, int, bool]:
        """Hour and minute of a time, and whether it is sure which half of the day is meant."""
        hour, minute, sure = self.value
        return hour, minute, sure

    @property
    def date(self) -> tuple[Any, ...]:
        """Year, month and day of a date; of one with slashes the year, two numbers and "slash"."""
        return tuple(self.value)

    @property
    def often(self) -> tuple[str, int]:
        """Frequency and interval."""
        frequency, interval = self.value
        return frequency, interval


Words = Mapping[str, tuple[str, object]]


class Vocabulary(NamedTuple):
    """`words` by themselves or several with blanks, in small letters. `day_first` says how 4/5 is meant, None where
    both are usual. `clock` is 12 where hours up to 8 may be of the evening."""

    words: Words
    day_first: bool | None
    clock: int
    plurals: tuple[str, ...] = ()


_PIECES = re.compile(
    r"""(?P<iso>\d{4}-\d{1,2}-\d{1,2})
    | (?P<dots>\d{1,2}\.\s?\d{1,2}\.(?:\s?\d{4}(?!\d)|\d{2}(?![\d:.h]))?)
    | (?P<slash>\d{1,2}/\d{1,2}(?:/\d{4}|/\d{2})?)
    | (?P<clock>\d{1,2}\s?[:.h]\s?\d{2}(?!\d)\s*(?:[ap]\.?m\b\.?|uhr\b)?)
    | (?P<hour>\d{1,2}\s*(?:[ap]\.?m\b\.?|uhr\b|h\b(?!\w)|o['’]clock\b))
    | (?P<ordinal>\d{1,2}(?:st|nd|rd|th|er|ère|e|ème|eme)\b|\d{1,2}\.(?=[\s,–-]|$))
    | (?P<number>\d+)
    | (?P<to>[-–—])
    | (?P<and>[,;&+])
    | (?P<word>[^\W\d]+(?:['’][^\W\d]+)*\.?)
    | (?P<other>\S)""",
    re.VERBOSE,
)
_MOST_WORDS = 4  # of an entry of a vocabulary


def tokens(phrase: str, vocabulary: Vocabulary) -> list[Token]:
    """The phrase in tokens; what the vocabulary does not know is UNKNOWN."""
    pieces = [(match.lastgroup or "", match[0]) for match in _PIECES.finditer(phrase.lower())]
    made: list[Token] = []
    place = 0
    while place < len(pieces):
        kind, text = pieces[place]
        length, known = _longest(pieces[place:], vocabulary.words)
        if known:
            made.append(Token(known[0], known[1], " ".join(text for _, text in pieces[place : place + length])))
            place += length
            continue
        made += _read(kind, text, vocabulary)
        place += 1
    return [token for token in made if token.kind != FILLER]


def _longest(pieces: list[tuple[str, str]], words: Words) -> tuple[int, tuple[str, object] | None]:
    """How many pieces the longest entry takes that begins here, and its meaning."""
    for length in range(min(_MOST_WORDS, len(pieces)), 0, -1):
        for name in (
            " ".join(text for _, text in pieces[:length]),
            " ".join(_bare(text) for _, text in pieces[:length]),
        ):
            if name in words:
                return length, words[name]
    return 0, None


def _bare(word: str) -> str:
    return word.removesuffix(".").replace("’", "'")


def _read(kind: str, text: str, vocabulary: Vocabulary) -> Iterator[Token]:
    """What a piece means that is no word of the language."""
    digits = [int(number) for number in re.findall(r"\d+", text)]
    match kind:
        case "iso":
            yield Token(DATE, tuple(digits), text)
        case "dots":
            yield Token(DATE, (_year(digits[2]) if len(digits) > 2 else 0, digits[1], digits[0]), text)
        case "slash":
            yield Token(DATE, (_year(digits[2]) if len(digits) > 2 else 0, digits[0], digits[1], "slash"), text)
        case "clock" | "hour":
            yield _time(text, digits)
        case "ordinal":
            yield Token(ORDINAL, digits[0], text)
        case "number":
            yield Token(NUMBER, digits[0], text)
        case "to":
            yield Token(TO, None, text)
        case "and":
            yield Token(AND, None, text)
        case _:
            yield Token(UNKNOWN, None, text)


def _time(text: str, digits: list[int]) -> Token:
    """Hour and minute, and whether it is sure which half of the day is meant."""
    hour, minute = digits[0], digits[1] if len(digits) > 1 else 0
    half = re.search(r"([ap])\.?m", text)
    if half:
        hour = hour % 12 + (12 if half[1] == "p" else 0)
    sure = bool(half) or text.startswith("0") or hour > 12
    return Token(TIME, (hour, minute, sure), text)


def _year(number: int) -> int:
    return number + 2000 if number < 100 else number
