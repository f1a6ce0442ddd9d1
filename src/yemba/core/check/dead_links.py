"""Links that lead nowhere: to pages or files that are gone, to nothing at all, to what is no address."""

from __future__ import annotations

import re
from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.message import Message
from yemba.core.place import OfField, OfMenu, OfSetting
from yemba.core.site.document import Document, Standing, Stored, stored_of
from yemba.core.site.kinds import Field
from yemba.core.site.resolve import Look
from yemba.core.value.link import FILE, target
from yemba.core.value.reaching import REACHES

NAME = Message("Links")
_LINK = re.compile(r'<a(?: href="([^"]*)")?>(.*?)</a>', re.DOTALL)


def find(inspected: Inspected) -> Iterator[Finding]:
    """Every link on a page whose target is not there. What is in the bin can be put back by one click."""
    yield from inspected.of_sections(_dead_in)
    yield from _in_the_menu(inspected.look)
    yield from _of_the_action(inspected.look)


def _in_the_menu(look: Look) -> Iterator[Finding]:
    document = look.document
    for key, link in sorted(document.navigation.links.items()):
        if _dead(document, link.link):
            sentence = Message(
                "“{name}” in the menu leads to {target}, so the menu leaves it out.",
                name=link.name,
                target=_target(document, link.link),
            )
            out = Cure(Message("Take {name} out of the menu", name=link.name), "remove-menu-link", {"entry": key})
            yield Finding(sentence, OfMenu(key, "link"), "", _put_back(document, link.link) or out)


def _of_the_action(look: Look) -> Iterator[Finding]:
    words, link = look.value("header.action"), look.value("header.action_link")
    if words and _dead(look.document, link):
        sentence = Message(
            "“{words}” in the header leads to {target}, so the header leaves it out.",
            words=words,
            target=_target(look.document, link),
        )
        yield Finding(sentence, OfSetting("header.action_link"), "", _put_back(look.document, link))
    elif words and not link:
        sentence = Message("“{words}” in the header leads nowhere yet, so the header leaves it out.", words=words)
        yield Finding(sentence, OfSetting("header.action_link"), "")


def _dead_in(inspected: Inspected, standing: Standing) -> list[Finding]:
    look, kind = inspected.look, inspected.look.catalogue.kind(standing.section.kind)
    findings: list[Finding] = []
    for stored in stored_of(standing):
        field = kind.field(stored.field, stored.item)
        if field.type == "link":
            findings += _of_link(look, stored)
        elif field.type == "words":
            findings += _in_words(look, stored)
        elif field.reaches and stored.value and not REACHES[field.reaches](stored.value):
            findings.append(_unreachable(look, stored, field))
    return findings


def _unreachable(look: Look, stored: Stored, field: Field) -> Finding:
    """A line that should be a link and cannot be one."""
    where, name = look.where(stored.standing), field.name.lower()
    sentence = Message(
        "{where} has “{value}” as its {name}, which is none: it stands there as words, not as a link.",
        where=where,
        value=stored.value,
        name=name,
    )
    return Finding(sentence, OfField(stored.standing.key, stored.field, stored.item), stored.standing.page)


def _of_link(look: Look, stored: Stored) -> Iterator[Finding]:
    document, where = look.document, look.where(stored.standing)
    if _dead(document, stored.value):
        sentence = Message("{where} leads to {target}.", where=where, target=_target(document, stored.value))
        yield _finding(document, stored, sentence, stored.value, "")


def _in_words(look: Look, stored: Stored) -> Iterator[Finding]:
    document, where = look.document, look.where(stored.standing)
    for address, words in _LINK.findall(stored.value):
        if address and not _dead(document, address):
            continue
        target = _target(document, address) if address else Message("nothing")
        sentence = Message("“{words}” in {where} leads to {target}.", words=words, where=where, target=target)
        yield _finding(document, stored, sentence, address, _without(stored.value, address))


def _finding(document: Document, stored: Stored, sentence: str, address: str, bare: str) -> Finding:
    """Cured by putting the page back where it is in the bin, else by the words without the link."""
    section = stored.standing.key
    out = {"section": section, "field": stored.field, "item": stored.item, "words": bare}
    cure = _put_back(document, address) or Cure(Message("Take the link out"), "set-words", out)
    return Finding(sentence, OfField(section, stored.field, stored.item), stored.standing.page, cure)


def _dead(document: Document, address: str) -> bool:
    page, section = target(address)
    if address.startswith(FILE):
        return address.removeprefix(FILE) not in document.files
    if not document.is_published(page):
        return bool(page)
    return bool(section) and section not in document.shown(page).sections


def _without(words: str, address: str) -> str:
    """Words without the links to an address, their text kept."""
    return _LINK.sub(lambda match: match[2] if (match[1] or "") == address else match[0], words)


def _target(document: Document, address: str) -> str:
    page, section = target(address)
    if address.startswith(FILE):
        return Message("a file that is gone")
    if page in document.pages and not document.is_published(page):
        return Message("the page {name}, which is not published", name=document.pages[page].name)
    if page in document.pages:
        binned = document.bin.get(section)
        return (
            Message("a section that is in the bin") if binned and binned.section else Message("a section that is gone")
        )
    binned = document.bin.get(page)
    return (
        Message("the page {name}, which is in the bin", name=binned.page.name)
        if binned and binned.page
        else Message("a page that is gone")
    )


def _put_back(document: Document, address: str) -> Cure | None:
    page, section = target(address)
    if page in document.pages and not document.is_published(page):
        return Cure(
            Message("Publish {name}", name=document.pages[page].name), "publish-page", {"page": page, "published": "1"}
        )
    binned = document.bin.get(section)
    if page in document.pages and binned and binned.section:
        return Cure(Message("Put the section back"), "restore-section", {"section": section})
    binned = document.bin.get(page)
    if binned is None or binned.page is None:
        return None
    return Cure(Message("Put {name} back", name=binned.page.name), "restore-page", {"page": page})
