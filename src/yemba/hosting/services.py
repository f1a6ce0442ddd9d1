"""Publishing, going back, and what is live."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from concurrent.futures import ThreadPoolExecutor
from datetime import datetime
from functools import partial
from pathlib import Path

from django.conf import settings
from django.core import signing
from django.db import transaction
from django.http import HttpRequest
from django.utils import timezone

from yemba.core.errors import Fault
from yemba.core.picture.sizes import FORMATS, resized, widths
from yemba.core.site.document import Document, Picture, read
from yemba.core.site.resolve import Look
from yemba.hosting.models import Edition, Live, Made
from yemba.people.models import Person
from yemba.render import fonts
from yemba.render.files import File, picture_file, redirects, site_files
from yemba.render.page import FORMS
from yemba.render.pictures import size as picture_size
from yemba.render.site import Site as Rendering
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site

_SALT = "yemba.draft"
DRAFT_SECONDS = 60 * 60
DRAFT_PREFIX = "draft--"
_MAKERS = 4
_THUMB = 640


def rendering(document: Document, *, draft: bool = False, on: datetime | None = None, address: str = "") -> Rendering:
    """A document ready to be rendered with the pictures of the store."""
    return Rendering(Look(document, catalogue()), (on or timezone.now()).date(), store.load, draft, address)


def live_address(site: Site) -> str:
    """Where visitors find a site, with its closing slash."""
    port = f":{settings.SITES_PORT}" if settings.SITES_PORT else ""
    return f"{settings.SCHEME}://{site.slug}.{settings.SITES_DOMAIN}{port}/"


def made(file: File) -> bytes:
    """The bytes of a file; what is the same every time is made once and kept."""
    if not file.key:
        return file.make()
    known = Made.objects.filter(key=file.key).first()
    if known:
        return store.load(known.digest)
    data = file.make()
    Made.objects.get_or_create(key=file.key, defaults={"digest": store.keep(data)})
    return data


def thumb(picture: Picture) -> bytes:
    """A picture small enough for a desk, WebP or the SVG itself."""
    load = partial(store.load, picture.file)
    if picture.format == "svg":
        return load()
    width = min(_THUMB, picture.width)
    return made(File(lambda: resized(load(), width, "webp"), f"picture:{picture.file[:16]}-thumb-{width}"))


def weigh(picture: Picture, width: int) -> int:
    """How many bytes a browser loads of a picture drawn `width` px wide: of AVIF the next larger size there is."""
    if picture.format == "svg":
        return len(store.load(picture.file))
    at_hand = widths(picture_size(picture)[0])
    chosen = next((w for w in at_hand if w >= width), at_hand[-1])
    return len(made(picture_file(picture, chosen, FORMATS[0], store.load)))


def weigh_fonts(look: Look) -> list[tuple[str, str, int]]:
    """What a page fetches of each face at most, cut to the site's letters: name, style and bytes."""
    found: dict[tuple[str, str], int] = {}
    for one in fonts.published(look):
        data = made(File(one.make, f"font:{one.key}"))
        key = (one.family.name, one.file.style)
        found[key] = found.get(key, 0) + len(data)
    return [(name, style, weight) for (name, style), weight in found.items()]


def make_all(files: Mapping[str, File]) -> dict[str, str]:
    """Every file in the store, by its path; only what was never made from the same inputs is made now."""
    keys = {file.key for file in files.values() if file.key}
    known = dict(Made.objects.filter(key__in=keys).values_list("key", "digest"))
    wanted = {file.key or path: file for path, file in files.items() if file.key not in known}
    with ThreadPoolExecutor(max_workers=_MAKERS) as makers:  # pictures are made outside Python's lock
        new = {name: store.keep(data) for name, data in zip(wanted, makers.map(_make, wanted.values()), strict=True)}
    fresh = [Made(key=name, digest=digest) for name, digest in new.items() if wanted[name].key]
    Made.objects.bulk_create(fresh, ignore_conflicts=True)
    found = known | new
    return {path: found[file.key or path] for path, file in files.items()}


def _make(file: File) -> bytes:
    return file.make()


