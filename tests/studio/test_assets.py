"""What is built and committed is what its sources say."""

from __future__ import annotations

import subprocess
from pathlib import Path

import pytest

from tests.conftest import ASSETS

STATIC = ASSETS.parent / "src/yemba/studio/static/studio/fonts"
FONTS = {
    "next.woff2": "@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2",
    "mono.woff2": "@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-400-normal.woff2",
}

pytestmark = pytest.mark.tools


def test_the_stylesheet_and_the_script_of_the_workbench_are_current(node_modules: Path) -> None:
    ran = subprocess.run(["node", "build.mjs", "--check"], cwd=ASSETS, capture_output=True, text=True)
    assert ran.returncode == 0, ran.stderr


@pytest.mark.parametrize(("ours", "theirs"), FONTS.items())
def test_the_studios_fonts_are_those_of_their_packages(node_modules: Path, ours: str, theirs: str) -> None:
    assert (STATIC / ours).read_bytes() == (node_modules / theirs).read_bytes()


def test_shipped_families_are_those_of_their_packages(node_modules: Path) -> None:
    fonts = ASSETS.parent / "src/yemba/catalogue/fonts"
    files = sorted(fonts.rglob("*.woff2"))
    assert len(files) > 20
    for file in files:
        subset, style = file.stem.rsplit("-", 1)
        slug = file.parent.name
        axes = "wdth" if slug == "archivo" else "wght"  # the one that can be narrowed ships with both axes
        theirs = node_modules / f"@fontsource-variable/{slug}/files/{slug}-{subset}-{axes}-{style}.woff2"
        assert file.read_bytes() == theirs.read_bytes(), file
    for folder in (found for found in fonts.iterdir() if found.is_dir()):
        assert "OPEN FONT LICENSE" in (folder / "LICENSE").read_text().upper()
