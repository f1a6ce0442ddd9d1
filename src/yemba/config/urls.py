"""Addresses of the studio's own host. Live sites and drafts have theirs in ``hosting``."""

from django.urls import include, path

urlpatterns = [
    path("", include("yemba.people.urls")),
    path("", include("yemba.studio.urls")),
]
