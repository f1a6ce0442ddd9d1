"""What docs/extending.md says, to the letter: each addition is files alone, and the whole path works with it."""

from __future__ import annotations

import os
import re
import subprocess
import sys
from pathlib import Path

import pytest

from tests.extending.house import ADDITIONS, additions, build

ROOT = Path(__file__).parents[2]
WALKS = Path(__file__).parent / "walks.py"


def test_every_addition_is_walked_from_the_desk_to_the_published_page(tmp_path: Path) -> None:
    """All eight at once, so that they do not stand in one another's way either; each has a walk of its own."""
    path = build(tmp_path, additions())
    environment = {**os.environ, "PYTHONPATH": str(path)}
    command = [sys.executable, "-m", "pytest", "-o", "addopts=", "-p", "no:cacheprovider", str(WALKS)]
    ran = subprocess.run(command, cwd=ROOT, env=environment, capture_output=True, text=True, timeout=400)
    assert ran.returncode == 0, ran.stdout[-6000:] + ran.stderr[-2000:]
    assert f"{len(additions())} passed" in ran.stdout


@pytest.mark.parametrize("name", additions())
def test_the_docs_name_every_file_of_an_addition(name: str) -> None:
    told = (ROOT / "docs/extending.md").read_text()
    for file in (ADDITIONS / name).rglob("*"):
        if not file.is_file() or file.suffix == ".pyc":
            continue
        folder = file.relative_to(ADDITIONS / name).parent
        where = (
            "core/site/settings.py"
            if file.suffix == ".diff"
            else re.sub(r"/(recipe|lighthouse|masthead)\b.*", "", str(folder))
        )
        assert where in told, f"{name}: {where}"
