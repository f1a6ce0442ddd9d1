"""Taking a site away as plain files that any web server serves."""

from __future__ import annotations

from pathlib import Path

from yemba.core.errors import Fault
from yemba.hosting.live import live_edition
from yemba.hosting.making import make_all
from yemba.hosting.rendering import live_address, rendering
from yemba.render.files import site_files
from yemba.render.fragment import FORMS
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Site


def write_out(site: Site, folder: Path, *, draft: bool) -> int:
    """Write the live site, or the draft as it would be live; says how many files.

    Raises Fault ``not-published`` or ``folder-not-empty``.
    """
    if folder.exists() and any(folder.iterdir()):
        raise Fault("folder-not-empty", f"“{folder}” is not empty. Name a new folder.")
    manifest = _manifest(site, draft=draft)
    for path, digest in manifest.items():
        data = store.load(digest)
        (folder / path).parent.mkdir(parents=True, exist_ok=True)
        (folder / path).write_bytes(_with_forms(data, site) if path.endswith(".html") else data)
    return len(manifest)


def _manifest(site: Site, *, draft: bool) -> dict[str, str]:
    if draft:
        return make_all(site_files(rendering(sites.document(site), address=live_address(site))))
    edition = live_edition(site)
    if edition is None:
        raise Fault("not-published", f"“{site.slug}” was never published. Use --draft for the draft.")
    manifest: dict[str, str] = edition.manifest
    return manifest


def _with_forms(page: bytes, site: Site) -> bytes:
    """A contact form on another server still sends to this one, which keeps the inbox."""
    return page.replace(f'action="{FORMS}'.encode(), f'action="{live_address(site)}{FORMS[1:]}'.encode())
