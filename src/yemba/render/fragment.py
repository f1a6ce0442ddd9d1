"""Fragments of a page: its parts and its sections, each rendered alone, each with what it depends on."""

from __future__ import annotations

import re
from collections.abc import Mapping
from functools import cache
from typing import Any, NamedTuple

from django.template import Context, Engine
from django.utils.safestring import SafeString, mark_safe

from yemba import catalogue as shipped
from yemba.core.cache import Cache
from yemba.core.calendar import spoken
from yemba.core.layout.rows import ABREAST, ABREAST_ON_PHONE, USUAL, row_sizes, spans
from yemba.core.layout.tiles import TileSizes, tile_sizes
from yemba.core.limits import LIMITS
from yemba.core.part.part import AFTER, parts
from yemba.core.picture import placing
from yemba.core.picture.filters import NONE
from yemba.core.site import dates, journal
from yemba.core.site.backdrop import STILL, tint_of
from yemba.core.site.behind import PICTURE
from yemba.core.site.document import Item, Page, Picture, Section, ordered_items
from yemba.core.site.excerpts import Excerpt
from yemba.core.site.files import in_words, plays
from yemba.core.site.ics import has_days, ics_path
from yemba.core.site.kinds import DATES, EXCERPTS, ONWARD, POST, SHARED, Field, SectionKind
from yemba.core.site.one_offs import BUTTON
from yemba.core.site.pictures import proportion
from yemba.core.value.link import is_inner
from yemba.render import pictures, questions
from yemba.render.part_view import PartView, href
from yemba.render.recorder import Answers, Reads, Recorder
from yemba.render.style import PARTS_FOLDER, SKELETON

FORMS = "/-/form/"
"""Where a contact form of a live site is sent, followed by the section's id."""
_INNER_LINK = re.compile(r'href="((?:page|file):[\w#]+)"')
_HEADING_TAG = re.compile(r"(</?)h([34])>")
_HEADINGS = re.compile(r"<h\d[^>]*>(.*?)</h\d>", re.DOTALL)
_IN_WORDS = "h5"  # the level of headings among words, as the skeleton sets them
_LONG = 6  # letters; what is shorter has no long word
_MOST_STATES = 4  # of one fragment that are kept


class Fragment(NamedTuple):
    """Markup, and the questions it was made from with the digests of their answers."""

    html: str
    reads: Reads


class At(NamedTuple):
    """Where a fragment stands: `root` leads from there to the site's own address, `page` is the id of the page. What
    `inherits` stands on the ground of what it stands in, but where its owner chose one."""

    root: str
    page: str = ""
    inherits: bool = False


class Form(NamedTuple):
    """A form that is shown again: what was typed in it, and what is wrong, by field; "" for the whole form."""

    typed: Mapping[str, str]
    wrong: Mapping[str, str]


_FRAGMENTS: Cache[tuple[Any, ...], list[tuple[Any, Fragment]]] = Cache(
    "fragments of pages",
    most=60_000_000,
    weigh=lambda states: sum(2 * len(fragment.html) + 200 for _, fragment in states),
)


@cache
def engine() -> Engine:
    """The templates of pages: rendering stands without Django's settings; the export and its tests need none."""
    folders = [SKELETON, PARTS_FOLDER, shipped.kind_folders()]
    return Engine(dirs=[str(folder) for folder in folders], builtins=["yemba.render.tags"])


def rendered(template: str, **context: Any) -> str:
    return str(engine().get_template(template).render(Context(context)))


def at(page_id: str, page: Page) -> At:
    """Where the fragments of a page stand."""
    return At("../" * depth(page), page_id)


def depth(page: Page) -> int:
    """How many steps its address has."""
    return page.slug.count("/") + 1 if page.slug else 0


def part(answers: Answers, here: At, slug: str) -> Fragment:
    """A part as it stands on a page."""
    key = _part_key(answers, here, slug)
    return _cached(answers, key, None) or _cache(key, None, _part(answers, here, slug))


