"""Requests made of what is there and of what nobody should send: every command and every address answers, and in a
sentence.

More of them: YEMBA_REQUESTS=20000 bin/test tests/hostile/test_requests.py -s
"""

from __future__ import annotations

import os
import random
import time
from collections import Counter
from collections.abc import Iterator

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from django.urls import URLPattern, get_resolver

from tests.sampling import fewer
from yemba.core.change.command import commands
from yemba.core.site.settings import SETTINGS
from yemba.hosting import services as hosting
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
REQUESTS = int(os.environ.get("YEMBA_REQUESTS", fewer(300)))
JUNK = [
    *("", " ", "0", "-1", "²", "1e9", "9" * 400, "inf", "nan", "true", "null", "[]", "{}", "\x00", "a" * 5000),
    *(
        "../../etc",
        "%00",
        "<script>alert(1)</script>",
        "'; drop table",
        "{{ 7*7 }}",
        "\u202e\u0000x",
        "🙂" * 30,
        "ß" * 90,
    ),
    *("page:", "page:nowhere", "https://", "javascript:alert(1)", "#fff", "#12345g", "rgb(1,2", "€ 3", "1,5", "12:61"),
    *"2026-02-31 up down first wide none h1.wide type.base palette light xnone xxxxxxxxxxxxx".split(),
]
ANSWERS = {200, 204, 301, 302, 303, 304, 400, 403, 404, 405, 409, 410, 413, 422, 429}


class Sender:
    """Requests of one person with two sites, out of what these hold and out of JUNK."""

    def __init__(self, client: Client, site: Site, chance: random.Random) -> None:
        self.client, self.site, self.chance = client, site, chance
        self.told: Counter[int] = Counter()
        self.slowest = (0.0, "")

    def known(self) -> list[str]:
        """What a request could name, and what of a value could be meant."""
        document = sites.document(self.site)
        look = sites.look(self.site)
        sections = [standing.key for standing in document.standing()]
        items = [key for standing in document.standing() for key in standing.section.items]
        fields = [name for standing in document.standing() for name in standing.section.fields]
        named = [*document.pages, *sections, *items, *fields, *document.pictures, *document.bin, *look.grounds]
        known = look.catalogue
        kinds = [*known.kinds, *known.templates, *known.families, *known.arrangements]
        return [*named, *kinds, *(colour["id"] for colour in look.value("palette")), "heading", "h2.weight", "body"]

    def fitting(self, name: str) -> str:
        """What this argument is meant to name, most of the time."""
        if self.chance.random() < 0.3:
            return self.value()
        document, look = sites.document(self.site), sites.look(self.site)
        sections = {standing.key: standing.section for standing in document.standing()}
        pools: dict[str, list[str]] = {
            "page": list(document.pages),
            "section": list(sections),
            "item": [key for section in sections.values() for key in section.items],
            "field": ["heading", "lead", "body", "title", "price", "day", "picture", "link", "button"],
            "key": list(SETTINGS),
            "picture": [*document.pictures, *document.bin],
            "colour": [colour["id"] for colour in look.value("palette")],
            "ground": list(look.grounds),
            "kind": list(look.catalogue.kinds),
            "template": list(look.catalogue.templates),
            "layout": [slug for kind in look.catalogue.kinds.values() for slug in kind.layout_names()],
            "role": ["fill", "text", "heading", "button", "link"],
            "by": ["up", "down", "-1", "1"],
        }
        return self.chance.choice(pools.get(name) or [self.value()])

    def value(self) -> str:
        return self.chance.choice(JUNK if self.chance.random() < 0.5 else self.known())

    def send(self, method: str, path: str, data: dict[str, object], accept: str) -> None:
        begun = time.process_time()
        answer = getattr(self.client, method)(path, data, headers={"accept": accept})
        list(answer.streaming_content) if answer.streaming else answer.content
        self.slowest = max(self.slowest, (time.process_time() - begun, f"{method} {path} {data}"))
        self.told[answer.status_code] += 1
        assert answer.status_code in ANSWERS, f"{answer.status_code} for {method} {path} {data}"

    def a_command(self) -> None:
        kind = self.chance.choice(list(commands().values()))
        fields = {name: self.fitting(name) for name in kind.model_fields if self.chance.random() < 0.9}
        about = {"revision": self.value(), "gesture": self.value(), "window": self.value()}
        self.send("post", "/sites/saltmarsh/edit/", {"command": kind.name, **about, **fields}, "application/json")

    def an_address(self) -> None:
        pattern = self.chance.choice(PATTERNS)
        path = "/" + pattern.pattern.describe().strip("'").partition("' [")[0]
        for name, kind in pattern.pattern.converters.items():
            value = "saltmarsh" if name == "slug" else str(self.chance.choice(self._pieces(type(kind).__name__)))
            path = path.replace(f"<{type(kind).__name__.removesuffix('Converter').lower()}:{name}>", value)
        names = "page section show colour ground look first second at goes without more plan picture hue q do key when".split()
        names += ["file", "title", "username", "sheet_name", "select"]
        data: dict[str, object] = {name: self.value() for name in self.chance.sample(names, self.chance.randint(0, 5))}
        if self.chance.random() < 0.2:
            data["file"] = SimpleUploadedFile("a.svg", self.chance.choice(FILES))
        method = self.chance.choice(["get", "post"])
        if "sign-out" not in path and "enter-the-demo" not in path:
            self.send(method, path, data, self.chance.choice(["text/html", "application/json"]))

    def _pieces(self, kind: str) -> list[object]:
        if kind.startswith("Int"):
            return [0, 1, 2, 99999, 10**30]
        slugs = "palette type logo header pages footer proof history template x css gpl".split()
        return [*slugs, *[one for one in self.known() if one.isalnum()]]


FILES = [b"", b"<svg/>", b"GIF89a", b"{}", b"\x89PNG\r\n\x1a\n", b"wOF2" + bytes(60), b"#fff\n#000", b"\xff\xfe" * 40]
PATTERNS = [one for one in get_resolver("yemba.studio.urls").url_patterns if isinstance(one, URLPattern)]


@pytest.fixture
def sender(client: Client, ines: Person, site: Site) -> Iterator[Sender]:
    hosting.publish(site)
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    client.raise_request_exception = False
    yield Sender(client, Site.objects.get(pk=site.pk), random.Random(11))


def test_every_command_answers_whatever_it_is_given(sender: Sender) -> None:
    for _ in range(REQUESTS):
        sender.a_command()
        sender.site.refresh_from_db()
    assert sites.document(sender.site).order, "the site is still one"
    assert sender.told[200] > REQUESTS / 50, f"some of it is done: {sender.told}"
    print(sender.told, "slowest, in s of work:", sender.slowest)


def test_every_address_answers_whatever_it_is_given(sender: Sender) -> None:
    for _ in range(REQUESTS):
        sender.an_address()
        sender.site.refresh_from_db()
    assert len(sender.told) > 3, f"not all of it alike: {sender.told}"
    print(sender.told, "slowest, in s of work:", sender.slowest)
