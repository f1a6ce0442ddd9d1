"""A copy of the program with additions laid over it: files where the docs say, and for a design value one line."""

from __future__ import annotations

import shutil
from pathlib import Path

SOURCE = Path(__file__).parents[2] / "src/yemba"
ADDITIONS = Path(__file__).parent / "additions"
_SHARED = "catalogue/fonts"  # large, and never added to here


def additions() -> list[str]:
    return sorted(folder.name for folder in ADDITIONS.iterdir() if folder.is_dir())


def build(place: Path, names: list[str]) -> Path:
    """The folder to put on Python's path. Raises AssertionError where an addition would change a file."""
    program = place / "src/yemba"
    skip = shutil.ignore_patterns("fonts")
    shutil.copytree(
        SOURCE, program, ignore=lambda folder, names: skip(folder, names) if "studio/static" not in folder else set()
    )
    (program / _SHARED).symlink_to(SOURCE / _SHARED)
    for name in names:
        for file in (ADDITIONS / name).rglob("*"):
            if file.is_file() and file.suffix != ".pyc":
                _add(program, file, file.relative_to(ADDITIONS / name))
    return place / "src"


def _add(program: Path, file: Path, path: Path) -> None:
    if file.suffix == ".diff":
        _insert(program, file.read_text())
        return
    target = program / path
    assert not target.exists(), f"{path} would be written over"
    target.parent.mkdir(parents=True, exist_ok=True)
    shutil.copy(file, target)


def _insert(program: Path, diff: str) -> None:
    """One line behind the line above it."""
    lines = diff.splitlines()
    target = program / lines[1].removeprefix("+++ b/")
    above, added = lines[3].removeprefix(" "), lines[4].removeprefix("+")
    text = target.read_text()
    assert text.count(f"{above}\n") == 1
    target.write_text(text.replace(f"{above}\n", f"{above}\n{added}\n"))
