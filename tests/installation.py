"""An installation with nothing in it yet: its tables and its collected files, made once for all workers of a run."""

from __future__ import annotations

import fcntl
import os
import shutil
import subprocess
import sys
from pathlib import Path

import pytest
from django.conf import settings

from tests.demo import shared

MANAGE = [sys.executable, str(settings.ROOT / "manage.py")]


def install(places: pytest.TempPathFactory, data: Path) -> dict[str, str]:
    """It stands in this folder; the environment that its commands are run in."""
    kept = shared(places, "installation")
    with (kept / "lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        if not (kept / "whole").exists():
            (kept / "data").mkdir(exist_ok=True)
            for command in (["migrate"], ["collectstatic", "--noinput"]):
                subprocess.run([*MANAGE, *command, "--verbosity", "0"], env=environment(kept / "data"), check=True)
            (kept / "whole").touch()
    shutil.copytree(kept / "data", data, dirs_exist_ok=True)
    return environment(data)


def environment(data: Path) -> dict[str, str]:
    own = {"YEMBA_DATA": str(data), "YEMBA_SECRET_KEY": "installed", "YEMBA_SCHEME": "http"}
    return {name: value for name, value in os.environ.items() if name != "DJANGO_SETTINGS_MODULE"} | own
