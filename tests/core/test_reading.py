"""A stored text is read part by part: the same document, or the same refusal, as when it is read whole."""

from __future__ import annotations

import json
import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yemba.core.cache import Cache
from yemba.core.errors import Fault
from yemba.core.json_text import members
from yemba.core.site.document import Document, read

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
