"""What a script is told when its session has ended: an answer it can read, where a person would be sent to sign in."""

from __future__ import annotations

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse, HttpResponseRedirect, JsonResponse
from django.shortcuts import render, resolve_url

from yemba.core.message import Message

SENTENCE = Message("You are signed out. Sign in again, then go on: nothing that you typed is lost.")


def wants_json(request: HttpRequest) -> bool:
    return request.headers.get("Accept", "") == "application/json"


def answer(status: int) -> JsonResponse:
    return JsonResponse({"error": {"code": "signed-out", "sentence": str(SENTENCE), "field": ""}}, status=status)


def in_json(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Middleware: 401 for a script, where the answer would lead to the page for signing in."""

    def respond(request: HttpRequest) -> HttpResponse:
        response = get_response(request)
        if not (isinstance(response, HttpResponseRedirect) and wants_json(request)):
            return response
        return answer(401) if response.url.startswith(resolve_url(settings.LOGIN_URL)) else response

    return respond


def _is_known(request: HttpRequest) -> bool:
    """Whether somebody is signed in; a request that was answered before that was asked is nobody's."""
    user = getattr(request, "user", None)
    return user is not None and user.is_authenticated


def never_kept(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Middleware: what a person saw is not shown again by Back once they signed out."""

    def respond(request: HttpRequest) -> HttpResponse:
        response = get_response(request)
        if not response.has_header("Cache-Control") and _is_known(request):
            response["Cache-Control"] = "no-store"
        return response

    return respond


def refused(request: HttpRequest, reason: str = "") -> HttpResponse:
    """The view for a request without a valid token against forgery: most often a page from before one signed out."""
    return answer(403) if wants_json(request) else render(request, "people/refused.html", status=403)
