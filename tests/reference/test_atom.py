"""The feed against the grammar of RFC 4287, by Jing, which comes with the Nu HTML checker."""

from __future__ import annotations

import shutil
import subprocess
from pathlib import Path

import pytest

from tests.conftest import needs
from tests.render.test_journal import _document, _site
from yemba.render.journal import feed

pytestmark = pytest.mark.tools
GRAMMAR = Path(__file__).parent / "atom.rnc"
JING = "nu.validator.vendor.thaiopensource.relaxng.util.Driver"


def _faults(node_modules: Path, text: bytes, folder: Path) -> str:
    needs("Java, by which feeds are checked", shutil.which("java") is not None)
    file = folder / "feed.atom"
    file.write_bytes(text)
    jar = node_modules / "vnu-jar/build/dist/vnu.jar"
    ran = subprocess.run(["java", "-cp", jar, JING, "-c", GRAMMAR, file], capture_output=True, text=True, check=False)
    return ran.stdout + ran.stderr


def test_the_feed_is_valid(node_modules: Path, tmp_path: Path) -> None:
    assert _faults(node_modules, feed(_site(_document())), tmp_path) == ""


@pytest.mark.parametrize(
    ("part", "instead"),
    [
        (b"<published>2026", b"<published>yesterday"),
        (b"<updated>", b"<renewed>"),
        (b'<category term="Paste"', b"<category"),
    ],
)
def test_a_broken_one_is_not(part: bytes, instead: bytes, node_modules: Path, tmp_path: Path) -> None:
    broken = (
        feed(_site(_document()))
        .replace(part, instead)
        .replace(b"</updated>", b"</renewed>" if b"renewed" in instead else b"</updated>")
    )
    assert "error" in _faults(node_modules, broken, tmp_path)
