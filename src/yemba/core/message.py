"""What the studio says, as values: a message in English that becomes words of the reader's language once it is shown.

A message is its English sentence to everything that compares, keeps or sorts it, so that what is worked out once serves
readers of every language. Only ``str(message)``, a format or a template's output translates it.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from functools import cache
from string import Formatter
from typing import Annotated, Any, Protocol, Self, TypeVar

from babel.lists import format_list
from pydantic import AfterValidator

from yemba.core.language import from_right, locale

Key = TypeVar("Key")
_CAPITAL_NOUNS = ("de",)
"""Languages whose nouns begin with a capital wherever they stand."""

_ISOLATE, _END_ISOLATE = "\N{FIRST STRONG ISOLATE}", "\N{POP DIRECTIONAL ISOLATE}"
"""Around a name or a code in a sentence from the right, so that both keep their order (Unicode Standard Annex 9)."""


class Translator(Protocol):
    """Who knows the language of the reader, as gettext has it (GNU gettext, "plural forms")."""

    def gettext(self, message: str) -> str: ...

    def ngettext(self, singular: str, plural: str, number: int) -> str: ...

    def language(self) -> str:
        """Its tag (BCP 47)."""
        ...


class English:
    """Says everything as it is written."""

    def gettext(self, message: str) -> str:
        return message

    def ngettext(self, singular: str, plural: str, number: int) -> str:
        return singular if number == 1 else plural

    def language(self) -> str:
        return "en"


_ENGLISH = English()
_speaking: list[Translator] = [_ENGLISH]


def as_name(message: Message) -> str:
    """What a message says now, as the name of something that is kept: no sentence, so nothing is isolated in it."""
    return str(message).replace(_ISOLATE, "").replace(_END_ISOLATE, "")


def speak_by(translator: Translator) -> None:
    """Every message is said by this one from now on."""
    _speaking[0] = translator


class Message(str):
    """A sentence with its values in braces (``str.format``); values that are messages are said in the same language."""

    english: str
    values: Mapping[str, object]

    def __new__(cls, english: str, **values: object) -> Self:
        message = str.__new__(cls, _filled(english, values, _ENGLISH))
        message.english, message.values = english, values
        return message

    def __getnewargs_ex__(self) -> tuple[tuple[str, ...], dict[str, object]]:
        return (self.english,), dict(self.values)

    def translated(self, translator: Translator) -> str:
        """In the language of a translator."""
        return _filled(translator.gettext(self.english), self.values, translator) if self.english else ""

    def __str__(self) -> str:
        return self.translated(_speaking[0])

    def __format__(self, spec: str) -> str:
        return format(str(self), spec)

    def lower(self) -> Message:
        """As it is said within a sentence."""
        return Lowered(self)

    def capitalize(self) -> Message:
        """As it begins a sentence."""
        return Capitalized(self)


class Plural(Message):
    """A sentence about a `number`, which is among its values as "number"; of each form only the one it asks for is
    said."""

    plural: str
    number: int

    def __new__(cls, english: str, plural: str, number: int, **values: object) -> Self:
        filling = values | {"number": number}
        message = str.__new__(cls, _filled(_ENGLISH.ngettext(english, plural, number), filling, _ENGLISH))
        message.english, message.plural, message.number, message.values = english, plural, number, filling
        return message

    def __getnewargs_ex__(self) -> tuple[tuple[str, ...], dict[str, object]]:
        values = {name: value for name, value in self.values.items() if name != "number"}
        return (self.english, self.plural, self.number), values  # type: ignore[return-value]

    def translated(self, translator: Translator) -> str:
        return _filled(translator.ngettext(self.english, self.plural, self.number), self.values, translator)


class _Changed(Message):
    """Another message, said in another way."""

    of: Message

    def __new__(cls, of: Message) -> Self:
        message = str.__new__(cls, cls.change(of.translated(_ENGLISH), _ENGLISH))
        message.english, message.values, message.of = of.english, of.values, of
        return message

    def __getnewargs_ex__(self) -> tuple[tuple[Any, ...], dict[str, object]]:
        return (self.of,), {}

    @staticmethod
    def change(text: str, translator: Translator) -> str:
        raise NotImplementedError

    def translated(self, translator: Translator) -> str:
        return self.change(self.of.translated(translator), translator)


class Lowered(_Changed):
    @staticmethod
    def change(text: str, translator: Translator) -> str:
        if translator is _ENGLISH:
            return text.lower()
        return text if translator.language() in _CAPITAL_NOUNS else text[:1].lower() + text[1:]


class Capitalized(_Changed):
    @staticmethod
    def change(text: str, translator: Translator) -> str:  # noqa: ARG004 -- in every language
        return text[:1].upper() + text[1:]


class Local(Message):
    """What `say` makes of the tag of a language: a day, the name of a language."""

    say: Callable[[str], str]

    def __new__(cls, say: Callable[[str], str]) -> Self:
        message = str.__new__(cls, say(_ENGLISH.language()))
        message.english, message.values, message.say = str.__str__(message), {}, say
        return message

    def __getnewargs_ex__(self) -> tuple[tuple[Any, ...], dict[str, object]]:
        return (self.say,), {}

    def translated(self, translator: Translator) -> str:
        return self.say(translator.language())


class Joined(Message):
    """Several texts, messages among them, with a separator between them."""

    parts: tuple[str, ...]

    def __new__(cls, separator: str, parts: Iterable[str]) -> Self:
        listed = tuple(parts)
        message = str.__new__(cls, separator.join(_translated(part, _ENGLISH) for part in listed))
        message.english, message.values, message.parts = separator, {}, listed
        return message

    def __getnewargs_ex__(self) -> tuple[tuple[Any, ...], dict[str, object]]:
        return (self.english, self.parts), {}

    def translated(self, translator: Translator) -> str:
        return translator.gettext(self.english).join(_translated(part, translator) for part in self.parts)


class Listed(Message):
    """Several texts in a row, the last joined as the reader's language does (CLDR, "list patterns"): "A, B and C"."""

    parts: tuple[str, ...]

    def __new__(cls, parts: Iterable[str]) -> Self:
        listed = tuple(parts)
        message = str.__new__(cls, _in_a_row(listed, _ENGLISH))
        message.english, message.values, message.parts = str.__str__(message), {}, listed
        return message

    def __getnewargs_ex__(self) -> tuple[tuple[Any, ...], dict[str, object]]:
        return (self.parts,), {}

    def translated(self, translator: Translator) -> str:
        return _in_a_row(self.parts, translator)


