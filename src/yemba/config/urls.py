"""Addresses of the studio's own host. Live sites and drafts have theirs in ``hosting``."""

from django.urls import include, path

urlpatterns = [
    path("", include("yemba.people.urls")),
    path("", include("yemba.studio.urls")),
]

handler400 = "yemba.config.faults.bad_request"
handler403 = "yemba.config.faults.denied"
handler404 = "yemba.config.faults.missing"
handler500 = "yemba.config.faults.broken"
