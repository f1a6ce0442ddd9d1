"""What the stand-in answers."""

from __future__ import annotations

from datetime import date
from hashlib import sha256
from pathlib import Path

from django.http import HttpRequest, HttpResponse, HttpResponseRedirect
from django.middleware.csrf import get_token
from django.template import Context, Engine
from django.views.decorators.http import condition, require_http_methods, require_safe

from yemba.standins.feeds import calendar

_ENGINE = Engine(dirs=[str(Path(__file__).parent)])
_MOST_LETTERS = 200_000


@require_http_methods(["GET", "HEAD", "POST"])
def page(request: HttpRequest) -> HttpResponse:
    """The calendar to be read and changed."""
    if request.method == "POST":
        calendar.write(request.POST.get("text", "")[:_MOST_LETTERS])
        return HttpResponseRedirect("/")
    context = {"text": calendar.read(date.today()), "token": get_token(request)}
    return HttpResponse(_ENGINE.get_template("page.html").render(Context(context)))


def _state(request: HttpRequest) -> str:
    return f'"{sha256(calendar.read(date.today()).encode()).hexdigest()[:16]}"'


@require_safe
@condition(etag_func=_state)
def feed(request: HttpRequest) -> HttpResponse:
    """The feed."""
    return HttpResponse(calendar.read(date.today()), content_type="text/calendar; charset=utf-8")
