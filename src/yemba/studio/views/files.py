"""Files to take away: taken in."""

from __future__ import annotations

from typing import Any

from django.contrib.auth.decorators import login_required
from django.core.files.uploadedfile import UploadedFile
from django.http import HttpRequest, HttpResponse
from django.views.decorators.http import require_POST

from yemba.core.limits import FILE_BYTES, NAME_LETTERS
from yemba.core.message import Message
from yemba.core.site.files import read_file
from yemba.core.site.ids import new_id
from yemba.sites import services as sites
from yemba.sites import uploads
from yemba.studio.bench import answer, site_of
from yemba.studio.intake import each


@login_required
@require_POST
def upload(request: HttpRequest, slug: str) -> HttpResponse:
    """Take files in, each an edit; or one in the place of another."""
    site = site_of(request, slug)

    def take(file: UploadedFile[Any]) -> sites.Done:
        data = file.read(FILE_BYTES + 1)
        form = read_file(data, str(file.name))
        about = {"file": uploads.keep(site.owner, data), "format": form, "size": len(data)}
        key = request.POST.get("replace", "") or new_id()
        return sites.edit(site, "add-file", {"own_file": key, **about, "file_name": str(file.name)[:NAME_LETTERS]})

    none = Message("No file was chosen. Choose a PDF, a text, a table, a calendar or a sound.")
    return answer(request, site, lambda: each(request.FILES.getlist("file"), take, none))
