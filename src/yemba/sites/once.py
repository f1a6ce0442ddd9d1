"""Requests that change a site are done once, however often they arrive: a broken line may have lost only the answer."""

from __future__ import annotations

from collections.abc import Callable
from datetime import timedelta

from django.db import transaction
from django.utils import timezone

from yemba.sites import services
from yemba.sites.models import Receipt, Site

_KEPT = timedelta(days=30)
"""How long a window may be silent before its last request is forgotten."""


def once(site: Site, window: str, token: str, do: Callable[[], services.Done]) -> services.Done:
    """What `do` does, unless it was the last thing that `window` asked for under the same `token`: then the draft as it
    stands. A `window` (its files under a name of their own) sends one request at a time, so only its last can arrive
    twice."""
    return _once(site, window, token, do) if window and token else do()


@transaction.atomic
def _once(site: Site, window: str, token: str, do: Callable[[], services.Done]) -> services.Done:
    Site.objects.select_for_update().only("pk").get(pk=site.pk)
    last = Receipt.objects.filter(site=site, window=window).first()
    if last and last.token == token:
        document = services.document(services.locked(site))
        return services.Done(document, document, last.label, anew=True)
    done = do()
    receipt = last or Receipt(site=site, window=window)
    receipt.token, receipt.label = token, done.label
    receipt.save()
    if last is None:
        Receipt.objects.filter(site=site, made_at__lt=timezone.now() - _KEPT).delete()
    return done
