from django.urls import path

from yemba.hosting import views

urlpatterns = [
    path("-/window.js", views.script, {"name": "window"}),
    path("-/look.js", views.script, {"name": "look"}),
    path("gallery/<slug:template>/<slug:sheet>/<slug:trade>/", views.gallery, {"path": ""}),
    path("gallery/<slug:template>/<slug:sheet>/<slug:trade>/<path:path>", views.gallery),
    path("look/<str:token>/<int:number>/", views.first_look, {"path": ""}),
    path("look/<str:token>/<int:number>/<path:path>", views.first_look),
    path("~<str:token>/", views.draft, {"path": ""}),
    path("~<str:token>/<path:path>", views.draft),
    path("", views.no_draft),
]

handler400 = "yemba.config.faults.bad_request"
handler403 = "yemba.config.faults.denied"
handler404 = "yemba.config.faults.missing"
handler500 = "yemba.config.faults.broken"
