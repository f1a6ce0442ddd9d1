"""What Yemba ships: templates, section kinds, arrangements, languages, trades, type families, pairings.

Each is found by its place, read once, and validated as it is read.
"""

from __future__ import annotations

import json
import re
from collections.abc import Collection, Iterable
from functools import cache
from pathlib import Path
from typing import Any

from babel.messages.pofile import read_po

from yemba.catalogue.shipped import CatalogueError, built, model_of, text_of, toml_of
from yemba.catalogue.validate import validate
from yemba.core.colour.ready import ReadyPalette, ready
from yemba.core.language import Language
from yemba.core.layout.arrangement import Arrangement
from yemba.core.message import Message, label
from yemba.core.picture.collection import Drawing
from yemba.core.site.catalogue import Catalogue, Family, FontFile, Pairing
from yemba.core.site.kinds import SHARED, Field, SectionKind
from yemba.core.strict import Strict
from yemba.core.template.manifest import ReadySheet, Template
from yemba.core.trade.trade import Trade
from yemba.core.type.facts import Face, Facts
from yemba.core.type.pairing import judge, reason
from yemba.core.type.subsets import RANGES

FOLDER = Path(__file__).parent
FONTS = FOLDER / "fonts"
PICTURE = "picture.webp"
"""A template's picture of itself, made by ``manage.py template_pictures``."""


@cache
def catalogue(folder: Path = FOLDER) -> Catalogue:
    """Everything shipped, read once. Raises CatalogueError for the first thing that is wrong with a file."""
    families = {place.name: _family(place) for place in _folders(FONTS)}
    arrangements = sorted(
        (_arrangement(place) for place in _folders(folder / "arrangements")), key=lambda a: (a.order, a.slug)
    )
    languages = {file.stem: _language(file) for file in sorted((folder / "languages").glob("*.toml"))}
    made = Catalogue(
        templates={place.name: _template(place) for place in _folders(folder / "templates")},
        kinds={place.name: _kind(place, languages.values()) for place in _folders(folder / "kinds")},
        families=families,
        pairings={pairing.slug: pairing for pairing in _pairings(families)},
        arrangements={arrangement.slug: arrangement for arrangement in arrangements},
        languages=languages,
        trades={file.stem: built(Trade, file, slug=file.stem) for file in sorted((folder / "trades").glob("*.toml"))},
        collection=_collection(folder / "collection"),
    )
    validate(made, folder)
    return made


@cache
def palettes() -> list[ReadyPalette]:
    """The ready palettes, in the order of their moods."""
    return [ready(**entry) for entry in toml_of(FOLDER / "palettes.toml")["palette"]]


def kind_css(folder: Path = FOLDER, only: Collection[str] = (), name: str = "kind.css") -> str:
    """The styles of section kinds, of all of them unless `only` some are named, in the order of their names. Those of
    the `name` "owner.css" are what an owner chooses of one, which outranks templates."""
    places = (place for place in _folders(folder / "kinds") if not only or place.name in only)
    return "\n".join(text_of(place / name) for place in places if (place / name).exists())


def kind_script(slug: str) -> str:
    """What the pages run that show sections of a kind; "" where it has no script."""
    file = kind_folders() / slug / "kind.js"
    return text_of(file) if file.exists() else ""


def kind_folders(folder: Path = FOLDER) -> Path:
    """Where the markup of the section kinds is."""
    return folder / "kinds"


def arrangement_css(made: Catalogue, slug: str = "") -> str:
    """The styles of an arrangement, or of all of them, where the menu is unfolded."""
    return "".join(one.css for one in made.arrangements.values() if slug in ("", one.slug))


def everywhere_css(made: Catalogue, slug: str = "") -> str:
    """The styles of an arrangement, or of all of them, that are in force at every width."""
    return "".join(one.everywhere for one in made.arrangements.values() if slug in ("", one.slug))


def _folders(place: Path) -> list[Path]:
    return sorted(folder for folder in place.iterdir() if folder.is_dir() and not folder.name.startswith(("_", ".")))


