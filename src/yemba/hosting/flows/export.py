"""Taking a site away as plain files that any web server serves."""

from __future__ import annotations

from pathlib import Path
from urllib.parse import urlsplit

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.hosting.live import live_edition
from yemba.hosting.making import make_all
from yemba.hosting.rendering import live_address, rendering
from yemba.render.files import site_files
from yemba.render.fragment import FORMS
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Site


def write_out(site: Site, folder: Path, *, draft: bool, address: str = "") -> int:
    """Write the live site, or the draft as it would be live; says how many files.

    Links for search engines and sharing, the sitemap and the page for what is not found are for `address`, where the
    site will stand; "" is where it is live. Raises Fault ``not-published``, ``folder-not-empty`` or ``not-an-address``.
    """
    address = _checked(address)
    if folder.exists() and any(folder.iterdir()):
        raise Fault("folder-not-empty", Message("“{folder}” is not empty. Name a new folder.", folder=folder))
    manifest = _manifest(site, address, draft=draft)
    for path, digest in manifest.items():
        data = store.load(digest)
        (folder / path).parent.mkdir(parents=True, exist_ok=True)
        (folder / path).write_bytes(_with_forms(data, site) if path.endswith(".html") else data)
    return len(manifest)


def _manifest(site: Site, address: str, *, draft: bool) -> dict[str, str]:
    if draft:
        return make_all(site_files(rendering(sites.document(site), address=address or live_address(site))))
    edition = live_edition(site)
    if edition is None:
        raise Fault("not-published", f"“{site.slug}” was never published. Use --draft for the draft.")
    if address:
        document = sites.read_again(edition.document)
        return make_all(site_files(rendering(document, on=edition.made_at, address=address)))
    manifest: dict[str, str] = edition.manifest
    return manifest


def _checked(address: str) -> str:
    """With its closing slash."""
    if not address:
        return ""
    parts = urlsplit(address)
    if parts.scheme not in ("http", "https") or not parts.hostname or parts.query or parts.fragment:
        raise Fault("not-an-address", f"“{address}” is no address of a site. It looks like https://books.example/.")
    return address if address.endswith("/") else f"{address}/"


def _with_forms(page: bytes, site: Site) -> bytes:
    """A contact form on another server still sends to this one, which keeps the inbox."""
    return page.replace(f'action="{FORMS}'.encode(), f'action="{live_address(site)}{FORMS[1:]}'.encode())
