"""Shorter and plainer words, by rules that can be told: filler words go, long ways of saying give way to short ones,
and long sentences are cut where two stand in one. English alone; all lists are from memory."""

from __future__ import annotations

import re
from collections.abc import Callable
from functools import partial
from html import escape, unescape
from typing import NamedTuple

from yemba.core.message import Message

LONG = 22  # words in a sentence; plain-language guides say 15 to 20 (common practice, no source)
_LEAST = 5  # words on either side of a cut
_TAG = re.compile(r"(<[^>]+>)")

_FILLERS = (
    "very", "really", "actually", "basically", "literally", "absolutely", "totally", "truly", "extremely",
    "needless to say,", "as a matter of fact,", "it goes without saying that", "it should be noted that",
)  # fmt: skip
_WORDY = {
    "in order to": "to",
    "due to the fact that": "because",
    "in spite of the fact that": "although",
    "at this point in time": "now",
    "in the near future": "soon",
    "in the event that": "if",
    "a large number of": "many",
    "a number of": "several",
    "the majority of": "most",
    "with regard to": "about",
    "prior to": "before",
    "for the purpose of": "for",
    "on a regular basis": "regularly",
    "on a daily basis": "daily",
    "in close proximity to": "near",
    "is able to": "can",
    "are able to": "can",
    "am able to": "can",
    "make use of": "use",
    "please do not hesitate to": "please",
    "please feel free to": "please",
    "each and every": "every",
}
_GRAND = {
    "utilise": "use", "utilises": "uses", "utilised": "used", "utilising": "using",
    "utilize": "use", "utilizes": "uses", "utilized": "used", "utilizing": "using",
    "commence": "begin", "commences": "begins", "commenced": "began",
    "endeavour": "try", "endeavours": "tries", "endeavour to": "try to",
    "assistance": "help", "approximately": "about", "numerous": "many", "sufficient": "enough",
    "additional": "more", "regarding": "about", "subsequently": "then", "consequently": "so",
    "nevertheless": "still", "demonstrate": "show", "demonstrates": "shows", "remainder": "rest",
    "to purchase": "to buy", "obtain": "get", "obtains": "gets", "obtained": "got",
}  # fmt: skip
_CUTS = (
    (re.compile(r"; +(?=\w)"), ""),
    (re.compile(r", and (?=(?:I|we|you|they|it|there|this) )"), ""),
    (re.compile(r", but (?=(?:I|we|you|they|it|there|this) )"), "But "),
)


class Reworded(NamedTuple):
    """`words` as they would be stored, and each thing done to them as a sentence."""

    words: str
    notes: tuple[str, ...]


def shortened(words: str) -> Reworded:
    """Without filler words, and with the short way of saying for the long."""
    notes: list[str] = []
    plain = _in_texts(words, lambda text: _without_fillers(_in_place(text, _WORDY, notes), notes))
    return Reworded(plain, tuple(notes))


def plainer(words: str) -> Reworded:
    """Everyday words for grand ones, and two sentences for a long one."""
    notes: list[str] = []
    plain = _in_texts(words, lambda text: _cut(_in_place(text, _GRAND, notes), notes))
    return Reworded(plain, tuple(notes))


def _in_texts(words: str, change: Callable[[str], str]) -> str:
    """Words of a field, plain or marked up, with what stands between the tags changed."""
    if not _TAG.match(words):
        return change(words)

    def between(text: str) -> str:
        return escape(change(unescape(text)), quote=False)

    return "".join(part if _TAG.match(part) else between(part) for part in _TAG.split(words))


def _in_place(text: str, instead: dict[str, str], notes: list[str]) -> str:
    for long, short in instead.items():
        pattern = re.compile(rf"\b{re.escape(long)}\b", re.IGNORECASE)
        if pattern.search(text):
            notes.append(Message("“{short}” says as much as “{long}”.", short=short, long=long))
            text = pattern.sub(partial(_as_begun, short), text)
    return text


def _without_fillers(text: str, notes: list[str]) -> str:
    for filler in _FILLERS:
        end = "" if filler.endswith(",") else r"\b"
        pattern = re.compile(
            rf"(?P<article>\b[Aa]n? )?(?<!\bnot )(?<!\bthe )\b{filler}{end} +(?P<next>\w)", re.IGNORECASE
        )
        if pattern.search(text):
            notes.append(Message("Nothing is lost without “{filler}”.", filler=filler.rstrip(",")))
            text = pattern.sub(_left_out, text)
    return text


def _left_out(match: re.Match[str]) -> str:
    """What stays of a filler: the article that now fits, and the next letter, large where the filler's was."""
    article, letter = match["article"] or "", match["next"]
    began = match[0][len(article)]
    if article:
        article = article[0] + ("n " if letter.lower() in "aeiou" else " ")
    return article + (letter.upper() if began.isupper() else letter)


def _cut(text: str, notes: list[str]) -> str:
    """Long sentences cut where another begins in them."""
    sentences = re.split(r"(?<=[.!?]) +", text)
    return " ".join(_halves(sentence, notes) for sentence in sentences)


def _halves(sentence: str, notes: list[str]) -> str:
    count = len(sentence.split())
    if count <= LONG:
        return sentence
    for pattern, begins in _CUTS:
        for match in pattern.finditer(sentence):
            before, after = sentence[: match.start()], sentence[match.end() :]
            if min(len(before.split()), len(after.split())) >= _LEAST:
                notes.append(Message("A sentence of {number} words is two now.", number=count))
                rest = begins + (after if begins else after[0].upper() + after[1:])
                return f"{before}. {_halves(rest, notes)}"
    return sentence


def _as_begun(new: str, match: re.Match[str]) -> str:
    return new[0].upper() + new[1:] if match[0][0].isupper() else new
