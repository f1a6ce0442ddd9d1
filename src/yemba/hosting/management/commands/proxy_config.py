from textwrap import dedent, indent
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError, CommandParser

from yemba.config.guard import FORM_BYTES, PLAIN_BYTES, UPLOAD_BYTES

_UPLOADS = r"^/(sites/[^/]+/(upload|font-upload|palette-file)|brand-sheets/import)/"


class Command(BaseCommand):
    help = (
        "Write nginx's configuration for this installation: it ends TLS, waits for slow senders by itself, holds "
        "bodies to the limits of their paths, and hands on who asks."
    )

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--upstream", default="127.0.0.1:8000", help="where gunicorn listens")
        parser.add_argument("--certificate", default="", help="the certificate chain, PEM; it names every site")
        parser.add_argument("--key", default="", help="its key")

    def handle(self, *args: Any, **options: Any) -> None:
        if settings.SCHEME == "https" and not (options["certificate"] and options["key"]):
            raise CommandError("YEMBA_SCHEME is https: say --certificate and --key, or set YEMBA_SCHEME=http.")
        self.stdout.write(config(options["upstream"], options["certificate"], options["key"]))


def config(upstream: str, certificate: str, key: str) -> str:
    """nginx's configuration (nginx.org, "Core functionality", "ngx_http_proxy_module"), to be included in `http`."""
    studio = _server(settings.STUDIO_HOST, _location(_UPLOADS, UPLOAD_BYTES) + _location("", PLAIN_BYTES), certificate)
    forms = _location("^/-/form/", FORM_BYTES) + _location("", FORM_BYTES)
    sites = _server(f"*.{settings.SITES_DOMAIN}", forms, certificate)
    head = f"""\
        limit_req_zone $binary_remote_addr zone=yemba_forms:10m rate=10r/m;
        limit_conn_zone $binary_remote_addr zone=yemba_lines:10m;
        upstream yemba {{ server {upstream}; keepalive 16; }}
        """
    made = dedent(head) + studio + sites
    return made.replace("CERTIFICATE", certificate).replace("KEYFILE", key)


def _server(name: str, locations: str, certificate: str) -> str:
    listen = "listen 80;"
    before = ""
    if certificate:
        listen = "listen 443 ssl http2;\n        ssl_certificate CERTIFICATE;\n        ssl_certificate_key KEYFILE;"
        before = f"server {{ listen 80; server_name {name}; return 301 https://$host$request_uri; }}\n"
    inner = f"""\
        {listen}
        server_name {name};
        client_header_timeout 10s;
        client_body_timeout 15s;
        send_timeout 30s;
        limit_conn yemba_lines 60;
        proxy_request_buffering on;
        proxy_http_version 1.1;
        proxy_set_header Connection "";
        proxy_set_header Host $host;
        proxy_set_header X-Forwarded-For $remote_addr;
        proxy_set_header X-Forwarded-Proto $scheme;
        """
    return f"{before}server {{\n{indent(dedent(inner) + locations, '  ')}}}\n"


def _location(pattern: str, most: int) -> str:
    throttle = "limit_req zone=yemba_forms burst=20 nodelay; limit_req_status 429; " if "form" in pattern else ""
    where = f"~ {pattern}" if pattern else "/"
    return f"location {where} {{ client_max_body_size {most}; {throttle}proxy_pass http://yemba; }}\n"
