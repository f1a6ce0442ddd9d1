"""The store is whatever Django's storage is set to: here one that has no disk at all."""

from __future__ import annotations

import os
from datetime import timedelta
from pathlib import Path

import pytest
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from django.test import Client
from django.utils import timezone

from yemba.hosting import services, sweep
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
LIVE = "saltmarsh.localhost"


@pytest.fixture
def in_memory(settings) -> None:
    settings.STORAGES = settings.STORAGES | {"default": {"BACKEND": "django.core.files.storage.InMemoryStorage"}}


@pytest.mark.usefixtures("in_memory")
def test_a_site_is_published_served_exported_and_swept_without_a_disk(
    site: Site, client: Client, tmp_path: Path, settings, monkeypatch: pytest.MonkeyPatch
) -> None:
    before = set(Path(settings.MEDIA_ROOT).rglob("*"))
    edition = services.publish(site)
    served = client.get("/", headers={"host": LIVE})
    assert served.status_code == 200
    assert served.content == store.load(edition.manifest["index.html"])
    assert set(Path(settings.MEDIA_ROOT).rglob("*")) == before, "nothing went to the disk"

    lost = store.keep(b"what an upload that broke off left behind")
    assert sweep.sweep() == 0, "it is fresh: its edit may be on its way"
    monkeypatch.setattr(sweep, "_FRESH", timedelta(0))
    assert sweep.sweep() == 1
    with pytest.raises(FileNotFoundError):
        store.load(lost)
    assert client.get("/", headers={"host": LIVE}).content == served.content


@pytest.mark.usefixtures("in_memory")
def test_icons_and_cards_that_no_edition_names_are_swept(site: Site) -> None:
    first = services.publish(site)
    sites.edit(Site.objects.get(pk=site.pk), "name-site", {"title": "Mudlark", "tagline": ""})
    second = services.publish(Site.objects.get(pk=site.pk))
    kept, dropped = set(second.manifest.values()), set(first.manifest.values()) - set(second.manifest.values())
    icons = {digest for name, digest in first.manifest.items() if name.endswith((".png", ".ico", ".jpg"))}
    assert icons & dropped, "another name makes other icons or cards"
    first.delete()
    assert sweep.sweep(at_start=True) >= len(dropped)
    for digest in dropped:
        with pytest.raises(FileNotFoundError):
            store.load(digest)
    assert all(store.load(digest) is not None for digest in kept)


def test_a_file_is_kept_once_under_its_hash(in_memory: None) -> None:
    assert store.keep(b"twice") == store.keep(b"twice")
    folder = store._name(store.keep(b"twice")).partition("/")[0]
    assert len(default_storage.listdir(folder)[1]) == 1
    default_storage.save("ab/stray", ContentFile(b"by another hand"))
    assert default_storage.get_modified_time("ab/stray") <= timezone.now()


def test_a_file_that_is_used_again_while_the_sweep_runs_stays(site: Site, monkeypatch: pytest.MonkeyPatch) -> None:
    """It is old and nothing points to it when the sweep looks; an owner chooses the same picture just then."""
    again, lost = store.keep(b"chosen again"), store.keep(b"nobody's")
    for digest in (again, lost):
        old = (timezone.now() - timedelta(days=3)).timestamp()
        os.utime(default_storage.path(store._name(digest)), (old, old))
    looked = sweep._pointed_at

    def then_chosen_again() -> set[str]:
        needed = looked()
        store.keep(b"chosen again")
        return needed

    monkeypatch.setattr(sweep, "_pointed_at", then_chosen_again)
    assert sweep.sweep() >= 1
    assert store.load(again) == b"chosen again"
    with pytest.raises(FileNotFoundError):
        store.load(lost)


def test_a_file_that_is_being_taken_away_is_written_anew(monkeypatch: pytest.MonkeyPatch) -> None:
    """Between the moment at which the sweep takes it aside and the one at which it goes for good."""
    digest = store.keep(b"nearly gone")
    unlink = os.unlink

    def kept_meanwhile(path: str) -> None:
        monkeypatch.undo()
        store.keep(b"nearly gone")
        unlink(path)

    monkeypatch.setattr(os, "unlink", kept_meanwhile)
    assert store.delete_old(store._name(digest), timezone.now() + timedelta(hours=1))
    assert store.load(digest) == b"nearly gone"
