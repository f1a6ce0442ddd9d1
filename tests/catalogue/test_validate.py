"""A broken shipped file is told by file, key and the nearest right name; those that ship are whole."""

from __future__ import annotations

import shutil
from itertools import combinations
from pathlib import Path

import pytest

from tests.extending.house import ADDITIONS, additions
from yemba.catalogue import FOLDER, catalogue
from yemba.catalogue.shipped import CatalogueError
from yemba.core.site.catalogue import Catalogue

TEMPLATE, KIND = "templates/lighthouse/template.toml", "kinds/recipe/kind.toml"
SHEET, ARRANGEMENT = "templates/lighthouse/sheets/1-lamp.toml", "arrangements/masthead/arrangement.toml"


@pytest.fixture
def folder(tmp_path: Path) -> Path:
    """What ships, with a template, a kind, an arrangement and a language more."""
    place = tmp_path / "catalogue"
    shutil.copytree(FOLDER, place, ignore=shutil.ignore_patterns("fonts", "__pycache__"))
    for name in additions():
        added = ADDITIONS / name / "catalogue"
        if added.exists():
            shutil.copytree(added, place, dirs_exist_ok=True)
    return place


def test_what_ships_is_whole_and_so_is_what_is_added(folder: Path) -> None:
    assert {"lighthouse", *catalogue().templates} == set(catalogue(folder).templates)


@pytest.mark.parametrize(
    ("file", "old", "new", "key", "reason"),
    [
        (TEMPLATE, '"type.body"', '"type.bodi"', "design.type.bodi", "did you mean “type.body”?"),
        (TEMPLATE, '"work-sans"', '"work-sanz"', "design.type.body", "no typeface “work-sanz”"),
        (TEMPLATE, '"stack"', '"stacked"', "design.header.arrangement", "Choose one of: row, stack, side"),
        (TEMPLATE, "[design]", "[desing]", "desing", "did you mean “design”?"),
        (TEMPLATE, "idea =", "ideas =", "idea", "this key is missing"),
        (TEMPLATE, "[design]", "[layouts]\nopenings = 'poster'\n[design]", "layouts.openings", "did you mean “opening”?"),
        (TEMPLATE, "[design]", "[layouts]\nopening = 'postr'\n[design]", "layouts.opening.postr", "did you mean “poster”?"),
        (TEMPLATE, "[design]", "[grounds]\nopening = 'drak'\n[design]", "grounds.opening.drak", "did you mean “dark”?"),
        (TEMPLATE, "[design]", "[lacks]\noffers = ['cels']\n[design]", "lacks.offers.cels", "did you mean “cells”?"),
        (TEMPLATE, "[design]", "[levels]\n'offers.leed' = 'body'\n[design]", "levels.offers.leed", "did you mean “lead”?"),
        (TEMPLATE, "[design]", "[measures]\ngutters = 20\n[design]", "measures.gutters", "did you mean “gutter”?"),
        (TEMPLATE, "[design]", "[design", "", "this is no TOML"),
        ("templates/lighthouse/template.css", "level: lead;", "level: leed;", "level.leed", "did you mean “lead”?"),
        (SHEET, "#a3242b", "#a3242", "values.palette", "not a colour"),
        (SHEET, "[[values.palette]]", "[[values.palete]]", "values.palette", "has a palette"),
        (KIND, 'type = "words"', 'type = "word"', "fields.1.type", "did you mean “words”?"),
        (KIND, 'level = "h2"', 'level = "h22"', "fields.0.level", "did you mean “h2”?"),
        (KIND, "purpose =", 'roles = ["dats"]\npurpose =', "roles", "did you mean “dates”?"),
        (KIND, "begins = 2", "begin = 2", "items.begin", "did you mean “begins”?"),
        (KIND, "limit = 80", "limit = 3", "fields.name.starter", "At most 3 fit"),
        ("kinds/recipe/kind.css", "var(--edge", "level: hh; var(--edge", "level.hh", "“hh” is none"),
        (ARRANGEMENT, '"navigation"', '"navigatoin"', "rows", "did you mean “navigation”?"),
        ("languages/kw.toml", "letters", "leters", "leters", "did you mean “letters”?"),
    ],
)  # fmt: skip
def test_a_broken_file_is_told_by_file_key_and_cure(
    folder: Path, file: str, old: str, new: str, key: str, reason: str
) -> None:
    text = (folder / file).read_text()
    assert old in text
    (folder / file).write_text(text.replace(old, new))
    with pytest.raises(CatalogueError) as caught:
        catalogue(folder)
    assert caught.value.key == key
    assert reason in caught.value.reason
    assert Path(file).name in str(caught.value)


@pytest.mark.parametrize(
    "gone", [TEMPLATE, "templates/lighthouse/template.css", "templates/lighthouse/sheets", "kinds/recipe/section.html"]
)
def test_a_missing_file_is_told(folder: Path, gone: str) -> None:
    place = folder / gone
    if place.is_dir():
        shutil.rmtree(place)
        place.mkdir()
    else:
        place.unlink()
    with pytest.raises(CatalogueError) as caught:
        catalogue(folder)
    assert Path(gone).stem in str(caught.value)


def test_templates_are_no_structure_in_two_coats(catalogue: Catalogue) -> None:
    assert len(catalogue.templates) >= 8
    assert len(catalogue.kinds) >= 22
    for template in catalogue.templates.values():
        assert len(template.sheets) >= 3
    for kind in catalogue.kinds.values():
        assert len(kind.layouts) >= 2
    arrangements = [template.design["header.arrangement"] for template in catalogue.templates.values()]
    assert len(set(arrangements)) == len(catalogue.templates), "each has its own header"
    signatures = {template.signature for template in catalogue.templates.values()}
    assert len(signatures) == len(catalogue.templates), "and its own mark"
    for first, second in combinations(catalogue.templates.values(), 2):
        shared = [kind for kind in catalogue.kinds if first.layouts.get(kind) == second.layouts.get(kind)]
        assert len(shared) < len(catalogue.kinds), "one structure in two coats; test_structure.py measures their boxes"


def test_every_kind_has_three_layouts_in_every_template(catalogue: Catalogue) -> None:
    few = {
        (template.slug, kind.slug): shown
        for template in catalogue.templates.values()
        for kind in catalogue.kinds.values()
        if len(shown := [slug for slug in kind.layout_names() if template.shows(kind.slug, slug)]) < 3
    }
    assert few == {}
