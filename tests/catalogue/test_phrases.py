"""What Yemba says on pages, in every language that it says it in."""

from __future__ import annotations

import re
from datetime import date
from pathlib import Path

import pytest

import yemba
from yemba import catalogue as shipped
from yemba.core.language import from_right
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.render.files import site_files
from yemba.render.fonts import letters_of_site
from yemba.render.site import Site

_SOURCES = Path(yemba.__file__).parent
_IN_TEMPLATES = re.compile(r'\{% say "([^"]+)"')
_IN_CODE = re.compile(r"""(?:say\(context, |phrase\()["']([^"']+)["']""")
_CONSTANTS = re.compile(r"phrase\((_[A-Z_]+)")
_VALUES = re.compile(r"%\(\w+\)[sd]")
TRANSLATED = [tag for tag, language in shipped.catalogue().languages.items() if language.phrases]


def said() -> set[str]:
    """Every sentence that pages or forms ask a translation of."""
    from yemba.core.inbox import message
    from yemba.hosting import inbox

    texts = [file.read_text() for file in _SOURCES.rglob("*.html")]
    codes = [file.read_text() for file in _SOURCES.rglob("*.py")]
    found = {match for text in texts for match in _IN_TEMPLATES.findall(text)}
    found |= {match for code in codes for match in _IN_CODE.findall(code)}
    named = {match for code in codes for match in _CONSTANTS.findall(code)}
    constants = [getattr(module, name) for name in named for module in (message, inbox) if hasattr(module, name)]
    assert len(constants) == len(named), f"a sentence of {named} is looked for elsewhere"
    for value in constants:
        found |= set(value.values()) if isinstance(value, dict) else {value}
    return found | _starters()


def _starters() -> set[str]:
    """What sections begin with, but for prices, times and numbers."""
    kinds = shipped.catalogue().kinds.values()
    fields = [field for kind in kinds for item in ("", "item") for field in kind.fields_of(item)]
    return {field.starter for field in fields if field.type in ("line", "words") and not field.starter.isdigit()} - {""}


@pytest.mark.parametrize("tag", TRANSLATED)
def test_every_sentence_is_there_and_none_besides(tag: str) -> None:
    assert shipped.catalogue().languages[tag].phrases.keys() == said()


@pytest.mark.parametrize("tag", TRANSLATED)
def test_each_has_the_values_of_what_it_translates(tag: str) -> None:
    for english, other in shipped.catalogue().languages[tag].phrases.items():
        assert sorted(_VALUES.findall(other)) == sorted(_VALUES.findall(english)), english


def test_there_are_twelve_with_english_and_one_from_right_to_left() -> None:
    assert len(TRANSLATED) + 1 >= 12
    assert any(from_right(tag) for tag in TRANSLATED)


def test_no_sentence_is_left_as_it_is_in_english() -> None:
    """But for words that a language has taken over (common practice, no source)."""
    same = {
        tag: {english for english, other in shipped.catalogue().languages[tag].phrases.items() if english == other}
        for tag in TRANSLATED
    }
    assert set().union(*same.values()) <= {"Menu", "Message", "Pause", "Send", "%(page)s", "Images", "Dates"}


def test_pages_speak_the_language_of_the_site(document: Document, catalogue: Catalogue) -> None:
    """Of what Yemba says nothing is left in English, and every letter of it is in the fonts."""
    phrases = catalogue.languages["de"].phrases
    plain = document.plain()
    german = Look(Document.model_validate(plain | {"site": {"site.language": "de"}}), catalogue)
    assert german.value("site.language") == "de"
    in_german, in_english = _pages(german), _pages(Look(document, catalogue))
    for sentence in ("Skip to content", "Menu", "Not found"):
        assert f">{sentence}<" in in_english
        assert f">{sentence}<" not in in_german
        assert f">{phrases[sentence]}<" in in_german
    assert set("ß„“") <= letters_of_site(german)


def _pages(look: Look) -> str:
    files = site_files(Site(look, date(2026, 11, 1), lambda _: b"", draft=False))
    return "".join(file.make().decode() for path, file in files.items() if path.endswith(".html"))
