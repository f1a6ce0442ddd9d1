"""Mail addresses and telephone numbers as people write them, and the links they make (RFC 6068, RFC 3966)."""

from __future__ import annotations

import re
from collections.abc import Callable
from urllib.parse import quote

_MAIL = re.compile(r"[^\s@<>\"]+@[^\s@<>\"]+\.[^\s@<>\".]+")
_NUMBER = re.compile(r"\+?[\d ().\-\u00a0\u2009\u2011\u2013]+(?:/[\d .\-]+)?")
_EXTENSION = re.compile(r"(?:ext(?:ension|\.)?|x)\s*(\d{1,6})", re.IGNORECASE)
_SHORTEST = 3  # digits of an emergency or a service (common practice, no source)
_SHORTEST_BEFORE_WORDS = 6  # digits: with fewer, the words that follow may belong to the number, as in "0800 BINDERY"


def mail_link(typed: str) -> str:
    """The mailto link of a mail address, "" where it is none."""
    address = typed.strip()
    return f"mailto:{quote(address, safe='@+._-')}" if _MAIL.fullmatch(address) else ""


def telephone_link(typed: str) -> str:
    """The tel link of the first number that is written, with its extension; "" where there is none.

    "(0)" is left out after a country's code, where nobody dials it (common practice, no source).
    """
    number = _NUMBER.match(typed.strip())
    if number is None:
        return ""
    rest = typed.strip()[number.end() :]
    written = number[0].replace("(0)", "") if number[0].startswith("+") else number[0]
    digits = re.sub(r"[^\d+]", "", written)
    extension = _EXTENSION.match(rest)
    shortest = _SHORTEST_BEFORE_WORDS if re.match(r"\w", rest) else _SHORTEST
    if len(digits.removeprefix("+")) < shortest:
        return ""
    return f"tel:{digits}{f';ext={extension[1]}' if extension else ''}"


REACHES: dict[str, Callable[[str], str]] = {"mail": mail_link, "telephone": telephone_link}
"""What a line may reach somebody by, with the link that it makes."""
