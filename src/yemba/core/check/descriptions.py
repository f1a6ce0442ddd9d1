"""Pages that tell search engines nothing, or the same as another page."""

from __future__ import annotations

import re
from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.message import Message
from yemba.core.place import OfPage
from yemba.core.site.document import Page
from yemba.core.site.words import plain

NAME = Message("Titles and descriptions")
LONGEST = 155  # characters that result lists show of a description; common practice, no source
_SENTENCE = re.compile(r".{1,400}?[.!?…](?=\s|$)")


def find(inspected: Inspected) -> Iterator[Finding]:
    document = inspected.look.document
    titles: dict[tuple[str, str], str] = {}
    for page_id, page in document.ordered_pages():
        if not page.description:
            offered = proposed(page)
            arguments = {"page": page_id, "page_name": page.name, "description": offered}
            cure = Cure(Message("Take “{offered}”", offered=offered), "rename-page", arguments) if offered else None
            sentence = Message(
                "{name} has no description; result lists then show whatever stands on the page.", name=page.name
            )
            yield Finding(sentence, OfPage(page_id, "description"), page_id, cure)
        title = page.title or page.name
        seen_as = page.language, title  # a version in another language may well have the same
        if seen_as in titles:
            sentence = Message(
                "{name} and {titles} have the same title, “{title}”. Give one of them its own.",
                name=page.name,
                titles=titles[seen_as],
                title=title,
            )
            yield Finding(sentence, OfPage(page_id, "title"), page_id)
        titles.setdefault(seen_as, page.name)


def proposed(page: Page) -> str:
    """A description from the page's own words: whole sentences of its first words, as many as fit; "" for none."""
    for _, section in page.ordered():
        for slug in ("lead", "body", "text"):
            text = plain(section.fields.get(slug, ""))
            if len(text) < 25:
                continue
            made = ""
            for sentence in _SENTENCE.findall(text):
                longer = f"{made} {sentence.strip()}".strip()
                if len(longer) > LONGEST:
                    break
                made = longer
            return made or f"{text[: LONGEST - 1].rpartition(' ')[0]}…"
    return ""
