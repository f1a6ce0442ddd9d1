"""Reads the shipped families once, after one came or went: python -m yemba.catalogue.reading

Writes their facts to fonts/facts.json, since reading a font takes a tenth of a second and starting Yemba should not
take that for each, and to assets/families.css the styles in which the studio shows their samples.
"""

from __future__ import annotations

import json
import tomllib

from yemba.catalogue import FONTS
from yemba.core.type.facts import Face, Facts


def read_all() -> dict[str, Facts]:
    """The facts of each family by slug, from its upright Latin file."""
    folders = sorted(folder for folder in FONTS.iterdir() if folder.is_dir())
    return {folder.name: Face((folder / "latin-normal.woff2").read_bytes()).facts for folder in folders}


def styles(facts: dict[str, Facts]) -> str:
    """Faces and classes of the samples."""
    faces, classes = [], []
    for slug, family in facts.items():
        about = tomllib.loads((FONTS / slug / "family.toml").read_text())
        low, high = family.weights
        source = f'url("../families/{slug}/latin-normal.woff2") format("woff2")'
        faces.append(f'@font-face {{ font-family: "{about["name"]}"; src: {source}; font-weight: {low} {high}; }}')
        generic = {"serif": "serif", "sans": "sans-serif", "hand": "cursive"}[about["kind"]]
        classes.append(f'  .family-{slug} {{ font-family: "{about["name"]}", {generic}; }}')
    return "\n".join([*faces, "@layer components {", *classes, "}", ""])


if __name__ == "__main__":
    every = read_all()
    (FONTS / "facts.json").write_text(json.dumps({s: f._asdict() for s, f in every.items()}, indent=1) + "\n")
    (FONTS.parents[3] / "assets" / "families.css").write_text(styles(every))
