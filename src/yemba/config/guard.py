"""What stands before Django: bodies that are too long, or come too slowly, are refused before anything reads them.

A proxy in front does this better, since it waits for slow senders without a thread (``manage.py proxy_config``). This
holds where there is none.
"""

from __future__ import annotations

import re
import socket
import threading
import time
from collections.abc import Callable, Collection, Iterable
from http import HTTPStatus
from typing import Any

from yemba.config.faults import FACES
from yemba.core.limits import MB
from yemba.core.untrusted import whole

Environ = dict[str, Any]
Application = Callable[[Environ, Callable[..., Any]], Iterable[bytes]]

FORM_BYTES, PLAIN_BYTES, UPLOAD_BYTES = 250_000, 2 * MB, 64 * MB
BODY_LIMITS = (
    (re.compile(r"/-/form/"), FORM_BYTES),
    (re.compile(r"/sites/[^/]+/(?:upload|font-upload|file-upload|palette-file)/|/brand-sheets/import/"), UPLOAD_BYTES),
)
"""Bytes that the body of a request may have, by how its path begins; PLAIN_BYTES elsewhere."""
_FORWARDED = ("HTTP_X_FORWARDED_FOR", "HTTP_X_FORWARDED_PROTO", "HTTP_X_FORWARDED_HOST", "HTTP_FORWARDED")
AT_ONCE, PATIENCE = 0.5, 15.0
"""Seconds in which a body is expected; then it is slow, and may take so long, and longer for each 50 kB."""
_SLOW = threading.BoundedSemaphore(3)  # bodies that are waited for at a time: fewer than there are threads


def limit(path: str) -> int:
    return next((most for pattern, most in BODY_LIMITS if pattern.match(path)), PLAIN_BYTES)


class Guard:
    """The application, behind these limits."""

    def __init__(self, application: Application, proxies: Collection[str] = ()) -> None:
        """`proxies` are the addresses whose word is taken for who asks, and by which scheme."""
        self.application = application
        self.proxies = frozenset(proxies)

    def __call__(self, environ: Environ, start_response: Callable[..., Any]) -> Iterable[bytes]:
        self._tell_who_asks(environ)
        length_header, most = environ.get("CONTENT_LENGTH") or "0", limit(environ.get("PATH_INFO", ""))
        length = whole(length_header)
        if length is None or length > most:
            sentence = f"What was sent has {length_header[:15]} bytes; at most {most:,} fit."
            return _refused(start_response, 413, sentence)
        if length and (line := environ.get("gunicorn.socket")) is not None:
            environ["wsgi.input"] = Timely(environ["wsgi.input"], line, length)
        return self.application(environ, start_response)

    def _tell_who_asks(self, environ: Environ) -> None:
        if environ.get("REMOTE_ADDR") not in self.proxies:
            for name in _FORWARDED:
                environ.pop(name, None)
        elif forwarded := environ.get("HTTP_X_FORWARDED_FOR"):
            environ["REMOTE_ADDR"] = forwarded.rpartition(",")[2].strip()  # the last is the proxy's own word


class TooSlow(OSError):
    """A body that did not come in time."""


class Timely:
    """The body of a request, that must come in time. Raises TooSlow otherwise."""

    def __init__(self, body: Any, line: Any, length: int) -> None:
        self._body, self._line = body, line
        self._begun = time.monotonic()
        self._most = PATIENCE + length / 50_000

    def read(self, *size: int) -> bytes:
        return bytes(self._in_time(lambda: self._body.read(*size)))

    def readline(self, *size: int) -> bytes:
        return bytes(self._in_time(lambda: self._body.readline(*size)))

    def __iter__(self) -> Any:
        return iter(self.readline, b"")

    def _in_time(self, read: Callable[[], bytes]) -> bytes:
        """gunicorn keeps what it has of a body, so that a read that ended early goes on where it stopped. A body that
        drips is cut off when its time is over."""
        cut = threading.Timer(self._left(), self._line.shutdown, [socket.SHUT_RD])
        cut.daemon = True
        cut.start()
        try:
            self._line.settimeout(AT_ONCE)
            return read()
        except (TimeoutError, BlockingIOError):
            return self._waited(read)
        finally:
            cut.cancel()
            self._line.settimeout(None)

    def _waited(self, read: Callable[[], bytes]) -> bytes:
        if not _SLOW.acquire(blocking=False):
            self._line.shutdown(socket.SHUT_RD)  # so that nobody waits for the rest, the server neither
            raise TooSlow("others are slow already")
        try:
            self._line.settimeout(self._left())
            return read()
        except (TimeoutError, BlockingIOError) as error:
            self._line.shutdown(socket.SHUT_RD)
            raise TooSlow("the body did not come in time") from error
        finally:
            _SLOW.release()

    def _left(self) -> float:
        return max(0.05, self._begun + self._most - time.monotonic())


def _refused(start_response: Callable[..., Any], status: int, sentence: str) -> list[bytes]:
    face = FACES[status]
    page = (
        f'<!doctype html><html lang="en-GB"><meta charset="utf-8"><title>{face.title}</title>'
        f"<h1>{face.title}</h1><p>{sentence} {face.sentence}</p></html>"
    ).encode()
    headers = [("Content-Type", "text/html; charset=utf-8"), ("Content-Length", str(len(page)))]
    start_response(f"{status} {HTTPStatus(status).phrase}", headers)
    return [page]
