"""Text that is asked for comes packed; what answers an edit, or is asked for in part, as it is."""

from __future__ import annotations

import gzip
import re

from django.test import Client

from yemba.hosting import services as hosting
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Site

PACKED = {"accept-encoding": "gzip"}
DRAFT = "draft--saltmarsh.localhost"
LIVE = "saltmarsh.localhost"


def sheets(html: str) -> list[str]:
    return re.findall(r'href="(assets/[^"]+[.]css)"', html)


def test_desks_their_answers_and_the_styles_of_drafts_are_packed(client: Client, site: Site, ines: Person) -> None:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    base = f"/~{hosting.draft_token(site, ines)}/"
    draft = client.get(base, headers={"host": DRAFT})
    sheet = base + sheets(draft.content.decode())[0]
    json = {"accept": "application/json"}
    for address, more in (("/sites/saltmarsh/type/", {}), ("/sites/saltmarsh/type/", json), (sheet, {"host": DRAFT})):
        plain = client.get(address, headers=more)
        packed = client.get(address, headers=more | PACKED)
        assert packed["Content-Encoding"] == "gzip"
        assert len(packed.content) < len(plain.content) / 3, address
        assert "Accept-Encoding" in packed["Vary"]
    assert gzip.decompress(packed.content) == plain.content


def test_the_same_text_is_of_another_length_each_time(client: Client, site: Site, ines: Person) -> None:
    """Or else it would tell a stranger who can add to it what else is in it."""
    base = f"/~{hosting.draft_token(site, ines)}/"
    sheet = base + sheets(client.get(base, headers={"host": DRAFT}).content.decode())[0]
    assert len({len(client.get(sheet, headers={"host": DRAFT} | PACKED).content) for _ in range(12)}) > 3


def test_what_answers_an_edit_goes_out_as_it_is(client: Client, site: Site, ines: Person) -> None:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    colour = {"command": "set-colour", "colour": "c1", "hex": "#8c3b2a", "window_page": sites.document(site).order[0]}
    answer = client.post("/sites/saltmarsh/edit/", colour, headers=PACKED | {"accept": "application/json"})
    assert "Content-Encoding" not in answer
    assert len(answer.content) > 1000, "long enough to be packed"


def test_a_part_of_a_page_goes_out_as_it_is(client: Client, site: Site) -> None:
    hosting.publish(site)
    part = client.get("/", headers={"host": LIVE, "range": "bytes=0-999"} | PACKED)
    assert (part.status_code, len(part.content)) == (206, 1000)
    assert "Content-Encoding" not in part
