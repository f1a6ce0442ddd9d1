"""What a fragment of a page depends on, recorded while it is rendered.

Whatever rendering wants to know of a site beyond the fragment's own content, it asks: a *question* is a pure function
of the site. The questions asked, each with a digest of its answer, are the fragment's reads. On another state of the
site where all of them have the same digests, the fragment would come out the same, and need not be rendered.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from hashlib import sha256
from typing import Any, Concatenate, NamedTuple, ParamSpec, TypeVar

from yemba.core.site.languages import seen_in
from yemba.core.site.resolve import Look
from yemba.render.site import Site

P = ParamSpec("P")
T = TypeVar("T")
Argument = str | tuple[tuple[str, str], ...] | None
Reads = Mapping["Read", str]
"""Questions asked, with the digests of their answers."""

_QUESTIONS: dict[str, Callable[..., Any]] = {}


class Read(NamedTuple):
    """A question with its arguments."""

    question: str
    arguments: tuple[Argument, ...]


def question(ask: Callable[Concatenate[Site, P], T]) -> Callable[Concatenate[Site, P], T]:
    """Register a pure function of a site as a question; its arguments are strings, None, or tuples of pairs."""
    _QUESTIONS[ask.__name__] = ask
    return ask


class Answers:
    """One state of a site, each question answered once. Where it is seen in a further language, `whole` are the answers
    in its main one."""

    def __init__(self, site: Site, whole: Answers | None = None) -> None:
        self.site = site
        self._whole = whole or self
        self._answers: dict[Read, Any] = {}
        self._digests: dict[Read, str] = {}
        self._languages: dict[str, Answers] = {}

    @property
    def look(self) -> Look:
        return self.site.look

    def of_page(self, page: str) -> Answers:
        """The same site as seen in the language of a page; itself for one of the main language."""
        pages = self.look.document.pages
        return self.in_language(pages[page].language if page in pages else "")

    def in_language(self, language: str) -> Answers:
        """The same site as seen in a further language, "" for the main one."""
        if language == self.look.document.seen_in:
            return self
        if not language or self._whole is not self:
            return self._whole.in_language(language)
        if language not in self._languages:
            seen = self.site._replace(look=seen_in(self.look, language))
            self._languages[language] = Answers(seen, self)
        return self._languages[language]

    def answer(self, read: Read) -> Any:
        if read not in self._answers:
            self._answers[read] = _QUESTIONS[read.question](self.site, *read.arguments)
        return self._answers[read]

    def digest(self, read: Read) -> str:
        """Of the answer; equal answers have equal digests."""
        if read not in self._digests:
            self._digests[read] = sha256(repr(self.answer(read)).encode()).hexdigest()[:16]
        return self._digests[read]

    def hold(self, reads: Reads) -> bool:
        """Whether every question has the answer it had."""
        if reads.items() <= self._digests.items():  # as a rule all of them were asked before
            return True
        return all(self.digest(read) == digest for read, digest in reads.items())


class Recorder:
    """Asks questions, and remembers which."""

    def __init__(self, answers: Answers) -> None:
        self.site = answers.site
        self._answers = answers
        self._asked: dict[Read, None] = {}

    def ask(self, ask: Callable[Concatenate[Site, P], T], *arguments: P.args, **_: P.kwargs) -> T:
        """The answer of a registered question."""
        read = Read(ask.__name__, arguments)  # type: ignore[arg-type]
        self._asked[read] = None
        answer: T = self._answers.answer(read)
        return answer

    def also(self, reads: Iterable[Read]) -> None:
        """Take over what a fragment within this one has asked."""
        self._asked |= dict.fromkeys(reads)

    @property
    def reads(self) -> dict[Read, str]:
        return {read: self._answers.digest(read) for read in self._asked}


def to_plain(reads: Reads) -> list[list[Any]]:
    """As JSON values."""
    return [[read.question, list(read.arguments), digest] for read, digest in reads.items()]


def from_plain(stored: Iterable[list[Any]]) -> dict[Read, str]:
    """From JSON values; a question that is no more asked makes it hold on no site."""
    return {Read(name, tuple(map(_argument, arguments))): digest for name, arguments, digest in stored}


def known(reads: Iterable[Read]) -> bool:
    """Whether all of the questions are still there."""
    return all(read.question in _QUESTIONS for read in reads)


def _argument(stored: Any) -> Argument:
    return tuple(tuple(pair) for pair in stored) if isinstance(stored, list) else stored