def _in_a_row(parts: Iterable[str], translator: Translator) -> str:
    """English as the British write it."""
    language = translator.language()
    return format_list(
        [_translated(part, translator) for part in parts], "standard", locale("en-GB" if language == "en" else language)
    )


def in_english(text: str) -> str:
    """A text as it is written in the code, or in a file of the catalogue."""
    return str.__str__(text)


def labels(names: Mapping[Key, str]) -> dict[Key, str]:
    """Choices with their names, as messages."""
    return {key: label(name) for key, name in names.items()}


def label(text: str) -> Message:
    """A text of the catalogue, as it stands in its file, as a message."""
    return Message(text.replace("{", "{{").replace("}", "}}")) if text else Message("")


Label = Annotated[str, AfterValidator(label)]
"""A text of a file of the catalogue that the studio shows."""


def plain(value: Any) -> Any:
    """A value for JSON: what is in it of messages said in the reader's language."""
    match value:
        case Message():
            return str(value)
        case Mapping():
            return {plain(key): plain(inner) for key, inner in value.items()}
        case list() | tuple():
            return [plain(inner) for inner in value]
    return value


@cache
def _decimal_mark(language: str) -> str:
    return str(locale(language).number_symbols["latn"]["decimal"])


def _translated(text: str, translator: Translator) -> str:
    return text.translated(translator) if isinstance(text, Message) else text


def _filled(template: str, values: Mapping[str, object], translator: Translator) -> str:
    return _Filling(translator).vformat(template, (), values) if values or "{" in template else template


class _Filling(Formatter):
    def __init__(self, translator: Translator) -> None:
        self._translator = translator

    def format_field(self, value: Any, format_spec: str) -> str:
        if isinstance(value, Message):
            return format(value.translated(self._translator), format_spec)
        language = self._translator.language()
        text = format(value, format_spec)
        if isinstance(value, float):
            return text.replace(".", _decimal_mark(language))
        return f"{_ISOLATE}{text}{_END_ISOLATE}" if isinstance(value, str) and from_right(language) else text
