"""A stand-in for a writer: it proposes words for a field out of phrases of the trade, put into ready sentences.

It understands nothing and asks nobody; it says so where it is used. It writes English alone. The same occasion gets the
same proposals in the same order, none of them twice.
"""

from __future__ import annotations

import re
import tomllib
from collections.abc import Iterator, Mapping, Sequence
from functools import cache
from itertools import chain, permutations, product, zip_longest
from math import prod
from pathlib import Path
from random import Random
from typing import Any, NamedTuple

from yemba.core.message import Message, labels
from yemba.core.trade.trade import Phrases

SAYS = Message(
    "Simulated: ready sentences with phrases of your trade, out of a box that ships with Yemba. It writes English."
)
TONES = labels({"plain": "Plain", "warm": "Warm", "brisk": "Brisk"})
_SLOT = re.compile(r"\{(\w+)\}")
_OF_TRADE = ("act", "thing", "who", "way", "gain")
_VOICES = {"I": {"I": "I", "i": "I", "i_object": "me"}, "we": {"I": "We", "i": "we", "i_object": "us"}}


class Occasion(NamedTuple):
    """What is written for: a field of a kind of section, on whose site. `town` and `title` (that of the entry) are ""
    where there are none. `limit` is how many letters the field takes, None for any."""

    kind: str
    field: str
    phrases: Phrases
    name: str
    town: str = ""
    title: str = ""
    aims: Sequence[str] = ()
    limit: int | None = None


def writes(kind: str, field: str) -> bool:
    """Whether it has anything for this field."""
    return bool(_table(kind, field))


def proposals(occasion: Occasion, tone: str) -> Iterator[str]:
    """Plain words for the field, none twice; `tone` is one of TONES."""
    chance = Random(f"{occasion.phrases} {occasion.kind} {occasion.field} {tone}")  # noqa: S311 (no secret)
    frames = _frames(occasion, tone)
    chance.shuffle(frames)
    filled = [_fillings(frame, occasion, chance) for frame in frames]
    in_turn = chain.from_iterable(zip_longest(*filled))
    fitting = (words for words in in_turn if words and len(words) <= (occasion.limit or len(words)))
    return iter(dict.fromkeys(fitting))


@cache
def _tables() -> dict[str, Any]:
    return tomllib.loads((Path(__file__).parent / "frames.toml").read_text())


def _table(kind: str, field: str) -> dict[str, Any]:
    tables = _tables()
    named = tables["fields"].get(f"{kind}.{field}") or tables["fields"].get(field)
    return tables[named] if named else {}


def _frames(occasion: Occasion, tone: str) -> list[str]:
    """The sentences, or pairs of them, that ask for nothing that is not there."""
    table = _table(occasion.kind, occasion.field)
    if "first" in table:
        frames = [" ".join(pair) for pair in product(table["first"][tone], table["then"][tone])]
    else:
        frames = [*table[tone], *(frame for aim in occasion.aims for frame in table.get("of_aim", {}).get(aim, ()))]
    values = _given(occasion)
    return [
        frame for frame in frames if all(slot.lower() in _OF_TRADE or values.get(slot) for slot in _SLOT.findall(frame))
    ]


def _given(occasion: Occasion) -> Mapping[str, str]:
    """What is put in as it is."""
    own = {"name": occasion.name, "town": occasion.town, "title": occasion.title}
    return own | _VOICES[occasion.phrases.voice]


def _fillings(frame: str, occasion: Occasion, chance: Random) -> Iterator[str]:
    """The frame with all phrases that fit into it, in an order by chance; where it asks twice for a kind of phrase it
    gets two."""
    slots = [slot.lower() for slot in _SLOT.findall(frame) if slot.lower() in _OF_TRADE]
    counts = {kind: slots.count(kind) for kind in dict.fromkeys(slots)}
    choices = [list(permutations(getattr(occasion.phrases, kind), count)) for kind, count in counts.items()]
    total = prod(map(len, choices))
    for number in chance.sample(range(total), total):
        rest, picked = number, {}
        for kind, options in zip(counts, choices, strict=True):
            rest, place = divmod(rest, len(options))
            picked[kind] = iter(options[place])
        yield _put_in(frame, picked, _given(occasion))


def _put_in(frame: str, picked: Mapping[str, Iterator[str]], given: Mapping[str, str]) -> str:
    def phrase(slot: re.Match[str]) -> str:
        if slot[1] in given:
            return given[slot[1]]
        words = next(picked[slot[1].lower()])
        return words if slot[1].islower() else words[0].upper() + words[1:]

    return _SLOT.sub(phrase, frame)
