"""Signing up and in."""

from __future__ import annotations

from django import forms
from django.contrib.auth.forms import AuthenticationForm
from django.contrib.auth.password_validation import validate_password

from yemba.core.message import Message
from yemba.people.models import Person


class SignUp(forms.ModelForm):  # type: ignore[type-arg]
    password = forms.CharField(
        label=Message("Password"),
        strip=False,
        widget=forms.PasswordInput(attrs={"autocomplete": "new-password"}, render_value=True),
        help_text=Message("At least 8 characters, and not a common one."),
    )

    class Meta:
        model = Person
        fields = ("name", "email")

    field_order = ("name", "email", "password")

    def __init__(self, *args: object, **kwargs: object) -> None:
        super().__init__(*args, **kwargs)  # type: ignore[arg-type]
        self.fields["email"].error_messages["unique"] = Message(
            "This address already has an account. Sign in instead, or use another address."
        )
        self.fields["email"].widget.attrs["autocomplete"] = "email"
        self.fields["name"].widget.attrs["autocomplete"] = "name"

    def clean_email(self) -> str:
        return str(self.cleaned_data["email"]).lower()

    def _post_clean(self) -> None:
        super()._post_clean()  # type: ignore[misc]
        if password := self.cleaned_data.get("password"):
            try:
                validate_password(password, self.instance)
            except forms.ValidationError as error:
                self.add_error("password", error)


class SignIn(AuthenticationForm):
    def clean_username(self) -> str:
        """Addresses are kept in small letters; in other letters they are counted as the same."""
        return str(self.cleaned_data["username"]).strip().lower()

    error_messages = {
        "invalid_login": Message("No account has this address with this password. Check both; capitals count."),
        "inactive": Message("This account is closed."),
    }
