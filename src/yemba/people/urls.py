from django.urls import path
from django.views.i18n import set_language

from yemba.people import views

urlpatterns = [
    path("sign-up/", views.sign_up, name="sign-up"),
    path("sign-in/", views.SignInView.as_view(), name="sign-in"),
    path("sign-out/", views.SignOutView.as_view(), name="sign-out"),
    path("language/", set_language, name="set-language"),
    path("enter-the-demo/", views.enter_the_demo, name="enter-the-demo"),
]
