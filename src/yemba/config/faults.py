"""Errors with a face: pages that say what happened and what to do, each with a number that the log has too."""

from __future__ import annotations

import errno
import logging
import secrets
from collections.abc import Callable
from typing import NamedTuple

from django.db import DatabaseError
from django.http import HttpRequest, HttpResponse, JsonResponse, UnreadablePostError
from django.shortcuts import render
from django.utils.cache import add_never_cache_headers

from yemba.core.message import Message, labels

_LOG = logging.getLogger("yemba.fault")


class Face(NamedTuple):
    """What a page of this status says."""

    title: str
    sentence: str


FACES = {
    400: Face(
        Message("That was not understood"),
        Message("What your browser sent could not be read. Go back, and try it again."),
    ),
    403: Face(
        Message("Not yours to see"),
        Message("This belongs to somebody else, or the page is from before you signed in. Go back."),
    ),
    404: Face(Message("Nothing at this address"), Message("It may have been mistyped, or what stood here is gone.")),
    408: Face(
        Message("That took too long"),
        Message("What your browser sent did not arrive in time. Try it again on a better line."),
    ),
    413: Face(Message("That is too much"), Message("Go back and send less of it.")),
    500: Face(
        Message("Something broke"),
        Message("That is Yemba’s fault, not yours. What was kept before is still kept. Try it again."),
    ),
    503: Face(
        Message("Not just now"),
        Message("Yemba cannot write just now. What was kept before is still kept. Try it again later."),
    ),
}
_WRITING = labels(
    {
        errno.ENOSPC: "The disk is full.",
        errno.EDQUOT: "The disk is full.",
        errno.EROFS: "The disk can be read, but not written.",
        errno.EACCES: "The disk can be read, but not written.",
    }
)
_OF_DATABASE = labels(
    {
        "full": "The disk is full.",
        "readonly": "The database can be read, but not written.",
        "locked": "Others are writing just now.",
        "disk i/o": "The disk does not answer.",
    }
)


def page(request: HttpRequest, status: int, why: str = "") -> HttpResponse:
    """The page of a status; for a script the same in JSON. `why` is said before what it always says."""
    face, number = FACES[status], secrets.token_hex(3)
    level = logging.ERROR if status >= 500 else logging.INFO
    _LOG.log(level, "%s at %s: fault %s. %s", status, request.path, number, why, exc_info=status >= 500)
    sentence = f"{why} {face.sentence}".strip()
    if request.headers.get("Accept") == "application/json":
        error = {
            "code": f"status-{status}",
            "sentence": Message("{sentence} (Number {number})", sentence=sentence, number=number),
            "field": "",
        }
        return JsonResponse({"error": error}, status=status)
    context = {"title": face.title, "sentence": sentence, "number": number, "home": hasattr(request, "site_slug")}
    answer = render(request, "errors/page.html", context, status=status)
    add_never_cache_headers(answer)
    return answer


def bad_request(request: HttpRequest, exception: Exception) -> HttpResponse:
    return page(request, 400)


def denied(request: HttpRequest, exception: Exception) -> HttpResponse:
    return page(request, 403)


def missing(request: HttpRequest, exception: Exception) -> HttpResponse:
    return page(request, 404)


def broken(request: HttpRequest) -> HttpResponse:
    return page(request, 500)


class CannotWrite:
    """Middleware: a disk or a database that takes nothing is told in a sentence, as 503."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        return self.get_response(request)

    def process_exception(self, request: HttpRequest, exception: Exception) -> HttpResponse | None:
        """None for anything else, which then is a 500."""
        if isinstance(exception, UnreadablePostError):
            return page(request, 408)
        why = reason(exception)
        return page(request, 503, why) if why else None


def reason(exception: Exception) -> str:
    """Why nothing could be written; "" where that is not what happened."""
    if isinstance(exception, OSError):
        return _WRITING.get(exception.errno or 0, "")
    if isinstance(exception, DatabaseError):
        return next((why for words, why in _OF_DATABASE.items() if words in str(exception).lower()), "")
    return ""
