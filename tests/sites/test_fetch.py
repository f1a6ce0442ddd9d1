"""Fetching from addresses that somebody typed: what is refused, how soon, and that nothing inner is ever asked."""

from __future__ import annotations

import socket
import time
from collections.abc import Iterator
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from threading import Thread
from typing import Any

import pytest

from yemba.core.errors import Fault
from yemba.sites import fetch as fetching
from yemba.sites.fetch import Copy, fetch

OWN = "feeds.test"
INNER = (
    "127.0.0.1", "10.1.2.3", "172.16.0.9", "192.168.1.1", "169.254.169.254", "100.64.0.1", "0.0.0.0", "224.0.0.1",
    "255.255.255.255", "::1", "::", "fe80::1", "fd00::1", "ff02::1", "::ffff:10.0.0.1", "64:ff9b::a00:1",
    "64:ff9b::7f00:1", "2002:a00:1::", "2002:7f00:1::1",
)  # fmt: skip
OUTER = ("93.184.215.14", "2606:2800:21f:cb07:6820:80da:af6b:8b2c", "::ffff:93.184.215.14", "64:ff9b::5db8:d70e")


class _Server(BaseHTTPRequestHandler):
    """A server elsewhere, good and bad."""

    protocol_version = "HTTP/1.1"
    seen: list[tuple[str, dict[str, str]]] = []

    def log_message(self, *_: Any) -> None:
        pass

    def do_GET(self) -> None:
        self.seen.append((self.path, dict(self.headers)))
        getattr(self, f"_{self.path.strip('/').split('/')[0]}")()

    def _answer(self, data: bytes = b"", status: int = 200, **headers: str) -> None:
        self.send_response(status)
        for name, value in headers.items():
            self.send_header(name.replace("_", "-"), value)
        self.send_header("Content-Length", str(len(data)))
        self.end_headers()
        self.wfile.write(data)

    def _good(self) -> None:
        if self.headers.get("If-None-Match") == '"1"':
            self._answer(status=304)
        else:
            self._answer(b"calendar", ETag='"1"', Last_Modified="Fri, 01 Jan 2027 10:00:00 GMT")

    def _moved(self) -> None:
        self._answer(status=302, Location="/good")

    def _loop(self) -> None:
        self._answer(status=302, Location=f"/loop/{time.monotonic()}")

    def _inner(self) -> None:
        self._answer(status=307, Location="http://169.254.169.254/latest/")

    def _port(self) -> None:
        self._answer(status=302, Location="https://hall.example:8443/")

    def _script(self) -> None:
        self._answer(status=302, Location="file:///etc/passwd")

    def _gone(self) -> None:
        self._answer(b"no", 404)

    def _packed(self) -> None:
        self._answer(b"\x1f\x8b", Content_Encoding="gzip")

    def _large(self) -> None:
        self.send_response(200)
        self.send_header("Content-Length", str(50_000_000))
        self.end_headers()
        try:
            for _ in range(500):
                self.wfile.write(b"x" * 100_000)
        except OSError:
            return

    def _broken(self) -> None:
        self.send_response(200)
        self.send_header("Content-Length", "100")
        self.end_headers()
        self.wfile.write(b"only this")
        self.close_connection = True

    def _slow(self) -> None:
        self.send_response(200)
        self.end_headers()
        try:
            for _ in range(100):
                self.wfile.write(b"x")
                self.wfile.flush()
                time.sleep(0.2)
        except OSError:
            return


@pytest.fixture(scope="module")
def base() -> Iterator[str]:
    server = ThreadingHTTPServer(("127.0.0.1", 0), _Server)
    Thread(target=server.serve_forever, daemon=True).start()
    yield f"http://feeds.test:{server.server_port}"
    server.shutdown()


