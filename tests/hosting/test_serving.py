"""Conditional and ranged answers of a live site, after RFC 9110, sections 13 and 14."""

from __future__ import annotations

import gzip

import brotli
import pytest
from django.test import Client
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from yemba.hosting import services, serving
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
LIVE = "saltmarsh.localhost"


@pytest.fixture
def font(site: Site) -> str:
    """The address of a published file that goes out as it is."""
    edition = services.publish(site)
    return "/" + next(name for name in edition.manifest if name.endswith(".woff2"))


def get(client: Client, path: str, **headers: str):
    return client.get(path, headers={"host": LIVE} | {name.replace("_", "-"): value for name, value in headers.items()})


@pytest.mark.parametrize(
    ("asked", "first", "last"),
    [("bytes=0-0", 0, 0), ("bytes=5-9", 5, 9), ("bytes=7-", 7, -1), ("bytes=-5", -5, -1), ("bytes=3-99999999", 3, -1)],
)
def test_a_range_is_cut_out_and_says_where_it_stood(
    site: Site, client: Client, font: str, asked: str, first: int, last: int
) -> None:
    whole = get(client, font).content
    answer = get(client, font, range=asked)
    first, last = first % len(whole), last % len(whole)
    assert answer.status_code == 206
    assert answer.content == whole[first : last + 1]
    assert answer["Content-Range"] == f"bytes {first}-{last}/{len(whole)}"
    assert answer["Content-Length"] == str(last - first + 1)


@pytest.mark.parametrize("asked", ["bytes=99999999-", "bytes=-0", "bytes=9-3"])
def test_a_range_that_the_file_has_not_is_refused(site: Site, client: Client, font: str, asked: str) -> None:
    answer = get(client, font, range=asked)
    assert answer.status_code == 416
    assert answer["Content-Range"] == f"bytes */{len(get(client, font).content)}"


@pytest.mark.parametrize("asked", ["bytes=0-1,4-5", "bytes=-", "lines=0-4", "bytes=a-b", ""])
def test_what_is_no_single_range_is_answered_whole(site: Site, client: Client, font: str, asked: str) -> None:
    answer = get(client, font, range=asked)
    assert (answer.status_code, answer.content) == (200, get(client, font).content)


def test_a_range_of_a_file_that_has_changed_since_is_answered_whole(site: Site, client: Client, font: str) -> None:
    tag = get(client, font)["ETag"]
    assert get(client, font, range="bytes=0-3", if_range=tag).status_code == 206
    assert get(client, font, range="bytes=0-3", if_range='"another"').status_code == 200


def test_what_a_browser_has_is_not_sent_again(site: Site, client: Client, font: str) -> None:
    for path in ("/", font):
        sent = get(client, path)
        for condition in ({"if_none_match": sent["ETag"]}, {"if_modified_since": sent["Last-Modified"]}):
            again = get(client, path, **condition)
            assert (again.status_code, again.content) == (304, b"")
            assert (again["ETag"], again["Cache-Control"]) == (sent["ETag"], sent["Cache-Control"])
        assert get(client, path, if_none_match='"another"').content
        assert get(client, path, if_match='"another"').status_code == 412


def test_the_page_that_says_there_is_none_is_never_a_range_nor_unchanged(site: Site, client: Client, font: str) -> None:
    missing = get(client, "/no-such-page/")
    assert missing.status_code == 404
    assert "Accept-Ranges" not in missing
    assert get(client, "/no-such-page/", range="bytes=0-3").status_code == 404
    assert get(client, "/no-such-page/", if_none_match=missing["ETag"]).status_code == 404


@settings(suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(size=st.integers(1, 50), first=st.one_of(st.just(""), st.integers(0, 60)), last=st.integers(0, 60))
def test_ends_lie_inside_the_file_or_are_no_range(size: int, first: int | str, last: int) -> None:
    begin, end = serving._ends(str(first), str(last), size)
    if begin <= end and begin < size:
        assert 0 <= begin <= end < size
        assert first != "" or end - begin + 1 == min(last, size)


def test_an_answer_asks_once_for_the_pointer_and_reads_each_edition_once(
    site: Site, client: Client, font: str, django_assert_num_queries
) -> None:
    get(client, "/")
    for path, more in {"/": 1, font: 0, "/no-such-page/": 0}.items():  # of a page, whether time has changed it
        with django_assert_num_queries(1 + more):
            get(client, path)


@pytest.mark.parametrize(
    ("accepted", "encoding"),
    [
        ("br", "br"),
        ("gzip, deflate, br, zstd", "br"),
        ("br;q=0.5", "br"),
        ("br;q=0, gzip", "gzip"),
        ("gzip", "gzip"),
        ("", ""),
    ],
)
def test_a_page_is_packed_as_its_browser_takes_it(
    site: Site, client: Client, font: str, accepted: str, encoding: str
) -> None:
    whole = get(client, "/").content
    answer = get(client, "/", Accept_Encoding=accepted)
    assert answer.get("Content-Encoding", "") == encoding
    unpack = {"br": brotli.decompress, "gzip": gzip.decompress, "": bytes}[encoding]
    assert unpack(answer.content) == whole
    assert int(answer["Content-Length"]) == len(answer.content)
    assert "Accept-Encoding" in answer["Vary"]
    again = get(client, "/", Accept_Encoding=accepted, If_None_Match=answer["ETag"])
    assert again.status_code == 304


def test_an_address_without_its_slash_moves_for_good_and_keeps_its_query(site: Site, client: Client, font: str) -> None:
    page = next(page.slug for page in sites.document(site).pages.values() if page.slug)
    answer = get(client, f"/{page}?from=card&x=%20y")
    assert (answer.status_code, answer["Location"]) == (301, f"/{page}/?from=card&x=%20y")
    assert "connect-src 'self'" in get(client, "/")["Content-Security-Policy"]
