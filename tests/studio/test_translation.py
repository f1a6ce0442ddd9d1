"""All that the studio says can be said in another language, each language says all of it, and no live page changes.

A language is made up in which every sentence stands in brackets: what a page of the studio shows outside of brackets
is its owner's, a name of the catalogue, or was forgotten.
"""

from __future__ import annotations

import ast
import json
import re
from collections import Counter
from collections.abc import Iterator
from functools import cache
from html import unescape
from html.parser import HTMLParser
from pathlib import Path
from string import Formatter
from typing import Any
from urllib.parse import urljoin
from zoneinfo import available_timezones

import pytest
from babel import Locale
from babel.messages.catalog import Catalog
from babel.messages.mofile import write_mo
from django.test import Client
from django.utils import translation

import yemba
from tests.demo import put
from tests.sampling import fewer
from yemba.catalogue import catalogue as shipped
from yemba.core.language import own_name
from yemba.core.trade.finding import nearest_trade
from yemba.hosting import services as hosting
from yemba.hosting.models import Edition, Message
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Edit, Site
from yemba.studio.management.commands import messages as command
from yemba.studio.management.commands._extract import Found, messages
from yemba.studio.translation import CATALOGUES, read

LANGUAGES = sorted(file.parent.parent.name for file in CATALOGUES.glob("*/LC_MESSAGES/django.po"))
BRACKETED = "en-au"
"""A tag whose days and numbers are English, so that they can be told from what was forgotten."""
MOST_PAGES = fewer(90)
ALIKE = 2
"""Pages of one sort that are opened."""
BEGIN = ["/", "/templates/", "/sites/", "/sites/new/", "/brand-sheets/", "/sites/dubrov/proof/", "/sites/nettle/pages/"]
CHAPTERS = (
    "template", "palette", "type", "logo", "header", "frame", "pages", "footer", "proof", "pictures", "history", "inbox",
)  # fmt: skip
HEARD = ("title", "aria-label", "placeholder", "alt", "aria-description", "data-busy", "data-before")
SILENT = ("script", "style", "textarea")
NO_WORDS = {"Yemba", "rem", "deg", "Bracketed"}
_BETWEEN = "\0"
_BRACKETS = re.compile("⟦[^⟦⟧]*⟧")
_WORD = re.compile(r"[^\W\d_]{3,}")
_SHORTENED = re.compile(r"#[0-9a-f]{6}|\{\w+\}|\w+…")
"""Codes, blanks that owners fill, and names cut short."""
_PERCENT = re.compile(r"%\((\w+)\)[sd]")


@cache
def _messages() -> list[Found]:
    return [*messages()]


@cache
def _catalogue(tag: str) -> Catalog:
    return read(CATALOGUES / tag / "LC_MESSAGES" / "django.po")


def _placeholders(text: str) -> Counter[str]:
    named = [name for _, name, _, _ in Formatter().parse(text) if name] if "{" in text else []
    return Counter(named + _PERCENT.findall(text))


def test_every_language_that_is_offered_has_a_catalogue(settings) -> None:
    offered = {tag for tag, _ in settings.LANGUAGES} - {"en-gb"}
    assert offered == set(LANGUAGES)


@pytest.mark.parametrize("tag", LANGUAGES)
def test_a_language_says_all_that_the_studio_says(tag: str) -> None:
    catalogue = _catalogue(tag)
    said = {(found.text, found.plural) if found.plural else found.text for found in _messages()}
    known = {message.id: message.string for message in catalogue if message.id}
    assert said == set(known), "bring the catalogues up to date: manage.py messages"
    lacking = [message for message, string in known.items() if not command.is_translated(string)]
    assert lacking == []


@pytest.mark.parametrize("tag", LANGUAGES)
def test_a_translation_has_the_values_of_its_message(tag: str) -> None:
    catalogue = _catalogue(tag)
    for message in (one for one in catalogue if one.id):
        english = message.id if isinstance(message.id, tuple) else (message.id,)
        asked = _placeholders(english[-1])
        for number, form in enumerate(message.string if isinstance(message.string, tuple) else (message.string,)):
            lacking = set(asked) - set(_placeholders(form))
            allowed = {"number", "count", "counter"} if isinstance(message.id, tuple) and number < 3 else set()
            assert set(_placeholders(form)) <= set(asked), f"{tag}: {form}"
            assert lacking <= allowed, f"{tag}: {form!r} lacks {lacking}"


