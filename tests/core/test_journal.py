"""The journal: which posts visitors see when, by tag and month; commands for them; what pages say of themselves elsewhere."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from typing import Any
from zoneinfo import ZoneInfo

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.editing import edited, planned
from yemba.catalogue import catalogue as shipped
from yemba.core.change.difference import difference
from yemba.core.change.operation import apply, inverse
from yemba.core.errors import Fault
from yemba.core.site import journal
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, Page, Picture, Section
from yemba.core.site.excerpts import MOST, excerpt
from yemba.core.site.navigation import entries, menu
from yemba.core.site.resolve import Look

LONDON = ZoneInfo("Europe/London")
NOON = datetime(2026, 10, 3, 12, 0, tzinfo=LONDON)
MOMENTS = ("", "2026-10-02", "2026-10-03", "2026-10-03T12:00", "2026-10-03T12:01", "2026-10-04", "2026-09-30T09:00")


def _document(*posts: tuple[str, list[str]], **more: Any) -> Document:
    """A home page and one page for each of these moments and tags: p0, p1 …"""
    pages: dict[str, Any] = {"home": {"name": "Home", "slug": ""}}
    for number, (posted, tags) in enumerate(posts):
        pages[f"p{number}"] = {"name": f"Post {number}", "slug": f"post-{number}", "posted": posted, "tags": tags}
    for key, about in more.items():
        pages[key] |= about
    return Document.model_validate({"name": "A", "template": "slipway", "pages": pages, "order": [*pages]})


def test_posts_come_newest_first_and_not_before_their_moment() -> None:
    document = _document(*((moment, []) for moment in MOMENTS))
    assert journal.posts(document, NOON) == ["p3", "p2", "p1", "p6"]
    assert journal.posts(document, NOON, month="2026-09") == ["p6"]
    assert journal.next_due(document, NOON, LONDON) == NOON + timedelta(minutes=1)


def test_a_draft_is_in_no_list_and_neither_first_nor_next() -> None:
    document = _document(("2026-10-01", ["a"]), ("2026-10-02", ["a"]), p1={"unpublished": True})
    assert journal.posts(document, NOON) == ["p0"]
    assert journal.ways(document, NOON) == journal.Ways({"a": 1}, {"2026-10": 1})
    assert journal.neighbours(document, "p0", NOON) == ("", "")
    assert journal.neighbours(document, "p1", NOON) == ("p0", "")  # where it will stand


@given(
    st.lists(st.tuples(st.sampled_from(MOMENTS), st.lists(st.sampled_from(["a", "b", "Ä"]), unique=True)), max_size=8)
)
def test_every_post_is_in_one_month_in_each_of_its_tags_and_between_its_neighbours(
    posts: list[tuple[str, list[str]]],
) -> None:
    document = _document(*posts)
    every = journal.posts(document, NOON)
    ways = journal.ways(document, NOON)
    assert sum(ways.months.values()) == len(every)
    assert sorted(key for month in ways.months for key in journal.posts(document, NOON, month=month)) == sorted(every)
    for tag, count in ways.tags.items():
        listed = journal.posts(document, NOON, tag=tag)
        assert len(listed) == count
        assert all(tag in document.pages[key].tags for key in listed)
    for earlier, later in zip(every[1:], every, strict=False):
        assert journal.neighbours(document, earlier, NOON)[1] == later
        assert journal.neighbours(document, later, NOON)[0] == earlier


@given(st.lists(st.sampled_from(MOMENTS), max_size=8), st.sampled_from([NOON, NOON + timedelta(days=2)]))
def test_what_is_shown_at_a_moment_is_what_is_listed_then(moments: list[str], now: datetime) -> None:
    document = _document(*((moment, []) for moment in moments))
    shown = journal.as_at(document, now)
    seen = {key for key, page in shown.published_pages() if page.posted}
    assert seen == set(journal.posts(document, now))
    due = journal.next_due(document, now, LONDON)
    later = document if due is None else journal.as_at(document, due)
    assert (len(later.published_pages()) > len(shown.published_pages())) == (due is not None)


@pytest.mark.parametrize(
    ("posted", "expected"),
    [
        ("2026-10-25T01:30", datetime(2026, 10, 25, 0, 30, tzinfo=UTC)),  # the first of the two in the night of change
        ("2026-03-29", datetime(2026, 3, 29, 0, 0, tzinfo=UTC)),
        ("2026-07-01", datetime(2026, 6, 30, 23, 0, tzinfo=UTC)),
    ],
)
def test_a_moment_is_of_the_zone_of_the_site(posted: str, expected: datetime) -> None:
    page = _document((posted, [])).pages["p0"]
    moment = journal.moment_of(page, LONDON)
    assert moment.astimezone(UTC) == expected
    assert journal.is_due(page, moment)
    assert not journal.is_due(page, moment - timedelta(minutes=1))


def test_tags_have_addresses_of_their_own_whatever_their_letters() -> None:
    slugs = journal.tag_slugs(["Leder", "leder", "製本", "和紙", "Öl"])
    assert len(set(slugs.values())) == 5
    assert slugs["Öl"] == "ol"
    assert all(slug and slug.isascii() for slug in slugs.values())


def test_posts_stand_in_no_menu() -> None:
    document = _document(("2026-10-01", []), ("", []))
    nested = document.model_copy(update={"navigation": document.navigation.model_copy(update={"under": {"p1": "p0"}})})
    for one in (document, nested):
        assert menu(one) == ["home", "p1"]
        assert [entry.key for entry in entries(one)] == ["home", "p1"]


def test_a_post_is_added_with_its_head_words_and_ways_on_and_taken_back_whole() -> None:
    before = _document()
    steps = planned(before, "add-post", page_name="On paste", day="2026-10-03")
    after = apply(before, steps)
    (key,) = after.pages.keys() - before.pages.keys()
    page = after.pages[key]
    assert (page.slug, page.posted) == ("on-paste", "2026-10-03")
    assert [section.kind for _, section in page.ordered()] == ["post", "words", "onward"]
    told = excerpt(Look(after, shipped()), key)
    assert told
    assert (told.name, told.posted) == ("On paste", "2026-10-03")
    assert apply(after, inverse(steps)).text() == before.text()


def test_the_title_in_its_head_is_what_a_post_is_called() -> None:
    document = edited(_document(), "add-post", page_name="On paste", day="2026-10-03")
    page = document.pages[document.order[-1]]
    document = edited(document, "set-words", section=page.order[0], field="heading", words="On wheat paste")
    told = excerpt(Look(document, shipped()), document.order[-1])
    assert told
    assert told.name == "On wheat paste"


def test_day_time_and_tags_are_set_each_its_own_change_and_tags_keep_their_spelling() -> None:
    before = _document(("", []), ("2026-10-01", ["Tools"]))
    after = edited(before, "set-post", page="p0", day="2026-11-01", time="9:30", tags=" tools , Paper ,, paper")
    assert after.pages["p0"].posted == "2026-11-01T09:30"
    assert after.pages["p0"].tags == ["Tools", "Paper"]
    said = {change.subject: change.after for change in difference(before, after, shipped())}
    assert said == {"Day of Post 0": "1 November 2026, 09:30", "Tags of Post 0": "Tools, Paper"}
    assert edited(after, "set-post", page="p0").text() == before.text()


@pytest.mark.parametrize(
    ("arguments", "code", "names"),
    [
        ({"page": "p0", "day": "Friday"}, "moment-unreadable", "Friday"),
        ({"page": "p0", "day": "2026-02-30"}, "moment-unreadable", "2026-02-30"),
        ({"page": "p0", "time": "09:30"}, "no-day-yet", "09:30"),
        ({"page": "home", "day": "2026-02-03"}, "first-page", "Home"),
        ({"page": "p0", "day": "2026-02-03", "tags": "x" * 31}, "too-long", "xxx"),
        ({"page": "p0", "tags": ",".join(f"t{n}" for n in range(13))}, "too-many", "13"),
        ({"page": "gone", "day": "2026-02-03"}, "gone", "no longer"),
    ],
)
def test_what_cannot_be_is_refused_with_the_value_named(arguments: dict[str, str], code: str, names: str) -> None:
    with pytest.raises(Fault) as refused:
        edited(_document(("2026-10-01", [])), "set-post", **arguments)
    assert refused.value.code == code
    assert names in refused.value.sentence


def test_pages_of_a_tag_are_found_too() -> None:
    document = _document(("", ["Paper"]), ("2026-10-01", ["Paper"]), ("", []))
    assert journal.tagged_pages(document, "Paper") == ["p0"]
    assert journal.tagged_pages(document, "") == ["p0"]


def _look(catalogue: Catalogue, **about: object) -> Look:
    words = Section(
        kind="words", fields={"heading": "On paste", "body": "<p>Wheat, <em>sieved</em> twice.</p><p>More.</p>"}
    )
    shown = Section(kind="words-with-picture", fields={"picture": "reel", "body": "<p>Later</p>"})
    page = Page(name="Paste", slug="paste", sections={"a": words, "b": shown}, order=["a", "b"], **about)  # type: ignore[arg-type]
    pages = {"home": Page(name="Home", slug=""), "paste": page}
    reel = Picture(file="f", format="png", width=9, height=6, name="reel")
    document = Document(name="B", template="slipway", pages=pages, order=[*pages], pictures={"reel": reel})
    return Look(document, catalogue)


def test_a_page_gives_its_name_first_words_and_leading_picture(catalogue: Catalogue) -> None:
    told = excerpt(_look(catalogue), "paste")
    assert told
    assert (told.name, told.words) == ("Paste", "Wheat, sieved twice. More.")
    assert told.picture
    assert told.picture.name == "reel"


def test_a_description_comes_before_words_and_long_ones_end_at_a_word(catalogue: Catalogue) -> None:
    told = excerpt(_look(catalogue, description="How paste is made " + "and kept " * 40), "paste")
    assert told
    assert told.words.startswith("How paste is made and kept")
    assert told.words.endswith(("and …", "kept …"))
    assert len(told.words) <= MOST


@pytest.mark.parametrize("page", ["gone", "paste"])
def test_nothing_is_told_of_a_page_that_visitors_do_not_see(catalogue: Catalogue, page: str) -> None:
    assert excerpt(_look(catalogue, unpublished=True), page) is None
