"""A stored text is read part by part, as it would be whole, in every earlier version; what follows from it is kept."""

from __future__ import annotations

import json
import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.editing import edited
from yemba.catalogue import catalogue
from yemba.core.cache import Cache, by_document
from yemba.core.errors import Fault
from yemba.core.json_text import members
from yemba.core.site.document import Document, Holder, read
from yemba.core.site.migrate import STEPS, VERSION
from yemba.core.site.resolve import Look

VALUES = st.recursive(
    st.none() | st.booleans() | st.integers() | st.text(),
    lambda one: st.lists(one, max_size=3) | st.dictionaries(st.text(), one, max_size=3),
    max_leaves=8,
)


def canonical(value: object) -> str:
    return json.dumps(value, sort_keys=True, ensure_ascii=False, separators=(",", ":"))


@given(st.lists(st.dictionaries(st.sampled_from(["a", "b", "“c”", 'd"}', ""]), VALUES), min_size=1, max_size=4))
def test_members_are_those_of_the_object_whatever_stood_there_before(states: list[dict[str, object]]) -> None:
    last: Cache[str, str] = Cache("test", most=1_000_000, weigh=len)
    for state in states:
        text = f'{{"first":{canonical(state)},"then":1}}'
        made, end = members(text, len('{"first":'), last, json.loads)
        assert made == state
        assert text[end:] == ',"then":1}'


def whole(text: str) -> Document:
    return Document.model_validate(json.loads(text))


def test_a_text_that_changed_a_little_is_read_as_it_would_be_whole(document: Document) -> None:
    text = document.text()
    assert read(text) == whole(text)
    words = sorted({match[0] for match in re.finditer(r'(?<=":")[A-Z][a-z]{3,}', text)})
    assert len(words) > 5
    for word in words:
        changed = text.replace(f'":"{word}', f'":"“Ä {word}', 1)
        again = read(changed)
        assert again == whole(changed)
        assert again.text() == changed
        same = [key for key, page in again.pages.items() if page == document.pages[key]]
        assert all(again.pages[key] is read(text).pages[key] for key in same), "a page that is as it was is that one"


@pytest.mark.parametrize("spoil", ["cut", "junk", "blanks", "list", "twice"])
def test_a_text_of_another_form_is_read_whole_or_refused(document: Document, spoil: str) -> None:
    text = document.text()
    if spoil == "blanks":
        loose = json.dumps(json.loads(text), indent=1)
        assert read(loose) == read(text)
        assert read(text.replace('"pages":{', '"pages": {', 1)) == read(text)
        return
    version = text[text.rindex('"version"') :]
    spoilt = {
        "cut": text[: len(text) // 2],
        "junk": f"{text}{{{version}",
        "list": f"[{text}]",
        "twice": text + text,
    }[spoil]
    with pytest.raises(Fault, match="The document cannot be read"):
        read(spoilt)


def test_what_follows_from_pages_is_worked_out_anew_only_where_one_of_them_changed(document: Document) -> None:
    counted: list[int] = []

    @by_document("sections counted in a test")
    def sections(*holders: Holder) -> int:
        counted.append(len(holders))
        return sum(len(holder.sections) for holder in holders)

    first = sections(*document.holding())
    sized = edited(document, "set-value", key="h1.wide", value=51)
    assert sections(*sized.holding()) == first
    assert counted == [len(document.pages) + len(document.shared)]
    page = document.order[0]
    fewer = edited(sized, "bin-section", section=document.pages[page].order[0])
    assert sections(*fewer.holding()) == first - 1
    assert len(counted) == 2


SAMPLES = {
    1: '{"currency":"GBP","language":"de","name":"Salzwiese","order":["p"],"pages":{"p":{"name":"Start","slug":""}},'
    '"parts":{"header.height_wide":90},"template":"slipway"}',
    2: '{"bin":{"b":{"section":{"kind":"gallery","layout":"columns"}}},"name":"Salt","order":["p"],"pages":{"p":'
    '{"name":"Home","order":["g","w"],"sections":{"g":{"kind":"gallery","layout":"columns"},'
    '"w":{"kind":"words","layout":"columns"}},"slug":""}},"template":"slipway","version":2}',
}


def test_there_is_a_sample_of_every_earlier_version() -> None:
    assert set(SAMPLES) == set(STEPS) == set(range(1, VERSION))


@pytest.mark.parametrize("version", SAMPLES)
def test_a_sample_reads_and_is_written_as_of_today(version: int) -> None:
    document = read(SAMPLES[version])
    assert json.loads(document.text())["version"] == VERSION
    assert read(document.text()) == document


def test_language_and_currency_of_the_first_version_are_values() -> None:
    look = Look(read(SAMPLES[1]), catalogue())
    assert (look.value("site.language"), look.value("site.currency")) == ("de", "GBP")
    assert look.resolve("site.language").set_by_owner
    assert look.value("header.height_wide") == 90


def test_columns_of_pictures_of_the_second_version_are_rows() -> None:
    document = read(SAMPLES[2])
    layouts = {key: section.layout for key, section in document.pages["p"].sections.items()}
    assert layouts == {"g": "rows", "w": "columns"}
    binned = document.bin["b"].section
    assert binned is not None
    assert binned.layout == "rows"


@pytest.mark.parametrize(
    "text", ['{"name":"x","template":"slipway","version":99}', '{"name":"x","template":"slipway","version":"2"}']
)
def test_a_version_to_come_is_refused(text: str) -> None:
    with pytest.raises(Fault, match="version"):
        read(text)
