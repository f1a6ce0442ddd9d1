"""Sign up, in and out, and the demo's open door."""

from __future__ import annotations

from typing import Any

from django.conf import settings
from django.contrib.auth import login
from django.contrib.auth.views import LoginView, LogoutView
from django.db.models import F
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from django.shortcuts import get_object_or_404, redirect, render
from django.utils.http import url_has_allowed_host_and_scheme
from django.views.decorators.http import require_POST

from yemba.core.message import Message
from yemba.people.forms import SignIn, SignUp
from yemba.people.models import Person
from yemba.people.signed_out import wants_json
from yemba.people.throttle import address_hash, too_many_sign_ups, too_often

DEMO_ADDRESS = "ines@saltmarsh.example"
_TOO_MANY = Message("Too many signed up from here today. Try again tomorrow, or ask whoever runs this Yemba.")
_BACKEND = "django.contrib.auth.backends.ModelBackend"


class SignInView(LoginView):
    """For people a page; for the workbench, where one signs in again in place, the same in JSON."""

    form_class = SignIn
    template_name = "people/sign_in.html"
    redirect_authenticated_user = True

    def post(self, request: HttpRequest, *args: Any, **kwargs: Any) -> HttpResponse:
        if too_often(request, request.POST.get("username", "").strip()):
            return render(request, "studio/locked.html", status=429)
        return super().post(request, *args, **kwargs)

    def form_valid(self, form: SignIn) -> HttpResponse:  # type: ignore[override]
        response = super().form_valid(form)
        return JsonResponse({}) if wants_json(self.request) else response

    def form_invalid(self, form: SignIn) -> HttpResponse:  # type: ignore[override]
        if not wants_json(self.request):
            return super().form_invalid(form)
        sentence = next(error for errors in form.errors.values() for error in errors)
        return JsonResponse(
            {"error": {"code": "not-signed-in", "sentence": str(sentence), "field": "password"}}, status=422
        )


class SignOutView(LogoutView):
    """Takes away what this browser kept for the person, words that had not been sent yet, and ends the addresses under
    which their drafts could be seen."""

    def post(self, request: HttpRequest, *args: Any, **kwargs: Any) -> HttpResponse:
        if request.user.is_authenticated:
            Person.objects.filter(pk=request.user.pk).update(sign_outs=F("sign_outs") + 1)
        response = super().post(request, *args, **kwargs)
        response["Clear-Site-Data"] = '"storage"'
        return response


def sign_up(request: HttpRequest) -> HttpResponse:
    form = SignUp(request.POST or None)
    if request.method == "POST" and form.is_valid() and too_many_sign_ups(request):
        form.add_error(None, _TOO_MANY)
        return render(request, "people/sign_up.html", {"form": form}, status=429)
    if request.method == "POST" and form.is_valid():
        typed = form.cleaned_data
        person = Person.objects.create_user(
            typed["email"], typed["password"], name=typed["name"], came_from=address_hash(request)
        )
        login(request, person, backend=_BACKEND)
        return redirect("new-site")
    return render(request, "people/sign_up.html", {"form": form}, status=422 if form.errors else 200)


@require_POST
def enter_the_demo(request: HttpRequest) -> HttpResponse:
    """Enter as Ines without a password, and go on to `next`. Outside demo mode this address does not exist."""
    if not settings.DEMO:
        raise Http404
    login(request, get_object_or_404(Person, email=DEMO_ADDRESS), backend=_BACKEND)
    wanted = request.POST.get("next", "")
    is_ours = url_has_allowed_host_and_scheme(wanted, {request.get_host()}, require_https=request.is_secure())
    return redirect(wanted if is_ours else "sites")
