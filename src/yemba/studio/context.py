"""What every studio page knows."""

from typing import Any

from django.conf import settings
from django.http import HttpRequest

from yemba.core.limits import LIMITS


def studio(request: HttpRequest) -> dict[str, Any]:
    return {"demo": settings.DEMO, "limits": LIMITS}