def section(answers: Answers, here: At, key: str, stored: Section, first: bool) -> Fragment:
    """A section as it stands on a page, as its `first` or not."""
    cache_key = _section_key(answers, here, key, stored, first)
    return _cached(answers, cache_key, stored) or _cache(cache_key, stored, _section(answers, here, key, stored, first))


def form_again(answers: Answers, here: At, key: str, stored: Section, form: Form) -> str:
    """A section with a form, as it is shown again."""
    return _section(answers, here, key, stored, True, form).html


def recorded(answers: Answers, here: At, slug: str, stored: Section | None, first: bool) -> list[Fragment]:
    """The states of a fragment that are kept: of a part, or of a section."""
    key = _part_key(answers, here, slug) if stored is None else _section_key(answers, here, slug, stored, first)
    return [fragment for _, fragment in _FRAGMENTS.get(key) or []]


def _part_key(answers: Answers, here: At, slug: str) -> tuple[Any, ...]:
    return (answers.site.draft, slug, here)


def _section_key(answers: Answers, here: At, key: str, stored: Section, first: bool) -> tuple[Any, ...]:
    roles = answers.look.catalogue.kind(stored.kind).roles
    page = here.page if POST in roles or ONWARD in roles else ""
    return (answers.site.draft, id(stored), key, here.root, here.inherits, first, page)


def _cached(answers: Answers, key: tuple[Any, ...], source: Any) -> Fragment | None:
    """A state of the fragment for which all that it read is as it was."""
    for rendered_from, fragment in _FRAGMENTS.get(key) or []:
        if rendered_from is source and answers.hold(fragment.reads):
            return fragment
    return None


def _cache(key: tuple[Any, ...], source: Any, fragment: Fragment) -> Fragment:
    """Hold a state; what it is made from is held too, so that no other can take its id."""
    earlier = [entry for entry in _FRAGMENTS.get(key) or [] if entry[0] is source]
    _FRAGMENTS.put(key, [(source, fragment), *earlier[: _MOST_STATES - 1]])
    return fragment


def _part(answers: Answers, here: At, slug: str) -> Fragment:
    recorder = Recorder(answers)
    within = here._replace(inherits=parts()[slug].stands == AFTER)

    def sections() -> list[SafeString]:
        stored_sections = recorder.ask(questions.sections_of, slug)
        made = [section(answers, within, key, stored, False) for key, stored in stored_sections]
        for fragment in made:
            recorder.also(fragment.reads)
        return [mark_safe(fragment.html) for fragment in made]

    view = PartView(parts()[slug], recorder, here.root, here.page, sections)
    language = recorder.ask(questions.language_of_phrases)
    html = rendered(f"{slug}.html", part=view, draft=answers.site.draft, language=language)
    return Fragment(html, recorder.reads)


def _section(answers: Answers, here: At, key: str, stored: Section, first: bool, form: Form | None = None) -> Fragment:
    recorder = Recorder(answers)
    kind = answers.look.catalogue.kind(stored.kind)
    layout = recorder.ask(questions.layout, stored.kind, stored.layout)
    kind_behind, mark = _shown_behind(recorder, stored)
    picture = recorder.ask(questions.picture, stored.fields["backdrop"]) if kind_behind == PICTURE else None
    html = rendered(
        "section.html",
        backdrop=pictures.shown(picture, here.root) if picture else None,
        behind=kind_behind,
        mark=mark,
        marks=_marks(stored) if picture else "",
        tint=tint_of(stored),
        tile=_tile(picture, stored),
        first=first,
        id=key,
        named=stored.slug,
        height=stored.fields.get("height", ""),
        kind=stored.kind,
        layout=layout,
        ground=_ground(recorder, here, stored),
        draft=answers.site.draft,
        inner=mark_safe(_inner(recorder, here, key, stored, kind, layout, first, form or Form({}, {}))),
    )
    return Fragment(html, recorder.reads)


