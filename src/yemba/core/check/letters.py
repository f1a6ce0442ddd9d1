"""Letters that the chosen faces lack: a visitor sees them in some other face, or as boxes."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.site.catalogue import Family
from yemba.core.site.resolve import Look
from yemba.core.site.texts import Shown, texts
from yemba.core.type.alphabets import letters_of
from yemba.core.type.levels import LEVELS

NAME = "Letters"
_OFFERED = 3


class Lacking(NamedTuple):
    """A family, the characters it lacks in order of code, the texts they stand in, and the families that have them all,
    the shipped ones' slugs. `setting` is the key of the setting that chose the family."""

    family: Family
    letters: str
    texts: list[Shown]
    having: list[str]
    setting: str


def lacking(look: Look) -> list[Lacking]:
    """What each family lacks of the texts it sets."""
    found: dict[str, tuple[set[str], list[Shown]]] = {}
    for shown in texts(look):
        if letters := shown.family.lacks(shown.words):
            held = found.setdefault(shown.family.slug, (set(), []))
            held[0].update(letters)
            held[1].append(shown)
    return [_lacking(look, shown[0].family, "".join(sorted(letters)), shown) for letters, shown in found.values()]


def lacks_of_language(look: Look, family: Family) -> str:
    """Letters of the site's language that a family lacks, whether they are written yet or not."""
    return family.lacks(letters_of(look.document.language))


def _lacking(look: Look, family: Family, letters: str, shown: list[Shown]) -> Lacking:
    having = [slug for slug, other in look.families.items() if not other.lacks(letters)]
    level = LEVELS[shown[0].level]
    own = level.faced and look.value(f"{level.slug}.face") == family.slug
    return Lacking(family, letters, shown, having, f"{level.slug}.face" if own else f"type.{level.follows}")


def find(inspected: Inspected) -> Iterator[Finding]:
    """For each face that is used: what is lacking, where it stands first, and which faces have it all."""
    look = inspected.look
    for one in lacking(look):
        names = ", ".join(look.families[slug].name for slug in one.having[:_OFFERED])
        offer = f"{names} {'have' if len(one.having) > 1 else 'has'} them." if one.having else "No face here has all."
        said = f"{one.family.name} lacks “{one.letters[:40]}”, first in {one.texts[0].where}. {offer}"
        cure = None
        if one.having:
            best = one.having[0]
            cure = Cure(f"Take {look.families[best].name}", "set-value", {"key": one.setting, "value": best})
        yield Finding(said, "type", control=one.setting, cure=cure)