@pytest.mark.parametrize("tag", LANGUAGES)
def test_a_translation_has_the_tags_of_its_message(tag: str) -> None:
    tags = re.compile(r"<(\w+)[^>]*>")
    catalogue = _catalogue(tag)
    for message in (one for one in catalogue if one.id):
        english = message.id[-1] if isinstance(message.id, tuple) else message.id
        for form in message.string if isinstance(message.string, tuple) else (message.string,):
            assert Counter(tags.findall(form)) == Counter(tags.findall(english)), f"{tag}: {form}"


@pytest.mark.parametrize("tag", LANGUAGES)
def test_a_trade_is_found_by_every_word_for_it(tag: str) -> None:
    trades = shipped().trades.values()
    with translation.override(tag):
        for trade in trades:
            for words in re.split("[,،]", f"{trade.name},{trade.also}" if trade.also else trade.name):
                assert nearest_trade(words, trades) == trade.slug, words


@pytest.mark.parametrize(
    ("tag", "words", "slug"),
    [
        ("fr", "boulangere", "baker"),
        ("fr", "boulangère", "baker"),
        ("fr", "coiffeuse", "hairdresser"),
        ("de", "Yogalehrerin", "yoga-teacher"),
        ("de", "Küchen", "joiner"),
        ("de", "Kuchen", "baker"),
        ("es", "fotografa", "photographer"),
        ("pt", "tradutora", "translator"),
        ("pt", "lã", "weaver"),
        ("ar", "خبازة", "baker"),
    ],
)
def test_a_trade_is_found_by_women_and_without_accents(tag: str, words: str, slug: str) -> None:
    with translation.override(tag):
        assert nearest_trade(words, shipped().trades.values()) == slug


def test_bringing_up_to_date_keeps_what_is_translated_and_drops_what_is_said_no_more() -> None:
    old = Catalog(locale="de")
    found = _messages()[:3]
    old.add(found[0].text, "Ein Satz")
    old.add("A sentence that nobody says", "Ein anderer")
    new = command.brought_up(old, found)
    assert new.get(found[0].text).string == "Ein Satz"
    assert new.get("A sentence that nobody says") is None
    assert {message.id for message in new if message.id} == {one.text for one in found}


class Shown(HTMLParser):
    """What a page shows and says aloud, and where it leads."""

    def __init__(self, markup: str) -> None:
        super().__init__(convert_charrefs=True)
        self.said: list[str] = []
        self.links: list[str] = []
        self._silent = 0
        self.feed(markup)

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        found = dict(attrs)
        self._silent += tag in SILENT
        self.said += [value for name in HEARD if (value := found.get(name))]
        if tag == "a" and found.get("href"):
            self.links.append(str(found["href"]))

    def handle_endtag(self, tag: str) -> None:
        self._silent -= tag in SILENT

    def handle_data(self, data: str) -> None:
        if not self._silent:
            self.said.append(data)


def _outside(said: list[str]) -> list[str]:
    """What stands outside of brackets, which hold others and begin and end in different pieces."""
    before, left = "", _BETWEEN.join(said)
    while before != left:
        before, left = left, _BRACKETS.sub(" ", left)
    return [" ".join(piece.split()) for piece in left.split(_BETWEEN)]


def _without(text: str, words: list[str]) -> str:
    for one in words:
        text = text.replace(one, " ")
    return text


def _strings(value: Any) -> Iterator[str]:
    match value:
        case str():
            yield value
        case dict():
            for inner in value.values():
                yield from _strings(inner)
        case list() | tuple():
            for inner in value:
                yield from _strings(inner)


def _lines(text: str) -> list[str]:
    """What a field holds, as it is shown: without its tags."""
    return [" ".join(unescape(line).split()) for line in re.split(r"<[^>]+>|\n", text)]


def _of_owners() -> list[str]:
    """What owners typed, whole; the longest first."""
    own = {picture.name for site in Site.objects.all() for picture in sites.look(site).pictures.values()}
    own |= {str(edit.label) for edit in Edit.objects.all()}
    own |= {line for document in _documents() for text in _strings(document) for line in _lines(text)}
    return sorted((one for one in own if len(one) > 2), key=len, reverse=True)


