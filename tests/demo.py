"""The demo as it is first loaded: made once for all workers, put back for each test."""

from __future__ import annotations

import fcntl
import os
import shutil
from pathlib import Path

import pytest
from django.apps import apps
from django.conf import settings
from django.core.management import call_command
from django.db import connection, transaction

from yemba.core.picture import sizes
from yemba.demo import scenario
from yemba.sites.models import Site

APPS = ("people", "sites", "hosting")


def folder(places: pytest.TempPathFactory) -> Path:
    """Where it is kept: one folder for all workers of a run."""
    base = places.getbasetemp()
    kept = (base.parent if "PYTEST_XDIST_WORKER" in os.environ else base) / "demo"
    kept.mkdir(exist_ok=True)
    return kept


def put(kept: Path) -> Site:
    """The demo's three sites into the empty database and store; the bindery."""
    with (kept / "lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)  # who comes second takes what the first one made
        if not (kept / "rows.sqlite3").exists():
            _keep(kept)
    _copy_rows(kept / "rows.sqlite3")
    shutil.copytree(kept / "store", settings.MEDIA_ROOT, dirs_exist_ok=True)
    return Site.objects.get(slug=scenario.SLUG)


def _keep(kept: Path) -> None:
    with pytest.MonkeyPatch.context() as patched:
        patched.setitem(sizes._OPTIONS["avif"], "speed", 10)  # how small they come out is no matter here
        scenario.load()
    shutil.copytree(settings.MEDIA_ROOT, kept / "store")
    with connection.cursor() as cursor:
        cursor.execute("VACUUM INTO %s", [str(kept / "rows.sqlite3")])
    call_command("flush", interactive=False, verbosity=0)


def _copy_rows(file: Path) -> None:
    """Table by table as they stand there: thirty times as fast as reading them as objects."""
    with connection.cursor() as cursor:
        cursor.execute("ATTACH %s AS kept", [str(file)])
        with transaction.atomic():
            cursor.execute("PRAGMA defer_foreign_keys = ON")
            for model in apps.get_models():
                table = model._meta.db_table
                if model._meta.app_label in APPS:
                    cursor.execute(f'INSERT INTO main."{table}" SELECT * FROM kept."{table}"')
        cursor.execute("DETACH kept")
