"""The waiting changes as the rail and the proof tell of them."""

from __future__ import annotations

import pytest

from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site
from yemba.studio.waiting import waiting

pytestmark = pytest.mark.django_db


def test_sections_of_a_new_sidebar_touch_the_pages_that_show_them(site: Site) -> None:
    hosting.publish(site)
    for kind in ("hours-and-place", "words"):
        sites.edit(site, "add-section", {"part": "sidebar", "kind": kind})
    anew = Site.objects.get(pk=site.pk)
    assert [waits.spots for waits in waiting(anew)] == [[], []], "without a sidebar they show nowhere"
    sites.edit(anew, "set-value", {"key": "sidebar.side", "value": "start"})
    anew = Site.objects.get(pk=site.pk)
    pages = set(sites.document(anew).pages)
    reached = [{spot.page for spot in waits.spots} for waits in waiting(anew)]
    assert len(reached) == 3
    assert reached == [pages] * 3
