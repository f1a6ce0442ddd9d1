"""What Yemba ships: templates, section kinds, type families, pairings. Each found by its place."""

from __future__ import annotations

import json
import tomllib
from functools import cache
from pathlib import Path
from typing import Any

from yemba.core.colour.ready import ReadyPalette, ready
from yemba.core.site.catalogue import Catalogue, Family, FontFile, Pairing
from yemba.core.site.kinds import SHARED, SectionKind
from yemba.core.template.manifest import ReadySheet, Template
from yemba.core.type.facts import Face, Facts
from yemba.core.type.pairing import judge, reason
from yemba.core.type.subsets import RANGES

FOLDER = Path(__file__).parent
KINDS = FOLDER / "kinds"
FONTS = FOLDER / "fonts"


@cache
def catalogue() -> Catalogue:
    """Everything shipped, read once."""
    families = {folder.name: _family(folder) for folder in _folders(FONTS)}
    return Catalogue(
        templates={folder.name: _template(folder) for folder in _folders(FOLDER / "templates")},
        kinds={folder.name: _kind(folder) for folder in _folders(KINDS)},
        families=families,
        pairings={p.slug: p for p in _pairings(families)},
    )


@cache
def palettes() -> list[ReadyPalette]:
    """The ready palettes, in the order of their moods."""
    return [ready(**entry) for entry in _toml(FOLDER / "palettes.toml")["palette"]]


def kind_css() -> str:
    """The styles of all section kinds, in the order of their names."""
    return "\n".join((folder / "kind.css").read_text() for folder in _folders(KINDS))


def _folders(place: Path) -> list[Path]:
    return sorted(folder for folder in place.iterdir() if folder.is_dir())


def _toml(file: Path) -> dict[str, Any]:
    return tomllib.loads(file.read_text())


def _template(folder: Path) -> Template:
    sheets = [
        ReadySheet(slug=file.stem.partition("-")[2], **_toml(file))
        for file in sorted((folder / "sheets").glob("*.toml"))
    ]
    css = (folder / "template.css").read_text()
    return Template(slug=folder.name, css=css, sheets=sheets, **_toml(folder / "template.toml"))


def _kind(folder: Path) -> SectionKind:
    told = _toml(folder / "kind.toml")
    return SectionKind(slug=folder.name, **told | {"fields": [*told["fields"], *SHARED]})


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
        **_toml(folder / "family.toml"),
    )


@cache
def _facts() -> dict[str, Facts]:
    """As `catalogue.reading` read them from the files; a test reads them again."""
    told = json.loads((FONTS / "facts.json").read_text())
    return {slug: Facts(**{key: _tuple(value) for key, value in facts.items()}) for slug, facts in told.items()}


def _tuple(value: Any) -> Any:
    return tuple(value) if isinstance(value, list) else value


def _pairings(families: dict[str, Family]) -> list[Pairing]:
    """The reason of each is worked out from the facts of its faces."""
    found = []
    for entry in _toml(FOLDER / "pairings.toml")["pairing"]:
        heading, body = families[entry["heading"]], families[entry["body"]]
        name = heading.name if heading is body else f"{heading.name} and {body.name}"
        found.append(Pairing(name=name, reason=reason(judge(heading, body)), **entry))
    return found
