"""The checks of a site, asked with its stored pictures and with what a window measured."""

from __future__ import annotations

import json
from collections.abc import Mapping

from yemba.core.check.finding import Inspected, Measured, Result, Target, inspect
from yemba.core.errors import Fault
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Site

_MOST = 900_000  # characters of a measuring; a few hundred pages


def checks(site: Site, measured: Mapping[str, Measured] | None = None) -> list[Result]:
    """Every check's result on the draft, those that found something first."""
    return inspect(Inspected(sites.look(site), store.load, hosting.weigh, measured or {}))


def read_measured(text: str) -> dict[str, Measured]:
    """What the windows measured, by page id. Raises Fault ``measuring-unreadable``."""
    try:
        if len(text) > _MOST:
            raise ValueError(f"{len(text)} characters")
        return {str(page): _measured(told) for page, told in json.loads(text).items()}
    except (ValueError, KeyError, TypeError, AttributeError, RecursionError) as error:
        raise Fault("measuring-unreadable", f"The windows’ measuring cannot be read: {error}.") from error


def _measured(told: Mapping[str, object]) -> Measured:
    targets = told["targets"]
    if not isinstance(targets, list):
        raise TypeError("targets is no list")
    read = [Target(str(t[0]), str(t[1])[:60], *(float(side) for side in t[2:6])) for t in targets]
    return Measured(int(str(told["width"])), int(str(told["content"])), str(told["widest"]), read)
