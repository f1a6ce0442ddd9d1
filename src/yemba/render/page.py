"""One page: parts, sections, and the head over them."""

from __future__ import annotations

import json
from collections.abc import Sequence
from functools import cache
from hashlib import sha256
from typing import Any, NamedTuple

from django.utils.safestring import mark_safe

from yemba.catalogue import kind_script
from yemba.core.language import from_right
from yemba.core.layout.frame import NONE
from yemba.core.part.part import AFTER, BEFORE, BESIDE, parts
from yemba.core.site import dates
from yemba.core.site.document import Page
from yemba.core.site.scripts import kinds_with_scripts
from yemba.core.site.structured import events, post
from yemba.core.site.titles import title_of
from yemba.render import fragment, questions
from yemba.render.fragment import At, Fragment, at, rendered
from yemba.render.part_view import href
from yemba.render.recorder import Answers, Read, Recorder

SITE_CARD = "sharing.png"
"""The picture for sharing of every page that has none of its own."""
HEAD = "head"
"""What the reads of a page's head are kept under, beside those of its fragments."""


class Rendered(NamedTuple):
    """A page, and the reads of each of its fragments and of its head."""

    html: str
    reads: dict[str, dict[Read, str]]


class Head(NamedTuple):
    """What stands in a page's head; `path` is its address below the site's, `card` that of its picture for sharing,
    `scripts` are names under assets/, `alternates` the page in every language it has, each by its tag with its address
    below the site's; the one of the main language is also that for any other ("x-default")."""

    title: str
    description: str
    sheets: list[str]
    preloads: list[str]
    path: str
    card: str = SITE_CARD
    scripts: Sequence[str] = ()
    alternates: Sequence[tuple[str, str]] = ()


def path_of(page: Page) -> str:
    """The file a page is published as."""
    return f"{page.slug}/index.html" if page.slug else "index.html"


def card_path(page_id: str, page: Page) -> str:
    """The picture for sharing of a page, by its path."""
    return f"sharing-{page_id}.png" if page.card else SITE_CARD


def is_card(path: str) -> bool:
    """Whether a file is a picture for sharing."""
    return path == SITE_CARD or (path.startswith("sharing-") and path.endswith(".png"))


def places(page: Page) -> list[str]:
    """What stands on a page as it is shown, in its order: slugs of parts, ids of sections."""
    standing = _standing()
    return [*standing[BEFORE], *page.order, *standing[BESIDE], *standing[AFTER]]


def _standing() -> dict[str, list[str]]:
    """The slugs of the parts, by where they stand on a page."""
    return {
        where: [part.slug for part in parts().values() if part.stands == where] for where in (BEFORE, BESIDE, AFTER)
    }


def fragments(answers: Answers, page_id: str) -> dict[str, Fragment]:
    """All that stands on a page, by its place."""
    page = answers.look.document.shown(page_id)
    return {place: fragment_of(answers, page_id, place) for place in places(page)}


def fragment_of(answers: Answers, page_id: str, place: str) -> Fragment:
    """One of them."""
    answers = answers.of_page(page_id)
    page = answers.look.document.shown(page_id)
    here = at(page_id, page)
    if place in parts():
        return fragment.part(answers, here, place)
    return fragment.section(answers, here, place, page.sections[place], page.order[0] == place)


def render_page(answers: Answers, page_id: str, sheets: list[str], preloads: list[str]) -> Rendered:
    """The whole page; `sheets` and `preloads` are file names under assets/."""
    answers = answers.of_page(page_id)
    page = answers.look.document.shown(page_id)
    by_place, recorder = fragments(answers, page_id), Recorder(answers)
    first = page.sections[page.order[0]] if page.order else None
    head = Head(_title(recorder, page), page.description, sheets, preloads, path_of(page).removesuffix("index.html"))
    head = head._replace(
        card=card_path(page_id, page),
        scripts=_scripts(recorder, page_id, page),
        alternates=recorder.ask(questions.alternates, page_id),
    )
    html = _document(
        recorder,
        at(page_id, page),
        head,
        by_place,
        page.order,
        lone=page.name if first is None or not first.fields.get("heading") else "",
        structured=_structured(recorder, page_id, page),
    )
    return Rendered(html, {place: dict(one.reads) for place, one in by_place.items()} | {HEAD: recorder.reads})


def render_notice(answers: Answers, title: str, inner: str, sheets: list[str], preloads: list[str]) -> str:
    """A page that is none of the owner's, in the site's design: "not found", "sent". Its links hold at any address."""
    here = At(answers.site.root)
    by_place = {slug: fragment.part(answers, here, slug) for slug in parts()}
    by_place[title] = Fragment(inner, {})
    return _document(Recorder(answers), here, Head(title, "", sheets, preloads, ""), by_place, [title], noindex=True)


