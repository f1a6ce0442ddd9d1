from django.urls import path, re_path

from yemba.hosting import views

urlpatterns = [
    path("", views.live, {"path": ""}),
    path("-/form/<slug:section>/sent/", views.sent, name="sent"),
    path("-/form/<slug:section>/", views.form),
    re_path(r"^(?P<path>.+)$", views.live),
]

handler400 = "yemba.config.faults.bad_request"
handler403 = "yemba.config.faults.denied"
handler404 = "yemba.config.faults.missing"
handler500 = "yemba.config.faults.broken"