def _ground(recorder: Recorder, here: At, stored: Section) -> str:
    """The ground it stands on, "" where that is the one of what it stands in."""
    if here.inherits and not stored.ground:
        return ""
    return recorder.ask(questions.ground, stored.kind, stored.ground)


def _shown_behind(recorder: Recorder, stored: Section) -> tuple[str, str]:
    """What is shown behind its words, and its mark in the stylesheet; "" where nothing was ever chosen."""
    chosen = tuple((field.slug, stored.fields[field.slug]) for field in SHARED if stored.fields.get(field.slug))
    return recorder.ask(questions.behind_section, stored.kind, stored.ground, chosen) if chosen else ("", "")


def _marks(stored: Section) -> str:
    """Classes of a section for how the picture behind it is shown."""
    shown_under, moves = stored.fields.get("filter", NONE), stored.fields.get("moves")
    known = {f"filter-{shown_under}": shown_under != NONE, "stands-still": moves == STILL}
    placed = placing.classes(stored.fields.get("backdrop_fit", ""), stored.fields.get("backdrop_anchor", ""))
    return " ".join([*(name for name, holds in known.items() if holds), *placed])


def _tile(picture: Picture | None, stored: Section) -> tuple[float, float] | None:
    """Width and height in px of a tile of the picture behind a section; None where it is no tile."""
    if picture is None or stored.fields.get("backdrop_fit") != placing.TILE:
        return None
    return placing.TILE_WIDTH, round(placing.TILE_WIDTH / proportion(picture), 2)


def _inner(
    recorder: Recorder,
    here: At,
    key: str,
    stored: Section,
    kind: SectionKind,
    layout: str,
    first: bool,
    form: Form,
) -> str:
    """What the layout draws."""
    level = 1 if first else 2
    below = level + 1 if stored.fields.get("heading") or first else 2
    below_items = below + any(field.heads for field in kind.fields_of("item"))
    item_fields = kind.fields_of("item")
    sizes = recorder.ask(questions.picture_sizes, stored.kind, layout)
    items = ordered_items(stored)
    placed = _placed(recorder, sizes, items)
    by_id = {
        item_id: {
            "id": item_id,
            "typed": form.typed.get(item_id, ""),
            **placed.get(item_id, {}),
            **_values(recorder, here, item_fields, item.fields, below_items),
        }
        for item_id, item in items
    }
    return rendered(
        _template(stored.kind, layout),
        id=key,
        s=_values(recorder, here, kind.fields, stored.fields, below),
        items=_entries(recorder, here, stored, kind, by_id),
        had_dates=bool(stored.order),
        calendar=f"{here.root}{ics_path(key)}" if DATES in kind.roles and has_days(stored) else "",
        form_action=f"{FORMS}{key}/",
        typed=form.typed,
        wrong=form.wrong,
        wrong_at_all=form.wrong.get(""),
        layout=layout,
        sizes=sizes.third,
        level=level,
        below=below,
        first=first,
        limits=LIMITS,
        draft=recorder.site.draft,
        language=recorder.ask(questions.value, "site.language"),
        longest=_longest(recorder, stored, kind),
        button=lambda kind: recorder.ask(questions.button, kind),
        **_of_journal(recorder, here, stored, kind),
        one_offs={element: _apart(recorder, values) for element, values in stored.one_offs.items()},
        reaches={field.slug: field.reaches for field in kind.fields},
        types={field.slug: field.type for field in kind.fields},
        item_types={field.slug: field.type for field in item_fields},
    )


def _entries(
    recorder: Recorder, here: At, stored: Section, kind: SectionKind, by_id: Mapping[str, dict[str, Any]]
) -> list[dict[str, Any]]:
    """What the layout lists: the section's own entries, on their days where they are dates; or pages found anew."""
    if DATES in kind.roles:
        return _on_their_days(recorder, here, stored, by_id)
    if EXCERPTS in kind.roles and stored.fields.get("shows"):
        tag, month = stored.fields.get("tag", ""), stored.fields.get("month", "")
        most = stored.fields.get("most") or str(journal.USUAL)
        pages = recorder.ask(questions.listed, stored.fields["shows"], tag, month, most)
        return [_listed(here, one) for one in pages]
    return list(by_id.values())


