"""What stands in front: nginx's configuration, and whose word is taken for who asks."""

from __future__ import annotations

from io import StringIO
from typing import Any

import pytest
from django.core.management import CommandError, call_command

from yemba.config.guard import FORM_BYTES, PLAIN_BYTES, UPLOAD_BYTES, Guard


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
