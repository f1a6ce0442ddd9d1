"""The checks of a site, asked with its stored pictures and with what a window measured."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import partial
from typing import Any, NamedTuple

from yemba.core.check.finding import Cure, Finding, Height, Inspected, Measured, Result, Target, inspect
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.resolve import Look
from yemba.core.untrusted import read_json
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site
from yemba.studio.controls import control

_SHOWN = 40  # findings of one check; the next come up as these are cured
_MOST = 900_000  # characters of a measuring; a few hundred pages


class Listed(NamedTuple):
    """A finding with the address and the id of its control."""

    sentence: str
    cure: Cure | None
    address: str
    control: str


def checks(site: Site, measured: Mapping[str, Measured] | None = None) -> list[Result]:
    """Every check's result on the draft, those that found something first."""
    return inspect(inspected(sites.look(site), measured))


def inspected(look: Look, measured: Mapping[str, Measured] | None = None) -> Inspected:
    """A site to be looked at, with the bytes of its pictures as they are shown."""
    return Inspected(look, look.load, partial(hosting.weigh, load=look.load), measured)


def listed_checks(site: Site, look: Look, results: Sequence[Result]) -> list[dict[str, Any]]:
    """The results as a desk shows them: of each the first so many, and how many more there are."""
    return [
        {
            "slug": result.slug,
            "name": result.name,
            "count": len(result.findings),
            "findings": [_listed(site, look, one) for one in result.findings[:_SHOWN]],
            "more": max(0, len(result.findings) - _SHOWN),
        }
        for result in results
    ]


def _listed(site: Site, look: Look, finding: Finding) -> Listed:
    decides = control(finding.place, look)
    return Listed(finding.sentence, finding.cure, decides.address(site), decides.id)


def read_measured(text: str) -> dict[str, Measured]:
    """What the windows measured, by page id. Raises Fault ``measuring-unreadable``."""
    try:
        if len(text) > _MOST:
            raise ValueError(f"{len(text)} characters")
        return {str(page): _measured(plain) for page, plain in read_json(text).items()}
    except (ValueError, KeyError, TypeError, AttributeError, RecursionError) as error:
        raise Fault(
            "measuring-unreadable", Message("The windows’ measuring cannot be read: {error}.", error=str(error))
        ) from error


def _measured(plain: Mapping[str, Any]) -> Measured:
    targets = plain["targets"]
    if not isinstance(targets, list):
        raise TypeError("targets is no list")
    width = int(str(plain["width"]))
    content = int(str(plain["content"]))
    heights = [Height(str(place), float(whole), float(empty)) for place, whole, empty in plain.get("heights", [])]
    return Measured(width, content, str(plain["widest"]), list(map(_target, targets)), heights)


def _target(plain: list[Any]) -> Target:
    x, y, width, height = (float(side) for side in plain[2:6])
    return Target(str(plain[0]), str(plain[1])[:60], x, y, width, height)
