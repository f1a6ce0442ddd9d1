"""Messages: English to whatever compares and keeps them, the reader's language to whoever shows them."""

from __future__ import annotations

import pickle
from collections.abc import Iterator

import pytest

from yemba.core import message
from yemba.core.message import Capitalized, Joined, Message, Plural, plain, speak_by


class Says:
    """Knows a few sentences of a language."""

    def __init__(self, tag: str, **known: str) -> None:
        self._tag, self._known = tag, {key.replace("_", " "): said for key, said in known.items()}

    def gettext(self, message: str) -> str:
        return self._known.get(message, message)

    def ngettext(self, singular: str, plural: str, number: int) -> str:
        return self.gettext(singular if number == 1 else plural)

    def language(self) -> str:
        return self._tag


GERMAN = Says(
    "de", Palette="Palette", Button="Schaltfläche", of="von", **{"{what}_of_{name}": "{what} bei {name}"}
)  # fmt: skip


@pytest.fixture(autouse=True)
def whoever_speaks_next() -> Iterator[None]:
    """Whoever spoke before a test speaks after it."""
    before = message._speaking[0]
    yield
    speak_by(before)


def test_a_message_is_its_english_sentence_to_everything_but_a_reader() -> None:
    said = Message("{what} of {name}", what=Message("Button"), name="Ines")
    speak_by(GERMAN)
    assert said == "Button of Ines"
    assert {said: 1}["Button of Ines"] == 1
    assert sorted([said, "A"]) == ["A", "Button of Ines"]
    assert str(said) == f"{said}" == "Schaltfläche bei Ines"
    assert said.english == "{what} of {name}"


def test_values_that_are_no_messages_stay_as_they_are_typed() -> None:
    speak_by(Says("de", Button="Schaltfläche"))
    assert str(Message("Not {typed}", typed="Button")) == "Not Button"
    assert str(Message("Not {typed}", typed="{what}")) == "Not {what}"


@pytest.mark.parametrize(("number", "english"), [(0, "0 pages"), (1, "1 page"), (2, "2 pages")])
def test_a_number_asks_for_its_form(number: int, english: str) -> None:
    said = Plural("{number} page", "{number} pages", number)
    assert said == english
    speak_by(Says("fr", **{"{number}_page": "{number} p.", "{number}_pages": "{number} pp."}))
    assert str(said) == english.replace("pages", "pp.").replace("page", "p.")


def test_fractions_have_the_mark_of_the_language() -> None:
    said = Message("{ratio:.2f} : 1", ratio=4.5)
    assert said == "4.50 : 1"
    speak_by(Says("de"))
    assert str(said) == "4,50 : 1"


def test_names_in_a_sentence_from_the_right_keep_their_order() -> None:
    said = Message("{code} is typed", code="#8c3b2a")
    speak_by(Says("ar"))
    assert str(said) == "\N{FIRST STRONG ISOLATE}#8c3b2a\N{POP DIRECTIONAL ISOLATE} is typed"
    speak_by(GERMAN)
    assert str(said) == "#8c3b2a is typed"


def test_within_a_sentence_german_nouns_keep_their_capital() -> None:
    said = Message("See {what}", what=Message("Button").lower())
    assert said == "See button"
    speak_by(GERMAN)
    assert str(said) == "See Schaltfläche"
    speak_by(Says("es", Button="Botón"))
    assert str(said) == "See botón"
    assert str(Capitalized(Message("of"))) == "Of"


@pytest.mark.parametrize(
    "said",
    [
        Message("{what} of {name}", what=Message("Button"), name="Ines"),
        Plural("{number} page of {name}", "{number} pages of {name}", 3, name="Ines"),
        Joined(", ", [Message("Button"), "typed"]),
        Message("Button").lower(),
        Message("button").capitalize(),
    ],
    ids=lambda said: type(said).__name__,
)
def test_a_message_that_was_kept_can_still_be_said_in_another_language(said: Message) -> None:
    kept = pickle.loads(pickle.dumps(said))
    assert kept == said
    assert type(kept) is type(said)
    speak_by(GERMAN)
    assert str(kept) == str(said)


def test_what_goes_out_as_json_is_said() -> None:
    speak_by(GERMAN)
    assert plain({"a": [Message("Button"), 1, (Message("of"),)]}) == {"a": ["Schaltfläche", 1, ["von"]]}
