from django.urls import path

from yemba.standins.feeds import views

urlpatterns = [path("", views.page), path("concerts.ics", views.feed)]
