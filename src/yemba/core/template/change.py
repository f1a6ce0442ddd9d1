"""The plan of a change of template: what stays, what looks different, what is set aside, what comes back."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.change.words import value_in_words
from yemba.core.message import Joined, Message, Plural
from yemba.core.site.document import Section
from yemba.core.site.one_offs import OneOff, one_offs
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.type.levels import LEVELS, PROPERTIES, properties


class Kept(NamedTuple):
    """How many of a thing there are; all of them stay."""

    what: str
    number: int


class Differs(NamedTuple):
    """What looks different, how it is now and how it will be, and in how many places."""

    what: str
    now: str
    then: str
    places: int


class Plan(NamedTuple):
    """`own` are the owner's brand values, which stay. `aside` and `back` are choices of the owner that the new
    template cannot show, and those set aside now that it can."""

    stays: list[Kept]
    own: list[str]
    differs: list[Differs]
    aside: list[str]
    back: list[str]
    one_offs: list[OneOff]


def plan(look: Look, template: str) -> Plan:
    """What choosing `template` will do to this site. Nothing is changed by asking.

    Raises Fault ``no-such-template``.
    """
    then = Look(look.document.model_copy(update={"template": template}), look.catalogue)
    now_aside, then_aside = set_aside(look), set_aside(then)
    return Plan(
        _stays(look),
        [setting.name for key, setting in SETTINGS.items() if key in look.document.sheet],
        [*_values(look, then), *_levels(look, then), *_sections(look, then)],
        [what for what in then_aside if what not in now_aside],
        [what for what in now_aside if what not in then_aside],
        one_offs(then),
    )


def set_aside(look: Look) -> list[str]:
    """Choices of the owner that the present template cannot show, in words. They are kept in the document."""
    document = look.document
    values = [
        Message("{name}: {value}", name=SETTINGS[key].name, value=value_in_words(key, value, look))
        for key, value in (*document.parts.items(), *document.sheet.items())
        if not look.template.shows(key, value)
    ]
    layouts: list[str] = [
        Message("{what} {value}: {where}", what=one.what, value=one.value, where=one.where)
        for one in one_offs(look)
        if not one.applies
    ]
    return [*values, *layouts]


def _stays(look: Look) -> list[Kept]:
    document = look.document
    pages, sections = len(document.pages), len(list(document.standing()))
    texts = sum(1 for stored in document.stored() if stored.value)
    pictures, fonts = len(document.pictures), len(document.fonts)
    entries = pages - len(document.navigation.hidden)
    counts = [
        Kept(Plural("page", "pages", pages), pages),
        Kept(Plural("section", "sections", sections), sections),
        Kept(Plural("text and link", "texts and links", texts), texts),
        Kept(Plural("picture", "pictures", pictures), pictures),
        Kept(Plural("font of your own", "fonts of your own", fonts), fonts),
        Kept(Plural("menu entry", "menu entries", entries), entries),
    ]
    return [kept for kept in counts if kept.number]


def _values(now: Look, then: Look) -> Iterator[Differs]:
    """Design values that differ; levels of text and the palette are told as wholes."""
    for key, setting in SETTINGS.items():
        apart = key == "palette" or key.partition(".")[0] in LEVELS
        if not apart and now.value(key) != then.value(key):
            yield Differs(setting.name, *_both(key, now, then), 0)
    if now.value("palette") != then.value("palette"):
        names = [", ".join(colour["name"] for colour in look.value("palette")) for look in (now, then)]
        yield Differs(Message("Palette"), names[0], names[1], 0)


def _both(key: str, now: Look, then: Look) -> tuple[str, str]:
    """A setting's value in each, in words."""
    return value_in_words(key, now.value(key), now), value_in_words(key, then.value(key), then)


def _levels(now: Look, then: Look) -> Iterator[Differs]:
    """Levels of text, each once with all that differs."""
    for slug, level in LEVELS.items():
        keys = {name: f"{slug}.{name}" for name in properties(level)}
        differing = {name: key for name, key in keys.items() if now.value(key) != then.value(key)}
        if differing:
            names = Joined(", ", [PROPERTIES[name] for name in differing])
            states = [_both(key, now, then) for key in differing.values()]
            was, will = (Joined(", ", state) for state in zip(*states, strict=True))
            yield Differs(Message("{level}: {names}", level=level.name, names=names), was, will, 0)


def _sections(now: Look, then: Look) -> Iterator[Differs]:
    """Layouts and grounds by kind, counted; those an owner chose stay."""
    seen = (state for standing in now.document.standing() for state in _seen(now, then, standing.section))
    counted = Counter(state for state in seen if state[1] != state[2])
    for (what, was, will), places in counted.items():
        yield Differs(what, was, will, places)


def _seen(now: Look, then: Look, section: Section) -> Iterator[tuple[str, str, str]]:
    kind = now.catalogue.kind(section.kind)
    names = kind.layout_names()
    yield kind.name, names[now.layout(section).value], names[then.layout(section).value]
    subject = Message("Ground of {name}", name=kind.name)
    yield subject, _ground_name(now, section), _ground_name(then, section)


def _ground_name(look: Look, section: Section) -> str:
    return look.ground_names[look.ground(section).value]
