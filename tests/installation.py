"""Installations, made once for all workers of a run: with nothing in it yet but its tables and its collected files, and with a
live site."""

from __future__ import annotations

import fcntl
import os
import shutil
import subprocess
import sys
from collections.abc import Callable
from pathlib import Path

import pytest
from django.conf import settings

from tests.demo import shared

MANAGE = [sys.executable, str(settings.ROOT / "manage.py")]


MAKE = """
import django; django.setup()
from yemba.people.models import Person
from yemba.hosting import services as hosting
from yemba.sites import services as sites
ines = Person.objects.create_user("ines@saltmarsh.example", None, name="Ines")
hosting.publish(sites.create(ines, "Saltmarsh Bindery", "saltmarsh", "slipway"))
"""


def install(places: pytest.TempPathFactory, data: Path) -> dict[str, str]:
    """One with nothing in it stands in this folder; the environment that its commands are run in."""

    def make(place: Path) -> None:
        for command in (["migrate"], ["collectstatic", "--noinput"]):
            subprocess.run([*MANAGE, *command, "--verbosity", "0"], env=environment(place), check=True)

    return _copied(shared(places, "installation"), data, make)


def install_live(places: pytest.TempPathFactory, data: Path) -> dict[str, str]:
    """One with Ines' site, which is live."""

    def make(place: Path) -> None:
        install(places, place)
        own = {"DJANGO_SETTINGS_MODULE": "yemba.config.settings", "PYTHONPATH": str(settings.ROOT / "src")}
        subprocess.run([sys.executable, "-c", MAKE], env=environment(place) | own, check=True, timeout=120)

    return _copied(shared(places, "live-installation"), data, make)


def _copied(kept: Path, data: Path, make: Callable[[Path], None]) -> dict[str, str]:
    with (kept / "lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        if not (kept / "whole").exists():
            (kept / "data").mkdir(exist_ok=True)
            make(kept / "data")
            (kept / "whole").touch()
    shutil.copytree(kept / "data", data, dirs_exist_ok=True)
    return environment(data)


def environment(data: Path) -> dict[str, str]:
    own = {"YEMBA_DATA": str(data), "YEMBA_SECRET_KEY": "installed", "YEMBA_SCHEME": "http"}
    return {name: value for name, value in os.environ.items() if name != "DJANGO_SETTINGS_MODULE"} | own
