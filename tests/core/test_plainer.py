"""Shorter and plainer words: each rule says what it did, and what is short and plain already stays."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yemba.core.plainer import plainer, shortened
from yemba.core.site.words import clean_words

# From memory of guides to plain language.
SHORTER = {
    "I bind books in order to keep them.": "I bind books to keep them.",
    "In order to come, ring.": "To come, ring.",
    "It is a very old press.": "It is an old press.",
    "An extremely small shed.": "A small shed.",
    "Really, come in.": "Really, come in.",
    "Really good bread.": "Good bread.",
    "It is not very far.": "It is not very far.",
    "The very first loaf.": "The very first loaf.",
    "We are able to help.": "We can help.",
    "<p>Prior to a visit, <strong>please do not hesitate to</strong> ring.</p>": (
        "<p>Before a visit, <strong>please</strong> ring.</p>"
    ),
    '<p>See <a href="https://example.org/very-old">here</a>.</p>': '<p>See <a href="https://example.org/very-old">here</a>.</p>',
}
PLAINER = {
    "I utilise numerous brushes.": "I use many brushes.",
    "Utilised daily.": "Used daily.",
    "Short; plain.": "Short; plain.",
    "I learned this from my uncle who learned it on the railway long ago, and I still sweep with the brushes that he gave "
    "me then.": "I learned this from my uncle who learned it on the railway long ago. I still sweep with the brushes that he "
    "gave me then.",
    "The kiln stands behind the shed that my neighbours built for me one summer, but it has never once been cold in all these "
    "years.": "The kiln stands behind the shed that my neighbours built for me one summer. But it has never once been cold in "
    "all these years.",
}


@pytest.mark.parametrize("words", SHORTER)
def test_fillers_go_and_long_ways_of_saying_give_way(words: str) -> None:
    assert shortened(words).words == SHORTER[words]
    assert bool(shortened(words).notes) == (words != SHORTER[words])


@pytest.mark.parametrize("words", PLAINER)
def test_grand_words_give_way_and_long_sentences_are_cut(words: str) -> None:
    assert plainer(words).words == PLAINER[words]
    assert bool(plainer(words).notes) == (words != PLAINER[words])


def test_what_was_done_is_told_with_the_words() -> None:
    assert shortened("In order to eat.").notes == ("“to” says as much as “in order to”.",)
    assert shortened("A truly good loaf.").notes == ("Nothing is lost without “truly”.",)
    assert plainer("one two three four five six; " + "word " * 20 + "end.").notes == (
        "A sentence of 27 words is two now.",
    )


SENTENCES = st.lists(st.sampled_from([*SHORTER, *PLAINER, "very", "A ", "<p>b</p>", "“x”", "1."]), max_size=6)


@given(SENTENCES)
def test_twice_is_as_once_and_never_longer(parts: list[str]) -> None:
    words = clean_words(" ".join(parts))
    for way in (shortened, plainer):
        once = way(words)
        assert way(once.words).words == once.words
        assert once.words.count("<") == words.count("<")
    assert len(shortened(words).words) <= len(words)


def test_an_ampersand_is_no_place_to_cut() -> None:
    words = "<p>" + "We bake " + "bread " * 12 + "&amp; cheese " * 6 + "every day of the week.</p>"
    assert plainer(words).words == words
    cut = plainer("<p>" + "word " * 20 + "&amp; more; then comes the other half of it.</p>")
    assert "&amp; more. Then comes" in cut.words
