from django.urls import path, re_path

from yemba.hosting import views

urlpatterns = [path("", views.live, {"path": ""}), re_path(r"^(?P<path>.+)$", views.live)]
