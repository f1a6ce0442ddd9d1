"""What shipped files say of one another: keys of settings, slugs of kinds and layouts, levels of text."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator
from pathlib import Path
from typing import Any, NamedTuple

from yemba.catalogue.shipped import CatalogueError
from yemba.core.colour.grounds import GROUND_NAMES
from yemba.core.errors import Fault, nearest
from yemba.core.picture.collection import ROLES, roles_in
from yemba.core.picture.signature import SIGNATURES
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.kinds import Field, SectionKind
from yemba.core.site.resolve import Look
from yemba.core.site.setting import Setting
from yemba.core.site.settings import SETTINGS
from yemba.core.template.manifest import ReadySheet, Template
from yemba.core.trade.filling import fill
from yemba.core.trade.trade import MOODS, Trade, kind_of
from yemba.core.type.levels import LEVELS

_LEVEL = re.compile(r"\blevel:\s*([\w-]+)\s*;")


class Wrong(NamedTuple):
    """Something wrong in a file: where, by key, and why."""

    file: Path
    key: str
    reason: str


def validate(catalogue: Catalogue, folder: Path) -> None:
    """Raises CatalogueError for the first thing that is wrong."""
    for wrong in problems(catalogue, folder):
        raise CatalogueError(*wrong)


def problems(catalogue: Catalogue, folder: Path) -> Iterator[Wrong]:
    """Everything that is wrong with templates, kinds, arrangements and trades."""
    for template in catalogue.templates.values():
        yield from _of_template(catalogue, template, folder / "templates" / template.slug)
    for kind in catalogue.kinds.values():
        yield from _of_kind(kind, folder / "kinds" / kind.slug)
    for arrangement in catalogue.arrangements.values():
        yield from _levels(folder / "arrangements" / arrangement.slug / "arrangement.css", arrangement.css)
    for drawing in catalogue.collection.values():
        file = folder / "collection" / f"{drawing.slug}.svg"
        yield from _named_all(file, "var", sorted(roles_in(drawing.svg)), ROLES)
    for trade in catalogue.trades.values():
        yield from _of_trade(trade, catalogue, folder / "trades" / f"{trade.slug}.toml")


def _of_template(catalogue: Catalogue, template: Template, folder: Path) -> Iterator[Wrong]:
    file = folder / "template.toml"
    if not template.sheets:
        yield Wrong(folder / "sheets", "", "a template has one ready brand sheet or more")
        return
    look = Look(Document(name="", template=template.slug), catalogue)
    yield from _values(file, "design", template.design, look)
    for sheet in template.sheets:
        yield from _of_sheet(folder, sheet, look)
    yield from _of_kinds(file, "layouts", template.layouts, catalogue)
    for slug, ground in template.grounds.items():
        yield from _named(file, "grounds", slug, catalogue.kinds)
        yield from _named(file, f"grounds.{slug}", ground, GROUND_NAMES)
    yield from _named(file, "page", template.page, GROUND_NAMES)
    yield from _named_all(file, "moods", template.moods, MOODS)
    yield from _named_all(file, "strengths", template.strengths, catalogue.kinds)
    yield from _named(file, "signature", template.signature, SIGNATURES)
    for key, values in template.lacks.items():
        yield from _named(file, "lacks", key, [*catalogue.kinds, *SETTINGS])
        if key in catalogue.kinds:
            for layout in values:
                yield from _named(file, f"lacks.{key}", layout, catalogue.kinds[key].layout_names())
    for path, level in template.levels.items():
        yield from _of_level(file, path, level, catalogue)
    for path in template.sizes:
        slug, _, layout = re.sub(r"\.(first|half|two|whole)$", "", path).partition(".")
        yield from _of_kinds(file, "sizes", {slug: layout}, catalogue)
    yield from _levels(folder / "template.css", template.css)


def _of_sheet(folder: Path, sheet: ReadySheet, look: Look) -> Iterator[Wrong]:
    file = next((f for f in (folder / "sheets").glob("*.toml") if f.stem.endswith(sheet.slug)), folder / "sheets")
    if "palette" not in sheet.values:
        yield Wrong(file, "values.palette", "a ready brand sheet has a palette")
    yield from _values(file, "values", sheet.values, look)


def _values(file: Path, table: str, values: dict[str, Any], look: Look) -> Iterator[Wrong]:
    """Design values, each of a setting there is and as its kind reads it."""
    for key, value in values.items():
        if key not in SETTINGS:
            yield Wrong(file, f"{table}.{key}", f"there is no such setting; {nearest(key, SETTINGS)}")
        elif reason := _unread(SETTINGS[key], value, look):
            yield Wrong(file, f"{table}.{key}", reason)


def _unread(setting: Setting, value: Any, look: Look) -> str:
    """Why a value is none of its setting, "" where it is one."""
    try:
        if setting.read(value) != value:
            return f"“{value}” would be kept as “{setting.read(value)}”; write that"
        setting.kind.check(value, look, setting.name, setting.key)
    except Fault as fault:
        return fault.sentence
    except (KeyError, TypeError, AttributeError) as error:
        return f"“{value}” cannot be read: {error}"
    return ""


def _of_kinds(file: Path, table: str, values: dict[str, str], catalogue: Catalogue) -> Iterator[Wrong]:
    for slug, layout in values.items():
        yield from _named(file, table, slug, catalogue.kinds)
        if slug in catalogue.kinds:
            yield from _named(file, f"{table}.{slug}", layout, catalogue.kinds[slug].layout_names())


def _of_level(file: Path, path: str, level: str, catalogue: Catalogue) -> Iterator[Wrong]:
    slug, _, field = path.partition(".")
    yield from _named(file, "levels", slug, catalogue.kinds)
    yield from _named(file, f"levels.{path}", level, LEVELS)
    if slug in catalogue.kinds:
        kind = catalogue.kinds[slug]
        fields = [*kind.fields, *(kind.items.fields if kind.items else [])]
        yield from _named(file, f"levels.{slug}", field, [known.slug for known in fields])


def _of_kind(kind: SectionKind, folder: Path) -> Iterator[Wrong]:
    whole = (folder / "section.html").exists()
    for layout in kind.layouts:
        if not whole and not (folder / f"{layout.slug}.html").exists():
            yield Wrong(folder / "kind.toml", f"layouts.{layout.slug}", f"neither section.html nor {layout.slug}.html")
    css = folder / "kind.css"
    yield from _levels(css, css.read_text() if css.exists() else "")
    for field in [*kind.fields, *(kind.items.fields if kind.items else [])]:
        try:
            field.read(field.starter)
        except Fault as fault:
            if field.starter:
                yield Wrong(folder / "kind.toml", f"fields.{field.slug}.starter", fault.sentence)


def _of_trade(trade: Trade, catalogue: Catalogue, file: Path) -> Iterator[Wrong]:
    yield from _named_all(file, "leads", trade.leads, catalogue.kinds)
    yield from _named_all(file, "tags", trade.tags, {tag for one in catalogue.collection.values() for tag in one.tags})
    if not trade.pages or trade.pages[0].slug or trade.pages[0].aims:
        yield Wrong(file, "pages", "the first page has no slug and serves every aim")
        return
    for page in trade.pages:
        yield from _named_all(file, f"pages.{page.name}", page.sections, trade.words)
    for name, words in trade.words.items():
        yield from _named(file, "words", kind_of(name), catalogue.kinds)
        if kind_of(name) in catalogue.kinds:
            yield from _of_words(trade, name, words, catalogue, file)
    for name in trade.items:
        yield from _named(file, "items", name, trade.words)


def _of_words(trade: Trade, name: str, words: dict[str, str], catalogue: Catalogue, file: Path) -> Iterator[Wrong]:
    """Every field that begins with something has words of the trade, and each of them can be stored."""
    kind = catalogue.kinds[kind_of(name)]
    entries = trade.items.get(name, [])
    if kind.items and kind.items.begins and not entries:
        yield Wrong(file, f"items.{name}", f"{kind.items.plural} of the trade are missing")
    for fields, texts in ((kind.fields, words), *((kind.fields_of("item"), entry) for entry in entries)):
        yield from _named_all(file, f"words.{name}", texts, [field.slug for field in fields])
        for field in fields:
            text = texts.get(field.slug, "")
            if not text and field.starter and not field.will_do and field.type in ("line", "words"):
                yield Wrong(file, f"words.{name}.{field.slug}", "these words are missing")
            if text and (reason := _unfilled(field, text, trade)):
                yield Wrong(file, f"words.{name}.{field.slug}", reason)


def _unfilled(field: Field, text: str, trade: Trade) -> str:
    """Why words of a trade cannot be stored once filled, "" where they can."""
    if text.startswith("page:"):
        slugs = [page.slug for page in trade.pages]
        slug = text.removeprefix("page:")
        return "" if slug in slugs else f"there is no page “{slug}”; {nearest(slug, slugs)}"
    try:
        field.read(fill(text, "Name", "Town"))
    except Fault as fault:
        return fault.sentence
    return ""


def _named_all(file: Path, key: str, names: Iterable[str], known: Iterable[str]) -> Iterator[Wrong]:
    offered = list(known)
    for name in names:
        yield from _named(file, key, name, offered)


def _levels(file: Path, css: str) -> Iterator[Wrong]:
    """Every `level: x;` of a stylesheet names a level there is."""
    for level in _LEVEL.findall(css):
        yield from _named(file, "level", level, LEVELS)


def _named(file: Path, key: str, name: str, known: Iterable[str]) -> Iterator[Wrong]:
    if name not in known:
        yield Wrong(file, f"{key}.{name}" if key else name, f"“{name}” is none; {nearest(name, known)}")
