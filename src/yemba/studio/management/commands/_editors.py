"""Owners of other sites who edit while the bench measures: each types a word as often as the one who is measured."""

from __future__ import annotations

import re
import urllib.parse
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from http.cookiejar import CookieJar
from itertools import count
from threading import Event, Thread

EDITORS = {"olga@other.example": "bench-olga", "per@other.example": "bench-per"}
"""Mail addresses, each with the slug of its site."""
SECTION = "opening"
_TOKEN = re.compile(r'name="csrfmiddlewaretoken" value="(\w+)"')


@contextmanager
def editing(port: str, password: str, pause: float) -> Iterator[None]:
    """All of them at work on the installation at this port, with `pause` seconds between two words of each.

    Raises RuntimeError where one of them could not go on: then nobody has edited beside the one measured.
    """
    over, failed = Event(), list[Exception]()
    root = f"http://localhost:{port}"

    def work(address: str, slug: str) -> None:
        try:
            _edit(root, address, password, slug, pause, over)
        except Exception as error:  # noqa: BLE001 -- raised again by the one who measures
            failed.append(error)

    threads = [Thread(target=work, args=editor) for editor in EDITORS.items()]
    for thread in threads:
        thread.start()
    try:
        yield
    finally:
        over.set()
        for thread in threads:
            thread.join()
    if failed:
        raise RuntimeError(f"another editor had to stop: {failed[0]}") from failed[0]


def _edit(root: str, address: str, password: str, slug: str, pause: float, over: Event) -> None:
    browser = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(CookieJar()))

    def post(path: str, fields: dict[str, str], token: str) -> None:
        body = urllib.parse.urlencode(fields | {"csrfmiddlewaretoken": token}).encode()
        request = urllib.request.Request(root + path, body, {"Accept": "application/json"})  # noqa: S310 -- our own
        browser.open(request).read()

    def token(path: str) -> str:
        match = _TOKEN.search(browser.open(root + path).read().decode())
        if match is None:
            raise ValueError(f"{path} has no form")
        return match[1]

    post("/sign-in/", {"username": address, "password": password}, token("/sign-in/"))
    signed = token(f"/sites/{slug}/pages/?section={SECTION}")
    for number in count():
        if over.wait(pause):
            return
        words = {"command": "set-words", "section": SECTION, "field": "heading", "words": f"Words {number}"}
        post(f"/sites/{slug}/edit/", words, signed)
