"""The address of a calendar that others keep, from which dates are fetched again and again."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Any, ClassVar
from urllib.parse import quote, urlsplit, urlunsplit

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.value.kind import Kind

MOST_LETTERS = 500
_BLANK = re.compile(r"\s")
_SAFE = "/?#[]@!$&'()*+,;=:%~-._"
_EXAMPLE = Message("Copy the address of the calendar feed, such as https://calendar.example/concerts.ics.")


@dataclass(frozen=True)
class FeedAddress(Kind):
    """http or https (RFC 3986), "" for none; webcal, as calendars call it, is https."""

    sets_text: ClassVar[bool] = False

    def read(self, typed: Any, name: str, key: str) -> str:
        address = str(typed).strip()
        if not address:
            return ""
        if "://" not in address:
            address = f"https://{address}"
        try:
            parts = urlsplit(re.sub(r"^webcals?://", "https://", address, flags=re.IGNORECASE))
            host, _ = parts.hostname or "", parts.port
        except ValueError:
            raise _refuse(address, Message("cannot be read"), key) from None
        if len(address) > MOST_LETTERS:
            raise _refuse(
                f"{address[:40]}…",
                Message(
                    "has {number} letters; {most_letters} at most are taken",
                    number=len(address),
                    most_letters=MOST_LETTERS,
                ),
                key,
            )
        if parts.scheme.lower() not in ("http", "https"):
            raise _refuse(address, Message("begins with {scheme}, not with https", scheme=parts.scheme), key)
        if "." not in host or _BLANK.search(address):
            raise _refuse(address, Message("names no host"), key)
        if parts.username or parts.password:
            raise _refuse(f"{parts.scheme}://…@{host}", Message("has a name or a password in it"), key)
        whole = urlunsplit((parts.scheme.lower(), parts.netloc.lower(), parts.path or "/", parts.query, ""))
        return quote(whole, safe=_SAFE)


def _refuse(address: str, why: str, key: str) -> Fault:
    return Fault(
        "feed-unreadable", Message("“{address}” {why}. {example}", address=address, why=why, example=_EXAMPLE), key
    )


FIELD_TYPES = {"feed": FeedAddress}
