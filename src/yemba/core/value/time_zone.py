"""The time zone a site lives in (IANA names)."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import TYPE_CHECKING, Any, ClassVar
from zoneinfo import available_timezones

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


_NO_PLACES = ("Etc/", "posix/", "right/")


@cache
def _known() -> tuple[str, ...]:
    places = [name for name in available_timezones() if "/" in name and not name.startswith(_NO_PLACES)]
    return ("UTC", *sorted(places))


@dataclass(frozen=True)
class TimeZone(Kind):
    """Its IANA name, such as Europe/Dublin."""

    control: ClassVar[str] = "select"

    def read(self, typed: Any, name: str, key: str) -> str:
        zone = str(typed).strip()
        if zone not in _known():
            raise Fault(
                "no-such-time-zone",
                Message("“{typed}” is no time zone. Give one such as Europe/Dublin.", typed=typed),
                key,
            )
        return zone

    def say(self, value: Any, look: Look | None = None) -> str:
        return str(value).replace("_", " ")

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return [(zone, self.say(zone)) for zone in _known()]