def _template(folder: Path) -> Template:
    files = sorted((folder / "sheets").glob("*.toml"))
    return built(
        Template,
        folder / "template.toml",
        slug=folder.name,
        css=text_of(folder / "template.css"),
        sheets=[built(ReadySheet, file, slug=file.stem.partition("-")[2]) for file in files],
        picture=(folder / PICTURE).exists(),
    )


def _kind(folder: Path, languages: Iterable[Language]) -> SectionKind:
    kind = built(SectionKind, folder / "kind.toml", slug=folder.name)
    fields = [_translated(field, languages) for field in kind.fields]
    items = kind.items
    if items:
        items = items.model_copy(update={"fields": [_translated(field, languages) for field in items.fields]})
    return kind.model_copy(update={"fields": [*fields, *SHARED], "items": items})


def _translated(field: Field, languages: Iterable[Language]) -> Field:
    """A field with its starter words in every language that has them."""
    texts = (language.phrases[field.starter] for language in languages if field.starter in language.phrases)
    return field.model_copy(update={"translations": tuple(texts)})


def _arrangement(folder: Path) -> Arrangement:
    texts = {"css": folder / "arrangement.css", "everywhere": folder / "everywhere.css"}
    styles = {name: file.read_text() for name, file in texts.items() if file.exists()}
    return built(Arrangement, folder / "arrangement.toml", slug=folder.name, **styles)


class _About(Strict):
    """What collection.toml says of a drawing."""

    name: str
    alt: str
    tags: list[str]
    focal: tuple[int, int] = (50, 50)


def _collection(folder: Path) -> dict[str, Drawing]:
    """The drawings, in the order of collection.toml."""
    file = folder / "collection.toml"
    return {slug: _drawing(folder / f"{slug}.svg", slug, file, about) for slug, about in toml_of(file).items()}


def _drawing(svg: Path, slug: str, file: Path, about: Any) -> Drawing:
    text = text_of(svg)
    size = re.search(r'viewBox="0 0 (\d+) (\d+)"', text)
    if size is None:
        raise CatalogueError(svg, "viewBox", "a drawing begins at 0 0 and says its width and height")
    known = model_of(_About, about, file, slug)
    shape = int(size[1]), int(size[2])
    return Drawing(slug, label(known.name), known.alt, tuple(known.tags), text, *shape, known.focal)


def _language(file: Path) -> Language:
    return built(Language, file, tag=file.stem, phrases=_phrases(file.with_suffix(".po")))


def _phrases(file: Path) -> dict[str, str]:
    """Translations by what they translate, from a catalogue of gettext; none where there is no such file."""
    if not file.exists():
        return {}
    with file.open("rb") as opened:
        entries = read_po(opened, abort_invalid=True)
    return {str(entry.id): str(entry.string) for entry in entries if entry.id and entry.string and not entry.fuzzy}


def _family(folder: Path) -> Family:
    facts = _facts()[folder.name]
    files = tuple(
        FontFile(style, subset, facts.weights, f"{subset}-{style}.woff2")
        for style in ("normal", "italic")
        for subset in RANGES
        if (folder / f"{subset}-{style}.woff2").exists()
    )
    return Family(
        slug=folder.name,
        files=files,
        facts=facts,
        read=lambda name: (folder / name).read_bytes(),
        open=cache(lambda name: Face((folder / name).read_bytes())),
        **toml_of(folder / "family.toml"),
    )


@cache
def _facts() -> dict[str, Facts]:
    """As `catalogue.reading` read them from the files; a test reads them again."""
    stored = json.loads((FONTS / "facts.json").read_text())
    return {slug: Facts(**{key: _tuple(value) for key, value in facts.items()}) for slug, facts in stored.items()}


def _tuple(value: Any) -> Any:
    return tuple(value) if isinstance(value, list) else value


def _pairings(families: dict[str, Family]) -> list[Pairing]:
    """The reason of each is worked out from the facts of its faces."""
    pairings = []
    for entry in toml_of(FOLDER / "pairings.toml")["pairing"]:
        heading, body = families[entry["heading"]], families[entry["body"]]
        both = Message("{heading} and {body}", heading=heading.name, body=body.name)
        name = heading.name if heading is body else both
        pairings.append(Pairing(name=name, reason=reason(judge(heading, body)), **entry))
    return pairings
