"""A calendar file brought in as entries of a section of dates."""

from __future__ import annotations

import json

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.views.decorators.http import require_POST

from yemba.core.calendar.ics_file import MOST_BYTES, read_calendar
from yemba.core.errors import Fault
from yemba.core.message import Joined, Message
from yemba.core.site.dates import fields_of, zone
from yemba.sites import services as sites
from yemba.studio.bench import answer, site_of


@login_required
@require_POST
def read_file(request: HttpRequest, slug: str) -> HttpResponse:
    """The events of a file become entries; those that could not be read are named."""
    site = site_of(request, slug)
    file = request.FILES.get("file")

    def put() -> sites.Done:
        if file is None:
            raise Fault("no-file", Message("No file was chosen. Choose a calendar file (.ics)."), "file")
        calendar = read_calendar(file.read(MOST_BYTES + 1), zone(sites.look(site)))
        if not calendar.happenings:
            reason = f" {calendar.left_out[0]}" if calendar.left_out else ""
            raise Fault(
                "no-dates",
                Message("There are no dates to bring in from {name}.{reason}", name=file.name, reason=reason),
                "file",
            )
        if calendar.left_out:
            messages.info(request, Message("Not brought in: {entries}", entries=Joined("; ", calendar.left_out[:5])))
        entries = json.dumps([fields_of(one) for one in calendar.happenings], ensure_ascii=False)
        return sites.edit(site, "add-dates", {"section": request.POST.get("section", ""), "entries": entries})

    return answer(request, site, put)
