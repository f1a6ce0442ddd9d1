from django.urls import path

from yemba.studio import views

urlpatterns = [
    path("", views.front, name="front"),
    path("sites/", views.site_list, name="sites"),
    path("sites/new/", views.new_site, name="new-site"),
    path("sites/<slug:slug>/edit/", views.edit, name="edit"),
    path("sites/<slug:slug>/undo/", views.undo, name="undo"),
    path("sites/<slug:slug>/redo/", views.redo, name="redo"),
    path("sites/<slug:slug>/upload/", views.upload, name="upload"),
    path("sites/<slug:slug>/stream/", views.stream, name="stream"),
    path("sites/<slug:slug>/state/", views.state, name="state"),
    path("sites/<slug:slug>/where/", views.where_is, name="where"),
    path("sites/<slug:slug>/plane/", views.plane, name="plane"),
    path("sites/<slug:slug>/icon/<path:path>", views.icon, name="icon"),
    path("sites/<slug:slug>/take-back/", views.take_back, name="take-back"),
    path("sites/<slug:slug>/publish/", views.publish, name="publish"),
    path("sites/<slug:slug>/editions/<int:number>/", views.bring_back, name="bring-back"),
    path("sites/<slug:slug>/", views.workbench, name="workbench-start"),
    path("sites/<slug:slug>/<slug:chapter>/", views.workbench, name="workbench"),
]
