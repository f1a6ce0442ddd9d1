"""``manage.py check --deploy`` names what an installation that strangers reach is missing."""

from __future__ import annotations

import gc
from collections.abc import Callable
from datetime import timedelta
from pathlib import Path
from types import SimpleNamespace
from typing import Any

import pytest
from django.utils import timezone
from gunicorn import util

from yemba.config import serve
from yemba.hosting import deploy
from yemba.hosting.deploy import missing
from yemba.hosting.models import Planned
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db


@pytest.fixture
def public(settings: Any, tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Any:
    """Settings as the README asks for them."""
    settings.DEMO, settings.SCHEME, settings.SITES_PORT = False, "https", ""
    settings.STUDIO_HOST, settings.SITES_DOMAIN = "studio.books.example", "sites.example"
    settings.DATA = tmp_path
    tmp_path.chmod(0o700)
    collected(monkeypatch, lambda name: f"/static/{name}")
    return settings


def collected(monkeypatch: pytest.MonkeyPatch, url: Callable[[str], str]) -> None:
    monkeypatch.setattr(deploy, "staticfiles_storage", SimpleNamespace(url=url))


def ids() -> set[str]:
    return {message.id or "" for message in missing(None)}


def test_nothing_is_missing_where_all_is_as_asked(public: Any) -> None:
    assert ids() == set()


@pytest.mark.parametrize(
    ("setting", "value", "found"),
    [
        ("DEMO", True, "yemba.E001"),
        ("SCHEME", "http", "yemba.E002"),
        ("STUDIO_HOST", "localhost", "yemba.E003"),
        ("STUDIO_HOST", "studio.sites.example", "yemba.W001"),
        ("SITES_PORT", "8000", "yemba.W002"),
    ],
)
def test_a_setting_that_lets_strangers_in_is_named(public: Any, setting: str, value: Any, found: str) -> None:
    setattr(public, setting, value)
    assert ids() == {found}


def test_a_folder_open_to_all_and_styles_not_collected_are_named(public: Any, monkeypatch: pytest.MonkeyPatch) -> None:
    public.DATA.chmod(0o755)

    def lacks(name: str) -> str:
        raise ValueError(f"Missing staticfiles manifest entry for '{name}'")

    collected(monkeypatch, lacks)
    assert ids() == {"yemba.W003", "yemba.E005"}


def test_a_publishing_that_nobody_calls_for_is_named(public: Any, site: Site) -> None:
    Planned.objects.create(site=site, at=timezone.now() - timedelta(minutes=11), document=site.document)
    assert ids() == {"yemba.W004"}


def test_what_a_worker_reads_ahead_is_left_out_of_collections(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(util, "close_graceful", util.close_graceful)
    frozen = gc.get_freeze_count()
    try:
        serve.post_worker_init(None)
        assert gc.get_freeze_count() > frozen + 10_000
    finally:
        gc.unfreeze()
