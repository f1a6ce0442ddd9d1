"""Publishing: every file first, the pointer last."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.dates import zone
from yemba.core.site.document import Document
from yemba.core.site.journal import next_due
from yemba.core.site.pictures import missing_pictures
from yemba.core.site.resolve import Look
from yemba.hosting.fresh import watch
from yemba.hosting.making import make_all
from yemba.hosting.models import Edition, Live, Planned
from yemba.hosting.rendering import live_address, rendering
from yemba.render.files import redirects, site_files
from yemba.render.site import Site as Rendering
from yemba.sites import services as sites
from yemba.sites.models import Site


def publish(
    site: Site,
    changes: Sequence[str] = (),
    on: datetime | None = None,
    document: Document | None = None,
    plan: Planned | None = None,
) -> Edition:
    """Put `document`, or the draft, live as a new edition. Whole or not at all.

    `changes` says in words what differs from the edition before. A `plan` that this carries out is forgotten in the
    same transaction, so that it is not carried out again. Raises Fault ``called-off`` where it is no longer there,
    ``picture-gone``.
    """
    document = document or sites.document(site)
    moment = on or timezone.now()
    ready = rendering(document, on=moment, address=live_address(site))
    manifest = _made(ready)
    with transaction.atomic():
        if plan and not Planned.objects.filter(pk=plan.pk, at=plan.at).delete()[0]:
            raise Fault("called-off", Message("This publishing was called off meanwhile."))
        last = Edition.objects.filter(site=site).first()
        edition = Edition.objects.create(
            site=site,
            number=last.number + 1 if last else 1,
            document=document.text(),
            manifest=manifest,
            redirects=_redirects(ready.look),
            changes=list(changes),
            made_at=moment,
        )
        watch(edition, ready)
        make_live(site, edition, ready)
    return edition


def _made(ready: Rendering) -> dict[str, str]:
    """Every file of the site. Raises Fault ``picture-gone`` where the file of a picture is no longer there."""
    try:
        return make_all(site_files(ready))
    except FileNotFoundError as error:
        missing = list(missing_pictures(ready.look).values())
        if not missing:
            raise
        sentence = Message(
            "Nothing was published: the file of the picture {name} is no longer there. Replace it, or take it out.",
            name=missing[0].name,
        )
        raise Fault("picture-gone", sentence) from error


def make_live(site: Site, edition: Edition, ready: Rendering) -> None:
    """Turn the pointer to an edition; `ready` is what it was made from, as it is now."""
    until = next_due(sites.read_again(edition.document), ready.moment, zone(ready.look))
    Live.objects.update_or_create(site=site, defaults={"edition": edition, "until": until})


def _redirects(look: Look) -> dict[str, str]:
    slugs = {key: page.slug for key, page in look.document.ordered_pages()}
    return {old: slugs[page] for old, page in redirects(look).items()}