def _listed(here: At, one: questions.Listed) -> dict[str, Any]:
    """A page as an entry that is none of the section's own."""
    return {"link": href(here.root, one.path), "link_excerpt": _told(here, one.excerpt), "found": True}


def _told(here: At, excerpt: Excerpt) -> dict[str, Any]:
    """What a page says of itself, as a layout prints it."""
    picture = pictures.shown(excerpt.picture, here.root) if excerpt.picture else None
    return {**excerpt._asdict(), "picture": picture}


def _of_journal(recorder: Recorder, here: At, stored: Section, kind: SectionKind) -> dict[str, Any]:
    """What a section shows of the journal: ways into it, the post it stands on, the posts around that."""
    if EXCERPTS in kind.roles:
        return _ways(recorder, here, stored.fields.get("ways", ""))
    if POST in kind.roles:
        return _head(recorder, here)
    if ONWARD in kind.roles:
        return _onward(recorder, here)
    return {}


def _ways(recorder: Recorder, here: At, wanted: str) -> dict[str, Any]:
    """The lists of tags and of months, of which one or "both" are wanted."""
    if not wanted:
        return {}
    rows = []
    for name, entries in recorder.ask(questions.ways):
        if entries and wanted in (name, "both"):
            rows.append((name, [(of, href(here.root, path), count) for of, path, count in entries]))
    return {"ways": rows}


def _head(recorder: Recorder, here: At) -> dict[str, Any]:
    """The day and the tags of the post it stands on."""
    post = recorder.ask(questions.post, here.page)
    if post is None:
        return {}
    posted, tags = post
    return {"posted": posted, "tags": [(tag, href(here.root, path)) for tag, path in tags]}


def _onward(recorder: Recorder, here: At) -> dict[str, Any]:
    """The posts around the one it stands on."""
    neighbours = recorder.ask(questions.onward, here.page)
    if neighbours is None:
        return {}
    before, after, whole = neighbours
    return {
        "post": True,
        "earlier": [_listed(here, one) for one in before],
        "later": [_listed(here, one) for one in after],
        "whole": href(here.root, whole) if whole else "",
    }


def _on_their_days(
    recorder: Recorder, here: At, stored: Section, by_id: Mapping[str, dict[str, Any]]
) -> list[dict[str, Any]]:
    """Entries once for each day that they are still to come on; `again` for all but the first of an entry."""
    coming = recorder.ask(questions.coming, dates.as_text(stored), str(dates.most_shown(stored)))
    listed: list[dict[str, Any]] = []
    met: set[str] = set()
    for one in coming:
        about = {"day": one.day, "last_day": one.last_day, "begins": one.begins, "ends": one.ends, "state": one.state}
        file = f"{here.root}{ics_path(one.item)}" if one.day else ""
        listed.append({**by_id[one.item], **about, "calendar": file, "again": one.item in met})
        met.add(one.item)
    return listed


def _placed(recorder: Recorder, sizes: TileSizes, items: list[tuple[str, Item]]) -> dict[str, dict[str, str]]:
    """How wide the picture of each item is drawn, and in rows, how much of its row it takes."""
    named = {key: item.fields.get("picture", "") for key, item in items}
    visible = {key: picture for key, picture in named.items() if picture or recorder.site.draft}
    if not sizes.in_rows:
        widths_by_key = zip(visible, tile_sizes(sizes, len(visible)), strict=True)
        return {key: {"sizes": width} for key, width in widths_by_key}
    shapes = [_shape(recorder.ask(questions.picture, picture)) for picture in visible.values()]
    wide, narrow = spans(shapes, ABREAST), spans(shapes, ABREAST_ON_PHONE)
    widths = row_sizes(sizes.whole, wide, narrow, sizes.abreast)
    return {
        key: {"sizes": width, "across": f"across-{tracks} phone-{on_phone}"}
        for key, width, tracks, on_phone in zip(visible, widths, wide, narrow, strict=True)
    }


