"""Further languages: added and taken off, pages and sections in them, what every page says in them."""

from __future__ import annotations

from typing import ClassVar

from yemba.core import room
from yemba.core.change.command import Command
from yemba.core.change.commands.pages import NAME, BinPage
from yemba.core.change.commands.sections import OfSection, copy_of
from yemba.core.change.commands.whole_pages import page_again
from yemba.core.change.operation import ABSENT, Operation, put, remove
from yemba.core.errors import Fault
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Message
from yemba.core.site import languages
from yemba.core.site.addresses import free_slug
from yemba.core.site.document import MAIN, Document, Page
from yemba.core.site.ids import Ids
from yemba.core.site.resolve import Look
from yemba.core.site.settings import setting
from yemba.core.value.kind import refuse_choice
from yemba.core.value.language import LanguageChoice
from yemba.core.value.line import Line

_WORDS = {"name": (Message("Site name"), Line(NAME_LETTERS)), "tagline": (Message("Tagline"), Line(120))}


class AddLanguage(Command):
    """Say the site in a further language too: it begins with the first page, in the words of the main language."""

    name: ClassVar[str] = "add-language"
    language: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document, tag = look.document, self.language.strip()
        if tag in (*languages.further(document), str(look.value(languages.LANGUAGE))):
            raise Fault(
                "language-there", Message("The site is in {named} already.", named=_named(look, tag)), "language"
            )
        LanguageChoice().check(tag, look, Message("The language"), "language")
        if len(languages.further(document)) >= languages.MOST:
            raise Fault(
                "too-many", Message("A site is in {MOST} further languages at most.", MOST=languages.MOST), "language"
            )
        step = languages.step(tag)
        holder = next((page.name for page in document.pages.values() if f"{page.slug}/".startswith(step)), "")
        if holder:
            reason = Message(
                "Pages in {named} have addresses that begin with “{step}”, as “{holder}” has. ",
                named=_named(look, tag),
                step=step,
                holder=holder,
            )
            raise Fault(
                "address-in-use", Message("{reason}Give that page another address first.", reason=reason), "language"
            )
        return [
            put(document, ("languages", tag), {}),
            *_version(document, document.order[0], tag, ids),
        ]

    def say(self, look: Look) -> str:
        return Message("The site in {named} too", named=_named(look, self.language))


def _named(look: Look, tag: str) -> str:
    return LanguageChoice().say(tag, look)


def _version(document: Document, page: str, language: str, ids: Ids, name: str = "") -> list[Operation]:
    """Steps that add a page in a language, after the page it is a version of, whose name it has where none is given."""
    room.PAGES.check(len(document.pages), "page")
    key, of = ids(), document.page(page)
    plain = page_again(of, ids, is_version=True) | {
        "name": name or of.name,
        "slug": _address(document, of, language, name or of.name),
        "language": language,
        "version_of": page,
    }
    place = document.order.index(page) + 1
    return [
        put(document, ("pages", key), plain),
        put(document, ("order",), [*document.order[:place], key, *document.order[place:]]),
    ]


def _address(document: Document, of: Page, language: str, name: str) -> str:
    """The language's own for the first page, else one behind it that no page has."""
    head = languages.step(language)
    if not of.slug:
        return head.removesuffix("/")
    return head + free_slug(name, {other.slug.removeprefix(head) for other in document.pages.values()})


class RemoveLanguage(Command):
    """Say the site in a language no more; its pages go to the bin."""

    name: ClassVar[str] = "remove-language"
    language: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        _check(document, self.language)
        gone = [key for key, page in document.ordered_pages() if page.language == self.language]
        steps: list[Operation] = []
        for key in gone:
            steps += (step for step in BinPage(page=key).plan(look, ids) if step.path != ("order",))
        steps.append(put(document, ("order",), [key for key in document.order if key not in gone]))
        if self.language in document.languages:
            steps.append(remove(document, ("languages", self.language)))
        return steps

    def say(self, look: Look) -> str:
        return Message("The site is no more in {named}", named=_named(look, self.language))


def _check(document: Document, language: str) -> None:
    """Raises Fault ``no-such-language``."""
    if language not in languages.further(document):
        known = ", ".join(languages.further(document)) or Message("none yet")
        reason = Message(
            "“{language}” is no further language of this site. There are: {known}.", language=language, known=known
        )
        raise Fault("no-such-language", reason, "language")


