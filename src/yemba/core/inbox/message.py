"""What a visitor sent, checked; and what makes a message one to hold back."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Callable, Collection, Iterable, Iterator, Mapping
from typing import NamedTuple

from yemba.core.errors import Fault, Faults
from yemba.core.language import ENGLISH
from yemba.core.limits import ANSWER_LETTERS, MESSAGE_LETTERS
from yemba.core.message import Message
from yemba.core.site.document import Section, ordered_items

TRAP = "second_mail"
"""The field that people do not see and that must stay empty."""
_EMPTY = {"name": "Please say your name.", "words": "The message is empty. Please write a few words."}
_LONG = "That is %(letters)d letters; at most %(limit)d can be sent."
_NO_MAIL = "Please give a mail address to answer to."
_NOT_MAIL = "“%(typed)s” is not a mail address to answer to. It looks like name@place.example."
_MAIL = re.compile(r"[^@\s<>,;]+@[^@\s<>,;]+\.[^@\s<>,;.]+")
_LINK = re.compile(r"https?://|www\.", re.IGNORECASE)
_MARKUP = re.compile(r"<a\s|\[url|\[link", re.IGNORECASE)
_MOST_LINKS = 2  # common practice, no source
_FORMULA = ("=", "+", "-", "@", "\t", "\r")


class Sent(NamedTuple):
    """`answers` maps what the form asked further to what was written. One without `words` is a sign-up."""

    name: str
    mail: str
    words: str
    answers: dict[str, str]


ASKED = ("name", "mail", "words")
"""What a form wants to be filled in."""


def read_sent(
    posted: Mapping[str, str],
    section: Section,
    phrase: Callable[..., str] = ENGLISH.phrase,
    asked: Collection[str] = ASKED,
) -> Sent:
    """What was sent through this form, which must be filled in where it is `asked`; `phrase` says a sentence in the
    language of the site.

    Raises Faults with all that is wrong, beside ``name``, ``mail``, ``words``.
    """
    values = {field: posted.get(field, "").replace("\0", "").strip() for field in MESSAGE_LETTERS}
    faults = list(_faults(values, phrase, asked))
    if faults:
        raise Faults(faults)
    answers = {
        item.fields.get("label", ""): posted.get(key, "").replace("\0", "").strip()[:ANSWER_LETTERS]
        for key, item in ordered_items(section)
    }
    return Sent(values["name"], values["mail"], values["words"], {k: v for k, v in answers.items() if v})


def _faults(values: Mapping[str, str], phrase: Callable[..., str], asked: Collection[str]) -> Iterator[Fault]:
    """What is wrong, at most one thing a field, in the order of the fields."""
    for field, limit in MESSAGE_LETTERS.items():
        letters = len(values[field])
        if letters > limit:
            yield Fault("too-long", phrase(_LONG, letters=letters, limit=limit), field)
        elif field == "mail" and not values[field]:
            yield Fault("empty", phrase(_NO_MAIL), field)
        elif field == "mail" and not _MAIL.fullmatch(values[field]):
            yield Fault("mail-unreadable", phrase(_NOT_MAIL, typed=values[field]), field)
        elif not values[field] and field in asked:
            yield Fault("empty", phrase(_EMPTY[field]), field)


def no_such_form(section: str) -> Fault:
    return Fault("no-such-form", Message("There is no contact form “{section}” on the live site.", section=section))


def no_such_message() -> Fault:
    return Fault("no-such-message", Message("That message is no longer here."))


def no_such_state(state: str) -> Fault:
    return Fault("no-such-state", Message("A message cannot be “{state}”.", state=state))


def suspicion(sent: Sent, posted: Mapping[str, str], earlier: Collection[str], from_there: int) -> str:
    """Why a message is held back, "" for one that is not.

    `earlier` are words that came in before, `from_there` how many messages the same sender sent
    within the hour. Nothing outside is asked.
    """
    if posted.get(TRAP):
        return Message("It filled in a field that people do not see.")
    if _MARKUP.search(sent.words):
        return Message("It holds link markup that no visitor types.")
    if len(_LINK.findall(f"{sent.name} {sent.words}")) > _MOST_LINKS:
        return Message("It holds more than two links.")
    if sent.words and sent.words in earlier:
        return Message("The same words came in before.")
    if from_there >= 3:
        return Message("The fourth message within an hour from the same place.")
    return ""


def as_csv(rows: Iterable[Mapping[str, str]]) -> str:
    """The messages as comma-separated values (RFC 4180), a column for everything that any of them says.

    Cells that a spreadsheet would take for a formula begin with an apostrophe.
    """
    listed = list(rows)
    columns = list(dict.fromkeys(column for row in listed for column in row))
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow([_harmless(column) for column in columns])
    writer.writerows([_harmless(row.get(column, "")) for column in columns] for row in listed)
    return out.getvalue()


def _harmless(cell: str) -> str:
    return f"'{cell}" if cell.startswith(_FORMULA) else cell
