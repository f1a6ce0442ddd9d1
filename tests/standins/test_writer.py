"""The stand-in writer: whole sentences of the trade, none twice, another tone in other words."""

from __future__ import annotations

import re
from itertools import islice

import pytest

from tests.sampling import some
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.kinds import Field, SectionKind
from yemba.core.trade.trade import AIMS, Phrases
from yemba.standins import writer
from yemba.standins.writer import Occasion, proposals

TOWN, TITLE = "Lower Marsh", "An hour at the bench"
LETTER = re.compile(r"[^\W\d_]")


def occasion(catalogue: Catalogue, trade: str, kind: str, field: str, **over: object) -> Occasion:
    known = catalogue.trade(trade)
    assert known.phrases is not None
    usual = Occasion(kind, field, known.phrases, known.sample, TOWN, TITLE, tuple(AIMS))
    return usual._replace(**over)  # type: ignore[arg-type]


def broken(text: str, field: Field) -> str:
    """What is wrong with a proposal, "" where it is whole."""
    wrong = {
        "a slot is left": re.search(r"[{}]", text),
        "two spaces": "  " in text or text != text.strip(),
        "a stop too many": re.search(r"[.,:;?!]\s*[.,:;!]", text),
        "it begins small": field.slug != "detail" and LETTER.search(text) and not LETTER.search(text)[0].isupper(),  # type: ignore[index]
        "it ends nowhere": field.type == "words" and text[-1] not in ".?!",
        "a word twice": re.search(r"\b(\w+) \1\b", text, re.IGNORECASE),
        "too long": field.type == "line" and field.limit is not None and len(text) > field.limit,
    }
    return "; ".join(what for what, found in wrong.items() if found)


def fields(kind: SectionKind) -> list[Field]:
    return [*kind.fields, *(kind.items.fields if kind.items else [])]


def test_every_proposal_for_every_field_is_whole(catalogue: Catalogue) -> None:
    seen = 0
    for slug in some(list(catalogue.trades), 4):
        for kind in catalogue.kinds.values():
            for field in filter(lambda one, kind=kind: writer.writes(kind.slug, one.slug), fields(kind)):
                limit = field.limit if field.type == "line" else None
                for tone in writer.TONES:
                    for text in islice(
                        proposals(occasion(catalogue, slug, kind.slug, field.slug, limit=limit), tone), 30
                    ):
                        assert not broken(text, field), (slug, field.slug, text, broken(text, field))
                        assert field.read(text), text
                        seen += 1
    assert seen > 2_000


@pytest.mark.parametrize(
    ("text", "what"),
    [
        ("Come, {who}", "slot"),
        ("Bread. . Cake.", "stop"),
        ("for you.", "small"),
        ("No end", "nowhere"),
        ("The the end.", "twice"),
    ],
)
def test_a_broken_sentence_is_found(catalogue: Catalogue, text: str, what: str) -> None:
    assert what in broken(text, catalogue.kind("opening").field("lead"))


def test_the_same_occasion_gets_the_same_and_another_gets_others(catalogue: Catalogue) -> None:
    def first(trade: str = "potter", tone: str = "plain", **over: object) -> list[str]:
        return list(islice(proposals(occasion(catalogue, trade, "opening", "lead", **over), tone), 20))

    assert first() == first()
    assert not set(first()) & set(first(trade="weaver"))
    assert not set(first()) & set(first(tone="brisk"))
    assert any("Kiln & Co" in text for text in first(name="Kiln & Co"))


def test_what_is_not_there_is_not_spoken_of(catalogue: Catalogue) -> None:
    asked = occasion(catalogue, "potter", "opening", "kicker", town="")
    assert all(TOWN not in text for text in proposals(asked, "plain"))
    assert any(TOWN in text for text in proposals(asked._replace(town=TOWN), "plain"))
    asked = occasion(catalogue, "potter", "opening", "button")
    assert "Ask for a price" in list(proposals(asked, "plain"))
    assert "Ask for a price" not in list(proposals(asked._replace(aims=("found",)), "plain"))


def test_who_speaks_is_told_by_the_trade() -> None:
    phrases = Phrases(voice="we", act=["bake", "knead"], thing=["bread"], who=["all"], way=["time"], gain=["toast"])
    ours = list(proposals(Occasion("opening", "lead", phrases, "Oven"), "plain"))
    mine = list(proposals(Occasion("opening", "lead", phrases.model_copy(update={"voice": "I"}), "Oven"), "plain"))
    assert any("We bake" in text for text in ours)
    assert not any(re.search(r"\bI\b", text) for text in ours)
    assert not any(re.search(r"\b[Ww]e\b", text) for text in mine)


def test_no_phrase_belongs_to_two_trades(catalogue: Catalogue) -> None:
    trades = [trade for trade in catalogue.trades.values() if trade.phrases]
    assert len(trades) == len(catalogue.trades), "each has some"
    told: dict[str, str] = {}
    for trade in trades:
        for name in ("act", "thing", "who", "way", "gain"):
            for phrase in getattr(trade.phrases, name):
                assert told.setdefault(phrase, trade.slug) == trade.slug, phrase
                assert not re.search(r"[.!?:;]$|^[A-Z]", phrase), phrase