def _names(settings: Any) -> set[str]:
    """Words of names, which are the same in every language, of what owners and visitors typed, and of days."""
    known, english = shipped(), Locale("en", "GB")
    months = [*english.months["format"]["wide"].values(), *english.months["format"]["abbreviated"].values()]
    named = [*known.families.values(), *known.templates.values(), *known.collection.values()]
    texts = [str(one.name) for one in named]
    texts += months + [own_name(tag) for tag, _ in settings.LANGUAGES]
    texts += [
        text
        for template in known.templates.values()
        for sheet in template.sheets
        for text in _strings(sheet.model_dump())
    ]
    texts += [change for edition in Edition.objects.all() for change in edition.changes]
    texts += [*english.languages.values(), *english.currencies.values(), *english.currencies]
    texts += [*available_timezones(), *Person.objects.values_list("name", flat=True)]
    texts += Site.objects.values_list("slug", flat=True)
    texts += [text for one in Message.objects.all() for text in (one.name, one.mail, one.words, *_strings(one.answers))]
    texts += [text for document in _documents() for text in _strings(document)]
    return {word for text in texts for word in _WORD.findall(text)}


def _documents() -> list[Any]:
    """All that was stored of sites: as it is now, and as it went out."""
    now = [sites.document(site).model_dump() for site in Site.objects.all()]
    return now + [json.loads(edition.document) for edition in Edition.objects.all()]


@pytest.fixture
def bracketed(settings, tmp_path: Path) -> str:
    """A language of the studio in which every sentence stands in brackets."""
    catalogue = Catalog(locale="en_AU")
    for found in _messages():
        identity = (found.text, found.plural) if found.plural else found.text
        said = tuple(f"⟦{one}⟧" for one in identity) if found.plural else f"⟦{identity}⟧"
        catalogue.add(identity, said, context=found.context or None)
    compiled = tmp_path / "en_AU" / "LC_MESSAGES" / "django.mo"
    compiled.parent.mkdir(parents=True)
    with compiled.open("wb") as opened:
        write_mo(opened, catalogue)
    settings.LANGUAGES = [*settings.LANGUAGES, (BRACKETED, "Bracketed")]
    settings.LOCALE_PATHS = [tmp_path]
    return BRACKETED


def _begun(client: Client, language: str) -> list[str]:
    """The pages of the start of a site."""
    given = {"title": "Nettle", "trade": "Baker", "town": "", "aims": ["found", "dates"], "colours": ""}
    plan = client.post("/sites/new/", given, HTTP_ACCEPT_LANGUAGE=language).headers["Location"]
    return [plan, plan.replace("/pages/", "/looks/")]


@pytest.mark.usefixtures("pictures_are_made_once")
def test_nothing_that_the_studio_shows_was_forgotten(
    db: None, client: Client, settings, bracketed: str, demo_kept: Path
) -> None:
    client.force_login(put(demo_kept).owner, backend="django.contrib.auth.backends.ModelBackend")
    own, names = _of_owners(), _names(settings) | NO_WORDS
    queue = BEGIN + _begun(client, bracketed) + [f"/sites/saltmarsh/{chapter}/" for chapter in CHAPTERS]
    opened: set[str] = set()
    sorts: Counter[str] = Counter()
    forgotten: dict[str, str] = {}
    while queue and len(opened) < MOST_PAGES:
        address = queue.pop(0)
        sort = re.sub(r"=[^&]*", "=", address)
        if address in opened or sorts[sort] >= ALIKE:
            continue
        sorts[sort] += 1
        opened.add(address)
        answer = client.get(address, HTTP_ACCEPT_LANGUAGE=bracketed)
        if answer.status_code != 200 or "html" not in answer["Content-Type"]:
            continue
        page = Shown(answer.content.decode())
        for piece in _outside(page.said):
            if names.issuperset(_WORD.findall(piece)):
                continue
            left = _SHORTENED.sub(" ", _without(piece, own))
            if not names.issuperset(_WORD.findall(left)):
                forgotten[left.strip()] = address
        queue += [
            urljoin(address, link).partition("#")[0]
            for link in page.links
            if urljoin(address, link).startswith("/sites/") and "download" not in link
        ]
    assert len(opened) == MOST_PAGES
    assert forgotten == {}


def _code() -> list[Path]:
    root = Path(yemba.__file__).parent
    return [file for file in root.rglob("*.py") if not {"standins", "management"} & set(file.parts)]


