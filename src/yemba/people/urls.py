from django.contrib.auth.views import LoginView, LogoutView
from django.urls import path

from yemba.people import views
from yemba.people.forms import SignIn

urlpatterns = [
    path("sign-up/", views.sign_up, name="sign-up"),
    path(
        "sign-in/",
        LoginView.as_view(form_class=SignIn, template_name="people/sign_in.html", redirect_authenticated_user=True),
        name="sign-in",
    ),
    path("sign-out/", LogoutView.as_view(), name="sign-out"),
    path("enter-the-demo/", views.enter_the_demo, name="enter-the-demo"),
]
