"""Sign up, and the demo's open door."""

from __future__ import annotations

from django.conf import settings
from django.contrib.auth import login
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404, redirect, render
from django.views.decorators.http import require_POST

from yemba.people.forms import SignUp
from yemba.people.models import Person

DEMO_ADDRESS = "ines@saltmarsh.example"
_BACKEND = "django.contrib.auth.backends.ModelBackend"


def sign_up(request: HttpRequest) -> HttpResponse:
    form = SignUp(request.POST or None)
    if request.method == "POST" and form.is_valid():
        person = Person.objects.create_user(
            form.cleaned_data["email"], form.cleaned_data["password"], name=form.cleaned_data["name"]
        )
        login(request, person, backend=_BACKEND)
        return redirect("new-site")
    return render(request, "people/sign_up.html", {"form": form}, status=422 if form.errors else 200)


@require_POST
def enter_the_demo(request: HttpRequest) -> HttpResponse:
    """Enter as Ines without a password. Outside demo mode this address does not exist."""
    if not settings.DEMO:
        raise Http404
    login(request, get_object_or_404(Person, email=DEMO_ADDRESS), backend=_BACKEND)
    return redirect("sites")
