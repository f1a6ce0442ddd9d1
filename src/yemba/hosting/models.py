"""Editions, which never change, and the pointer that says which of them is live."""

from __future__ import annotations

from django.db import models

from yemba.sites.models import Site


class Edition(models.Model):
    """One publishing. `manifest` maps each path to the hash of its content in the store."""

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="editions")
    number = models.PositiveIntegerField()
    document = models.TextField()
    manifest = models.JSONField()
    changes = models.JSONField(default=list)
    made_at = models.DateTimeField()

    class Meta:
        ordering = ("-number",)
        constraints = (models.UniqueConstraint(fields=("site", "number"), name="one_edition_a_number"),)

    def __str__(self) -> str:
        return f"{self.site.slug} {self.number}"


class Live(models.Model):
    """Which edition visitors see."""

    site = models.OneToOneField(Site, on_delete=models.CASCADE, related_name="live")
    edition = models.ForeignKey(Edition, on_delete=models.CASCADE)

    def __str__(self) -> str:
        return f"{self.site.slug}: edition {self.edition.number}"


class Made(models.Model):
    """A file that always comes out the same, made once: a picture in a size, an icon."""

    key = models.CharField(max_length=160, primary_key=True)
    digest = models.CharField(max_length=64)

    def __str__(self) -> str:
        return self.key
