"""Errors have a face and a number, and the log has the same number."""

from __future__ import annotations

import errno
import logging
import re

import pytest
from django.core.exceptions import PermissionDenied, SuspiciousOperation
from django.db import OperationalError
from django.http import Http404
from django.test import Client

from yemba.people.models import Person
from yemba.studio.views import front

pytestmark = pytest.mark.django_db
HAPPENINGS = {
    400: SuspiciousOperation("odd"),
    403: PermissionDenied(),
    404: Http404(),
    500: RuntimeError("a mistake of ours"),
    503: OSError(errno.ENOSPC, "No space left on device"),
}


@pytest.fixture
def visitor() -> Client:
    return Client(SERVER_NAME="localhost", raise_request_exception=False)


def happens(monkeypatch: pytest.MonkeyPatch, exception: Exception) -> None:
    def fail(*_: object) -> None:
        raise exception

    monkeypatch.setattr(front, "render", fail)


@pytest.mark.parametrize("status", HAPPENINGS)
def test_each_says_what_happened_and_its_number(
    visitor: Client, monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture, status: int
) -> None:
    happens(monkeypatch, HAPPENINGS[status])
    with caplog.at_level(logging.INFO, "yemba.fault"):
        answer = visitor.get("/")
    assert answer.status_code == status
    page = answer.content.decode()
    (number,) = re.findall(r'class="mono">(\w+)<', page)
    assert f"fault {number}" in caplog.text
    assert "Traceback" not in page
    assert "a mistake of ours" not in page
    assert "no-store" in answer["Cache-Control"]


@pytest.mark.parametrize(
    ("exception", "told"),
    [
        (OSError(errno.ENOSPC, "x"), "The disk is full."),
        (OSError(errno.EROFS, "x"), "can be read, but not written"),
        (OperationalError("attempt to write a readonly database"), "The database can be read, but not written."),
        (OperationalError("database or disk is full"), "The disk is full."),
        (OperationalError("database is locked"), "Others are writing"),
    ],
)
def test_what_cannot_be_written_is_told_in_a_sentence(
    visitor: Client, monkeypatch: pytest.MonkeyPatch, exception: Exception, told: str
) -> None:
    happens(monkeypatch, exception)
    for accept in ("text/html", "application/json"):
        answer = visitor.get("/", headers={"accept": accept})
        assert answer.status_code == 503
        assert told in answer.content.decode()


def test_an_edit_that_finds_the_disk_full_says_so_and_keeps_what_was(
    visitor: Client, ines: Person, monkeypatch: pytest.MonkeyPatch
) -> None:
    from yemba.sites import services as sites

    site = sites.create(ines, "Saltmarsh Bindery", "saltmarsh", "slipway")
    before = sites.document(site)
    visitor.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")

    def full(*_: object) -> None:
        raise OSError(errno.ENOSPC, "No space left on device")

    monkeypatch.setattr(sites, "store_draft", full)
    posted = {"command": "set-value", "key": "type.base", "value": "21", "revision": "0"}
    answer = visitor.post("/sites/saltmarsh/edit/", posted, headers={"accept": "application/json"})
    assert answer.status_code == 503
    assert "The disk is full." in answer.json()["error"]["sentence"]
    site.refresh_from_db()
    assert sites.document(site) == before


def test_addresses_that_are_none_have_a_face_on_every_host(visitor: Client) -> None:
    for host in ("localhost", "draft--nowhere.localhost"):
        answer = visitor.get("/no/such/address/", headers={"host": host})
        assert answer.status_code == 404
        assert "<h1>" in answer.content.decode()
