"""A site with its draft, and the log of edits that made it."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class Site(models.Model):
    """`document` is the draft's canonical text; `revision` grows with every edit, undo and redo. One that is binned is
    served to nobody, and deleted after a while."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="sites")
    slug = models.SlugField("Address", max_length=40, unique=True)
    document = models.TextField()
    revision = models.PositiveIntegerField(default=0)
    made_at = models.DateTimeField(auto_now_add=True)
    changed_at = models.DateTimeField(auto_now=True)
    binned_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ("made_at",)

    def __str__(self) -> str:
        return self.slug


class Start(models.Model):
    """A new site in the making: `answers` is what its owner gave, `plan` its pages, `document` the site as it would be
    made, "" until the plan stands. `site` is there once a look was chosen."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="starts")
    answers = models.JSONField(default=dict)
    plan = models.JSONField(default=list)
    document = models.TextField(blank=True)
    site = models.OneToOneField(Site, on_delete=models.CASCADE, null=True, related_name="start")
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ("-pk",)

    def __str__(self) -> str:
        return str(self.answers.get("title", ""))


class Edit(models.Model):
    """One edit, in the order made. Those with `undone` are the ones redo would bring back; `window` is where it was
    made."""

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="edits")
    number = models.PositiveIntegerField()
    revision = models.PositiveIntegerField()
    command = models.CharField(max_length=40)
    label = models.CharField(max_length=240)
    operations = models.JSONField()
    gesture = models.CharField(max_length=40, blank=True)
    window = models.CharField(max_length=24, blank=True)
    undone = models.BooleanField(default=False)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ("number",)
        constraints = (models.UniqueConstraint(fields=("site", "number"), name="one_edit_a_number"),)

    def __str__(self) -> str:
        return self.label


class Receipt(models.Model):
    """The last request by which a window changed a site, with its `token`: sent again, it is not done again."""

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="receipts")
    window = models.CharField(max_length=24)
    token = models.CharField(max_length=40)
    label = models.CharField(max_length=240)
    made_at = models.DateTimeField(auto_now=True)

    class Meta:
        constraints = (models.UniqueConstraint(fields=("site", "window"), name="one_receipt_a_window"),)

    def __str__(self) -> str:
        return self.label


class BrandSheet(models.Model):
    """A brand sheet its owner saved. `logo` is a picture and `fonts` are fonts by id, as documents keep them, with
    their files in the store; {} for none."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="brand_sheets")
    name = models.CharField(max_length=60)
    values = models.JSONField()
    logo = models.JSONField(default=dict)
    fonts = models.JSONField(default=dict)
    binned = models.BooleanField(default=False)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ("name", "pk")

    def __str__(self) -> str:
        return self.name


class Present(models.Model):
    """A window that has a site open. `seen_at` is when it was last heard of."""

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="present")
    window = models.CharField(max_length=24)
    person = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    chapter = models.CharField(max_length=20)
    seen_at = models.DateTimeField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=("site", "window"), name="one_presence_a_window"),)

    def __str__(self) -> str:
        return f"{self.person} at {self.site.slug}"


class Feed(models.Model):
    """A calendar elsewhere: `digest` is that of its last good copy in the store, "" before the first. `etag` and
    `modified` are what its server said of that. `failed` says why it could not be fetched since, `failures` how often
    in a row; `next_at` is when it is fetched again."""

    address = models.CharField(max_length=500, unique=True)
    digest = models.CharField(max_length=64, blank=True)
    etag = models.CharField(max_length=200, blank=True)
    modified = models.CharField(max_length=200, blank=True)
    fetched_at = models.DateTimeField(null=True)
    next_at = models.DateTimeField(null=True, db_index=True)
    failed = models.CharField(max_length=300, blank=True)
    failures = models.PositiveSmallIntegerField(default=0)

    def __str__(self) -> str:
        return self.address
