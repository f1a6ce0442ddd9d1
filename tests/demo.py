"""The demo as it is first loaded: made once for all workers, put back for each test."""

from __future__ import annotations

import fcntl
import os
import pickle
import shutil
from collections.abc import Callable, Collection
from functools import cache, partial
from hashlib import sha256
from pathlib import Path
from threading import Lock, get_ident
from typing import Any

import brotli
import pytest
from django.apps import apps
from django.conf import settings
from django.db import connection, transaction
from fontTools.ttLib import TTFont
from PIL import Image

from yemba.core.picture import sizes
from yemba.core.picture.rendition import AS_IT_IS, Rendition
from yemba.core.type import subset
from yemba.demo import scenario
from yemba.sites.models import Site

Resize = Callable[..., bytes]
_CUTTING = Lock()
APPS = ("people", "sites", "hosting")


def shared(places: pytest.TempPathFactory, name: str) -> Path:
    """A folder for all workers of a run, and for the runs that tests of it start."""
    base = places.getbasetemp()
    of_all = base.parent if "PYTEST_XDIST_WORKER" in os.environ else base
    folder = Path(os.environ.setdefault("YEMBA_TESTS_KEPT", str(of_all))) / name
    folder.mkdir(exist_ok=True)
    return folder


def draft_pictures(patched: pytest.MonkeyPatch) -> None:
    """The demo's are less than half as wide as they ship, and sizes are made in a tenth of the time: how well and how small they
    come out is no matter here."""
    patched.setattr(scenario, "render", _render_small)
    patched.setattr(sizes, "_FILTER", Image.Resampling.NEAREST)
    patched.setitem(sizes._OPTIONS, "avif", {"speed": 10, "max_threads": 1})
    patched.setitem(sizes._OPTIONS, "webp", {"method": 0})


_render_small = cache(partial(scenario.render, width=800))


def resizing_once(kept: Path) -> Resize:
    """As `sizes.resized`, but for what some worker of the run has made before."""

    @cache
    def resized_once(data: bytes, width: int, form: str, rendition: Rendition = AS_IT_IS) -> bytes:
        about = sha256(data, usedforsecurity=False).hexdigest(), width, form, rendition
        return _made_once(kept, repr(about), lambda: sizes.resized(data, width, form, rendition))

    return resized_once


def working_once(kept: Path, work: Callable[..., Any]) -> Callable[..., Any]:
    """As `apart.work`, but for drawings and fonts that some worker of the run has made before. Fonts are packed
    quickly: how small they come out is no matter here."""
    made = {"draw": partial(work, "draw"), "cut-font": _cut_quickly}

    def work_once(task: str, **given: Any) -> Any:
        if task not in made:
            return work(task, **given)
        return _made_once(kept, repr((task, sorted(given.items()))), lambda: made[task](**given))

    return work_once


def _cut_quickly(*, seconds: float, patience: float, **given: Any) -> bytes:
    with _CUTTING, pytest.MonkeyPatch.context() as patched:
        patched.setattr(brotli, "compress", partial(brotli.compress, quality=4))
        return subset.cut_here(**given)


def unpacking_once(kept: Path, unpack: Callable[..., bytes]) -> Callable[..., bytes]:
    """As `facts.unpacked`, but for fonts that some worker of the run has unpacked before."""

    def unpack_once(font: TTFont, but: Collection[str] = ()) -> bytes:
        packed = font.reader.file
        packed.seek(0)
        about = sha256(packed.read(), usedforsecurity=False).hexdigest(), tuple(but)
        return _made_once(kept, repr(about), lambda: unpack(font, but))

    return unpack_once


def _made_once(kept: Path, about: str, make: Callable[[], bytes]) -> bytes:
    file = kept / sha256(about.encode()).hexdigest()
    if not file.exists():
        written = file.with_suffix(f".{os.getpid()}-{get_ident()}")
        written.write_bytes(make())
        written.replace(file)
    return file.read_bytes()


def put(kept: Path) -> Site:
    """The demo's three sites into the empty database and store; the bindery."""
    rows, store = kept / "rows", kept / "store"
    with (kept / "lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)  # who comes second takes what the first one made
        if rows.exists():
            shutil.copytree(store, settings.MEDIA_ROOT, dirs_exist_ok=True, copy_function=_copy_missing)
            _write_rows(pickle.loads(rows.read_bytes()))
        else:
            with pytest.MonkeyPatch.context() as patched:
                draft_pictures(patched)
                scenario.load()
            shutil.copytree(settings.MEDIA_ROOT, store)
            rows.write_bytes(pickle.dumps(_read_rows()))
    return Site.objects.get(slug=scenario.SLUG)


def _copy_missing(file: str, to: str) -> None:
    """Files of the store are called by what is in them: one that is there is the same."""
    if not Path(to).exists():
        shutil.copyfile(file, to)


def _read_rows() -> dict[str, list[Any]]:
    """By table, as they stand there; written back so they take a third of the time that objects do."""
    with connection.cursor() as cursor:
        tables = [model._meta.db_table for model in apps.get_models() if model._meta.app_label in APPS]
        rows = {table: cursor.execute(f'SELECT * FROM "{table}"').fetchall() for table in tables}
    return {table: of_it for table, of_it in rows.items() if of_it}


def _write_rows(rows: dict[str, list[Any]]) -> None:
    with connection.cursor() as cursor, transaction.atomic():
        for table, of_it in rows.items():
            places = ", ".join(["%s"] * len(of_it[0]))
            cursor.executemany(f'INSERT INTO "{table}" VALUES ({places})', of_it)
