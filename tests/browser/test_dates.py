"""A class typed as its owner says it, one of its dates cancelled, seen by visitors; past ones leave by themselves."""

from __future__ import annotations

from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

import pytest
from freezegun import freeze_time

from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


def test_a_date_leaves_the_live_page_when_it_is_over(demo: Site, client) -> None:
    """At the end of the day in the time zone of the site, without another edition."""
    zone = ZoneInfo("Europe/London")
    day = datetime.now(zone).replace(hour=12, minute=0, second=0, microsecond=0) + timedelta(days=1)

    fields = {"title": "Low tide walk", "day": f"{day:%Y-%m-%d}", "begins": "10:00", "ends": "12:30"}
    for field, words in fields.items():
        about = {"section": "c-dates", "item": "d4", "field": field, "words": words}
        sites.edit(Site.objects.get(pk=demo.pk), "set-words", about)
    edition = hosting.publish(Site.objects.get(pk=demo.pk))
    host = f"{demo.slug}.localhost"
    before = client.get("/classes/", SERVER_NAME=host)
    assert b"Low tide walk" in before.content
    with freeze_time(day + timedelta(minutes=29)):
        assert b"Low tide walk" in client.get("/classes/", SERVER_NAME=host).content
    with freeze_time(day + timedelta(minutes=31)):
        after = client.get("/classes/", SERVER_NAME=host)
        assert b"Low tide walk" not in after.content
        assert after["ETag"] != before["ETag"]
        assert client.get("/classes/", SERVER_NAME=host, headers={"If-None-Match": after["ETag"]}).status_code == 304
        assert client.get("/vouchers/", SERVER_NAME=host).status_code == 200
    assert hosting.live_edition(Site.objects.get(pk=demo.pk)) == edition


def test_reading_needs_no_script(demo: Site, client) -> None:
    client.force_login(demo.owner, backend="django.contrib.auth.backends.ModelBackend")
    query = "?page=classes&section=c-dates&item=d0&phrase=every+Saturday+10-13"
    page = client.get(f"/sites/{demo.slug}/pages/{query}").content.decode()
    assert "Every Saturday, 10:00–13:00" in page