def test_a_copy_comes_with_its_validators_and_is_asked_for_by_them(base: str) -> None:
    copy = fetch(f"{base}/good", 1000, own=OWN)
    assert copy == Copy(b"calendar", '"1"', "Fri, 01 Jan 2027 10:00:00 GMT")
    assert fetch(f"{base}/good", 1000, known=copy, own=OWN).data is None
    assert fetch(f"{base}/moved", 1000, own=OWN).data == b"calendar"
    assert _Server.seen[-1][1]["Accept-Encoding"] == "identity"


@pytest.mark.parametrize(
    ("path", "reason"),
    [
        ("loop", "more than 3 times"),
        ("inner", "inner network (169.254.169.254)"),
        ("port", "port 8443"),
        ("script", "no address on the web"),
        ("gone", "answered 404"),
        ("packed", "packed"),
        ("large", "larger than 1 MB"),
        ("broken", "broke off"),
    ],
)
def test_hostile_answers_are_refused_with_a_reason(path: str, reason: str, base: str) -> None:
    began = time.monotonic()
    with pytest.raises(Fault) as refused:
        fetch(f"{base}/{path}", 1_000_000, own=OWN)
    assert refused.value.code == "not-fetched"
    assert reason in refused.value.sentence
    assert time.monotonic() - began < 5


def test_of_the_installation_itself_its_own_port_alone_is_asked(base: str) -> None:
    own = base.removeprefix("http://")
    assert fetch(f"{base}/good", 1000, own=own).data == b"calendar"
    with pytest.raises(Fault, match="port 81"):
        fetch("http://feeds.test:81/good", 1000, own=own)


def test_one_that_speaks_no_tls_is_not_said_to_lack_a_certificate(base: str) -> None:
    with pytest.raises(Fault, match="does not answer to https; put http:// before it"):
        fetch(f"{base.replace('http', 'https')}/good", 1000, own=OWN)


def test_one_that_drips_is_cut_off(base: str, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(fetching, "SECONDS", 1)
    began = time.monotonic()
    with pytest.raises(Fault, match="within 1 seconds"):
        fetch(f"{base}/slow", 1000, own=OWN)
    assert time.monotonic() - began < 4


def _resolves(monkeypatch: pytest.MonkeyPatch, *numbers: str) -> list[str]:
    """Every host has these addresses; what is connected to is told, and answers nothing."""
    asked: list[str] = []

    def connect(where: tuple[str, int], **_: Any) -> socket.socket:
        asked.append(where[0])
        raise OSError("nobody there")

    found = [(socket.AF_INET, socket.SOCK_STREAM, 6, "", (number, 80)) for number in numbers]
    monkeypatch.setattr(socket, "getaddrinfo", lambda *_, **__: found)
    monkeypatch.setattr(socket, "create_connection", connect)
    return asked


@pytest.mark.parametrize("number", INNER)
def test_no_inner_machine_is_ever_asked(number: str, monkeypatch: pytest.MonkeyPatch) -> None:
    for numbers in ([number], ["93.184.215.14", number]):  # also where only one of its addresses is an inner one
        asked = _resolves(monkeypatch, *numbers)
        with pytest.raises(Fault, match="inner network"):
            fetch("https://hall.example/a.ics", 1000)
        assert asked == []


@pytest.mark.parametrize("number", OUTER)
def test_machines_of_the_whole_net_are(number: str, monkeypatch: pytest.MonkeyPatch) -> None:
    asked = _resolves(monkeypatch, number)
    with pytest.raises(Fault, match="cannot be reached"):
        fetch("https://hall.example/a.ics", 1000)
    assert asked == [number]


@pytest.mark.parametrize(
    ("address", "reason"),
    [
        ("http://hall.example:25/", "port 25"),
        ("https://feeds.test.example:8000/", "port 8000"),
        ("gopher://hall.example/", "no address on the web"),
    ],
)
def test_other_ports_and_protocols_are_not_asked(address: str, reason: str, monkeypatch: pytest.MonkeyPatch) -> None:
    asked = _resolves(monkeypatch, "93.184.215.14")
    with pytest.raises(Fault) as refused:
        fetch(address, 1000, own=OWN)
    assert reason in refused.value.sentence
    assert asked == []
