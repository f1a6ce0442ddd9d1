"""A trade: the pages and sections that its sites need for each aim, and the words these begin with."""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping
from functools import cached_property
from typing import Literal

from pydantic import field_validator

from yemba.core.errors import known
from yemba.core.message import Label, labels
from yemba.core.strict import Strict
from yemba.core.trade.filling import NO_TEXTS, Texts

AIMS = labels(
    {
        "found": "Be found",
        "work": "Show work",
        "bookings": "Take bookings",
        "dates": "Announce dates",
        "sell": "Sell by arrangement",
        "sign-ups": "Gather sign-ups",
    }
)
GROUPS = labels(
    {
        "makers": "Makers",
        "pictures": "Pictures and print",
        "food": "Food and growing",
        "care": "Body and care",
        "teaching": "Teaching",
        "stage": "Music and stage",
        "house": "House and repair",
        "advice": "Advice",
        "stay": "Places to stay",
        "other": "Other",
    }
)
MOODS = labels(
    {
        "quiet": "quiet",
        "warm": "warm",
        "fresh": "fresh",
        "bold": "bold",
        "dark": "dark",
        "plain": "plain",
        "crafted": "made by hand",
        "playful": "playful",
    }
)
"""What a trade, a template and a look may be like, with the words in which it is told."""


class TradePage(Strict):
    """A page: `sections` name entries of the trade's words. It is proposed for any of its `aims`, always where it names
    none. `slug` "" is the first page."""

    name: Label
    slug: str = ""
    aims: list[str] = []
    sections: list[str]

    @field_validator("aims")
    @classmethod
    def _known_aims(cls, named: list[str]) -> list[str]:
        return [known(aim, AIMS) for aim in named]


class Phrases(Strict):
    """What is said in a trade, to be put into sentences: `act` is what is done ("sweep chimneys"), `thing` what is
    offered, `who` for whom (in the plural), `way` how, and `gain` what one has of it. `voice` is who speaks."""

    voice: Literal["I", "we"]
    act: list[str]
    thing: list[str]
    who: list[str]
    way: list[str]
    gain: list[str]


class Trade(Strict):
    """A trade. `sample` is what an invented business of it is called, where templates are looked at. `also` are words
    by which it is found, with commas between, `schema_type` what search engines are told it is (schema.org), `tags` by
    which pictures are found, `moods` what its sites like to be, the first most, and `leads` the kinds of section that
    matter most to it.

    `words` are starter words of sections by name and field: a section's name is its kind, or "KIND/which" where there
    are several. `items` are those of its entries. {name} and {town} are put in; what stands in [brackets] is left out
    where no town is given. "page:SLUG" is a link to a page of the trade. From `phrases` ideas for words are written.
    """

    slug: str
    name: Label
    sample: str
    group: str
    also: Label
    schema_type: str
    tags: list[str]
    moods: list[str]
    leads: list[str]
    phrases: Phrases | None = None
    pages: list[TradePage]
    words: dict[str, dict[str, str]]
    items: dict[str, list[dict[str, str]]] = {}

    @field_validator("group")
    @classmethod
    def _known_group(cls, named: str) -> str:
        return known(named, GROUPS)

    @field_validator("moods")
    @classmethod
    def _known_moods(cls, named: list[str]) -> list[str]:
        return [known(mood, MOODS) for mood in named]

    def pages_for(self, aims: Collection[str]) -> list[TradePage]:
        """The pages proposed for these aims."""
        return [page for page in self.pages if not page.aims or set(page.aims) & set(aims)]

    def section_for(self, kind: str) -> str:
        """The name of its first section of a kind, "" where it has none."""
        return next((name for name in self.words if kind_of(name) == kind), "")

    @cached_property
    def starters(self) -> dict[str, tuple[Texts, Texts]]:
        """Starter words by kind of section: of its own fields, and of its entries'."""
        kinds = dict.fromkeys(map(kind_of, self.words))
        return {kind: self._starters_of(kind) for kind in kinds}

    def starters_of(self, kind: str, item: str = "") -> Texts:
        """Starter words of a kind's own fields, or of its entries' where `item` is an id."""
        return self.starters.get(kind, (NO_TEXTS, NO_TEXTS))[bool(item)]

    def _starters_of(self, kind: str) -> tuple[Texts, Texts]:
        names = [name for name in self.words if kind_of(name) == kind]
        own = [self.words[name] for name in names]
        entries = [entry for name in names for entry in self.items.get(name, [])]
        return _by_field(own), _by_field(entries)


def _by_field(stored: Iterable[Mapping[str, str]]) -> Texts:
    gathered: dict[str, list[str]] = {}
    for fields in stored:
        for field, text in fields.items():
            gathered.setdefault(field, []).append(text)
    return {field: tuple(texts) for field, texts in gathered.items()}


def kind_of(section: str) -> str:
    """The kind of a section of a trade, by its name."""
    return section.partition("/")[0]