class MakeVersion(Command):
    """A page in a further language: the same sections, in the words of the main language until they are changed."""

    name: ClassVar[str] = "make-version"
    page: str
    language: str
    page_name: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        page = document.page(self.page)
        _check(document, self.language)
        if page.language:
            raise Fault(
                "no-original",
                Message("“{name}” is itself in another language. Take the page it says.", name=page.name),
                "page",
            )
        if languages.version(document, self.page, self.language):
            named = _named(look, self.language)
            raise Fault(
                "version-there", Message("“{name}” is in {named} already.", name=page.name, named=named), "page"
            )
        name = NAME.read(self.page_name, Message("The page’s name"), "page_name") if self.page_name.strip() else ""
        return _version(document, self.page, self.language, ids, name)

    def say(self, look: Look) -> str:
        return Message(
            "Page {name} in {named}", name=look.document.page(self.page).name, named=_named(look, self.language)
        )


class BringOver(OfSection):
    """Put a section of the main language on a version of its page, where it stands there."""

    name: ClassVar[str] = "bring-over"
    page: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document, standing = look.document, self.standing(look)
        page, key = document.page(self.page), ids()
        if self.section not in languages.missing_sections(document, self.page):
            raise Fault("not-missing", Message("That section does not lack here. Look at the page again."), "section")
        room.SECTIONS.check(len(page.order), "section")
        plain = copy_of(standing.section, ids) | {"version_of": self.section}
        place = self._place(document)
        return [
            put(document, ("pages", self.page, "sections", key), plain),
            put(document, ("pages", self.page, "order"), [*page.order[:place], key, *page.order[place:]]),
        ]

    def _place(self, document: Document) -> int:
        """Behind the version of what stands before it."""
        original = document.pages[languages.original(document, self.page)].order
        before = set(original[: original.index(self.section)])
        page = document.pages[self.page]
        behind = [place for place, key in enumerate(page.order, 1) if page.sections[key].version_of in before]
        return max(behind, default=0)

    def say(self, look: Look) -> str:
        return Message("{where} on {name} too", where=self.where(look), name=look.document.page(self.page).name)


class SayIn(Command):
    """What every page says in a further language: `what` is "name", "tagline" or a setting that is words; "" for as in
    the main language."""

    name: ClassVar[str] = "say-in"
    language: str
    what: str
    words: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        _check(document, self.language)
        words = self._read()
        path = ("languages", self.language)
        begun = [] if self.language in document.languages else [put(document, path, {})]
        inner = (self.what,) if self.what in _WORDS else ("lines", self.what)
        return [*begun, put(document, (*path, *inner), words or ABSENT)]

    def _read(self) -> str:
        if self.what in _WORDS:
            name, kind = _WORDS[self.what]
            return kind.read(self.words, name, self.what)
        if self.what not in languages.LINES:
            raise refuse_choice(self.what, Message("What is said"), "what", [*_WORDS, *languages.LINES])
        return str(setting(self.what).read(self.words))

    def say(self, look: Look) -> str:
        name = _WORDS[self.what][0] if self.what in _WORDS else setting(self.what).name
        return Message(
            "{name} in {named}: {value}",
            name=name,
            named=_named(look, self.language),
            value=self.words.strip() or Message("as in the main language"),
        )


class ShowIn(OfSection):
    """In which language a section of a part, or a standing one, is shown: MAIN, the tag of a further one, or ""."""

    name: ClassVar[str] = "show-in"
    language: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        standing = self.standing(look)
        if standing.page:
            raise Fault("one-page", Message("This section is on one page, which has its language already."), "language")
        if self.language not in ("", MAIN):
            _check(look.document, self.language)
        return [put(look.document, (*standing.path, "language"), self.language or ABSENT)]

    def say(self, look: Look) -> str:
        return Message("{where}: shown in {shown_in}", where=self.where(look), shown_in=_shown_in(look, self.language))


def _shown_in(look: Look, language: str) -> str:
    if not language:
        return Message("every language")
    return _named(look, languages.main_language(look) if language == MAIN else language)
