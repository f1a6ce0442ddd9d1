"""What many tests begin with: a catalogue, a document, Ines and her site."""

from __future__ import annotations

import os
import shutil
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from django.conf import settings as django_settings
from django.test import Client
from django.utils import translation
from hypothesis import settings
from playwright.sync_api import Browser
from xdist.scheduler import LoadScopeScheduling

from tests.demo import Resize, draft_pictures, resizing_once, shared, unpacking_once, working_once
from tests.sampling import EVERY, fewer
from yemba.catalogue import catalogue as shipped
from yemba.core import apart
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.type import facts
from yemba.hosting import making
from yemba.people.models import Person
from yemba.render import files
from yemba.sites import services as sites
from yemba.sites import starter
from yemba.sites.models import Site
from yemba.studio.management.commands._chromium import chromium, lacking
from yemba.studio.management.commands._judges import missing

os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"  # Playwright's loop and the ORM share the thread
settings.register_profile("same-every-time", derandomize=True, deadline=None, max_examples=fewer(120))
settings.register_profile("searching", deadline=None, print_blob=True)
settings.load_profile(os.environ.get("HYPOTHESIS", "same-every-time"))

ASSETS = Path(__file__).parent.parent / "assets"
TOGETHER = {
    *(f"tests/browser/test_{name}.py" for name in ("published", "header_sweep", "header_surface", "navigation")),
    "tests/hosting/test_kill.py",
    "tests/hosting/test_read_only.py",
    "tests/hostile/test_guard.py",
    "tests/studio/test_translation.py",
}
"""Modules that make something once for all of their tests: one worker runs all of a module."""


class Scheduling(LoadScopeScheduling):
    """Each test goes to whichever worker is free, those of a module that stays together to one."""

    def _split_scope(self, nodeid: str) -> str:
        module = nodeid.partition("::")[0]
        return module if module in TOGETHER else nodeid


def pytest_collection_modifyitems(config: pytest.Config, items: list[pytest.Item]) -> None:
    """Sweeps that are marked so are gone through at length alone. Tests of rules go first but for one that loads the demo
    for all."""
    later = [] if EVERY else [one for one in items if one.get_closest_marker("at_length")]
    items[:] = [one for one in items if one not in later]
    config.hook.pytest_deselected(items=later)
    loads = next((one for one in items if "demo" in getattr(one, "fixturenames", ())), None)
    items.sort(key=lambda one: (one is not loads, "tests/core/" not in one.nodeid))


def pytest_xdist_make_scheduler(config: pytest.Config, log: Any) -> Scheduling:
    return Scheduling(config, log)


def needs(reason: str, there: bool) -> None:
    """Skip with the reason; where CI runs a missing tool is a failure."""
    if there:
        return
    if os.environ.get("CI") == "true":
        pytest.fail(f"missing in CI: {reason}")
    pytest.skip(reason)


@pytest.fixture(scope="session")
def node_modules() -> Path:
    folder = ASSETS / "node_modules"
    needs("the Node packages of assets/package.json", folder.exists() and shutil.which("node") is not None)
    return folder


@pytest.fixture(scope="session")
def judges() -> None:
    """Axe and the Nu HTML checker."""
    needs("; ".join(missing()), not missing())


@pytest.fixture(scope="session")
def demo_kept(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A folder for the demo as it was first loaded: its rows and its files."""
    return shared(tmp_path_factory, "demo")


@pytest.fixture(scope="session")
def resize(tmp_path_factory: pytest.TempPathFactory) -> Resize:
    return resizing_once(shared(tmp_path_factory, "sizes"))


@pytest.fixture
def pictures_are_made_once(resize: Resize) -> Iterator[None]:
    """Each test begins with an empty database; the demo's drawings and their sizes are the same every time."""
    with pytest.MonkeyPatch.context() as patched:
        patched.setattr(files, "resized", resize)
        patched.setattr(making, "resized", resize)
        draft_pictures(patched)
        yield


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    """One Chromium a worker: Playwright starts once in a process."""
    needs(lacking(), not lacking())
    with chromium() as started:
        yield started


@pytest.fixture(scope="session", autouse=True)
def drawn_and_cut_once(tmp_path_factory: pytest.TempPathFactory) -> Iterator[None]:
    """Each test begins with an empty store; the same drawings and letters come out the same every time."""
    kept = shared(tmp_path_factory, "made")
    with pytest.MonkeyPatch.context() as patched:
        patched.setattr(apart, "work", working_once(kept, apart.work))
        patched.setattr(facts, "unpacked", unpacking_once(kept, facts.unpacked))
        yield


@pytest.fixture(autouse=True)
def in_english() -> None:
    """Whatever language the test before spoke last."""
    translation.activate(django_settings.LANGUAGE_CODE)


@pytest.fixture(scope="session")
def catalogue() -> Catalogue:
    return shipped()


@pytest.fixture
def document(catalogue: Catalogue) -> Document:
    return starter.document("Saltmarsh Bindery", "slipway", catalogue, new_id)


@pytest.fixture
def client() -> Client:
    """A visitor of the studio's own host, unless a test names another."""
    return Client(SERVER_NAME="localhost")


@pytest.fixture
def ines(db: None) -> Person:
    return Person.objects.create_user("ines@saltmarsh.example", "tide-row-four", name="Ines Varela")


@pytest.fixture
def site(ines: Person) -> Site:
    return sites.create(ines, "Saltmarsh Bindery", "saltmarsh", "slipway")
