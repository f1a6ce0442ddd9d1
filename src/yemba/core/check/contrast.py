"""What cannot be read: roles on the grounds in use, and text over pictures (WCAG 2.2 SC 1.4.3, 1.4.11)."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.colour.contrast import EDGE, LARGE, TEXT, nearest, ratio
from yemba.core.colour.grounds import ROLE_NAMES, Ground, Requirement, failures
from yemba.core.colour.srgb import Colour
from yemba.core.message import Message
from yemba.core.part.part import ground_under, parts
from yemba.core.place import OfField, OfRole, OfSetting
from yemba.core.site.backdrop import LARGE_FROM, Backdrop, of_header, of_section, reads_from
from yemba.core.site.document import Standing
from yemba.core.site.frame import size_of
from yemba.core.site.one_offs import OneOff, apart, level_of
from yemba.core.site.one_offs import of_section as of_section_one_offs
from yemba.core.site.resolve import Look

NAME = Message("Contrast")


def find(inspected: Inspected) -> Iterator[Finding]:
    look = inspected.look
    used = grounds_in_use(look)
    for slug, ground in look.grounds.items():
        if slug in used:
            yield from _unreadable(look, slug, ground)
            yield from _links(look, slug, ground)
    yield from inspected.of_sections(_one_offs)
    yield from _over_pictures(inspected)


def grounds_in_use(look: Look) -> set[str]:
    """The grounds that anything stands on; what Yemba says on a page, as that it is gone, is on "light"."""
    of_sections = {look.ground_of(*pair).value for pair in look.document.kinds_on_grounds()}
    return {"light", look.template.page, *of_sections, *(part.ground_on(look, "") for part in parts().values())}


def _links(look: Look, slug: str, ground: Ground) -> Iterator[Finding]:
    """Links that only colour tells from text, where the owner wants no underline (SC 1.4.1)."""
    if look.value("link.underline") != "never" or not ground.link_underlined:
        return
    got = ratio(ground.link, ground.text)
    sentence = Message(
        "On {ground_names}, only colour tells a link from the text, by {got:.2f} : 1; {edge:g} : 1 or an underline "
        "is needed.",
        ground_names=look.ground_names[slug],
        got=got,
        edge=EDGE,
    )
    cure = Cure(Message("Underline where needed"), "set-value", {"key": "link.underline", "value": "needed"})
    yield Finding(sentence, OfSetting("link.underline"), cure=cure)


def _one_offs(inspected: Inspected, standing: Standing) -> list[Finding]:
    """Texts of a section with a colour of their own that does not read."""
    coloured = (one for one in of_section_one_offs(inspected.look, standing) if one.property == "colour")
    return [finding for one in coloured for finding in _one_off(inspected.look, one)]


def _one_off(look: Look, one: OneOff) -> Iterator[Finding]:
    """A text with a colour of its own that does not read on its ground."""
    section = one.standing.section
    slug = ground_under(look, one.standing)
    set_apart = apart(look, section.one_offs[one.element])
    if set_apart.colour is None:
        return
    size = set_apart.size or size_of(look, one.standing.key, level_of(look, section, one.element))
    needed, fill = (LARGE if size.low >= LARGE_FROM else TEXT), look.grounds[slug].fill
    got = ratio(set_apart.colour, fill)
    if got >= needed:
        return
    sentence = Message(
        "{what} in {where} has {got:.2f} : 1 on {ground_names}; {needed:g} : 1 is needed.",
        what=one.what,
        where=one.where,
        got=got,
        ground_names=look.ground_names[slug],
        needed=needed,
    )
    passing = nearest(set_apart.colour, fill, needed).hex
    arguments = {"section": one.standing.key, "element": one.element, "what": "colour", "value": passing}
    yield Finding(
        sentence,
        one.place,
        one.standing.page,
        Cure(Message("Use {passing}", passing=passing), "set-one-off", arguments),
    )


def _unreadable(look: Look, slug: str, ground: Ground) -> Iterator[Finding]:
    """What on a ground falls short of what it must reach, each with the nearest colour that reaches it."""
    for requirement, got in failures(ground):
        what, against = ROLE_NAMES[requirement.role], ROLE_NAMES[requirement.against]
        sentence = Message(
            "On {ground_names}, {what} on {against} has {got:.2f} : 1; {ratio:g} : 1 is needed.",
            ground_names=look.ground_names[slug],
            what=what,
            against=against,
            got=got,
            ratio=requirement.ratio,
        )
        yield Finding(sentence, OfRole(slug, requirement.role), cure=_nearest(slug, ground, requirement))


def _nearest(slug: str, ground: Ground, requirement: Requirement) -> Cure | None:
    try:
        passing = nearest(_role(ground, requirement.role), _role(ground, requirement.against), requirement.ratio)
    except ValueError:
        return None
    arguments = {"ground": slug, "role": requirement.role, "value": passing.hex}
    return Cure(Message("Use {hex}", hex=passing.hex), "set-role", arguments)


def _role(ground: Ground, role: str) -> Colour:
    colour: Colour = getattr(ground, role)
    return colour


def _over_pictures(inspected: Inspected) -> Iterator[Finding]:
    """Text over a picture that its tint does not make readable; cured by the least tint that does."""
    look = inspected.look
    for standing in look.document.standing():
        behind = of_section(look, standing.section)
        least = _unread_over(inspected, behind) if behind else None
        if behind and least:
            arguments = {"section": standing.key, "field": "tint", "words": str(least)}
            sentence = f"{look.where(standing)}: {_over(behind, least)}"
            cure = Cure(Message("Tint {least} %", least=least), "set-words", arguments)
            yield Finding(sentence, OfField(standing.key, "tint"), standing.page, cure)
    behind = of_header(look)
    least = _unread_over(inspected, behind) if behind else None
    if behind and least:
        cure = Cure(Message("Tint {least} %", least=least), "set-value", {"key": "header.tint", "value": least})
        yield Finding(Message("The header: {over}", over=_over(behind, least)), OfSetting("header.tint"), cure=cure)


def _unread_over(inspected: Inspected, behind: Backdrop) -> int | None:
    """The tint from which text reads; None where it does. A role that fails on its ground is told of there."""
    least = reads_from(inspected.look, behind, inspected.load)
    return None if least is None or behind.tint >= least else least


def _over(behind: Backdrop, least: int) -> str:
    return Message(
        "over {name} text reads from a tint of {least} %; now {tint} %.",
        name=behind.picture.name,
        least=least,
        tint=behind.tint,
    )
