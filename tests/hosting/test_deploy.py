"""What stands in front of an installation and what it is missing: nginx's configuration, ``manage.py check --deploy``."""

from __future__ import annotations

import gc
from collections.abc import Callable
from datetime import timedelta
from io import StringIO
from pathlib import Path
from types import SimpleNamespace
from typing import Any

import pytest
from django.core.management import CommandError, call_command
from django.utils import timezone
from gunicorn import util

from yemba.config import serve
from yemba.config.guard import FORM_BYTES, PLAIN_BYTES, UPLOAD_BYTES, Guard
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


def written(*arguments: str) -> str:
    out = StringIO()
    call_command("proxy_config", *arguments, stdout=out)
    return out.getvalue()


def test_every_limit_of_a_path_is_in_the_configuration(settings: Any) -> None:
    settings.SCHEME = "http"
    config = written("--upstream", "127.0.0.1:8124")
    for most in (FORM_BYTES, PLAIN_BYTES, UPLOAD_BYTES):
        assert f"client_max_body_size {most};" in config
    assert "server 127.0.0.1:8124;" in config
    assert "server_name *.localhost;" in config
    assert "ssl" not in config
    assert config.count("{") == config.count("}")


def test_https_wants_a_certificate_and_sends_plain_requests_on(settings: Any) -> None:
    settings.SCHEME = "https"
    with pytest.raises(CommandError, match="--certificate and --key"):
        written()
    config = written("--certificate", "/etc/c.pem", "--key", "/etc/k.pem")
    assert config.count("ssl_certificate /etc/c.pem;") == 2
    assert config.count("return 301 https://$host$request_uri;") == 2


@pytest.mark.parametrize(
    ("remote", "told", "asks", "scheme"),
    [
        ("127.0.0.1", "203.0.113.9", "203.0.113.9", "https"),
        ("127.0.0.1", "10.0.0.1, 203.0.113.9", "203.0.113.9", "https"),
        ("198.51.100.4", "203.0.113.9", "198.51.100.4", None),
    ],
)
def test_only_the_proxy_says_who_asks(remote: str, told: str, asks: str, scheme: str | None) -> None:
    seen: dict[str, Any] = {}

    def application(environ: dict[str, Any], _: object) -> list[bytes]:
        seen.update(environ)
        return []

    environ = {"REMOTE_ADDR": remote, "HTTP_X_FORWARDED_FOR": told, "HTTP_X_FORWARDED_PROTO": "https", "PATH_INFO": "/"}
    Guard(application, ["127.0.0.1"])(environ, lambda *_: None)
    assert (seen["REMOTE_ADDR"], seen.get("HTTP_X_FORWARDED_PROTO")) == (asks, scheme)
