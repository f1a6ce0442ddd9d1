"""Editions, which never change, and the pointer that says which of them is live."""

from __future__ import annotations

from django.db import models

from yemba.sites.models import Site


class Edition(models.Model):
    """One publishing. `manifest` maps each path to the hash of its content in the store.

    `redirects` maps addresses that pages had before to the ones they have; `name` is the owner's.
    """

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="editions")
    number = models.PositiveIntegerField()
    document = models.TextField()
    manifest = models.JSONField()
    redirects = models.JSONField(default=dict)
    name = models.CharField(max_length=80, blank=True)
    changes = models.JSONField(default=list)
    made_at = models.DateTimeField()

    class Meta:
        ordering = ("-number",)
        constraints = (models.UniqueConstraint(fields=("site", "number"), name="one_edition_a_number"),)

    def __str__(self) -> str:
        return f"{self.site.slug} {self.number}"


class Live(models.Model):
    """Which edition visitors see. `until` is when the next of its posts appears that has a set time, None for never."""

    site = models.OneToOneField(Site, on_delete=models.CASCADE, related_name="live")
    edition = models.ForeignKey(Edition, on_delete=models.CASCADE)
    until = models.DateTimeField(null=True, db_index=True)

    def __str__(self) -> str:
        return f"{self.site.slug}: edition {self.edition.number}"


class Planned(models.Model):
    """A publishing that is to happen at a set time: of `document` the changes named by `keys`, upon what is live then.

    `begun_at` is set while it is being done. `failed` says why it could not be; such a one stays until its
    owner has seen it.
    """

    site = models.OneToOneField(Site, on_delete=models.CASCADE, related_name="planned")
    at = models.DateTimeField()
    document = models.TextField()
    keys = models.JSONField(default=list)
    begun_at = models.DateTimeField(null=True)
    changes = models.JSONField(default=list)
    failed = models.CharField(max_length=300, blank=True)

    def __str__(self) -> str:
        return f"{self.site.slug} at {self.at:%Y-%m-%d %H:%M}"


class Message(models.Model):
    """What a visitor sent through a contact form. `sender` is a keyed digest of where it came from."""

    class State(models.TextChoices):
        NEW = "new", "New"
        READ = "read", "Read"
        HELD = "held", "Held back"
        BINNED = "binned", "In the bin"

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="messages")
    state = models.CharField(max_length=8, choices=State.choices, default=State.NEW)
    reason = models.CharField(max_length=120, blank=True)
    page = models.CharField(max_length=80)
    name = models.CharField(max_length=120)
    mail = models.CharField(max_length=200)
    words = models.TextField()
    answers = models.JSONField(default=dict)
    sender = models.CharField(max_length=32)
    sent_at = models.DateTimeField()

    class Meta:
        ordering = ("-sent_at", "-pk")

    def __str__(self) -> str:
        return f"{self.name}: {self.words[:40]}"


class Made(models.Model):
    """A file that always comes out the same, made once: a picture in a size, an icon; or a page.

    Of a page, `base` names the inputs known beforehand, `reads` what it was seen to read of the site, by fragment
    (``render.recorder``): where both are the same, so is the page. `key` then names both.
    """

    key = models.CharField(max_length=160, primary_key=True)
    base = models.CharField(max_length=80, blank=True, db_index=True)
    reads = models.JSONField(default=dict)
    digest = models.CharField(max_length=64, db_index=True)

    def __str__(self) -> str:
        return self.key


class Fresh(models.Model):
    """What stands at a path of an edition now, where time changes it: `until` is when it changes next, None for never.
    `made_at` is when this was made."""

    edition = models.ForeignKey(Edition, on_delete=models.CASCADE, related_name="fresh")
    path = models.CharField(max_length=300)
    digest = models.CharField(max_length=64)
    made_at = models.DateTimeField()
    until = models.DateTimeField(null=True)

    class Meta:
        constraints = (models.UniqueConstraint(fields=("edition", "path"), name="one_fresh_file_a_path"),)

    def __str__(self) -> str:
        return f"{self.path} of {self.edition}"
