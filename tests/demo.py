"""The demo as it is first loaded: made once for all workers, put back for each test."""

from __future__ import annotations

import fcntl
import os
import shutil
from pathlib import Path

import pytest
from django.conf import settings
from django.core.management import call_command

from yemba.core.picture import sizes
from yemba.demo import scenario
from yemba.sites.models import Site


def folder(places: pytest.TempPathFactory) -> Path:
    """Where it is kept: one folder for all workers of a run."""
    base = places.getbasetemp()
    kept = (base.parent if "PYTEST_XDIST_WORKER" in os.environ else base) / "demo"
    kept.mkdir(exist_ok=True)
    return kept


def put(kept: Path) -> Site:
    """The demo's three sites into the empty database and store; the bindery."""
    rows, store = kept / "rows.json", kept / "store"
    with (kept / "lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)  # who comes second takes what the first one made
        if rows.exists():
            shutil.copytree(store, settings.MEDIA_ROOT, dirs_exist_ok=True)
            call_command("loaddata", rows, verbosity=0)
        else:
            with pytest.MonkeyPatch.context() as patched:
                patched.setitem(sizes._OPTIONS["avif"], "speed", 10)  # how small they come out is no matter here
                scenario.load()
            shutil.copytree(settings.MEDIA_ROOT, store)
            call_command("dumpdata", "people", "sites", "hosting", output=rows, verbosity=0)
    return Site.objects.get(slug=scenario.SLUG)
