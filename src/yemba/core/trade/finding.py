"""The trade nearest to words that somebody typed."""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Iterable, Mapping
from functools import cache
from itertools import pairwise
from unicodedata import combining, normalize

from yemba.core.message import in_english
from yemba.core.trade.trade import Trade

_ALIKE = 0.65  # of the letters' triples, from which two words are one in another form
_SHORTEST = 4  # letters of a word that is known in another form; "bar" is no beginning of "barber"
_BEGINNING = 5  # letters that two forms begin with, or all of the shorter one; "walker" is no form of "walks"
_WHOLE = 0.5  # what a name counts for that is there whole
_OTHER = "something-else"


def nearest_trade(words: str, trades: Iterable[Trade]) -> str:
    """The slug of the trade that these words name best; that of something else where none is near.

    A word that is one of a trade's counts 1, one in another form ("weaver", "weavers") the square of the share of its
    triples of letters that is the same; a word that many trades have ("teacher") is shared among them. A name that is
    there whole counts half more. Two words that are one elsewhere ("bee keeping") are read so too. Of two trades that
    fit as well the first is taken.
    """
    typed = _words(words)
    typed += [first + second for first, second in pairwise(typed)]
    names = {trade.slug: [_words(name) for name in _called(trade)] for trade in trades}
    known = {slug: {word for name in called for word in name} for slug, called in names.items()}
    having = Counter(word for own in known.values() for word in own)
    scores = {
        slug: sum(_best(word, own, having) for word in typed)
        + _WHOLE * any(_is_in(name, typed) for name in names[slug])
        for slug, own in known.items()
    }
    best = max(scores, key=lambda slug: scores[slug], default=_OTHER)
    return best if scores.get(best) else _OTHER


def _called(trade: Trade) -> set[str]:
    """What it is called, in English and in the reader's language."""
    texts = (text for called in (trade.name, trade.also) for text in (in_english(called), str(called)))
    return {name.strip() for text in texts for name in re.split("[,،]", text)}


def _is_in(name: list[str], typed: list[str]) -> bool:
    return bool(name) and set(name) <= set(typed)


def _best(word: str, names: Iterable[str], having: Mapping[str, int]) -> float:
    """What a word speaks for one who is called by these names."""
    alike = ((_alike(word, name), name) for name in names)
    return max((share**2 / having[name] for share, name in alike if share >= _ALIKE), default=0.0)


def _alike(word: str, other: str) -> float:
    """How much two words share: 1 for the same word, 0 where one is too short to be known in another form or begins
    otherwise, else the share of triples of letters (Dice), with the beginning counted too; accents count for nothing
    then."""
    if word == other:
        return 1.0
    word, other = _plain(word), _plain(other)
    shorter = min(len(word), len(other))
    beginning = min(_BEGINNING, shorter)
    if shorter < _SHORTEST or word[:beginning] != other[:beginning]:
        return 0.0
    first, second = _triples(word), _triples(other)
    return 0.95 * 2 * len(first & second) / (len(first) + len(second))


def _triples(word: str) -> set[str]:
    padded = f"  {word}"
    return {padded[n : n + 3] for n in range(len(padded) - 2)}


def _words(text: str) -> list[str]:
    return [word for word in re.findall(r"\w+", text.lower()) if word not in _SMALL]


@cache
def _plain(word: str) -> str:
    """Without accents, which are often left out."""
    return "".join(letter for letter in normalize("NFKD", word) if not combining(letter))


_SMALL = {
    "a", "and", "an", "the", "of", "or", "in", "for", "my", "i", "we", "am", "to", "with", "by", "at", "on", "from",
    "hand", "handmade", "made", "make", "makes", "making", "maker", "makers",
    "und", "der", "die", "das", "für", "ich", "bin", "auf", "dem", "mit", "et", "de", "du", "la", "le", "les", "je",
    "suis", "un", "une", "y", "el", "los", "soy", "para", "e", "o", "os", "sou", "uma", "أنا", "و", "في",
}  # fmt: skip