def publish(
    site: Site,
    changes: Sequence[str] = (),
    on: datetime | None = None,
    document: Document | None = None,
) -> Edition:
    """Put `document`, or the draft, live as a new edition. Files are written first, the pointer moves last.

    `changes` says in words what differs from the edition before.
    """
    document = document or sites.document(site)
    moment = on or timezone.now()
    site_made = rendering(document, on=moment, address=live_address(site))
    manifest = make_all(site_files(site_made))
    with transaction.atomic():
        last = Edition.objects.filter(site=site).first()
        edition = Edition.objects.create(
            site=site,
            number=last.number + 1 if last else 1,
            document=document.text(),
            manifest=manifest,
            redirects=_redirects(site_made.look),
            changes=list(changes),
            made_at=moment,
        )
        Live.objects.update_or_create(site=site, defaults={"edition": edition})
    return edition


def _redirects(look: Look) -> dict[str, str]:
    slugs = {key: page.slug for key, page in look.document.ordered_pages()}
    return {old: slugs[page] for old, page in redirects(look).items()}


def bring_back(site: Site, number: int) -> Edition:
    """Make an earlier edition live again, byte for byte. The draft stays as it is.

    Raises Fault ``no-such-edition``.
    """
    edition = Edition.objects.filter(site=site, number=number).first()
    if edition is None:
        raise Fault("no-such-edition", f"There is no edition {number} of this site.")
    Live.objects.update_or_create(site=site, defaults={"edition": edition})
    return edition


def draft_from(site: Site, number: int) -> None:
    """Make the draft what an edition was made from, as one edit. Raises Fault ``no-such-edition``."""
    edition = Edition.objects.filter(site=site, number=number).first()
    if edition is None:
        raise Fault("no-such-edition", f"There is no edition {number} of this site.")
    sites.put_document(site, read(edition.document), f"Draft as edition {number}")


def live_edition(site: Site) -> Edition | None:
    pointer = Live.objects.filter(site=site).select_related("edition").first()
    return pointer.edition if pointer else None


def live_document(site: Site) -> Document | None:
    """What the live edition was made from; None before the first publishing."""
    edition = live_edition(site)
    return sites.read_again(edition.document) if edition else None


def editions(site: Site) -> list[Edition]:
    """Newest first."""
    return list(Edition.objects.filter(site=site))


def write_out(site: Site, folder: Path, *, draft: bool) -> int:
    """Write the live site, or the draft as it would be live, as plain files; says how many.

    Raises Fault ``not-published`` or ``folder-not-empty``.
    """
    if folder.exists() and any(folder.iterdir()):
        raise Fault("folder-not-empty", f"“{folder}” is not empty. Name a new folder.")
    if draft:
        planned = site_files(rendering(sites.document(site), address=live_address(site)))
        contents = {path: store.load(digest) for path, digest in make_all(planned).items()}
    else:
        edition = live_edition(site)
        if edition is None:
            raise Fault("not-published", f"“{site.slug}” was never published. Use --draft for the draft.")
        contents = {path: store.load(digest) for path, digest in edition.manifest.items()}
    for path, data in contents.items():
        (folder / path).parent.mkdir(parents=True, exist_ok=True)
        (folder / path).write_bytes(_taken_away(data, site) if path.endswith(".html") else data)
    return len(contents)


def _taken_away(page: bytes, site: Site) -> bytes:
    """A contact form on another server still sends to this one, which keeps the inbox."""
    return page.replace(f'action="{FORMS}'.encode(), f'action="{live_address(site)}{FORMS[1:]}'.encode())


def draft_token(site: Site, person: Person) -> str:
    """What opens a draft for a while: signed, bound to the site and the person."""
    return signing.dumps({"site": site.pk, "person": person.pk}, salt=_SALT, compress=True)


def site_for(token: str, slug: str) -> Site | None:
    """The site a token opens, if it is of that address, still owned, and not too old."""
    try:
        said = signing.loads(token, salt=_SALT, max_age=DRAFT_SECONDS)
    except signing.BadSignature:
        return None
    return Site.objects.filter(pk=said["site"], slug=slug, owner_id=said["person"]).first()


def origin(request: HttpRequest, label: str = "") -> str:
    """Scheme, host and port of a site (`label` its name), or of the studio."""
    port = request.get_port()
    shown = "" if port in ("80", "443") else f":{port}"
    host = f"{label}.{settings.SITES_DOMAIN}" if label else settings.STUDIO_HOST
    return f"{settings.SCHEME}://{host}{shown}"
