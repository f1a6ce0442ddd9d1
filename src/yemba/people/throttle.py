"""How often a password may be wrong before nobody is asked for it any more for a while; how many may sign up.

Wrong tries for one name from one address are counted by axes. Beside them a name is counted from all addresses, so that
many machines cannot share out the guessing, and an address over all names; both limits are wide, since others may be
behind the same address, and nobody should be shut out by a stranger's guesses alone.
"""

from __future__ import annotations

from datetime import timedelta

from axes.helpers import get_client_ip_address
from axes.models import AccessAttempt
from django.conf import settings
from django.db.models import QuerySet, Sum
from django.http import HttpRequest
from django.utils import timezone
from django.utils.crypto import salted_hmac

from yemba.people.models import Person

MOST_FOR_A_NAME, MOST_FROM_AN_ADDRESS = 60, 120


def too_often(request: HttpRequest, name: str) -> bool:
    """Whether this name, or this address, has failed so often lately that it is not asked any more."""
    since = timezone.now() - timedelta(hours=settings.AXES_COOLOFF_TIME)
    lately = AccessAttempt.objects.filter(attempt_time__gte=since)
    for_name = _failures(lately.filter(username=name.lower()))
    from_address = _failures(lately.filter(ip_address=get_client_ip_address(request)))
    return for_name >= MOST_FOR_A_NAME or from_address >= MOST_FROM_AN_ADDRESS


def address_hash(request: HttpRequest) -> str:
    """The address a request comes from, so that it can be known again but not read."""
    return salted_hmac("yemba.sign-up", str(get_client_ip_address(request))).hexdigest()[:32]


def too_many_sign_ups(request: HttpRequest) -> bool:
    """Whether as many people signed up from this address within a day as may."""
    lately = Person.objects.filter(joined__gte=timezone.now() - timedelta(days=1))
    return bool(lately.filter(came_from=address_hash(request)).count() >= settings.MOST_SIGN_UPS)


def _failures(attempts: QuerySet[AccessAttempt]) -> int:
    return int(attempts.aggregate(sum=Sum("failures_since_start"))["sum"] or 0)