def render_listing(
    answers: Answers, here: At, title: str, path: str, listed: Fragment, sheets: list[str], preloads: list[str]
) -> Rendered:
    """A page that is none of the owner's and lists pages of theirs, at an address below the site's."""
    by_place = {slug: fragment.part(answers, here, slug) for slug in parts()} | {"listed": listed}
    recorder = Recorder(answers)
    head = Head(f"{title} – {recorder.ask(questions.site_name)}", "", sheets, preloads, path)
    html = _document(recorder, here, head, by_place, ["listed"])
    return Rendered(html, {place: dict(one.reads) for place, one in by_place.items()} | {HEAD: recorder.reads})


def _scripts(recorder: Recorder, page_id: str, page: Page) -> list[str]:
    """What a live page needs: the scripts of the kinds of its sections, and of those beside them."""
    if recorder.site.draft:
        return []
    holders = [part for part in parts().values() if part.holds_sections and part.stands != BESIDE]
    if recorder.ask(questions.sidebar_on, page_id) != NONE:
        holders += [part for part in parts().values() if part.stands == BESIDE]
    shared = (section for part in holders for _, section in recorder.ask(questions.sections_of, part.slug))
    here = kinds_with_scripts(recorder.site.look, (*page.sections.values(), *shared))
    return [script_name(kind) for kind in sorted(here | set(recorder.ask(questions.kinds_with_scripts_everywhere)))]


@cache
def script_name(kind: str) -> str:
    """The name of a kind's script under assets/."""
    return f"{kind}.{sha256(kind_script(kind).encode()).hexdigest()[:10]}.js"


def _title(recorder: Recorder, page: Page) -> str:
    """What the browser and search engines call a page."""
    return title_of(page, recorder.ask(questions.site_name), recorder.ask(questions.tagline))


def _structured(recorder: Recorder, page_id: str, page: Page) -> str:
    """What search engines are told, as JSON that cannot end the script element it stands in."""
    site = recorder.site
    if not site.address:
        return ""
    data = [] if page.slug else [recorder.ask(questions.about)]
    for _, section in page.ordered():
        if any(item.fields.get("day") for item in section.items.values()):
            # events name their organiser and where they are, and leave when they are past
            recorder.ask(questions.site_name)
            recorder.ask(questions.about)
            recorder.ask(questions.value, "site.currency")
            recorder.ask(questions.coming, dates.as_text(section), str(dates.most_shown(section)))
    data += events(site.look, page, site.address, site.moment)
    if page.posted:
        recorder.ask(questions.site_name)
        recorder.ask(questions.value, "site.time_zone")
        data += post(site.look, page, site.address)
    if recorder.ask(questions.value, "header.trail"):
        data += _breadcrumbs(recorder, page_id)
    if not data:
        return ""
    text = json.dumps(data if len(data) > 1 else data[0], ensure_ascii=False)
    return mark_safe(text.replace("<", "\\u003c"))


def _breadcrumbs(recorder: Recorder, page: str) -> list[dict[str, Any]]:
    """schema.org BreadcrumbList of a page that stands under another; nothing for any other."""
    address, trail = recorder.site.address, recorder.ask(questions.trail, page)
    steps = [
        {"@type": "ListItem", "position": place, "name": step.name, "item": href(address, step.link)}
        for place, step in enumerate(trail, 1)
    ]
    return [{"@context": "https://schema.org", "@type": "BreadcrumbList", "itemListElement": steps}] if steps else []


def _document(
    recorder: Recorder, here: At, head: Head, by_place: dict[str, Fragment], order: list[str], **context: Any
) -> str:
    site, language = recorder.site, recorder.ask(questions.value, "site.language")
    markup = {place: mark_safe(one.html) for place, one in by_place.items()}
    return rendered(
        "page.html",
        site_name=recorder.ask(questions.site_name),
        tagline=recorder.ask(questions.tagline),
        language=language,
        from_right=from_right(language),
        page_id=here.page,
        draft=site.draft,
        root=here.root,
        head=head,
        sheets=[f"{here.root}assets/{name}" for name in head.sheets],
        preloads=[f"{here.root}assets/{name}" for name in head.preloads],
        scripts=[f"{here.root}assets/{name}" for name in head.scripts],
        address=site.address,
        theme=recorder.ask(questions.theme, here.page),
        arrangement=recorder.ask(questions.value, "header.arrangement"),
        page_ground=recorder.ask(questions.page_ground),
        sidebar=recorder.ask(questions.sidebar_on, here.page),
        folds=recorder.ask(questions.value, "sidebar.folds"),
        feed=f"{here.root}{questions.feed_path(site.look.document)}" if recorder.ask(questions.has_posts) else "",
        sections=[markup[place] for place in order],
        **{where: [markup[slug] for slug in slugs] for where, slugs in _standing().items()},
        **context,
    )
