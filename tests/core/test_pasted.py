"""What is pasted comes out clean: valid, with its structure, and none of its words lost."""

import re
from xml.etree import ElementTree

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.sampling import fewer
from yemba.core.site.words import clean_words, plain

INLINE = {"strong", "em", "a", "br"}
MAY_HOLD = {
    "words": {"p", "ul", "ol", "h3", "h4", "blockquote"},
    "p": INLINE,
    "h3": INLINE,
    "h4": INLINE,
    "ul": {"li"},
    "ol": {"li"},
    "li": INLINE | {"ul", "ol"},
    "blockquote": INLINE | {"p", "ul", "ol"},
    "strong": INLINE - {"strong"},
    "em": INLINE - {"em"},
    "a": INLINE - {"a"},
    "br": set(),
}
ENTRY = "mso-list:l0 level1 lfo1"
DOT = '<span style="mso-list:Ignore">·<span>&nbsp;&nbsp;</span></span>'
NUMBER = '<span style="mso-list:Ignore">1.<span>&nbsp;</span></span>'


@pytest.mark.parametrize(
    ("pasted", "kept"),
    [
        ("<p>x</p><p></p><p>y<br></p>", "<p>x</p><p>y</p>"),
        ('<b style="font-weight:normal"><p><span style="font-weight:700">Hi</span> you</p></b>', "<p><strong>Hi</strong> you</p>"),
        (f'<p style="{ENTRY}">{DOT}One</p><p style="{ENTRY}">{DOT}Two</p>', "<ul><li>One</li><li>Two</li></ul>"),
        (f'<p style="{ENTRY}">{NUMBER}One</p><p>after</p>', "<ol><li>One</li></ol><p>after</p>"),
        ("<ul>x<li>y</li></ul>", "<ul><li>x</li><li>y</li></ul>"),
        ("<ul><li>a</li><ul><li>b</li></ul></ul>", "<ul><li>a<ul><li>b</li></ul></li></ul>"),
        ("<h1>T</h1><h4>U</h4><h6>V</h6>", "<h3>T</h3><h4>U</h4><h4>V</h4>"),
        ("<h4>first</h4><h2>second</h2>", "<h3>first</h3><h3>second</h3>"),
        ("<table><tr><th>Tea</th><td>2 €</td></tr></table>", "<p>Tea – 2 €</p>"),
        ("<style>p{}</style><script>1</script><p hidden>no</p><p>yes</p>", "<p>yes</p>"),
        ('<a href="javascript:alert(1)">k</a> <a href="file:f1">l</a>', '<p>k <a href="file:f1">l</a></p>'),
        ("<blockquote><h2>a</h2><p>b</p></blockquote>", "<blockquote><p>a</p><p>b</p></blockquote>"),
        ("<p>10&nbsp;kg", "<p>10&nbsp;kg</p>"),
        ("<p>and&nbsp;<a href='page:p1'>tea</a>&nbsp; here", '<p>and <a href="page:p1">tea</a> here</p>'),
        ("<pre>one\n two</pre>", "<p>one<br> two</p>"),
    ],
)  # fmt: skip
def test_structure_is_kept_and_the_rest_dropped(pasted: str, kept: str) -> None:
    assert clean_words(pasted) == kept


WORD = st.text("abcé&<>«äß", min_size=1, max_size=6).map(lambda text: text.replace("<", "&lt;"))
STYLES = st.sampled_from(["", "font-weight:700", "font-style:italic", "color:red", ENTRY, "font-weight:normal"])
TAGS = "p div span b i em strong a h1 h2 h3 h5 ul ol li blockquote table tr td section font u pre dl dt center"
SHAPES = st.recursive(
    WORD,
    lambda inner: st.builds(
        lambda tag, style, parts, closed: f'<{tag} style="{style}" class="x">{"".join(parts)}' + f"</{tag}>" * closed,
        st.sampled_from(TAGS.split()),
        STYLES,
        st.lists(inner, max_size=4),
        st.booleans(),
    ),
    max_leaves=14,
)


@settings(max_examples=fewer(500), deadline=None)
@given(st.lists(SHAPES, min_size=1, max_size=4).map("".join))
def test_any_shape_comes_out_valid_with_its_words(pasted: str) -> None:
    kept = clean_words(f"<i></i>{pasted}")
    _check(ElementTree.fromstring(f"<words>{kept.replace('<br>', '<br/>').replace('&nbsp;', ' ')}</words>"))
    assert clean_words(kept) == kept
    letters = re.sub(r"\W", "", plain(f"<i></i>{pasted}"))
    assert sorted(re.sub(r"\W", "", plain(kept))) == sorted(letters)


def _check(element: ElementTree.Element) -> None:
    for child in element:
        assert child.tag in MAY_HOLD[element.tag], f"{child.tag} in {element.tag}"
        _check(child)
    if element.tag in ("words", "ul", "ol"):
        assert not (element.text or "").strip()
        assert not any((child.tail or "").strip() for child in element)
    if element.tag in ("p", "li", "h3", "h4"):
        assert "".join(element.itertext()).strip()
