"""Requests that are too long or too slow, against the server as it is run."""

from __future__ import annotations

import re
import socket
import subprocess
import sys
import time
from collections.abc import Iterator
from pathlib import Path

import pytest
from django.conf import settings

from tests.installation import install
from yemba.config.guard import FORM_BYTES, PLAIN_BYTES, UPLOAD_BYTES, limit


@pytest.fixture(scope="module")
def port(tmp_path_factory: pytest.TempPathFactory) -> Iterator[int]:
    """An empty installation, served by one process."""
    with socket.socket() as tried:
        tried.bind(("127.0.0.1", 0))
        number = tried.getsockname()[1]
    environment = install(tmp_path_factory, tmp_path_factory.mktemp("data"))
    environment |= {"YEMBA_BIND": f"127.0.0.1:{number}", "YEMBA_WORKERS": "1"}
    gunicorn = Path(sys.executable).parent / "gunicorn"
    server = subprocess.Popen(
        [gunicorn, "--config", "python:yemba.config.serve", "yemba.config.wsgi"], env=environment, cwd=settings.ROOT
    )
    try:
        for _ in range(300):
            with socket.socket() as tried:
                if tried.connect_ex(("127.0.0.1", number)) == 0:
                    break
            time.sleep(0.1)
        yield number
    finally:
        server.terminate()
        server.wait()


def sent(port: int, head: str, body: bytes = b"") -> socket.socket:
    line = socket.create_connection(("127.0.0.1", port), timeout=40)
    line.sendall(head.replace("\n", "\r\n").encode() + body)
    return line


def answered(line: socket.socket) -> str:
    """The answer as far as its length says, "" where the line was cut."""
    whole = b""
    with line:
        while not (told := re.search(rb"Content-Length: (\d+)\r\n(?:.+\r\n)*\r\n", whole)) or (
            len(whole) < told.end() + int(told[1])
        ):
            part = line.recv(4000)
            if not part:
                break
            whole += part
    return whole.decode(errors="replace")


def front(port: int) -> float:
    """Seconds until the front page is there."""
    begun = time.monotonic()
    assert " 200 " in answered(sent(port, "GET / HTTP/1.1\nHost: localhost\nConnection: close\n\n"))[:20]
    return time.monotonic() - begun


def post(path: str, length: str, host: str = "localhost") -> str:
    kind = "application/x-www-form-urlencoded"
    return f"POST {path} HTTP/1.1\nHost: {host}\nContent-Type: {kind}\nContent-Length: {length}\n\n"


@pytest.mark.parametrize(
    ("path", "host", "most"),
    [
        ("/-/form/abc/", "saltmarsh.localhost", FORM_BYTES),
        ("/sites/saltmarsh/edit/", "localhost", PLAIN_BYTES),
        ("/sites/saltmarsh/upload/", "localhost", UPLOAD_BYTES),
        ("/brand-sheets/import/", "localhost", UPLOAD_BYTES),
        ("/sites/upload/edit/", "localhost", PLAIN_BYTES),
    ],
)
def test_a_body_longer_than_its_path_takes_is_refused_before_it_comes(
    port: int, path: str, host: str, most: int
) -> None:
    assert limit(path) == most
    answer = answered(sent(port, post(path, str(most + 1), host), b"a" * 1000))
    assert answer.startswith("HTTP/1.1 413 ")
    assert f"{most + 1} bytes; at most {most:,} fit" in answer


def test_a_length_of_many_digits_is_refused(port: int) -> None:
    assert answered(sent(port, post("/sign-in/", "9" * 18)))[9:12] in ("400", "413")


def test_half_requests_hold_nobody_up_and_a_slow_body_is_told_so_or_cut_off(port: int) -> None:
    """As many as there are threads, half of their head or half of their body sent."""
    slow, begun = sent(port, post("/sign-in/", "1000"), b"username="), time.monotonic()
    heads = [sent(port, "POST /sign-in/ HTTP/1.1\nHost: loc") for _ in range(8)]
    bodies = [sent(port, post("/sign-in/", "1000"), b"username=") for _ in range(16)]
    time.sleep(1.5)
    assert front(port) < 15
    for line in (*heads, *bodies):
        line.close()
    answer = answered(slow)
    assert time.monotonic() - begun < 30
    assert answer == "" or answer[9:12] in ("400", "403", "408"), answer[:200]


def test_a_body_that_comes_in_pieces_is_taken(port: int) -> None:
    line = sent(port, post("/sign-in/", "18"), b"username=")
    time.sleep(1.2)
    line.sendall(b"a&word=bb")
    assert answered(line)[9:12] == "403", "it is read, and has no token against forgery"
