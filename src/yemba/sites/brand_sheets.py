"""The brand sheets a person has saved. Ready ones ship with templates and are never written to."""

from __future__ import annotations

from typing import Any, NamedTuple

from yemba.core.brand import sheet as rules
from yemba.core.errors import Fault
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Message
from yemba.core.site.document import Document, OwnFamily, Picture
from yemba.core.site.logo import logo as logo_of
from yemba.core.site.own_fonts import grown, own_family
from yemba.core.site.resolve import Look
from yemba.core.untrusted import whole
from yemba.core.value.line import Line
from yemba.people.models import Person
from yemba.sites import services, store, uploads
from yemba.sites.catalogue import catalogue
from yemba.sites.models import BrandSheet, Site

_MOST = 200


class Reference(NamedTuple):
    """A sheet to look at or compare: `ref` is "own:7", "ready:slipway/kelp" or "site:saltmarsh". `logo` is the picture
    it brings."""

    ref: str
    name: str
    values: dict[str, Any]
    logo: Picture | None = None


class Comparison(NamedTuple):
    """Two sheets, each also as the look that it gives a site of this person, and all their values."""

    first: Reference
    second: Reference
    looks: tuple[Look, Look]
    rows: list[rules.Compared]


def sheets_of(person: Person, *, binned: bool = False) -> list[BrandSheet]:
    return list(BrandSheet.objects.filter(owner=person, binned=binned))


def sheet(person: Person, number: int) -> BrandSheet:
    """Raises Fault ``no-such-sheet`` for one that is not this person's."""
    row = BrandSheet.objects.filter(owner=person, pk=number).first()
    if row is None:
        raise Fault("no-such-sheet", Message("That brand sheet is no longer there."))
    return row


def save(site: Site, name: str) -> BrandSheet:
    """Keep the brand of a site as it stands under a name. Raises Fault beside ``sheet_name``."""
    look = services.look(site)
    logo = logo_of(look)
    values = rules.values_of_look(look)
    stored = logo.model_dump(exclude_defaults=True) if logo else {}
    return _made(site.owner, name, values, stored, rules.fonts_of(values, look))


def copy(row: BrandSheet) -> BrandSheet:
    return _made(row.owner, _free(row.owner, row.name), row.values, row.logo, row.fonts)


def rename(row: BrandSheet, name: str) -> BrandSheet:
    """Raises Fault beside ``sheet_name``."""
    row.name = _name(row.owner, name, row.pk)
    row.save(update_fields=["name"])
    return row


def move(row: BrandSheet, *, to_bin: bool) -> BrandSheet:
    row.binned = to_bin
    if not to_bin:
        row.name = _free(row.owner, row.name)
    row.save(update_fields=["binned", "name"])
    return row


def apply_to(site: Site, row: BrandSheet) -> services.Done:
    """Apply a saved sheet as one edit."""
    arguments = {"title": row.name, "values": row.values, "logo": row.logo, "fonts": row.fonts}
    return services.edit(site, "apply-own-sheet", arguments)


def export(row: BrandSheet) -> bytes:
    logo = (catalogue().load(row.logo["file"]), row.logo.get("name", ""), row.logo.get("alt", "")) if row.logo else None
    fonts = {key: [store.load(file["file"]) for file in font["files"]] for key, font in row.fonts.items()}
    return rules.write(row.name, row.values, logo, fonts)


def import_file(person: Person, data: bytes) -> BrandSheet:
    """Read an exported sheet. A name that is taken gets a number. Raises what `core.brand.sheet.read_file` and
    `uploads.keep` raise."""
    read = rules.read_file(data, catalogue())
    logo: dict[str, Any] = {}
    if read.logo:
        names, name, alt = read.logo
        logo = {
            "file": uploads.keep(person, names.data),
            "format": names.format,
            "width": names.width,
            "height": names.height,
        }
        logo |= {"name": name} | ({"alt": alt} if alt else {})
    fonts: dict[str, Any] = {}
    for key, files in read.fonts.items():
        for file in files:
            family = own_family(file, uploads.keep(person, file.data))
            fonts[key] = grown(OwnFamily(**fonts[key]) if key in fonts else None, family).model_dump(mode="json")
    return _made(person, _free(person, read.name), read.values, logo, fonts)


