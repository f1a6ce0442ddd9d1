"""Fetching a small file from an address that somebody typed: never from inner machines, never for long, never much.

The host is resolved once, and what it resolves to is what is connected to, so that no second answer of a name server
leads elsewhere; every redirect is a new address and is looked at as the first was.
"""

from __future__ import annotations

import ipaddress
import socket
import ssl
from contextlib import suppress
from http.client import HTTPConnection, HTTPException, HTTPResponse
from threading import Timer
from time import monotonic
from typing import NamedTuple
from urllib.parse import urljoin, urlsplit

from yemba.core.errors import Fault
from yemba.core.message import Message

SECONDS = 10
MOST_REDIRECTS = 3
_PORTS = {"http": 80, "https": 443}
_MOVED = {301, 302, 303, 307, 308}
_PIECE = 65_536
_NAT64 = ipaddress.ip_network("64:ff9b::/96")


class Copy(NamedTuple):
    """What was fetched; `data` is None where the server says that it is as it was. `etag` and `modified` are its
    validators (RFC 9110, 8.8), "" for none."""

    data: bytes | None
    etag: str = ""
    modified: str = ""


def fetch(address: str, most: int, *, known: Copy | None = None, own: str = "") -> Copy:
    """The bytes at an address, at most so many. Raises Fault ``not-fetched`` with the reason.

    `known` is the copy there is, `own` a host of this installation itself that may be asked, with its port or on any.
    """
    ends = monotonic() + SECONDS
    for _ in range(MOST_REDIRECTS + 1):
        outcome = _once(address, most, known, own, ends)
        if isinstance(outcome, Copy):
            return outcome
        address = urljoin(address, outcome)
    raise _refused(Message("It leads on more than {most_redirects} times", most_redirects=MOST_REDIRECTS))


def _once(address: str, most: int, known: Copy | None, own: str, ends: float) -> Copy | str:
    """A copy, or the address it leads on to; by `ends`, as ``time.monotonic`` tells it, all is over."""
    parts = urlsplit(address)
    if parts.scheme not in _PORTS or not parts.hostname:
        raise _refused(Message("It leads on to “{address}”, which is no address on the web", address=address[:80]))
    try:
        port = parts.port or _PORTS[parts.scheme]
    except ValueError:
        raise _refused(Message("Its port is no number")) from None
    is_own = bool(own) and own in (parts.hostname, f"{parts.hostname}:{port}")
    if not is_own and port != _PORTS[parts.scheme]:
        raise _refused(
            Message("It asks for port {port}; {ports} alone is asked", port=port, ports=_PORTS[parts.scheme])
        )
    line = _connected(parts.hostname, port, is_own)
    watch = Timer(max(0, ends - monotonic()), _shut, [line])
    watch.start()
    try:
        outcome = _asked(line, parts.scheme, parts.hostname, port, _target(parts.path, parts.query), most, known)
        if monotonic() >= ends:
            raise _refused(
                Message(
                    "{hostname} did not end its answer within {seconds} seconds",
                    hostname=parts.hostname,
                    seconds=SECONDS,
                )
            )
        return outcome
    except Fault:
        raise
    except ssl.SSLCertVerificationError as error:
        raise _refused(Message("{hostname} has no certificate that is trusted", hostname=parts.hostname)) from error
    except ssl.SSLError as error:
        raise _refused(
            Message(
                "{hostname} does not answer to https; put http:// before it if that is meant", hostname=parts.hostname
            )
        ) from error
    except (OSError, HTTPException, ValueError) as error:
        raise _refused(
            Message(
                "{hostname} did not answer within {seconds} seconds, or not in HTTP",
                hostname=parts.hostname,
                seconds=SECONDS,
            )
        ) from error
    finally:
        watch.cancel()
        line.close()


def _target(path: str, query: str) -> str:
    return f"{path or '/'}{f'?{query}' if query else ''}"


def _connected(host: str, port: int, is_own: bool) -> socket.socket:
    """A line to one of the addresses of a host, none of which may be an inner one."""
    numbers = ["127.0.0.1"] if is_own else _numbers(host, port)
    for number in numbers:
        if not is_own and not _is_outside(number):
            raise _refused(Message("{host} is a machine of an inner network ({number})", host=host, number=number))
    try:
        return socket.create_connection((numbers[0], port), timeout=SECONDS)
    except OSError as error:
        raise _refused(Message("{host} cannot be reached", host=host)) from error


def _numbers(host: str, port: int) -> list[str]:
    try:
        addresses = socket.getaddrinfo(host, port, type=socket.SOCK_STREAM)
    except (OSError, UnicodeError) as error:
        raise _refused(Message("No machine is called {host}", host=host)) from error
    return [str(one[4][0]) for one in addresses]


def _is_outside(number: str) -> bool:
    """Whether an address is one of the whole net (IANA's special-purpose registries, by ``ipaddress``)."""
    one = ipaddress.ip_address(number.partition("%")[0])
    if isinstance(one, ipaddress.IPv6Address):
        within = [one.ipv4_mapped, one.sixtofour, *(one.teredo or ())]
        within += [ipaddress.IPv4Address(int(one) & 0xFFFFFFFF)] if one in _NAT64 else []
        if not all(_is_outside(str(inner)) for inner in within if inner):
            return False
        if one.ipv4_mapped:
            return True
    return one.is_global and not one.is_multicast


def _shut(line: socket.socket) -> None:
    with suppress(OSError):  # it has ended by itself
        line.shutdown(socket.SHUT_RDWR)


def _asked(
    line: socket.socket, scheme: str, host: str, port: int, path: str, most: int, known: Copy | None
) -> Copy | str:
    connection = HTTPConnection(host, port)
    is_secret = scheme == "https"
    connection.sock = ssl.create_default_context().wrap_socket(line, server_hostname=host) if is_secret else line
    headers = {"Accept": "text/calendar, */*;q=0.5", "Accept-Encoding": "identity", "User-Agent": "Yemba"}
    if known and known.etag:
        headers["If-None-Match"] = known.etag
    if known and known.modified:
        headers["If-Modified-Since"] = known.modified
    connection.request("GET", path, headers=headers)
    answer = connection.getresponse()
    if answer.status in _MOVED and answer.headers.get("Location"):
        return str(answer.headers["Location"])
    if answer.status == 304 and known:
        return known._replace(data=None)
    if answer.status != 200:
        raise _refused(
            Message("{host} answered {status} {reason}", host=host, status=answer.status, reason=answer.reason[:40])
        )
    if answer.headers.get("Content-Encoding", "identity").lower() != "identity":
        raise _refused(Message("{host} sent it packed, which was not asked for", host=host))
    data = _read(answer, most)
    validators = (answer.headers.get(name, "")[:200] for name in ("ETag", "Last-Modified"))
    return Copy(data, *validators)


def _read(answer: HTTPResponse, most: int) -> bytes:
    data = b""
    while piece := answer.read(_PIECE):
        data += piece
        if len(data) > most:
            raise _refused(Message("It is larger than {most:g} MB", most=most / 1_000_000))
    if answer.length:
        raise _refused(Message("It broke off before its end"))
    return data


def _refused(reason: str) -> Fault:
    return Fault("not-fetched", f"{reason}.", "feed")
