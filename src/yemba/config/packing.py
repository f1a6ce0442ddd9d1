"""Text is packed on its way, unless it is already: a desk is a fifth as long then, a stylesheet a seventh.

What answers an edit goes out as it is: a key waits for it.
"""

from __future__ import annotations

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse
from django.middleware.gzip import GZipMiddleware

TEXT = ("text/", "image/svg", "application/")
"""How the media types begin of what comes out much shorter; pictures and fonts are short already."""
_PARTIAL = 206


def packed(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """By gzip, with some random bytes beside it, so that its length does not tell what secret is in it."""
    gzip = GZipMiddleware(get_response)

    def answer(request: HttpRequest) -> HttpResponse:
        response = get_response(request)
        is_text = response.get("Content-Type", "").startswith(TEXT)
        if is_text and request.method == "GET" and not response.streaming and response.status_code != _PARTIAL:
            gzip.process_response(request, response)
        return response

    return answer
