from django.urls import path, re_path

from yemba.hosting import views

urlpatterns = [
    path("", views.live, {"path": ""}),
    path("-/form/<slug:section>/sent/", views.sent, name="sent"),
    path("-/form/<slug:section>/", views.form),
    re_path(r"^(?P<path>.+)$", views.live),
]
