"""What a site's address may be."""

from __future__ import annotations

import re

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.addresses import slug_from
from yemba.sites.models import Site

_MOST = 40  # letters
_NUMBERED = 5  # of them kept for a hyphen and a number
_LABEL = re.compile(rf"[a-z0-9](?:[a-z0-9-]{{0,{_MOST - 2}}}[a-z0-9])?")  # RFC 1123 2.1, held to fewer letters
_KEPT = {"www", "studio", "mail", "draft", "static", "admin", "api", "localhost", "gallery", "start", "feeds"}


def check_address(typed: str) -> str:
    """The address as stored. Raises Fault ``address-unreadable`` or ``address-in-use``."""
    slug = typed.strip().lower()
    if not _LABEL.fullmatch(slug) or "--" in slug or len(slug) < 3:
        near = slug_from(typed, _MOST)
        raise Fault(
            "address-unreadable",
            Message("“{typed}” cannot be an address. Use 3 to 40 small letters, digits and single hyphens", typed=typed)
            + (Message(", such as {near}.", near=near) if len(near) > 2 else "."),
            "slug",
        )
    if slug in _KEPT or Site.objects.filter(slug=slug).exists():
        raise Fault(
            "address-in-use",
            Message(
                "“{slug}” is in use. Choose another, such as {free_address}.",
                slug=slug,
                free_address=free_address(slug),
            ),
            "slug",
        )
    return slug


def free_address(name: str) -> str:
    """An address nobody has, as near to the name as can be."""
    wanted = slug_from(name, _MOST - _NUMBERED) or "site"
    wanted = wanted if len(wanted) > 2 else f"{wanted}-site"
    alike = Site.objects.filter(slug__startswith=wanted)
    used = {*alike.values_list("slug", flat=True), *_KEPT}
    numbered = (f"{wanted}-{number}" for number in range(2, 10_000))
    return next(slug for slug in (wanted, *numbered) if slug not in used)