def referenced(person: Person, ref: str) -> Reference:
    """A sheet by its reference. Raises Fault ``no-such-sheet``."""
    kind, _, which = ref.partition(":")
    if kind == "own" and (number := whole(which)) is not None:
        row = sheet(person, number)
        return Reference(ref, row.name, row.values, Picture(**row.logo) if row.logo else None)
    if kind == "ready":
        ready = catalogue().ready_sheet(which)
        template = catalogue().template(which.partition("/")[0])
        return Reference(
            ref, f"{ready.name}, {template.name}", {**template.design, **template.sheets[0].values, **ready.values}
        )
    site = Site.objects.filter(slug=which, owner=person).first() if kind == "site" else None
    if site is None:
        raise Fault("no-such-sheet", Message("That brand sheet is no longer there."))
    look = services.look(site)
    logo = logo_of(look)
    return Reference(ref, Message("{name}, as it stands", name=look.document.name), rules.values_of_look(look), logo)


def compared(person: Person, first: str, second: str) -> Comparison:
    """Two sheets beside one another, on the words of a site of theirs: of the one that is compared where one is.

    Raises Fault ``no-such-sheet``.
    """
    sheets = referenced(person, first), referenced(person, second)
    sites = services.sites_of(person)
    compared = [site for ref in (first, second) for site in sites if ref == f"site:{site.slug}"]
    document = services.document((compared or sites)[0]) if sites else services.empty()
    own = {key: OwnFamily(**font) for sheet in sheets_of(person) for key, font in sheet.fonts.items()}
    for site in sites:
        own = services.document(site).fonts | own
    document = document.model_copy(update={"fonts": own | document.fonts})
    looks = _worn(document, sheets[0]), _worn(document, sheets[1])
    return Comparison(*sheets, looks, rules.compare(sheets[0].values, sheets[1].values, looks[0]))


def _worn(document: Document, sheet: Reference) -> Look:
    """The look that a sheet alone gives a document."""
    values, pictures = dict(sheet.values), dict(document.pictures)
    if sheet.logo:
        values[rules.LOGO] = "logo"
        pictures["logo"] = sheet.logo
    update = {"sheet": values, "ready_sheet": None, "pictures": pictures}
    return Look(document.model_copy(update=update), catalogue())


def _made(owner: Person, name: str, values: dict[str, Any], logo: dict[str, Any], fonts: dict[str, Any]) -> BrandSheet:
    if BrandSheet.objects.filter(owner=owner).count() >= _MOST:
        raise Fault("too-many", Message("You have {most} brand sheets; take some out first.", most=_MOST), "sheet_name")
    return BrandSheet.objects.create(owner=owner, name=_name(owner, name), values=values, logo=logo, fonts=fonts)


def _name(owner: Person, typed: str, but: int = 0) -> str:
    name = Line(NAME_LETTERS, empty=False).read(typed, Message("The brand sheet’s name"), "sheet_name")
    if BrandSheet.objects.filter(owner=owner, name=name, binned=False).exclude(pk=but).exists():
        free = _free(owner, name)
        raise Fault(
            "name-in-use",
            Message(
                "You have a brand sheet called “{name}”. Take another name, such as “{free}”.", name=name, free=free
            ),
            "sheet_name",
        )
    return name


def _free(owner: Person, name: str) -> str:
    names = set(BrandSheet.objects.filter(owner=owner, binned=False).values_list("name", flat=True))
    return next(n for n in (name, *(f"{name[:54]} {k}" for k in range(2, _MOST + 2))) if n not in names)
