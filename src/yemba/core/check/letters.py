"""Letters that the chosen faces lack: a visitor sees them in some other face, or as boxes."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.message import Message, Plural
from yemba.core.place import OfSetting
from yemba.core.site.catalogue import Family
from yemba.core.site.document import Standing
from yemba.core.site.resolve import Look
from yemba.core.site.texts import SiteText, texts_of_parts, texts_of_section
from yemba.core.type.levels import LEVELS

NAME = Message("Letters")
_OFFERED = 3


class Lacking(NamedTuple):
    """A family, the characters it lacks in order of code, the texts they stand in, and the families that have them all,
    the shipped ones' slugs. `setting` is the key of the setting that chose the family."""

    family: Family
    letters: str
    texts: list[SiteText]
    having: list[str]
    setting: str


def lacking(inspected: Inspected) -> list[Lacking]:
    """What each family lacks of the texts it sets."""
    texts_of: dict[str, list[SiteText]] = {}
    of_parts = (text for text in texts_of_parts(inspected.look) if _lacks(text))
    for text in (*of_parts, *inspected.of_sections(_lacking_in)):
        texts_of.setdefault(text.family.slug, []).append(text)
    return [_lacking(inspected.look, texts) for texts in texts_of.values()]


def _lacking_in(inspected: Inspected, standing: Standing) -> list[SiteText]:
    """The texts of a section that have letters their family lacks."""
    return [text for text in texts_of_section(inspected.look, standing) if _lacks(text)]


def _lacks(text: SiteText) -> bool:
    return bool(text.family.lacks(text.words))


def lacks_of_language(look: Look, family: Family) -> str:
    """Letters of the site's language that a family lacks, whether they are written yet or not."""
    return family.lacks(look.language.alphabet)


def _lacking(look: Look, texts: list[SiteText]) -> Lacking:
    """`found` are the texts of one family that have letters it lacks."""
    family = texts[0].family
    letters = family.lacks("".join(text.words for text in texts))
    having = [slug for slug, other in look.families.items() if not other.lacks(letters)]
    level = LEVELS[texts[0].level]
    own = level.faced and look.value(f"{level.slug}.face") == family.slug
    return Lacking(family, letters, texts, having, f"{level.slug}.face" if own else f"type.{level.follows}")


def find(inspected: Inspected) -> Iterator[Finding]:
    """For each face that is used: what is lacking, where it stands first, and which faces have it all."""
    look = inspected.look
    for one in lacking(inspected):
        names = ", ".join(look.families[slug].name for slug in one.having[:_OFFERED])
        offer = (
            Plural("{names} has them.", "{names} have them.", len(one.having), names=names)
            if one.having
            else Message("No face here has all.")
        )
        sentence = Message(
            "{name} lacks “{letters}”, first in {where}. {offer}",
            name=one.family.name,
            letters=one.letters[:40],
            where=one.texts[0].where,
            offer=offer,
        )
        yield Finding(sentence, OfSetting(one.setting), cure=_cure(look, one))


def _cure(look: Look, one: Lacking) -> Cure | None:
    """The first family that has all of the letters."""
    if not one.having:
        return None
    best = look.families[one.having[0]]
    return Cure(Message("Take {name}", name=best.name), "set-value", {"key": one.setting, "value": best.slug})