def _spoken(node: ast.expr) -> Iterator[str]:
    """The texts that an expression may come out as, where it chooses among several or puts some together."""
    match node:
        case ast.IfExp(body=body, orelse=orelse):
            yield from (*_spoken(body), *_spoken(orelse))
        case ast.BoolOp(values=values):
            yield from (text for value in values for text in _spoken(value))
        case ast.BinOp(left=left, right=right):
            yield from (*_spoken(left), *_spoken(right))
        case ast.Call(func=ast.Attribute(value=ast.Constant() as separator, attr="join")):
            yield from _spoken(separator)
        case ast.Call(func=ast.Attribute(attr="get"), args=[_, otherwise]):
            yield from _spoken(otherwise)
        case ast.Call(func=ast.Attribute(value=value)):
            yield from _spoken(value)
        case ast.Constant(value=str() as text) if _WORD.search(text):
            yield text


def _plain_values(code: str) -> list[str]:
    """English words that stand in a message, or in what a command says of itself, and are no message themselves."""
    tree = ast.parse(code)
    calls = [node for node in ast.walk(tree) if isinstance(node, ast.Call) and isinstance(node.func, ast.Name)]
    values = [one.value for call in calls if call.func.id in ("Message", "Plural") for one in call.keywords]  # type: ignore[attr-defined]
    says = [node for node in ast.walk(tree) if isinstance(node, ast.FunctionDef) and node.name == "say"]
    values += [one.value for say in says for one in ast.walk(say) if isinstance(one, ast.Assign)]
    return [text for value in values for text in _spoken(value) if text not in EXAMPLES]


EXAMPLES = {"repairs", "prices"}
"""Addresses that are proposed; an address has no language."""


def test_what_messages_are_filled_with_is_said_in_the_readers_language_too() -> None:
    found = {f"{file.name}: {text}" for file in _code() for text in _plain_values(file.read_text())}
    assert found == set()
    assert _plain_values('Message("{a} in {b}", a=name or "The logo", b=" and ".join(names))') == ["The logo", " and "]
    assert _plain_values('def say(self):\n  end = f"“{a}”" if a else "emptied"\n  return end') == ["emptied"]


def _plain_faults(code: str) -> list[str]:
    """Sentences of faults that stand in code as they are said in English."""
    calls = [node for node in ast.walk(ast.parse(code)) if isinstance(node, ast.Call)]
    faults = [node for node in calls if isinstance(node.func, ast.Name) and node.func.id in ("Fault", "Unread")]
    given = [argument for node in faults for argument in node.args]
    return [
        text for one in given if isinstance(one, ast.Constant | ast.JoinedStr) and " " in (text := ast.unparse(one))
    ]


def test_no_fault_is_told_in_english_alone() -> None:
    for_commands = {"export.py"}  # read at a terminal
    files = [file for file in _code() if file.name not in for_commands]
    assert {file.name: found for file in files if (found := _plain_faults(file.read_text()))} == {}
    assert _plain_faults('raise Fault("gone", f"{name} is gone.")')


def test_a_live_page_is_the_same_whatever_language_its_owner_reads(site: Site) -> None:
    pages = []
    for tag in ("en-gb", "ar", "de"):
        with translation.override(tag):
            hosting.publish(Site.objects.get(pk=site.pk))
        visitor = Client(SERVER_NAME="saltmarsh.localhost", HTTP_ACCEPT_LANGUAGE=tag)
        answer = visitor.get("/")
        assert answer.status_code == 200
        pages.append(answer.content)
    assert pages[0] == pages[1] == pages[2]


def test_the_language_of_the_studio_is_that_of_the_browser_until_one_is_picked(
    client: Client, site: Site, ines: Person
) -> None:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    asked = {"HTTP_ACCEPT_LANGUAGE": "ar,en;q=0.5"}
    page = client.get("/sites/", **asked).content.decode()
    assert '<html lang="ar" dir="rtl">' in page
    answer = client.post("/language/", {"language": "de", "next": "/sites/"}, **asked)
    assert answer.headers["Location"] == "/sites/"
    page = client.get("/sites/", **asked).content.decode()
    assert '<html lang="de">' in page
    assert "Deine Websites" in page


def test_a_language_that_is_not_there_leaves_english(client: Client) -> None:
    page = client.get("/", HTTP_ACCEPT_LANGUAGE="is").content.decode()
    assert '<html lang="en-gb">' in page