def _shape(picture: Picture | None) -> float:
    """Width over height."""
    return proportion(picture) if picture else USUAL


def _longest(recorder: Recorder, stored: Section, kind: SectionKind) -> dict[str, str]:
    """The marks of headings with a long word, by element."""
    texts = {("", slug): words for slug, words in stored.fields.items()}
    texts |= {(key, slug): words for key, item in ordered_items(stored) for slug, words in item.fields.items()}
    marks = {}
    for (key, slug), words in texts.items():
        field = next((field for field in kind.fields_of(key) if field.slug == slug), None)
        element = f"{key}.{slug}" if key else slug
        if field and field.type == "line" and len(words) >= _LONG:
            marks[element] = recorder.ask(questions.longest, stored.kind, slug, words)
        elif field and field.type == "words" and (headings := _HEADINGS.findall(words)):
            marks[element] = recorder.ask(questions.longest_in, _IN_WORDS, " ".join(headings))
    return {element: mark for element, mark in marks.items() if mark}


@cache
def _template(kind: str, layout: str) -> str:
    own = f"{kind}/{layout}.html"
    return own if (shipped.kind_folders() / own).exists() else f"{kind}/section.html"


def _apart(recorder: Recorder, stored: dict[str, str]) -> dict[str, str]:
    mark = recorder.ask(questions.set_apart, tuple(sorted(stored.items())))
    return {"align": stored.get("align", ""), "one": mark, BUTTON: stored.get(BUTTON, "")}


def _values(recorder: Recorder, here: At, fields: list[Field], stored: dict[str, str], below: int) -> dict[str, Any]:
    """Stored values as a layout prints them; headings among words are of the level `below`. A link to
    a file also has its kind and size in words, and whether browsers play it."""
    present = [field for field in fields if stored.get(field.slug)]
    values = {field.slug: _value(recorder, here, field, stored[field.slug], below) for field in present}
    for field in present:
        if field.type == "link" and (file := recorder.ask(questions.file, stored[field.slug])):
            values |= {f"{field.slug}_about": in_words(file), f"{field.slug}_plays": plays(file)}
        if field.excerpt and (excerpt := recorder.ask(questions.excerpt, stored[field.slug])):
            values[f"{field.slug}_excerpt"] = _told(here, excerpt)
    return values


def _value(recorder: Recorder, here: At, field: Field, stored: str, below: int) -> Any:
    match field.type:
        case "words":
            linked = _INNER_LINK.sub(lambda match: _inner_link(recorder, here, match[1]), stored)
            return SafeString(_HEADING_TAG.sub(lambda match: _heading(match, below), linked))
        case "link":
            return _href(recorder, here, stored)
        case "price":
            currency, language = (recorder.ask(questions.value, f"site.{key}") for key in ("currency", "language"))
            least = shipped.catalogue().language(language).phrase("from %(price)s")
            return spoken.price(stored, currency, language, least)
        case "picture":
            picture = recorder.ask(questions.picture, stored)
            return pictures.shown(picture, here.root) if picture else None
        case _:
            return stored


def _heading(tag: re.Match[str], below: int) -> str:
    """A tag of a heading among words, h3 or h4 as they are stored; those of the second level are `minor`."""
    minor = tag[2] == "4"
    name = f"h{min(6, below + minor)}"
    return f'<{name} class="minor">' if minor and tag[1] == "<" else f"{tag[1]}{name}>"


def _href(recorder: Recorder, here: At, link: str) -> str:
    """The address of a stored link as seen from a place; "" where what it leads to is gone."""
    return href(here.root, recorder.ask(questions.path, link)) if is_inner(link) else link


def _inner_link(recorder: Recorder, here: At, link: str) -> str:
    """The attributes of a link to a page or a file; a draft also says which, so that words go back as stored."""
    marked = f' data-stored="{link}"' if recorder.site.draft else ""
    return f'href="{_href(recorder, here, link)}"{marked}'
