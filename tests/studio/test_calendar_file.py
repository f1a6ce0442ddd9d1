"""A calendar file brought in on the desk of dates."""

from __future__ import annotations

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from yemba.sites import services as sites
from yemba.sites.models import Site

CALENDAR = """BEGIN:VCALENDAR
VERSION:2.0
BEGIN:VEVENT
SUMMARY:Low tide walk & talk
LOCATION:Tide Row
DESCRIPTION:Bring <boots>
URL:https://tide.example/walk
DTSTART:20270604T100000
RRULE:FREQ=WEEKLY;COUNT=3
END:VEVENT
BEGIN:VEVENT
SUMMARY:Every second
DTSTART:20270604T100000
RRULE:FREQ=SECONDLY
END:VEVENT
END:VCALENDAR
"""


@pytest.fixture
def section(site: Site) -> str:
    page = sites.document(site).order[0]
    sites.edit(site, "add-section", {"page": page, "kind": "dates"})
    return sites.document(Site.objects.get(pk=site.pk)).pages[page].order[-1]


def _post(client: Client, section: str, name: str, text: str) -> str:
    file = SimpleUploadedFile(name, text.encode(), "text/calendar")
    where = {"chapter": "pages", "here": f"?section={section}", "form": "calendar-file"}
    answer = client.post("/sites/saltmarsh/calendar-file/", {"section": section, "file": file, **where}, follow=True)
    return answer.content.decode()


def _entries(site: Site, section: str) -> list[dict[str, str]]:
    stored = sites.document(Site.objects.get(pk=site.pk)).section(section).section
    return [stored.items[key].fields for key in stored.order]


def test_its_events_become_entries_once(client: Client, site: Site, section: str) -> None:
    client.force_login(site.owner, backend="django.contrib.auth.backends.ModelBackend")
    before = len(_entries(site, section))
    page = _post(client, section, "walks.ics", CALENDAR)
    assert "Not brought in: Every second" in page
    *_, entry = _entries(site, section)
    assert entry == {
        "title": "Low tide walk & talk",
        "place": "Tide Row",
        "text": "<p>Bring &lt;boots&gt;</p>",
        "link": "https://tide.example/walk",
        "day": "2027-06-04",
        "begins": "10:00",
        "repeats": "FREQ=WEEKLY;COUNT=3",
    }
    _post(client, section, "walks.ics", CALENDAR)
    assert len(_entries(site, section)) == before + 1


@pytest.mark.parametrize(("text", "said"), [("no calendar", "There is no calendar in this file"), (CALENDAR.replace("COUNT=3", "COUNT=0"), "no dates to bring in")])  # fmt: skip
def test_what_is_no_calendar_is_refused_beside_its_form(
    client: Client, site: Site, section: str, text: str, said: str
) -> None:
    client.force_login(site.owner, backend="django.contrib.auth.backends.ModelBackend")
    before = _entries(site, section)
    assert said in _post(client, section, "walks.ics", text)
    assert _entries(site, section) == before
