"""A person: an address to sign in with, a name to be called by."""

from __future__ import annotations

from typing import Any, ClassVar

from django.contrib.auth.base_user import AbstractBaseUser, BaseUserManager
from django.db import models


class People(BaseUserManager["Person"]):
    def create_user(self, email: str, password: str | None = None, **fields: Any) -> Person:
        """Without a password the account can only be entered by the demo's own door."""
        person = self.model(email=self.normalize_email(email).lower(), **fields)
        person.set_password(password)
        person.save()
        return person

    def get_by_natural_key(self, username: str | None) -> Person:
        return self.get(email=(username or "").lower())


class Person(AbstractBaseUser):
    email = models.EmailField("Mail address", unique=True)
    name = models.CharField("Name", max_length=60)
    joined = models.DateTimeField(auto_now_add=True)
    is_active = models.BooleanField(default=True)
    came_from = models.CharField(max_length=32, blank=True, db_index=True)  # a keyed hash of the address
    sign_outs = models.PositiveIntegerField(default=0)  # addresses of drafts hold until the next

    USERNAME_FIELD = "email"
    REQUIRED_FIELDS: ClassVar[list[str]] = ["name"]
    objects: ClassVar[People] = People()

    def __str__(self) -> str:
        return self.name
