"""What Yemba ships, together with the store that owners' own files are kept in."""

from __future__ import annotations

from functools import cache

from yemba import catalogue as shipped
from yemba.core.site.catalogue import Catalogue
from yemba.sites import store


@cache
def catalogue() -> Catalogue:
    """Everything shipped; fonts of owners are read from the store."""
    return shipped.catalogue()._replace(stored=store.load, is_stored=store.is_there)
