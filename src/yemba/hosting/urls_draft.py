from django.urls import path

from yemba.hosting import views

urlpatterns = [
    path("-/window.js", views.window_script),
    path("~<str:token>/", views.draft, {"path": ""}),
    path("~<str:token>/<path:path>", views.draft),
    path("", views.no_draft),
]
