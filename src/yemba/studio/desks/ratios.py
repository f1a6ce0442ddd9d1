"""What a change of colour does to what is read: contrast ratios before and after."""

from __future__ import annotations

from typing import NamedTuple

from pydantic import ValidationError

from yemba.core.change.operation import apply
from yemba.core.check.contrast import grounds_in_use
from yemba.core.colour.grounds import REQUIREMENTS, ROLE_NAMES, Requirement
from yemba.core.message import Message
from yemba.core.site.resolve import Look
from yemba.studio.waiting import Waiting

_MOST = 3


class Ratio(NamedTuple):
    """One pair that is read, before and after; `fails` where it has less than `required` afterwards."""

    what: str
    before: float
    after: float
    required: float
    fails: bool


def ratios(before: Look | None, entry: Waiting) -> list[Ratio]:
    """The pairs a change of colour alters on grounds that are in use, those with the least room left first; `before` is
    the live site."""
    if before is None or entry.control.chapter != "palette":
        return []
    try:
        after = Look(apply(before.document, entry.change.steps), before.catalogue)
    except ValidationError:
        return []
    in_both = [slug for slug in grounds_in_use(after) if slug in before.grounds and slug in after.grounds]
    pairs = [_pair(before, after, slug, requirement) for slug in in_both for requirement in REQUIREMENTS]
    altered = [pair for pair in pairs if pair.before != pair.after]
    return sorted(altered, key=lambda pair: (pair.after / pair.required, pair.what))[:_MOST]


def _pair(before: Look, after: Look, slug: str, requirement: Requirement) -> Ratio:
    was, now = (requirement.on(look.grounds[slug]) for look in (before, after))
    against = _against(requirement.against, after.ground_names[slug])
    return Ratio(
        Message("{role_names} on {against}", role_names=ROLE_NAMES[requirement.role].capitalize(), against=against),
        was,
        now,
        requirement.ratio,
        now < requirement.ratio,
    )


def _against(role: str, ground: str) -> str:
    return ground if role == "fill" else f"{ROLE_NAMES[role]}, {ground}"
