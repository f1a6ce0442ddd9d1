"""What a rendering is made from."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date, datetime, time
from typing import NamedTuple
from urllib.parse import urlsplit

from yemba.core.site import dates
from yemba.core.site.resolve import Look


class Site(NamedTuple):
    """`load` gives the bytes of a stored picture by its hash. In a `draft` the elements carry
    marks, so that the workbench knows what was pointed at; everything else is the same.
    `address` is where the site is live, with its closing slash; "" where that is not known. `now` is the moment it is
    rendered at, None for the beginning of `today`."""

    look: Look
    today: date
    load: Callable[[str], bytes]
    draft: bool = False
    address: str = ""
    now: datetime | None = None

    @property
    def moment(self) -> datetime:
        """When it is rendered, in the time zone of the site."""
        zone = dates.zone(self.look)
        return self.now.astimezone(zone) if self.now else datetime.combine(self.today, time(), zone)

    @property
    def root(self) -> str:
        """The path that leads to the site from any address on its server."""
        return urlsplit(self.address).path or "/"
