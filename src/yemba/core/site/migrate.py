"""Documents of earlier versions, made into present ones: a small function for each step."""

from __future__ import annotations

from typing import Any

VERSION = 3


def _values_of_the_site(plain: dict[str, Any]) -> dict[str, Any]:
    """1 to 2: language and currency became values like any other, kept under ``site``."""
    rest = {key: value for key, value in plain.items() if key not in ("language", "currency")}
    moved = {f"site.{key}": plain[key] for key in ("language", "currency") if key in plain}
    return rest | ({"site": moved} if moved else {})


def _pictures_in_rows(plain: dict[str, Any]) -> dict[str, Any]:
    """2 to 3: what galleries had as "columns" are rows."""
    binned = plain.get("bin", {}).values()
    holders = [
        *plain.get("pages", {}).values(),
        *plain.get("shared", {}).values(),
        *(one.get("page") for one in binned),
    ]
    sections = [section for holder in holders if holder for section in holder.get("sections", {}).values()]
    for section in [*sections, *(one["section"] for one in binned if one.get("section"))]:
        if section.get("kind") == "gallery" and section.get("layout") == "columns":
            section["layout"] = "rows"
    return plain


STEPS = {1: _values_of_the_site, 2: _pictures_in_rows}
"""By the version that a step begins from."""


def migrated(plain: Any) -> Any:
    """A document's JSON values as the present version has them; one without a version is of the first.

    Raises ValueError for a version that is still to come.
    """
    if not isinstance(plain, dict):
        return plain
    version = plain.get("version", 1)
    if not isinstance(version, int) or version > VERSION:
        raise ValueError(f"version {version}; this Yemba reads up to {VERSION}")
    for step in range(version, VERSION):
        plain = STEPS[step](plain)
    return plain | {"version": VERSION}
